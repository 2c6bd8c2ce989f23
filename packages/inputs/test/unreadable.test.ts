/** Packages that cannot be read, beside one that can: nobody else's inputs are lost, and what was not read says so. */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { inspect } from '../src/index.js';
import { folder, put } from './planted-package.js';

const sound = `import * as React from 'react';
export declare function Level(props: { value?: number; onChange?: (value: number) => void }): React.ReactElement;`;

it.each([
  ['whose entry is a folder', { main: 'lib' }],
  ['whose entry is a folder with nothing in it', { main: 'empty' }],
  ['whose types are a folder', { types: 'lib' }],
  ['whose manifest of elements is a folder', { customElements: 'lib' }],
  ['whose entry is no text', { main: 7, types: ['a'], exports: 12 }],
  ['whose entries are lists', { exports: [['./lib']] }],
  ['whose entries lead to a folder', { exports: { '.': './lib', './a': { types: './lib' } } }],
])('a package %s', (_, manifest) => {
  put('package.json', JSON.stringify({ name: 'desk', dependencies: { tide: '1', wreck: '1' } }));
  put('node_modules/tide/package.json', JSON.stringify({ name: 'tide', version: '1.0.0', types: 'index.d.ts' }));
  put('node_modules/tide/index.d.ts', sound);
  put('node_modules/wreck/package.json', JSON.stringify({ name: 'wreck', version: '1.0.0', ...manifest }));
  put('node_modules/wreck/lib/index.js', 'export const depth = 7;');
  mkdirSync(join(folder, 'node_modules/wreck/empty'));
  const { inputs } = inspect(folder);
  expect(inputs.filter(({ input }) => input.family !== 'native').map(({ input }) => input.id)).toEqual(['tide#Level']);
});

it('a manifest of elements that is none leaves the others, and says so', () => {
  put('package.json', JSON.stringify({ name: 'desk', dependencies: { tide: '1', wreck: '1' } }));
  put('node_modules/tide/package.json', JSON.stringify({ name: 'tide', version: '1.0.0', types: 'index.d.ts' }));
  put('node_modules/tide/index.d.ts', sound);
  put('node_modules/wreck/package.json', '{"name":"wreck","version":"1.0.0","customElements":"elements.json"}');
  put('node_modules/wreck/elements.json', '{"modules":[{"declarations":[null, {"customElement":true,"tagName":7}]}]}');
  const { inputs, unread } = inspect(folder);
  expect(inputs.map(({ input }) => input.id)).toContain('tide#Level');
  expect(unread.filter((one) => one.startsWith('wreck'))).toHaveLength(1);
});

it('says of a package with scripts that none of them is imported by its name', () => {
  put('package.json', JSON.stringify({ name: 'desk', dependencies: { tide: '1', wreck: '1', chalk: '1' } }));
  put('node_modules/tide/package.json', JSON.stringify({ name: 'tide', version: '1.0.0', types: 'index.d.ts' }));
  put('node_modules/tide/index.d.ts', sound);
  put('node_modules/wreck/package.json', '{"name":"wreck","version":"1.0.0"}');
  put('node_modules/wreck/dist/wreck.min.js', 'window.wreck = 7;');
  put('node_modules/chalk/package.json', '{"name":"chalk","version":"1.0.0"}');
  put('node_modules/chalk/dist/chalk.css', 'body { margin: 0 }');
  // A file that is called like a folder is none.
  put('node_modules/chalk/lib', '#!/bin/sh');
  expect(inspect(folder)).toMatchObject({
    unread: [expect.stringMatching(/^wreck names no file that is imported with it/)],
    without: ['chalk'],
  });
});
