/** Packages are foreign: one that cannot be read says so, and takes none of the others along. */
import type { ProjectPackage } from './project.js';

/** @param unread takes a sentence for each package that failed. */
export function eachAlone<P extends ProjectPackage, T>(
  packages: readonly P[],
  unread: string[],
  read: (pkg: P, index: number) => T,
): T[] {
  return packages.flatMap((pkg, index) => {
    try {
      return [read(pkg, index)];
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      unread.push(`${pkg.module ?? pkg.name} could not be read: ${why}`);
      return [];
    }
  });
}
