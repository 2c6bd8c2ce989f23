/** Types that are handed over take what the schema takes, and refuse what is of another kind: tried with values at random. */
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import {
  compileSchema,
  formatPointer,
  isObject,
  lookUp,
  parsePointer,
  type CompiledSchema,
  type Kit,
} from '../src/index.js';
import { standaloneSchema, typesFor } from '../src/handover/index.js';
import { hostWith } from './parsed.js';

const kit = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as Kit;
const shapes: Readonly<Record<string, unknown>> = {
  ...Object.fromEntries(
    Object.entries(kit.forms).map(([name, { schema }]) => [name, standaloneSchema(schema, kit.groups)]),
  ),
  'branches told apart by a member': {
    type: 'object',
    required: ['kind'],
    properties: { note: { type: 'string' } },
    oneOf: [
      { properties: { kind: { const: 'box' }, pieces: { type: 'integer' } }, required: ['kind', 'pieces'] },
      { properties: { kind: { const: 'bulk' }, weight: { type: 'number' } }, required: ['kind'] },
    ],
  },
  'members under conditions': {
    type: 'object',
    properties: { hazardous: { type: 'boolean' }, class: { enum: ['3', '8', null] } },
    allOf: [
      {
        if: { properties: { hazardous: { const: true } }, required: ['hazardous'] },
        then: { properties: { number: { type: 'integer' } } },
        else: { properties: { number: { type: 'null' } } },
      },
    ],
    dependentSchemas: { class: { properties: { signed: { type: 'string' } } } },
  },
  'tuples, maps and chosen objects': {
    type: 'object',
    required: ['position'],
    properties: {
      position: { type: 'array', prefixItems: [{ type: 'number' }, { type: 'number' }], minItems: 2, items: false },
      tides: { type: 'array', prefixItems: [{ type: 'string' }], items: { type: 'number' } },
      marks: { type: 'object', additionalProperties: { type: 'boolean' } },
      port: { enum: [{ key: 'ALD' }, { key: 'BRE' }] },
      up: { $ref: '#/$defs/berth' },
    },
    $defs: {
      berth: { type: ['object', 'null'], properties: { quay: { type: 'string' }, next: { $ref: '#/$defs/berth' } } },
    },
  },
};

/** Values that a schema may take; whether it does is asked afterwards. */
function valuesFor(root: unknown, schema: unknown, depth = 0): fc.Arbitrary<unknown> {
  if (depth > 6) return fc.constant(undefined);
  if (!isObject(schema)) return fc.constant('anything');
  const { $ref: reference, type, properties, items, prefixItems, additionalProperties } = schema;
  if (typeof reference === 'string') return valuesFor(root, lookUp(root, reference.slice(1)), depth + 1);
  if ('const' in schema) return fc.constant(schema['const']);
  if (Array.isArray(schema['enum'])) return fc.constantFrom(...(schema['enum'] as unknown[]));
  const named = ((schema['oneOf'] ?? []) as unknown[]).filter((one) => isObject(one) && 'const' in one);
  if (named.length > 0) return fc.oneof(...named.map((one) => valuesFor(root, one, depth)));
  const within = (one: unknown): fc.Arbitrary<unknown> => valuesFor(root, one, depth + 1);
  const kinds = (Array.isArray(type) ? type : [type ?? (properties ? 'object' : 'string')]) as string[];
  const byKind = (kind: string): fc.Arbitrary<unknown> => {
    if (kind === 'null') return fc.constant(null);
    if (kind === 'boolean') return fc.boolean();
    const [least, most] = [schema['minimum'] ?? 0, schema['maximum'] ?? 400].map(Number) as [number, number];
    if (kind === 'integer') return fc.integer({ min: Math.ceil(least), max: Math.floor(most) });
    if (kind === 'number')
      return fc.integer({ min: Math.ceil(least * 2), max: Math.floor(most * 2) }).map((half) => half / 2);
    if (kind === 'array') {
      const first = fc.tuple(...((prefixItems ?? []) as unknown[]).map(within));
      const rest = items === false || depth > 4 ? fc.constant([]) : fc.array(within(items), { maxLength: 3 });
      return fc.tuple(first, rest).map(([some, others]) => [...some, ...others]);
    }
    if (kind !== 'object') return textFor(schema);
    const members = { ...(isObject(properties) ? properties : {}), ...conditional(schema) };
    const own = fc.record(Object.fromEntries(Object.entries(members).map(([name, one]) => [name, within(one)])), {
      requiredKeys: depth > 4 ? [] : Object.keys(members).filter((name) => asksFor(schema, name)),
    });
    return isObject(additionalProperties)
      ? fc
          .tuple(own, fc.dictionary(fc.stringMatching(/^[a-z]{1,5}$/), within(additionalProperties), { maxKeys: 2 }))
          .map(([a, b]) => ({ ...b, ...a }))
      : own;
  };
  return fc.oneof(...kinds.map(byKind));
}
const asksFor = (schema: Record<string, unknown>, name: string): boolean =>
  Array.isArray(schema['required']) && schema['required'].includes(name);
