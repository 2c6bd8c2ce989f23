/** What packages of a project want beside them, and do not have there. */
import { satisfies, validRange } from 'semver';
import { findPackage, type Project } from './project.js';

/** A sentence for each package that is not made for what is installed beside it, or lacks what it cannot do without. */
export function unmetPeers({ folder, packages }: Project): string[] {
  return packages.flatMap(({ name, manifest }) => {
    const optional = manifest['peerDependenciesMeta'] as Readonly<Record<string, { optional?: boolean }>> | undefined;
    return Object.entries((manifest['peerDependencies'] ?? {}) as Readonly<Record<string, unknown>>).flatMap(
      ([peer, range]) => {
        // Types are nothing that runs, and a range may be written in a way of the installer's own.
        if (peer.startsWith('@types/') || typeof range !== 'string' || validRange(range) === null) return [];
        const found = findPackage(folder, peer);
        if (found)
          return satisfies(found.version, range, { includePrerelease: true })
            ? []
            : [`${name} is made for ${peer} ${range}; ${found.version} is installed, so it may fail or warn.`];
        return optional?.[peer]?.optional === true
          ? []
          : [`${name} needs ${peer} ${range} beside it, which is not installed.`];
      },
    );
  });
}
