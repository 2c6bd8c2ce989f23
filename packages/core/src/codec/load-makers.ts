import type { CodecCode } from './code.js';
import type { Makers } from './maker.js';
import { plainMakers } from './plain.js';

/** The makers for these kinds, or all of them where it is not said which. `codes` are the modules of codecs that are code. */
export async function loadMakers(
  kinds: ReadonlySet<string> | undefined,
  codes: Readonly<Record<string, CodecCode>> = {},
): Promise<Makers> {
  const isAsked = (kind: string): boolean => kinds?.has(kind) ?? true;
  const [more, steps, code] = await Promise.all([
    !kinds || [...kinds].some((kind) => !Object.hasOwn(plainMakers, kind)) ? import('./more.js') : undefined,
    isAsked('steps') ? import('./steps.js') : undefined,
    isAsked('code') ? import('./code.js') : undefined,
  ]);
  return { ...plainMakers, ...more?.makers, ...steps?.makers, ...code?.codeMakers(codes) };
}
