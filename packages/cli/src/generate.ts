/** Writes the hand-over of a kit into a folder: what would change is known first, and hand changes are merged. */
import { readKitText, type Kit } from '@poietra/core';
import { handOver, type HandoverFile, type OwnSources } from '@poietra/core/handover';
import { createTwoFilesPatch } from 'diff';
import { mergeDiff3 } from 'node-diff3';
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, watch, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { basename, dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { z } from 'zod';

/** The kit cannot be read, or the folder not be written. The message says where and why. */
export class GenerateError extends Error {
  override name = 'GenerateError';
}

/** What becomes of one file. */
export interface Step {
  readonly path: string;
  readonly does: 'add' | 'change' | 'merge' | 'conflict' | 'remove' | 'keep';
  /** What stands there now, and what will. */
  readonly before: string | undefined;
  readonly after: string | undefined;
  /** Why it is kept, or what is in conflict. */
  readonly says?: string;
}

const memory = '.poietra/last-written.json';
const remembered = z.record(z.string(), z.string());
/** The first line of a file that somebody has taken over. */
const byHand = /^\/\/ by hand\b/;

export function kitFrom(path: string): Kit {
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch {
    throw new GenerateError(`There is no kit file ${path} that can be read.`);
  }
  const read = readKitText(text);
  if (read.ok && read.gaps.length === 0) return read.kit;
  const problems = read.ok ? read.gaps : read.problems;
  throw new GenerateError(
    `${basename(path)} is no kit that can be handed over:\n${problems.map(({ at, message }) => `  ${at === '' ? 'the file' : at}: ${message}`).join('\n')}`,
  );
}

/** What writing these files into a folder would do, one by one. Nothing is written. */
function planWriting(files: readonly HandoverFile[], folder: string): Step[] {
  const last = lastWritten(folder);
  const wanted = new Map(files.map(({ path, text }) => [path, text]));
  const steps = files.map(({ path, text }) => step(path, text, last[path], textOf(join(folder, path))));
  for (const [path, base] of Object.entries(last)) {
    const before = textOf(join(folder, path));
    if (wanted.has(path) || before === undefined) continue;
    steps.push(
      before === base
        ? { path, does: 'remove', before, after: undefined }
        : { path, does: 'keep', before, after: before, says: 'The kit has it no longer, but it was changed by hand.' },
    );
  }
  return steps.filter(({ before, after, says }) => before !== after || says !== undefined);
}

/** The libraries' source for a kit that stands on its own; nothing for one that uses the libraries. */
export type Own = (kit: Kit) => OwnSources | undefined;

const filesFor = (kit: Kit, folder: string, own?: Own): Promise<HandoverFile[]> =>
  Promise.all(handOver(kit, { own: own?.(kit), depth: depthOf(folder) }).map((file) => formatted(file, folder)));

/** How far a folder lies below the project's root, which has the `package.json`; beside one that has none it is one below. */
function depthOf(folder: string): number {
  for (let [at, depth] = [dirname(folder), 1]; ; [at, depth] = [dirname(at), depth + 1]) {
    if (existsSync(join(at, 'package.json'))) return depth;
    if (dirname(at) === at) return 1;
  }
}

/** The libraries' own source, as the build wrote it. */
export function ownSources(home: string): OwnSources {
  const path = join(home, 'packages/own/dist/sources.json');
  const text = textOf(path);
  if (text === undefined) throw new GenerateError(`There is no ${path}; run npm run build first.`);
  return JSON.parse(text) as OwnSources;
}

function step(path: string, text: string, base: string | undefined, before: string | undefined): Step {
  if (before === undefined) return { path, does: 'add', before, after: text };
  if (before === text || before === base) return { path, does: 'change', before, after: text };
  if (byHand.test(before)) return { path, does: 'change', before, after: before };
  if (base === undefined)
    return {
      path,
      does: 'keep',
      before,
      after: before,
      says: 'It was there before and was not written from a kit, so it is left alone.',
    };
  if (base === text) return { path, does: 'change', before, after: before };
  const lines = (one: string): string[] => one.split('\n');
  const { conflict, result } = mergeDiff3(lines(before), lines(base), lines(text), {
    label: { a: 'changed by hand', o: 'last written', b: 'from the kit' },
  });
  const after = result.join('\n');
  return conflict
    ? {
        path,
        does: 'conflict',
        before,
        after,
        says: 'The same lines were changed by hand and in the kit; marks show both.',
      }
    : { path, does: 'merge', before, after };
}

/** Writes what was planned: each file beside its place first, so that nothing is left half written. */
export function write(steps: readonly Step[], folder: string, files: readonly HandoverFile[]): void {
  const all: [string, string][] = steps.flatMap(({ path, after }) =>
    after === undefined ? [] : [[path, after] as [string, string]],
  );
  all.push([memory, JSON.stringify(Object.fromEntries(files.map(({ path, text }) => [path, text])), undefined, 1)]);
  const written: string[] = [];
  try {
    for (const [path, text] of all) {
      const target = join(folder, path);
      mkdirSync(dirname(target), { recursive: true });
      writeFileSync(`${target}.new`, text);
      written.push(target);
    }
  } catch (error) {
    for (const target of written) rmSync(`${target}.new`, { force: true });
    throw new GenerateError(`Nothing was written: ${error instanceof Error ? error.message : String(error)}`);
  }
  for (const target of written) renameSync(`${target}.new`, target);
  for (const { path, does } of steps) if (does === 'remove') rmSync(join(folder, path));
}

/** What came, or would come, of each file, for programs: the difference is a unified one. */
export interface Report {
  readonly steps: readonly (Pick<Step, 'path' | 'does' | 'says'> & { readonly patch: string })[];
  readonly written: boolean;
}

/** The whole of it. @returns whether all is as the kit has it. */
export async function generate(
  kitFile: string,
  folder: string,
  {
    check = false,
    asJson = false,
    own,
    say,
  }: { readonly check?: boolean; readonly asJson?: boolean; readonly own?: Own; say(text: string): void },
): Promise<boolean> {
  const kit = kitFrom(kitFile);
  const files = await filesFor(kit, folder, own);
  const steps = planWriting(files, folder);
  const patchOf = ({ path, before = '', after = '' }: Step): string =>
    before === after ? '' : createTwoFilesPatch(path, path, before, after, 'as it is', 'as the kit has it');
  if (!check) write(steps, folder, files);
  if (asJson) {
    const all = steps.map((one) => ({
      ...{ path: one.path, does: one.does, patch: patchOf(one) },
      ...(one.says === undefined ? {} : { says: one.says }),
    }));
    say(JSON.stringify({ steps: all, written: !check } satisfies Report));
  } else {
    for (const one of steps) {
      const patch = patchOf(one);
      if (check && patch !== '') say(patch);
      say(`${one.does.padEnd(8)} ${one.path}${one.says === undefined ? '' : `: ${one.says}`}`);
    }
    const count = steps.length;
    if (check) say(count === 0 ? 'All is as the kit has it.' : `${count} files are not as the kit has them.`);
    else say(count === 0 ? 'All was as the kit has it.' : `${count} files written or left, as said above.`);
  }
  return check ? steps.every(({ before, after }) => before === after) : !steps.some(({ does }) => does === 'conflict');
}

/**
 * Writes, and writes again as the kit's file changes, one after the other: what changes meanwhile is written next. Ends
 * when it has been written once, and gives back how to stop. What fails later is told.
 * @throws What fails at first.
 */
export async function follow(
  kitFile: string,
  writeAll: () => Promise<void>,
  fails: (error: unknown) => void,
): Promise<() => void> {
  let due: ReturnType<typeof setTimeout> | undefined;
  const state = { isWriting: true, isChanged: false };
  const again = async (): Promise<void> => {
    state.isChanged = state.isWriting;
    if (state.isWriting) return;
    state.isWriting = true;
    await writeAll().catch(fails);
    state.isWriting = false;
    if (state.isChanged) await again();
  };
  // The folder is watched: programs that write a file anew put another one in its place. It is before anything is
  // written, so that no change is missed.
  const watcher = watch(dirname(kitFile), (_, name) => {
    if (name !== null && name !== basename(kitFile)) return;
    clearTimeout(due);
    due = setTimeout(() => void again(), 100);
  });
  try {
    await writeAll();
  } catch (error) {
    watcher.close();
    throw error;
  }
  state.isWriting = false;
  if (state.isChanged) void again();
  return () => watcher.close();
}

function lastWritten(folder: string): Record<string, string> {
  const text = textOf(join(folder, memory));
  if (text === undefined) return {};
  try {
    return remembered.parse(JSON.parse(text));
  } catch {
    throw new GenerateError(
      `${join(folder, memory)} cannot be read. Restore it, or take it away: all files that differ are then left alone.`,
    );
  }
}

function textOf(path: string): string | undefined {
  return existsSync(path) ? readFileSync(path, 'utf8') : undefined;
}

/** In the project's own style, where it has Prettier. */
async function formatted(file: HandoverFile, folder: string): Promise<HandoverFile> {
  const prettier = await prettierOf(folder);
  // Written validators are for machines.
  if (!prettier || file.path === 'kit.json' || file.path.endsWith('.validate.js')) return file;
  const path = join(folder, file.path);
  try {
    const options = await prettier.resolveConfig(path);
    return { ...file, text: await prettier.format(file.text, { ...options, filepath: path }) };
  } catch {
    return file;
  }
}
interface Formatter {
  resolveConfig(path: string): Promise<object | null>;
  format(text: string, options: object): Promise<string>;
}
const formatters = new Map<string, Promise<Formatter | undefined>>();
function prettierOf(folder: string): Promise<Formatter | undefined> {
  let found = formatters.get(folder);
  if (!found) {
    found = (async () => {
      try {
        const path = createRequire(join(folder, 'x.js')).resolve('prettier');
        const module = (await import(pathToFileURL(path).href)) as Formatter & { default?: Formatter };
        return module.default ?? module;
      } catch {
        return undefined;
      }
    })();
    formatters.set(folder, found);
  }
  return found;
}
