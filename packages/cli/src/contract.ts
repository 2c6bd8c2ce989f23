/**
 * The contract for an application's own tests: what a hand-over wrote of an adapter, hand changes and all, is bundled and
 * worked on a page of the browser that the test runner has open. `contract/adapters.mjs` of a hand-over calls it.
 */
import { checkOf, fallsShort, readKitText, toTry, type CheckVerdict } from '@poietra/core';
import { bundle, proveAdapter, Renderer } from '@poietra/inputs';
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, parse } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Browser } from 'playwright-core';
import type { contractOf as declared } from '../contract.js';

const home = join(import.meta.dirname, '../../..');

export const contractOf: typeof declared = async (folder, { adapter: name, file, called }, browser) => {
  const root = fileURLToPath(folder);
  const read = readKitText(readFileSync(join(root, 'kit.json'), 'utf8'));
  const adapter = read.ok && Object.hasOwn(read.kit.adapters, name) ? read.kit.adapters[name] : undefined;
  if (!adapter) throw new Error(`kit.json in ${root} has no adapter “${name}”. Hand the kit over again.`);
  const parts = {
    project: projectAround(root),
    home,
    inputs: [],
    handedOver: { module: join(root, 'adapters', file), name: called },
  };
  const start = (module: string, start: string): { module: string; name: string } => ({
    module: join(home, 'packages/stand/src', module),
    name: start,
  });
  const renderer = new Renderer();
  const verdicts = await proveAdapter(
    // The runner's browser and ours are of the same kind, whatever their versions call themselves.
    browser as Browser,
    await bundle({ ...parts, start: start('frame.ts', 'startProving') }),
    adapter,
    (task) => renderer.render({ ...parts, start: start('render.tsx', 'startRendering') }, task),
    { home },
  );
  return verdicts.filter(fallsShort).map(sentence);
};

/** The folder whose packages the source finds: the nearest one around it that is a package. */
function projectAround(folder: string): string {
  for (let at = folder; at !== parse(at).root; at = dirname(at)) if (existsSync(join(at, 'package.json'))) return at;
  throw new Error(`There is no package.json around ${folder}.`);
}

function sentence(verdict: CheckVerdict): string {
  const { check, seen, state } = verdict;
  const { title = check, expects = '' } = checkOf(check) ?? {};
  return `${title}${state === 'open' ? ' (not decided)' : ''}: expected: ${expects} Seen: ${seen} To try: ${toTry(verdict)}`;
}
