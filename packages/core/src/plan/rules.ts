import type { CodecDescription } from '../codec/index.js';
import type { Kind } from '../json/index.js';
import type { Facts } from '../schema/index.js';
import type { Hints } from './plan.js';

/** What draws and carries a value: an adapter by name (`native:text`, or one of the kit's) and a codec. */
export interface FieldUse {
  readonly adapter: string;
  readonly codec: CodecDescription;
  readonly field?: string;
}

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
  readonly required?: boolean;
}

/** "Where the schema says this, use that." Every member given has to fit; the first rule that fits wins. */
export interface ChoiceRule {
  readonly kind?: Kind;
  readonly format?: string;
  readonly choices?: 'few' | 'many';
  readonly lines?: true;
  readonly use: FieldUse;
}

export interface PlanRules {
  readonly fields?: Readonly<Record<string, FieldDescription>>;
  readonly codecs?: Readonly<Record<string, CodecDescription>>;
  /** Asked before the built-in ones. */
  readonly choose?: readonly ChoiceRule[];
}

const native = (adapter: string, kind: string, options?: Readonly<Record<string, unknown>>): FieldUse => ({
  adapter: `native:${adapter}`,
  codec: options ? { kind, options } : { kind },
});

export const standardRules: readonly ChoiceRule[] = [
  { choices: 'many', use: native('select', 'same') },
  { choices: 'few', use: native('select', 'same') },
  { kind: 'boolean', use: native('checkbox', 'boolean') },
  { kind: 'integer', use: native('number', 'integer') },
  { kind: 'number', use: native('number', 'number') },
  { kind: 'string', format: 'date', use: native('date', 'date', { shows: 'text' }) },
  { kind: 'string', format: 'email', use: native('email', 'text') },
  { kind: 'string', format: 'uri', use: native('url', 'text') },
  { kind: 'string', lines: true, use: native('textarea', 'text') },
  { kind: 'string', use: native('text', 'text') },
];

/** The field for a place, or `undefined` where it is better drawn as a group or a list. */
export function chooseField(facts: Facts, hints: Hints, rules: PlanRules): FieldUse | undefined {
  const named = hints.field === undefined ? undefined : rules.fields?.[hints.field];
  if (named && hints.field !== undefined) {
    return { adapter: named.adapter, codec: rules.codecs?.[named.codec] ?? { kind: named.codec }, field: hints.field };
  }
  const kinds = facts.kinds?.filter((kind) => kind !== 'null') ?? [];
  const choices = facts.allowed ? (facts.allowed.length > 7 ? 'many' : 'few') : undefined;
  const [kind] = kinds;
  if (kinds.length > 1 && !choices && !(kinds.includes('integer') && kinds.includes('number') && kinds.length === 2))
    return undefined;
  const fits = (rule: ChoiceRule): boolean =>
    (rule.kind === undefined || rule.kind === kind) &&
    (rule.format === undefined || rule.format === facts.format) &&
    (rule.choices === undefined || rule.choices === choices) &&
    (rule.lines === undefined || typeof hints.lines === 'number');
  return [...(rules.choose ?? []), ...standardRules].find(fits)?.use;
}
