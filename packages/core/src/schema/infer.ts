/** A schema from samples: what the values have in common, with a reason for each decision. */
import { isObject, joinPointer, kindOf, ownMember, setOwn, type Json, type Kind, type Pointer } from '../json/index.js';
import { standardFormats } from './formats.js';

/** Why the schema says what it says at a place. `certainty` goes from 0 to 1. */
export interface InferReason {
  readonly at: Pointer;
  readonly keyword: string;
  readonly says: string;
  readonly certainty: number;
}
/** A schema made of samples, with the reason for each decision. */
export interface Inferred {
  readonly schema: Record<string, unknown>;
  readonly reasons: readonly InferReason[];
}

/** Formats that a text is seldom by accident, the most particular first. */
const recognised = ['date-time', 'date', 'time', 'uuid', 'ipv4', 'ipv6', 'email', 'uri'] as const;
const mostChoices = 8;

/**
 * The schema that all samples fit, no wider than they speak for. The result accepts every sample.
 * @throws {RangeError} where a sample is nested deeper than the stack allows; measure foreign samples first (`copyJson`).
 */
export function inferSchema(samples: readonly unknown[]): Inferred {
  const reasons: InferReason[] = [];
  const schema = infer(samples, '', reasons);
  return { schema: { $schema: 'https://json-schema.org/draft/2020-12/schema', ...schema }, reasons };
}

function infer(samples: readonly unknown[], at: Pointer, reasons: InferReason[]): Record<string, unknown> {
  const tell = (keyword: string, says: string, certainty: number): void =>
    void reasons.push({ at, keyword, says, certainty });
  const known = samples.filter((sample) => kindOf(sample) !== undefined) as Json[];
  if (known.length === 0) {
    tell('type', 'No sample has a value here, so anything is allowed.', 0);
    return {};
  }
  const kinds = kindsOf(known);
  tell(
    'type',
    `${known.length === 1 ? 'The only value is' : `All ${known.length} values are`} ${kinds.join(' or ')}.`,
    sure(known.length),
  );
  const schema: Record<string, unknown> = { type: kinds.length === 1 ? kinds[0] : kinds };
  const texts = known.filter((value): value is string => typeof value === 'string');
  const lists = known.filter((value): value is readonly Json[] => Array.isArray(value));
  const objects = known.filter((value) => isObject(value));
  if (texts.length > 0) Object.assign(schema, textRules(known, texts, tell));
  if (lists.length > 0) {
    const items = lists.flat();
    if (items.length > 0) schema['items'] = infer(items, joinPointer(at, '*'), reasons);
    else tell('items', 'Every list is empty, so nothing is said of its entries.', 0);
  }
  if (objects.length > 0) Object.assign(schema, objectRules(objects, at, reasons, tell));
  return schema;
}

function kindsOf(values: readonly unknown[]): Kind[] {
  const kinds = new Set(values.map((value) => kindOf(value) as Kind));
  // A list of 1 and 1.5 is one of numbers.
  if (kinds.has('number')) kinds.delete('integer');
  return (['object', 'array', 'string', 'number', 'integer', 'boolean', 'null'] as const).filter((kind) =>
    kinds.has(kind),
  );
}

type Tell = (keyword: string, says: string, certainty: number) => void;

function textRules(all: readonly unknown[], texts: readonly string[], tell: Tell): Record<string, unknown> {
  const format = recognised.find((name) => texts.every((text) => standardFormats[name]?.(text)));
  if (format !== undefined) {
    tell(
      'format',
      `${texts.length === 1 ? 'The text is' : `All ${texts.length} texts are`} of the form ${format}.`,
      sure(texts.length),
    );
    return { format };
  }
  const distinct = [...new Set(texts)];
  // Few different texts among many, none of them long: they look like words to choose from.
  if (
    texts.length === all.length &&
    texts.length >= 6 &&
    distinct.length <= mostChoices &&
    distinct.length * 3 <= texts.length &&
    distinct.every((text) => text.length <= 40)
  ) {
    tell(
      'enum',
      `${texts.length} texts have only ${distinct.length} different values.`,
      Math.min(0.9, 1 - distinct.length / texts.length),
    );
    return { enum: distinct.sort() };
  }
  return {};
}

function objectRules(
  objects: readonly Record<string, unknown>[],
  at: Pointer,
  reasons: InferReason[],
  tell: Tell,
): Record<string, unknown> {
  const counts = new Map<string, number>();
  for (const object of objects) for (const name of Object.keys(object)) counts.set(name, (counts.get(name) ?? 0) + 1);
  if (looksLikeMap(objects, counts)) {
    tell(
      'additionalProperties',
      `${counts.size} different names with values of one kind: they look like keys rather than members.`,
      0.7,
    );
    return {
      additionalProperties: infer(
        objects.flatMap((object) => Object.values(object)),
        joinPointer(at, '*'),
        reasons,
      ),
    };
  }
  const properties: Record<string, unknown> = {};
  for (const name of counts.keys()) {
    const values = objects.flatMap((object) => (Object.hasOwn(object, name) ? [ownMember(object, name)] : []));
    setOwn(properties, name, infer(values, joinPointer(at, name), reasons));
  }
  const required = [...counts].filter(([, count]) => count === objects.length).map(([name]) => name);
  for (const [name, count] of counts) {
    const isAlways = count === objects.length;
    reasons.push({
      at: joinPointer(at, name),
      keyword: 'required',
      says: isAlways
        ? `It is there in ${objects.length === 1 ? 'the only sample' : `all ${objects.length} samples`}.`
        : `It is missing in ${objects.length - count} of ${objects.length} samples.`,
      certainty: isAlways ? sure(objects.length) : 1,
    });
  }
  return { ...(counts.size > 0 ? { properties } : {}), ...(required.length > 0 ? { required } : {}) };
}

/** Names that hardly repeat, over values of one shape: dates, ids, codes as keys. */
function looksLikeMap(objects: readonly Record<string, unknown>[], counts: ReadonlyMap<string, number>): boolean {
  if (counts.size < 5) return false;
  const isKey = (name: string): boolean => /\d/.test(name) || /^[A-Z]{2,5}$/.test(name);
  if (![...counts.keys()].every(isKey)) return false;
  const values = objects.flatMap((object) => Object.values(object));
  return new Set(values.map((value) => kindOf(value))).size === 1;
}

/** One sample says little, ten say much, none says all. */
function sure(count: number): number {
  return Math.round((1 - 1 / (count + 1)) * 100) / 100;
}