/** Members of parts that hold at times. */
function conditional(schema: Record<string, unknown>): Record<string, unknown> {
  const parts = [
    ...['then', 'else'].map((keyword) => schema[keyword]),
    ...(['allOf', 'oneOf', 'anyOf'].flatMap((keyword) => schema[keyword] ?? []) as unknown[]),
    ...Object.values(isObject(schema['dependentSchemas']) ? schema['dependentSchemas'] : {}),
  ].filter(isObject);
  return Object.assign(
    {},
    ...parts.flatMap((part) => [isObject(part['properties']) ? part['properties'] : {}, conditional(part)]),
  ) as Record<string, unknown>;
}
const formats: Readonly<Record<string, readonly string[]>> = {
  date: ['2026-11-30', '2027-01-04'],
  time: ['09:15:00Z'],
  'date-time': ['2026-11-30T09:15:00Z', '2026-11-24T22:10:00Z'],
  email: ['desk@skerryline.example'],
};
const textFor = ({ format, pattern, examples, minLength }: Record<string, unknown>): fc.Arbitrary<string> => {
  const known = typeof format === 'string' ? formats[format] : undefined;
  if (known) return fc.constantFrom(...known);
  if (Array.isArray(examples) && examples.length > 0) return fc.constantFrom(...(examples as string[]));
  return typeof pattern === 'string'
    ? fc.stringMatching(new RegExp(pattern, 'u'))
    : fc.string({ unit: fc.constantFrom(...'abc XYZ'), minLength: Math.max(2, Number(minLength ?? 0)), maxLength: 30 });
};

/** The value without the members that the schema refuses; what fits is then still to be asked. */
function mended(value: unknown, { validate }: Pick<CompiledSchema, 'validate'>): unknown {
  const copy = structuredClone(value);
  for (let turn = 0; turn < 6; turn++) {
    const { valid, problems } = validate(copy);
    if (valid) break;
    for (const { at } of problems) {
      const way = parsePointer(at);
      const holder = lookUp(copy, formatPointer(way.slice(0, -1)));
      if (isObject(holder)) delete holder[way.at(-1) ?? ''];
    }
  }
  return copy;
}

/** The value with one of its leaves turned into another kind. */
function broken(value: unknown, pick: number): unknown {
  const leaves: (readonly string[])[] = [];
  const walk = (at: unknown, way: readonly string[]): void => {
    if (Array.isArray(at)) at.forEach((one, i) => walk(one, [...way, String(i)]));
    else if (isObject(at)) for (const [name, one] of Object.entries(at)) walk(one, [...way, name]);
    else leaves.push(way);
  };
  walk(value, []);
  const way = leaves[pick % Math.max(1, leaves.length)];
  if (!way) return undefined;
  const copy = structuredClone(value) as Record<string, unknown>;
  let holder = copy;
  for (const name of way.slice(0, -1)) holder = holder[name] as Record<string, unknown>;
  const last = way.at(-1) ?? '';
  holder[last] = typeof holder[last] === 'string' ? 12345 : { of: 'another kind' };
  return copy;
}

/** For each text, whether it compiles as a value of the type. */
function compiles(types: string, name: string, values: readonly unknown[]): boolean[] {
  // Not given to the type at once: a member more than the type speaks of is no fault of kind.
  const lines = values.map(
    (value, i) => `const w${i} = ${JSON.stringify(value)} as const; export const v${i}: ${name} = w${i};`,
  );
  const text = `${types}\n${lines.join('\n')}\n`;
  const options: ts.CompilerOptions = {
    strict: true,
    noEmit: true,
    noLib: false,
    target: ts.ScriptTarget.ES2022,
    types: [],
  };
  const program = ts.createProgram(['values.ts'], options, hostWith(options, new Map([['values.ts', text]])));
  const first = types.split('\n').length;
  const file = program.getSourceFile('values.ts');
  const bad = new Set(
    program
      .getSemanticDiagnostics(file)
      .map(({ start = 0 }) => (file?.getLineAndCharacterOfPosition(start).line ?? 0) - first),
  );
  return values.map((_, i) => !bad.has(i));
}

it.each(Object.keys(shapes))(
  '%s: 200 values that fit compile, and 200 broken in kind do not',
  (name) => {
    const schema = shapes[name];
    const accepted = compileSchema(schema, { assertFormats: true });
    const types = typesFor(schema, 'Value');
    const values = fc
      .sample(valuesFor(schema, schema), { numRuns: 1500, seed: 20261126 })
      .map((one) => mended(JSON.parse(JSON.stringify(one)), { validate: (value) => accepted.validate(value) }));
    const fit = values.filter((value) => accepted.accepts(value)).slice(0, 200);
    expect(fit.length).toBe(200);
    const verdicts = compiles(types, 'Value', fit);
    expect(fit.filter((_, i) => !verdicts[i]).slice(0, 2)).toEqual([]);

    const wrong = fit
      .map((value, i) => broken(value, i * 7))
      .filter((value) => value !== undefined && !accepted.accepts(value));
    expect(wrong.length).toBeGreaterThan(100);
    const passed = compiles(types, 'Value', wrong);
    expect(wrong.filter((_, i) => passed[i]).slice(0, 2)).toEqual([]);
  },
  60_000,
);

it.each([
  ['itself', { $ref: '#' }, 'export type Value = unknown;'],
  ['itself or a text', { anyOf: [{ $ref: '#' }, { type: 'string' }] }, 'export type Value = unknown;'],
  [
    'each other',
    {
      $ref: '#/$defs/a',
      $defs: { a: { allOf: [{ $ref: '#/$defs/b' }, { type: 'string' }] }, b: { $ref: '#/$defs/a' } },
    },
    'export type Value = A;\n\nexport type A = string;',
  ],
  ['a list of itself', { type: 'array', items: { $ref: '#' } }, 'export type Value = readonly Value[];'],
])('a schema that is %s has a type', (_, schema, types) => expect(typesFor(schema, 'Value')).toBe(types));
