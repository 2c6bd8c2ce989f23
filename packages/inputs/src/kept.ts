import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inspect, type Inspection } from './find.js';

/** The kit in a project's folder: written by the workbench, and no source of inputs. */
export const kitFileName = 'poietra.kit.json';

/** The project's own source files with their times and sizes: inputs are found in them, too. */
function ownFiles(folder: string, cache: string, depth = 0): (readonly [string, number, number])[] {
  if (depth > 12 || folder === cache) return [];
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.name.startsWith('.') || ['node_modules', 'dist', kitFileName].includes(entry.name)) return [];
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return ownFiles(path, cache, depth + 1);
    if (!/\.([cm]?[jt]sx?|json)$/.test(entry.name)) return [];
    const { mtimeMs, size } = statSync(path);
    return [[path, mtimeMs, size] as const];
  });
}

/** What stands for a project as it is now: its packages by their lock file, its own files. Nothing where there is no lock file. */
export function stateOf(folder: string, cache: string): string | undefined {
  try {
    return createHash('sha256')
      .update(readFileSync(join(folder, 'package.json')))
      .update(JSON.stringify(ownFiles(folder, cache)))
      .update(readFileSync(join(folder, 'node_modules/.package-lock.json')))
      .digest('hex');
  } catch {
    return undefined;
  }
}

/**
 * Inspections kept on disk. The same packages in the same versions and the same own files, read by the same code,
 * declare the same; `code` is a file that changes when the reading code does.
 */
export class KeptInspections {
  constructor(
    private readonly cache: string,
    private readonly code: string,
  ) {}

  /** The inspection of the folder as it is now; nothing where none is kept, or where its packages have no lock file. */
  of(folder: string): Inspection | undefined {
    const path = this.#pathOf(folder);
    if (path === undefined) return undefined;
    try {
      return JSON.parse(readFileSync(path, 'utf8')) as Inspection;
    } catch {
      return undefined;
    }
  }

  /** A cache that cannot be written costs time and nothing else. */
  keep(folder: string, inspection: Inspection): void {
    const path = this.#pathOf(folder);
    if (path === undefined) return;
    try {
      mkdirSync(this.cache, { recursive: true });
      // Two processes may write at once, and a third read.
      const half = `${path}.${process.pid}`;
      writeFileSync(half, JSON.stringify(inspection));
      renameSync(half, path);
    } catch {
      return;
    }
  }

  /**
   * What is kept, or else read now.
   * @throws {ProjectError} where the folder is no project.
   */
  read(folder: string): Inspection {
    const kept = this.of(folder);
    if (kept) return kept;
    const inspection = inspect(folder);
    this.keep(folder, inspection);
    return inspection;
  }

  #pathOf(folder: string): string | undefined {
    const state = stateOf(folder, this.cache);
    if (state === undefined) return undefined;
    const key = createHash('sha256').update(folder).update(readFileSync(this.code)).update(state).digest('hex');
    return join(this.cache, `${key.slice(0, 24)}.json`);
  }
}
