import type { CodecCode } from './code.js';
import type { Makers } from './maker.js';
import { plainMakers } from './plain.js';

/** Makers that these kinds are among, or all of them where it is not said which. `codes` are the modules of codecs that are code. */
export async function loadMakers(
  kinds: ReadonlySet<string> | undefined,
  codes: Readonly<Record<string, CodecCode>> = {},
): Promise<Makers> {
  if (kinds && [...kinds].every((kind) => Object.hasOwn(plainMakers, kind))) return plainMakers;
  const { makers, codeMakers } = await import('./more.js');
  return { ...plainMakers, ...makers, ...codeMakers(codes) };
}
