/** The ways between what an input shows, what a form holds and what is sent. Needs JSON only; knows no form and no input. */
export type { Case, Codec, CodecDescription, Parsed } from './codec.js';
export type { Refusal, Refusals, Wanted } from './refusals.js';
export { codecFromCode, type CodecCode } from './code.js';
export { builtIn, makeCodec } from './builtin.js';
export { guarded } from './guarded.js';
export { loadMakers } from './load-makers.js';
export type { CodecKind, OptionSchema } from './kind.js';
export { held, refused, type Makers } from './maker.js';
export { codecBy, plainMakers } from './plain.js';
export { runCase, type CaseResult, type Station } from './cases.js';
export { laws, type Law } from './laws.js';
export { hasNotation, localText, fromNotation, same, toNotation } from './notation.js';
