/** Hand-overs that stand on their own: they compile without any package of ours, and do what the libraries do. */
import { build } from 'esbuild';
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { compileSchema, type Kit } from '@poietra/core';
import { handOver, type HandoverFile, type OwnSources } from '@poietra/core/handover';
import { troublesOf } from '../../core/test/compiled.js';
import { ownWords, weight } from './own-words.js';

const home = join(__dirname, '../../..');
const read = (path: string): string => readFileSync(join(home, path), 'utf8');
// The build writes it; `npm test` builds first.
const sources = JSON.parse(read('packages/own/dist/sources.json')) as OwnSources;
const demo = JSON.parse(read('demo/kit.json')) as Kit;

const words = ownWords(demo);

const folder = mkdtempSync(join(tmpdir(), 'poietra-own-'));
afterAll(() => rmSync(folder, { recursive: true }));
const put = (files: readonly HandoverFile[]): void => {
  for (const { path, text } of files) {
    mkdirSync(join(folder, dirname(path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
};
/** One of the files as Node runs it. */
async function bundled(path: string, ...external: string[]): Promise<string> {
  const outfile = join(folder, 'out', path.replace(/\.tsx?$/, '.mjs'));
  await build({
    entryPoints: [join(folder, path)],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile,
    external,
    logLevel: 'error',
  });
  return outfile;
}

describe.each([
  ['the demo kit', demo],
  ['a kit with names of the language and of the library', words],
])('%s, on its own', (_, kit) => {
  const files = handOver(kit, { own: sources });

  it('names no package of ours, and compiles under the strictest settings with nothing unused', () => {
    const naming = files.filter(({ path, text }) => /\.(tsx?|js)$/.test(path) && /from '@poietra/.test(text));
    expect(naming.map(({ path }) => path)).toEqual([]);
    expect(troublesOf(files, { isOwn: true })).toEqual([]);
  });

  it('its codecs pass their cases', async () => {
    put(files);
    const tests = files.filter(({ path }) => path.endsWith('.test.ts'));
    expect(tests.length).toBeGreaterThan(0);
    const outs = await Promise.all(tests.map(({ path }) => bundled(path)));
    const { status, stdout } = spawnSync(process.execPath, ['--test', ...outs], { encoding: 'utf8' });
    expect(stdout).toMatch(/^# fail 0$/m);
    expect(status).toBe(0);
  });
});

it('validators judge as the compiled schema does, and import nothing', async () => {
  put(handOver(words, { own: sources }));
  const path = join(folder, 'forms/form.validate.js');
  expect(readFileSync(path, 'utf8')).not.toMatch(/^import /m);
  const outfile = join(folder, 'out/validate.cjs');
  await build({ entryPoints: [path], bundle: true, platform: 'node', format: 'cjs', outfile, logLevel: 'error' });
  // Loaded by Node itself, not by the tests' own loader.
  const values = [{ class: 'ab' }, { class: 'a' }, {}, 1, { class: 'ab', weight: '2' }];
  const { stdout } = spawnSync(
    process.execPath,
    [
      '-e',
      `const v = require(${JSON.stringify(outfile)}); console.log(JSON.stringify(${JSON.stringify(values)}.map((one) => [v.accepts(one), v.validate(one).problems])))`,
    ],
    { encoding: 'utf8' },
  );
  const compiled = compileSchema(weight, { assertFormats: true });
  expect(JSON.parse(stdout)).toEqual(
    JSON.parse(JSON.stringify(values.map((one) => [compiled.accepts(one), compiled.validate(one).problems]))),
  );
});

it('brings only what is used: without forms there is neither engine nor drawing', () => {
  const paths = handOver({ ...words, forms: {} }, { own: sources }).map(({ path }) => path);
  expect(paths).toContain('own/codec/dates.ts');
  expect(paths.filter((path) => /^own\/(schema|form|react|expression)\//.test(path))).toEqual([]);
  const own = handOver({ ...words, codecs: { day: { kind: 'date' } }, forms: {} }, { own: sources });
  expect(own.find(({ path }) => path === 'own/codec/dates.ts')?.text).not.toContain('dateKinds');
  expect(own.find(({ path }) => path === 'README.md')?.text).toContain('npm install react react-dom');
});
