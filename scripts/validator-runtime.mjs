/** Writes the engine that goes into written-out validators as one text; the build does it, so that it is never behind. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const core = join(import.meta.dirname, '../packages/core/src');
const target = join(core, 'handover/validator-runtime.json');

export async function validatorRuntime() {
  // Imported here: where nothing is installed yet, this file is read before it is there.
  const { build } = await import('esbuild');
  const { outputFiles } = await build({
    entryPoints: [join(core, 'schema/standalone.ts')],
    bundle: true,
    write: false,
    minify: true,
    format: 'iife',
    globalName: 'PoietraRuntime',
    target: 'es2022',
    legalComments: 'none',
  });
  const text = `${JSON.stringify({ runtime: outputFiles[0].text.trim() })}\n`;
  const before = (() => {
    try {
      return readFileSync(target, 'utf8');
    } catch {
      return undefined;
    }
  })();
  if (before !== text) writeFileSync(target, text);
  return before === text;
}

if (process.argv[1] === import.meta.filename)
  console.log((await validatorRuntime()) ? 'It was up to date.' : 'Written anew.');
