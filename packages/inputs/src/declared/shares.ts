/** Which packages are read in one program. A program of suites holds hundreds of megabytes; it is let go of before the next one. */
import type { ProjectPackage } from '../project.js';

const mostTogether = 8;

/** Packages that build on one another stay together, since one may borrow what another has; the rest in shares of a few. */
export function inShares(packages: readonly ProjectPackage[]): ProjectPackage[][] {
  const names = new Set(packages.map(keptBy));
  const leaders = new Map([...names].map((name) => [name, name]));
  const leaderOf = (name: string): string => {
    let leader = name;
    for (let next = leaders.get(leader); next !== undefined && next !== leader; next = leaders.get(leader))
      leader = next;
    return leader;
  };
  for (const { manifest, ...pkg } of packages)
    for (const needed of ['peerDependencies', 'dependencies'].flatMap((kind) => Object.keys(manifest[kind] ?? {})))
      if (names.has(needed)) leaders.set(leaderOf(needed), leaderOf(keptBy(pkg)));
  const groups = new Map<string, ProjectPackage[]>();
  for (const pkg of packages) {
    const leader = leaderOf(keptBy(pkg));
    groups.set(leader, [...(groups.get(leader) ?? []), pkg]);
  }
  const shares: ProjectPackage[][] = [];
  for (const group of groups.values()) {
    const last = shares.at(-1);
    if (last && countOf([...last, ...group]) <= mostTogether) last.push(...group);
    else shares.push([...group]);
  }
  return shares;
}

/** The project's own files are one package, and so are all entries of one. */
const keptBy = ({ name, of }: Pick<ProjectPackage, 'name' | 'of'>): string => of ?? name;
const countOf = (packages: readonly ProjectPackage[]): number => new Set(packages.map(keptBy)).size;
