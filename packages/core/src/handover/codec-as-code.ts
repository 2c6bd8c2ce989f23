/** A built-in codec as code of one's own: its source with all that it stands on, to go on from. */
import type { CodecDescription } from '../codec/index.js';
import { makerOf } from './codecs.js';
import { asOneModule, type OwnSources } from './own.js';
import { literal } from './source.js';

/**
 * The description of a codec of code that does what a built-in one does; its cases and title stay. The library's own
 * source comes along, so both agree until the code is changed.
 * @throws {TypeError} where the codec is none of the built-in ones, or is code already.
 */
export function codecAsCode(codec: CodecDescription, sources: OwnSources): CodecDescription {
  const maker = Object.hasOwn(makerOf, codec.kind) ? makerOf[codec.kind] : undefined;
  if (!maker) throw new TypeError(`A codec of the kind “${codec.kind}” cannot be written as code.`);
  const [file, name] = maker;
  const { empty, ...options } = codec.options ?? {};
  const source = `/** What the input shows becomes what is held; an Error says why it cannot. */
export function parse(shown: unknown): unknown {
  return orThrow(codec.parse(shown));
}

/** What is held becomes what the input shows. */
export function show(kept: unknown): unknown {
  return codec.show(kept);
}

/** What is held becomes what is sent, as JSON. */
export function serialise(kept: unknown): unknown {
  return codec.serialise(kept);
}

/** What was sent becomes what is held. */
export function revive(sent: unknown): unknown {
  return orThrow(codec.revive(sent));
}

/** What was read, or the reason why it could not be. */
function orThrow(parsed: Parsed<unknown>): unknown {
  if (!parsed.ok) throw new Error(parsed.reason);
  return parsed.held;
}

${asOneModule(`codec/${file}.ts`, name, sources)}

const codec: Codec = ${name}(${literal(options)});
`;
  return { ...codec, kind: 'code', options: { source, ...(empty === undefined ? {} : { empty }) } };
}
