import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bundle, bundleScript } from '../src/bundle.js';
import type { BundleOptions } from '../src/bundle-options.js';

const root = mkdtempSync(join(tmpdir(), 'poietra-bundles-'));
const [project, home] = [join(root, 'project'), join(root, 'home')];
const cache = join(home, '.cache/bundles');
const write = (path: string, text: string) => writeFileSync(join(project, path), text);
const options: BundleOptions = {
  project,
  home,
  start: { module: './start.ts', name: 'start' },
  inputs: [
    { id: './berth.ts#Berth', family: 'component', export: 'Berth', module: './berth.ts', css: ['./berth.css'] },
  ],
};
const kept = () => (existsSync(cache) ? readdirSync(cache) : []);
/** What was made anew is written anew. */
const writtenAt = () => kept().map((name) => statSync(join(cache, name)).ino);

beforeEach(() => {
  rmSync(root, { recursive: true, force: true });
  for (const folder of [join(project, 'node_modules'), home]) mkdirSync(folder, { recursive: true });
  for (const file of ['bundle', 'inside', 'loaders', 'shut'])
    cpSync(join(__dirname, `../src/${file}.ts`), join(home, `packages/inputs/src/${file}.ts`));
  write('package.json', '{"name":"harbour"}');
  write('node_modules/.package-lock.json', '{}');
  write('start.ts', 'export const start = (inputs: object) => console.log(inputs);');
  write('berth.ts', "import { words } from './words.js'; export const Berth = () => words;");
  write('words.js', "export const words = 'free';");
  write('berth.css', '.berth { color: teal }');
});
afterAll(() => rmSync(root, { recursive: true, force: true }));

it('is made once, for a page and for a server each, and is the same when it is asked for again', async () => {
  const [page, server] = [await bundle(options), await bundleScript(options)];
  expect(page.script).toContain('free');
  expect(page.style).toContain('.berth');
  const first = writtenAt();
  expect(first).toHaveLength(2);
  expect([await bundle(options), await bundleScript(options)]).toEqual([page, server]);
  expect(writtenAt()).toEqual(first);
});

it.each([
  ['a file that it was made of', () => write('words.js', "export const words = 'taken';"), 'taken'],
  ['its sheet', () => write('berth.css', '.berth { color: plum }'), 'plum'],
  ['what takes the place of a file', () => write('words.ts', "export const words = 'taken over';"), 'free'],
  ['the packages', () => write('node_modules/.package-lock.json', '{"packages":{}}'), 'free'],
  ['how it is made', () => writeFileSync(join(home, 'packages/inputs/src/shut.ts'), ''), 'free'],
  ['what is kept', () => writeFileSync(join(cache, kept()[0] ?? ''), '{"value":'), 'free'],
])('is made anew after a change of %s', async (_what, change, says) => {
  await bundle(options);
  const before = writtenAt();
  change();
  const { script, style } = await bundle(options);
  expect(script + style).toContain(says);
  expect(writtenAt()).not.toEqual(before);
});

it('that failed is not kept, and is made as soon as it can be', async () => {
  write('words.js', 'export const nothing = 1');
  rmSync(join(project, 'words.js'));
  await expect(bundle(options)).rejects.toThrow('words.js');
  expect(kept()).toEqual([]);
  write('words.js', "export const words = 'mended';");
  expect((await bundle(options)).script).toContain('mended');
});

it('is not kept of a project without a lock file, nor where nothing can be written', async () => {
  rmSync(join(project, 'node_modules/.package-lock.json'));
  expect((await bundle(options)).script).toContain('free');
  expect(kept()).toEqual([]);
  write('node_modules/.package-lock.json', '{}');
  writeFileSync(join(home, '.cache'), 'no folder');
  expect((await bundle(options)).script).toContain('free');
});
