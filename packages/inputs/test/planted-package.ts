/** A project in a folder of its own, with one package that a test plants there. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { inspect, type InspectedInput } from '../src/index.js';

/** The folder of the test that runs. */
export let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'poietra-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

export const put = (path: string, text: string): void => {
  mkdirSync(dirname(join(folder, path)), { recursive: true });
  writeFileSync(join(folder, path), text);
};
/** Installs a package with these types. */
export const install = (
  name: string,
  types: string,
  manifest: object = { types: 'index.d.ts', main: 'index.js' },
): void => {
  put('package.json', JSON.stringify({ name: 'desk', dependencies: { [name]: '1' } }));
  put(`node_modules/${name}/package.json`, JSON.stringify({ name, version: '1.0.0', ...manifest }));
  if (types !== '') put(`node_modules/${name}/index.d.ts`, types);
};
export const found = (): InspectedInput[] => inspect(folder).inputs.filter(({ input }) => input.family !== 'native');
export const names = (): string[] => found().map(({ input }) => input.export);
