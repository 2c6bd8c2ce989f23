import { build } from 'esbuild';
import { join } from 'node:path';
import { runInThisContext } from 'node:vm';

/** As an application's bundler puts it into one file, where what is fetched on demand cannot be a file of its own. */
async function inOneFile(source: string): Promise<unknown> {
  const { outputFiles } = await build({
    stdin: { contents: `${source}\nglobalThis.bundled = run();`, resolveDir: join(__dirname, '..'), loader: 'ts' },
    bundle: true,
    write: false,
    format: 'iife',
    platform: 'node',
    target: 'es2022',
    conditions: ['source'],
    logLevel: 'silent',
  });
  return runInThisContext(`${outputFiles[0]?.text ?? ''}\n;globalThis.bundled`);
}

it.each([
  [
    'laws of a codec',
    `import { laws, makeCodec } from '@poietra/core';
    const run = () => laws.map((law) => law.broken(makeCodec({ kind: 'money' }), '1.50') ?? law.id);`,
    ['throws', 'json', 'shown', 'stable', 'empty'],
  ],
  [
    'a codec of code',
    `import { codecFromCode, runCase } from '@poietra/core';
    const run = () => runCase(codecFromCode({ parse: (s) => s, show: (h) => h }), { shown: 'a', held: 'a' }).passed;`,
    true,
  ],
  [
    'a form',
    `import { openForm } from '@poietra/core';
    const run = () => { const form = openForm({ schema: { properties: { a: { type: 'integer' } } } }); form.field('/a').report('4'); return form.sent(); };`,
    { a: 4 },
  ],
  [
    'hints and rules',
    `import { compileSchema, makePlan } from '@poietra/core';
    const run = () => makePlan(compileSchema({ properties: { a: { type: 'string', 'x-poietra': { lable: 'A' } } } })).troubles.length;`,
    1,
  ],
])('everything is at hand in a bundle without parts: %s', async (_, source, expected) =>
  expect(JSON.parse(JSON.stringify(await inOneFile(source)))).toEqual(expected),
);
