import type { CodecCode } from './code.js';
import type { Makers } from './maker.js';
import { plainMakers } from './plain.js';

/** Makers by the kinds for which they are fetched. */
const families: Readonly<Record<string, () => Promise<{ readonly makers: Makers }>>> = {
  'trimmed slug json': () => import('./texts.js'),
  'number integer money quantity': () => import('./numbers.js'),
  'date date-time time epoch': () => import('./dates.js'),
  'list parts choice chosen file': () => import('./compound.js'),
  steps: () => import('./steps.js'),
};

/** The makers for these kinds, or all of them where it is not said which. `codes` are the modules of codecs that are code. */
export async function loadMakers(
  kinds: ReadonlySet<string> | undefined,
  codes: Readonly<Record<string, CodecCode>> = {},
): Promise<Makers> {
  const isAsked = (kind: string): boolean => kinds?.has(kind) ?? true;
  const asked = Object.entries(families).filter(([names]) => names.split(' ').some(isAsked));
  const loaded = await Promise.all(asked.map(async ([, load]) => load()));
  const code = isAsked('code') ? { code: (await import('./code.js')).codeMaker(codes) } : {};
  return Object.assign({}, plainMakers, ...loaded.map(({ makers }) => makers), code) as Makers;
}
