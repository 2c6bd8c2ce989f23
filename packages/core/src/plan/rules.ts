import type { CodecDescription } from '../codec/index.js';
import type { Kind } from '../json/index.js';
import type { Facts } from '../schema/index.js';
import type { Hints } from './hints.js';
import { kitField, type FieldUse } from './kit-field.js';

/** A field of the kit: adapter and codec, with words of its own that a form may override. */
export interface FieldDescription {
  readonly title?: string;
  readonly adapter: string;
  /** The kit's name of a codec. */
  readonly codec: string;
  readonly label?: string;
  readonly hint?: string;
  readonly placeholder?: string;
  readonly prefix?: string;
  readonly suffix?: string;
  /** When a text is shown in its normal form. */
  readonly normal?: 'leaving' | 'typing';
  readonly required?: boolean;
}

/** "Where the schema says this, use that." Every member given has to fit; the first rule that fits wins. */
export interface ChoiceRule {
  readonly kind?: Kind;
  readonly format?: string;
  /** How many values there are to choose from: up to four, up to fifteen, more. */
  readonly choices?: 'few' | 'some' | 'many';
  /** Any number of them may be chosen: a list without repetitions. */
  readonly several?: true;
  readonly secret?: true;
  readonly content?: 'base64';
  readonly lines?: true;
  readonly use: FieldUse;
}

/** What a kit brings to every plan: its fields, codecs, rules for choosing inputs, hints of its own. */
export interface PlanRules {
  readonly fields?: Readonly<Record<string, FieldDescription>>;
  readonly codecs?: Readonly<Record<string, CodecDescription>>;
  /** Asked before the built-in ones. */
  readonly choose?: readonly ChoiceRule[];
  /** The names of hints of a kit's own; others that are not known are told. */
  readonly ownHints?: Readonly<Record<string, unknown>>;
}

const native = (adapter: string, kind: string, options?: Readonly<Record<string, unknown>>): FieldUse => ({
  adapter: `native:${adapter}`,
  codec: options ? { kind, options } : { kind },
});

/** Which of HTML's own inputs takes what, in the order in which they are tried. */
export const standardRules: readonly ChoiceRule[] = [
  { several: true, choices: 'few', use: native('checks', 'same') },
  { several: true, choices: 'some', use: native('checks', 'same') },
  { several: true, choices: 'many', use: native('listbox', 'same') },
  { choices: 'many', use: native('combobox', 'same') },
  { choices: 'some', use: native('select', 'same') },
  { choices: 'few', use: native('radios', 'same') },
  { kind: 'boolean', use: native('checkbox', 'boolean') },
  { kind: 'integer', use: native('number', 'integer') },
  { kind: 'number', use: native('number', 'number') },
  { kind: 'string', format: 'date', use: native('date', 'date', { shows: 'text' }) },
  { kind: 'string', format: 'email', use: native('email', 'text') },
  { kind: 'string', format: 'uri', use: native('url', 'text') },
  { kind: 'string', format: 'time', use: native('time', 'time', { offset: 'Z' }) },
  { kind: 'string', format: 'date-time', use: native('datetime-local', 'date-time', { shows: 'text' }) },
  { kind: 'string', content: 'base64', use: native('file', 'file', { sends: 'base64' }) },
  { kind: 'string', secret: true, use: native('password', 'text') },
  { kind: 'string', lines: true, use: native('textarea', 'text') },
  { kind: 'string', use: native('text', 'text') },
];

/** What a box that a hint names has to take. */
export interface Boxed {
  readonly facts: Facts;
  readonly kind: Kind | undefined;
  /** Any number of choices may be taken. */
  readonly several: boolean;
  readonly hasChoices: boolean;
}
/** The field for a box that a hint names, if a person could enter a valid value with it; fetched where hints name one. */
export type BoxReader = (input: string, boxed: Boxed) => FieldUse | undefined;

/**
 * The field for a place, or `undefined` where it is better drawn as a group or a list. `item` is said of the items of a
 * list; one of plain values without repetitions is a field, too.
 */
export function chooseField(
  facts: Facts,
  hints: Hints,
  rules: PlanRules,
  item?: Facts,
  boxes?: BoxReader,
): FieldUse | undefined {
  const named = hints.field === undefined ? undefined : kitField(hints.field, rules);
  if (named) return named;
  const several = item?.allowed !== undefined && facts.uniqueItems ? item.allowed : undefined;
  // Yes or no stays a check mark, also where only one of the two is allowed.
  const isMark = facts.kinds?.length === 1 && facts.kinds[0] === 'boolean';
  const allowed = isMark ? undefined : (facts.allowed ?? several);
  const kinds = facts.kinds?.filter((kind) => kind !== 'null') ?? [];
  const [kind] = kinds;
  const { input } = hints;
  const hasChoices = allowed !== undefined || !!hints.remote;
  const box =
    input === undefined ? undefined : boxes?.(input, { facts, kind, several: several !== undefined, hasChoices });
  if (box) return box;
  if (hints.remote)
    return several
      ? { adapter: 'native:listbox', codec: { kind: 'same' } }
      : { adapter: 'native:combobox', codec: { kind: hints.remote.free === true ? 'same' : 'chosen' } };
  const choices = allowed ? (allowed.length > 15 ? 'many' : allowed.length > 4 ? 'some' : 'few') : undefined;
  if (kinds.length > 1 && !choices && !(kinds.includes('integer') && kinds.includes('number') && kinds.length === 2))
    return undefined;
  const fits = (rule: ChoiceRule): boolean =>
    (rule.kind === undefined || rule.kind === kind) &&
    (rule.format === undefined || rule.format === facts.format) &&
    (rule.choices === undefined || rule.choices === choices) &&
    (rule.several === true) === (several !== undefined) &&
    (rule.secret === undefined || facts.writeOnly) &&
    (rule.content === undefined || rule.content === facts.contentEncoding) &&
    (rule.lines === undefined || typeof hints.lines === 'number');
  const use = [...(rules.choose ?? []), ...standardRules].find(fits)?.use;
  return use && withContent(use, facts);
}

/** A file is asked for in the kind that the schema names, and takes no more than fits. */
function withContent(use: FieldUse, { contentMediaType, limits }: Facts): FieldUse {
  if (use.codec.kind !== 'file') return use;
  const { maxLength } = limits;
  const options = {
    ...use.codec.options,
    ...(contentMediaType === undefined ? {} : { mediaType: contentMediaType }),
    ...(maxLength === undefined ? {} : { most: Math.floor((maxLength * 3) / 4) }),
  };
  return { ...use, codec: { ...use.codec, options } };
}
