import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { KeptInspections, type Inspection } from '../src/index.js';

const home = mkdtempSync(join(tmpdir(), 'poietra-kept-'));
const [folder, cache, code] = [join(home, 'project'), join(home, 'cache'), join(home, 'reader.js')];
const write = (path: string, text: string) => writeFileSync(join(home, path), text);
const inspection: Inspection = {
  folder,
  project: 'harbour',
  inputs: [],
  passed: [],
  missing: ['tides'],
  unread: [],
  without: [],
};
const kept = new KeptInspections(cache, code);

beforeEach(() => {
  mkdirSync(join(folder, 'node_modules'), { recursive: true });
  write('project/package.json', '{"name":"harbour"}');
  write('project/node_modules/.package-lock.json', '{}');
  write('project/berth.tsx', 'export const Berth = 1;');
  write('reader.js', '1');
  rmSync(cache, { recursive: true, force: true });
  kept.keep(folder, inspection);
});
afterAll(() => rmSync(home, { recursive: true, force: true }));

it('has what was kept, and leaves nothing half written', () => {
  expect(kept.of(folder)).toEqual(inspection);
  expect(readdirSync(cache)).toHaveLength(1);
});

it.each([
  ['an own source file', () => write('project/berth.tsx', 'export const Berth = 22;')],
  ['a new own source file', () => write('project/quay.tsx', '')],
  ['the packages', () => write('project/node_modules/.package-lock.json', '{"packages":{}}')],
  ['what the project asks for', () => write('project/package.json', '{"name":"quay"}')],
  ['the code that reads', () => write('reader.js', '2')],
  ['the kept file', () => write(join('cache', readdirSync(cache)[0] ?? ''), '{"folder":')],
])('is not asked again after a change of %s', (_what, change) => {
  change();
  expect(kept.of(folder)).toBeUndefined();
});

it('the kit that the workbench writes into the project changes nothing', () => {
  write('project/poietra.kit.json', '{}');
  expect(kept.of(folder)).toEqual(inspection);
});

it('without a lock file, or with a cache that cannot be written, it reads anew', () => {
  rmSync(join(folder, 'node_modules/.package-lock.json'));
  kept.keep(folder, inspection);
  expect(kept.of(folder)).toBeUndefined();
  const nowhere = new KeptInspections(join(code, 'cache'), code);
  expect(nowhere.read(folder).project).toBe('harbour');
});
