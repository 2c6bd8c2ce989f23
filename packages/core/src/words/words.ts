import type { Refusals } from '../codec/index.js';
import type { Message } from '../schema/index.js';
import type { DrawnWords } from './drawn.js';

/** What problems are told by: the keywords of JSON Schema that have words, and what a form itself has to say. */
export type Told =
  | 'type'
  | 'enum'
  | 'const'
  | 'multipleOf'
  | 'maximum'
  | 'minimum'
  | 'exclusiveMaximum'
  | 'exclusiveMinimum'
  | 'maxLength'
  | 'minLength'
  | 'pattern'
  | 'format'
  | 'contentEncoding'
  | 'contentMediaType'
  | 'required'
  | 'false'
  | 'maxProperties'
  | 'minProperties'
  | 'propertyNames'
  | 'dependentRequired'
  | 'maxItems'
  | 'minItems'
  | 'uniqueItems'
  | 'contains'
  | 'minContains'
  | 'maxContains'
  | 'anyOf'
  | 'oneOf'
  | 'not'
  | 'limit'
  /** What was typed cannot be parsed; `{typed}`, `{reason}`, and the codec's `refusal`. */
  | 'parse';

/**
 * Every word that a person can read in a form, in one language. A form takes it (`words`, `speak`); English is what
 * stands without one. `loadWords` fetches those that are here; a language of one's own is another object of this type.
 */
export interface Words {
  /** A language tag (RFC 5646): numbers are written in its way, and the form says it is of this language. */
  readonly lang: string;
  readonly dir: 'ltr' | 'rtl';
  readonly messages: Readonly<Record<Told, Message>>;
  readonly drawn: DrawnWords;
}
/** Why a codec refused, by the name of the reason. */
export type RefusalWords = { readonly [Name in keyof Refusals]: (about: Refusals[Name]) => string };
