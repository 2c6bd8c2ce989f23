/** Pieces of a written validator that need nothing but one node of the schema. */
import type { SchemaNode } from '../schema/index.js';

/** JSON as an expression that is read by the platform's JSON parser: `__proto__` is a name like any other there. */
export function jsonSource(value: unknown): string {
  return `JSON.parse(${JSON.stringify(JSON.stringify(value)).replaceAll('\u2028', '\\u2028').replaceAll('\u2029', '\\u2029')})`;
}

/** A pattern, compiled by the part of the engine that comes along. */
export function patternSource(source: string): string {
  return `runtime.pattern(${JSON.stringify(source)})`;
}

export function numberLines(node: SchemaNode, has: (keyword: string) => boolean): string[] {
  const raw = node.raw as Record<string, unknown>;
  const limit = (keyword: string): string => String(raw[keyword]);
  // In draft 4 the exclusive limits are marks beside the others, and the rule is called after them.
  const isOld = node.resource.dialect.draft === 4;
  const exclusive = (keyword: string, inclusive: string): string => limit(isOld ? inclusive : keyword);
  return [
    ...(has('maximum') ? [`if (v > ${limit('maximum')}) return false;`] : []),
    ...(has('minimum') ? [`if (v < ${limit('minimum')}) return false;`] : []),
    ...(has('exclusiveMaximum') ? [`if (v >= ${exclusive('exclusiveMaximum', 'maximum')}) return false;`] : []),
    ...(has('exclusiveMinimum') ? [`if (v <= ${exclusive('exclusiveMinimum', 'minimum')}) return false;`] : []),
    ...(has('multipleOf')
      ? [`if (v % ${limit('multipleOf')} !== 0 && !runtime.isMultiple(v, ${limit('multipleOf')})) return false;`]
      : []),
  ];
}

/** `constant` names a value that is made once. */
export function textLines(
  node: SchemaNode,
  has: (keyword: string) => boolean,
  constant: (source: string) => string,
): string[] {
  const raw = node.raw as Record<string, unknown>;
  const { maxLength, minLength } = raw as { maxLength: number; minLength: number };
  return [
    // Code points are at most as many as code units, and at least half as many.
    ...(has('maxLength')
      ? [
          `if (v.length > ${maxLength} && (v.length > ${2 * maxLength} || runtime.length(v) > ${maxLength})) return false;`,
        ]
      : []),
    ...(has('minLength')
      ? [
          `if (v.length < ${2 * minLength} && (v.length < ${minLength} || runtime.length(v) < ${minLength})) return false;`,
        ]
      : []),
    ...(has('pattern') ? [`if (!${constant(patternSource(String(raw['pattern'])))}.test(v)) return false;`] : []),
    ...(has('format') ? [`if (!runtime.formats[${JSON.stringify(raw['format'])}](v)) return false;`] : []),
  ];
}

/** One kind with plain limits, or a few plain values. */
export function shortTest(node: SchemaNode, x: string): string | undefined {
  const raw = node.raw as Record<string, unknown>;
  const keywords = node.rules.map(({ keyword }) => keyword);
  if (node.raw === false) return 'false';
  const allowed: unknown = keywords[0] === 'const' ? [raw['const']] : raw['enum'];
  if (keywords.length === 1 && (keywords[0] === 'enum' || keywords[0] === 'const') && Array.isArray(allowed)) {
    if (allowed.length > 8 || allowed.some((value) => typeof value === 'object' && value !== null)) return undefined;
    return `(${allowed.map((value) => `${x} === ${literal(value)}`).join(' || ') || 'false'})`;
  }
  if (keywords[0] !== 'type' || typeof raw['type'] !== 'string') return undefined;
  const rest = keywords.slice(1);
  const test = kindTest(raw['type'], x);
  if (rest.length === 0) return test;
  if (node.resource.dialect.draft === 4 || raw['type'] === 'array' || raw['type'] === 'object') return undefined;
  const limits: Readonly<Record<string, (limit: unknown) => string>> = {
    maximum: (limit) => `${x} <= ${String(limit)}`,
    minimum: (limit) => `${x} >= ${String(limit)}`,
    exclusiveMaximum: (limit) => `${x} < ${String(limit)}`,
    exclusiveMinimum: (limit) => `${x} > ${String(limit)}`,
    maxLength: (limit) =>
      `(${x}.length <= ${String(limit)} || (${x}.length <= ${2 * Number(limit)} && runtime.length(${x}) <= ${String(limit)}))`,
    minLength: (limit) =>
      `(${x}.length >= ${2 * Number(limit)} || (${x}.length >= ${String(limit)} && runtime.length(${x}) >= ${String(limit)}))`,
  };
  const isText = raw['type'] === 'string';
  const fits = rest.map((keyword) =>
    keyword.endsWith('Length') === isText ? limits[keyword]?.(raw[keyword]) : undefined,
  );
  return fits.includes(undefined) ? undefined : [test, ...fits].join(' && ');
}

/** The node itself, where one is only entered from another resource. */
export function bare(node: SchemaNode): SchemaNode {
  const [rule] = node.rules;
  return rule?.kind === 'within' && rule.enters && typeof rule.nodes !== 'function'
    ? bare(rule.nodes[0] ?? node)
    : node;
}

export function kindTest(kind: string, x = 'v'): string {
  switch (kind) {
    case 'null':
      return `${x} === null`;
    case 'array':
      return `Array.isArray(${x})`;
    case 'object':
      return `(typeof ${x} === 'object' && ${x} !== null && !Array.isArray(${x}))`;
    case 'integer':
      return `Number.isInteger(${x})`;
    default:
      return `typeof ${x} === '${kind}'`;
  }
}

export const literal = (value: unknown): string =>
  JSON.stringify(value).replaceAll('\u2028', '\\u2028').replaceAll('\u2029', '\\u2029');
