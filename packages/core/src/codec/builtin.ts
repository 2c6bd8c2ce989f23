/** All kinds of codecs that come with Poietra, in the order in which they are offered; each stands in its family's file. */
import { codeKinds, codeMakers, type CodecCode } from './code.js';
import type { Codec, CodecDescription } from './codec.js';
import { compoundKinds } from './compound.js';
import { dateKinds } from './dates.js';
import { makersOf, type CodecKind, type CodecKinds } from './kind.js';
import { numberKinds } from './numbers.js';
import { codecBy, plainKinds } from './plain.js';
import { stepKinds } from './steps.js';
import { textKinds } from './texts.js';

/** What every kind may be told: see `withEmpty`. */
const empty = {
  title: 'What an emptied input means',
  oneOf: [
    { const: 'absent', title: 'The member is left out' },
    { const: 'null', title: 'null is sent' },
    { const: 'text', title: 'The empty text is sent' },
  ],
};

const { text, boolean, same } = plainKinds;
const { json, ...texts } = textKinds;
const all: CodecKinds = {
  text,
  ...texts,
  ...numberKinds,
  boolean,
  ...dateKinds,
  ...compoundKinds,
  ...stepKinds,
  ...codeKinds({}),
  same,
  json,
};

/** The built-in kinds of codecs by name, each with its title, what it does, and the JSON Schemas of its options. */
export const builtIn: CodecKinds = Object.fromEntries(
  Object.entries(all).map(([kind, one]): [string, CodecKind] => [kind, { ...one, options: { ...one.options, empty } }]),
);

const makers = makersOf(builtIn);

/**
 * The codec that a description means. One of code is looked up among `codes` by the option `code`.
 * @throws {TypeError} where no codec of that kind is known.
 */
export function makeCodec(description: CodecDescription, codes: Readonly<Record<string, CodecCode>> = {}): Codec {
  return codecBy({ ...makers, ...codeMakers(codes) }, description);
}
