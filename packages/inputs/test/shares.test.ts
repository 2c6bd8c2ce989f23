import { inShares } from '../src/declared/shares.js';
import type { ProjectPackage } from '../src/project.js';

const pkg = (name: string, needs: readonly string[] = [], more: Partial<ProjectPackage> = {}): ProjectPackage => ({
  name,
  version: '1.0.0',
  folder: `/${name}`,
  manifest: { dependencies: Object.fromEntries(needs.map((one) => [one, '1'])) },
  ...more,
});
const names = (packages: readonly ProjectPackage[]) => inShares(packages).map((share) => share.map(({ name }) => name));

it('a few packages are read together, each once', () => {
  const all = Array.from({ length: 20 }, (_, i) => pkg(`tide-${i}`));
  const shares = names(all);
  expect(shares.flat()).toEqual(all.map(({ name }) => name));
  expect(shares.map(({ length }) => length)).toEqual([8, 8, 4]);
});

it('what builds on one another stays together, over others in between and over two steps', () => {
  const between = Array.from({ length: 9 }, (_, i) => pkg(`tide-${i}`));
  const shares = names([pkg('quay'), ...between, pkg('crane', ['hook']), pkg('hook', ['quay', 'elsewhere'])]);
  expect(shares.find((share) => share.includes('quay'))).toEqual(expect.arrayContaining(['quay', 'crane', 'hook']));
});

it('entries of one package stay together, and files of the project', () => {
  const entries = Array.from({ length: 12 }, (_, i) => pkg('quay', [], { module: `quay/${i}` }));
  const files = Array.from({ length: 12 }, (_, i) => pkg(`./src/${i}.tsx`, [], { of: 'desk' }));
  expect(inShares([...entries, ...files])).toHaveLength(1);
});

it('packages that need each other in a circle end', () => {
  expect(names([pkg('bow', ['stern']), pkg('stern', ['bow'])])).toEqual([['bow', 'stern']]);
});
