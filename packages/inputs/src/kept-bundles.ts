/**
 * Bundles kept on disk, for server, command line and tests alike: making one costs seconds, and the same files make the
 * same. What went into one is told by esbuild; it counts as long as each of these files has the time and size it had.
 */
import { version, type Metafile } from 'esbuild';
import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { stateOf } from './kept.js';

/** What was made, and the files of which it was made. */
export interface Made<T> {
  readonly value: T;
  readonly files: readonly string[];
}
type Seen = readonly [path: string, time: number, size: number];

/** Each has a few megabytes; those that were not used for the longest go first. */
const most = 100;

/** Files of a build, as whole paths; what plugins made of nothing has none. */
export function filesOf({ inputs }: Metafile): string[] {
  return Object.keys(inputs).flatMap((name) => {
    const path = resolve(name);
    return seenOf(path) ? [path] : [];
  });
}

/**
 * The same of the same: what is kept for `asked` in this project, or else what `make` makes. Nothing is kept of a project
 * whose packages have no lock file, since what stands for a name there can change without a trace; nor where it cannot be
 * written, which costs time and nothing else.
 */
export async function keptOr<T>(
  { project, home, asked }: { readonly project: string; readonly home: string; readonly asked: unknown },
  make: () => Promise<Made<T>>,
): Promise<T> {
  const folder = join(home, '.cache/bundles');
  const state = stateOf(project, join(home, '.cache'));
  if (state === undefined) return (await make()).value;
  const key = createHash('sha256')
    .update(JSON.stringify([project, home, asked]))
    .update(state)
    .update(codeOf(home))
    .digest('hex')
    .slice(0, 24);
  const path = join(folder, `${key}.json`);
  const kept = read(path);
  if (kept) return kept.value as T;
  const { value, files } = await make();
  write(folder, path, { value, seen: files.map(seenOf) });
  return value;
}

function read(path: string): { readonly value: unknown } | undefined {
  try {
    const { value, seen } = JSON.parse(readFileSync(path, 'utf8')) as { value: unknown; seen: Seen[] };
    const isAsItWas = seen.every(([file, time, size]) => {
      const now = seenOf(file);
      return now?.[1] === time && now[2] === size;
    });
    if (!isAsItWas) return undefined;
    const now = new Date();
    utimesSync(path, now, now);
    return { value };
  } catch {
    return undefined;
  }
}

function write(folder: string, path: string, content: object): void {
  try {
    mkdirSync(folder, { recursive: true });
    // Two processes may write at once, and a third read.
    const half = `${path}.${process.pid}`;
    writeFileSync(half, JSON.stringify(content));
    renameSync(half, path);
    const all = readdirSync(folder).map((name) => join(folder, name));
    if (all.length <= most) return;
    const byUse = all.map((one) => [one, statSync(one).mtimeMs] as const).sort(([, a], [, b]) => b - a);
    for (const [old] of byUse.slice(most)) rmSync(old, { force: true });
  } catch {
    return;
  }
}

function seenOf(path: string): Seen | undefined {
  const found = statSync(path, { throwIfNoEntry: false });
  return found?.isFile() ? [path, found.mtimeMs, found.size] : undefined;
}

/** How a bundle is made changes with our own code: the same for each of our programs, which are built apart. */
function codeOf(home: string): string {
  const sources = ['bundle', 'bundle-entry', 'bundle-plugins', 'inside', 'loaders', 'sass-sheets', 'shut'].map(
    (name) => `packages/inputs/src/${name}.ts`,
  );
  const texts = [...sources, 'package.json'].map((path) => {
    try {
      return readFileSync(join(home, path), 'utf8');
    } catch {
      return '';
    }
  });
  return JSON.stringify([version, ...texts]);
}
