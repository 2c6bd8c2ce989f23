/** A schema written out as functions: one module that imports nothing, for applications that want no library. */
import { isObject } from '../json/index.js';
import { readGraph, type CompileOptions, type SchemaGraph, type SchemaNode } from '../schema/index.js';
import { comment } from './source.js';
import texts from './validator-runtime.json' with { type: 'json' };

export interface ValidatorOptions {
  /** The meta-schema's URI for a schema that names none; 2020-12 where it is not given. */
  readonly dialect?: string;
  /** Other documents, by absolute URI. */
  readonly documents?: Readonly<Record<string, unknown>>;
  /** Whether `format` and content keywords are checked; otherwise they are notes for the reader. */
  readonly assertFormats?: boolean;
}

/**
 * The text of one ES module that imports nothing and exports `accepts(value): boolean` and
 * `validate(value): { valid, problems }`, as the compiled schema has them: the same verdicts, and problems word for word.
 * Verdicts come from functions written for this schema; problems, and schemas whose meaning depends on the way that led
 * to them (`$dynamicRef`, `unevaluated…`), from the engine, which is part of the text.
 * @throws {SchemaError} where the schema is wrong or a reference leads nowhere.
 * @throws {LimitReached} where it is nested too deep or too large.
 */
export function writeValidator(schema: unknown, options: ValidatorOptions = {}): string {
  const compile: CompileOptions = { ...options };
  const graph = readGraph(schema, compile);
  const writer = new Writer(graph);
  const accepts = writer.write();
  const embedded = {
    ...(options.dialect === undefined ? {} : { dialect: options.dialect }),
    ...(options.assertFormats === undefined ? {} : { assertFormats: options.assertFormats }),
    documents: graph.documents,
  };
  const title = isObject(schema) && typeof schema['title'] === 'string' ? schema['title'] : 'a value';
  return `${comment(`Checks ${title}. Written by Poietra from its JSON Schema; write it again instead of changing it.`)}
const runtime = (() => { ${texts.runtime}
return PoietraRuntime.runtime; })();

const schema = ${jsonSource(schema)};
const compiled = runtime.compile(schema, ${jsonSource(embedded)});
${accepts ?? ''}
${comment('Whether a value fits; stops at the first fault.')}export function accepts(value) {
${
  accepts === undefined
    ? '  return compiled.accepts(value);'
    : `  try {
    return ${writer.root}(value);
  } catch (error) {
    // Nested too deep to be checked, or a schema that refers to itself without end.
    if (error instanceof RangeError || error.name === 'LimitReached') return false;
    throw error;
  }`
}
}

${comment('Everything that is wrong, each with its place (`at`, a JSON Pointer), keyword, params and message.')}export function validate(value) {
  return accepts(value) ? { valid: true, problems: [] } : compiled.validate(value);
}
`;
}

/** JSON as an expression that is read by the platform's JSON parser: `__proto__` is a name like any other there. */
function jsonSource(value: unknown): string {
  return `JSON.parse(${JSON.stringify(JSON.stringify(value)).replaceAll('\u2028', '\\u2028').replaceAll('\u2029', '\\u2029')})`;
}

/** Keywords that are written out; a rule of any other one leaves the verdict to the engine. */
const written = new Set(
  (
    'type enum const multipleOf maximum minimum exclusiveMaximum exclusiveMinimum maxLength minLength pattern format ' +
    'properties patternProperties additionalProperties required maxProperties minProperties propertyNames ' +
    'dependentRequired dependentSchemas dependencies prefixItems items additionalItems contains maxItems minItems ' +
    'uniqueItems $ref allOf anyOf oneOf not if false'
  ).split(' '),
);

/** Names that every object inherits: whether they are members has to be asked. */
const inherited = new Set(Object.getOwnPropertyNames(Object.prototype));

class Writer {
  readonly #names = new Map<SchemaNode, string>();
  readonly #functions: string[] = [];
  readonly #constants: string[] = [];
  #variables = 0;
  root = '';

  constructor(private readonly graph: SchemaGraph) {}

  /** The source of the functions, or `undefined` where the engine has to give the verdict. */
  write(): string | undefined {
    if (!this.#canBeWritten(bare(this.graph.root), new Set())) return undefined;
    this.root = this.#call(this.graph.root);
    return [...this.#constants, ...this.#functions].join('\n');
  }

  #canBeWritten(node: SchemaNode, seen: Set<SchemaNode>): boolean {
    if (seen.has(node)) return true;
    seen.add(node);
    return (
      node.rules.every(
        (rule) => written.has(rule.keyword) && !(rule.kind === 'within' && typeof rule.nodes === 'function'),
      ) && this.#inner(node).every((inner) => this.#canBeWritten(inner, seen))
    );
  }

  /** Every subschema that a node asks. */
  #inner(node: SchemaNode): SchemaNode[] {
    return node.rules.flatMap((rule): SchemaNode[] => {
      const value = isObject(node.raw) ? node.raw[rule.keyword] : undefined;
      const at = (...names: (string | number)[]): SchemaNode => bare(this.graph.below(node, rule.keyword, ...names));
      switch (rule.keyword) {
        case '$ref':
          return rule.kind === 'within' && typeof rule.nodes !== 'function' ? rule.nodes.map(bare) : [];
        case 'properties':
        case 'patternProperties':
        case 'dependentSchemas':
          return Object.keys(value as object).map((name) => at(name));
        case 'dependencies':
          return Object.entries(value as object).flatMap(([name, one]) => (Array.isArray(one) ? [] : [at(name)]));
        case 'allOf':
        case 'anyOf':
        case 'oneOf':
        case 'prefixItems':
          return (value as unknown[]).map((_, i) => at(i));
        case 'items':
          return Array.isArray(value) ? value.map((_, i) => at(i)) : [at()];
        case 'additionalProperties':
        case 'additionalItems':
        case 'propertyNames':
        case 'contains':
        case 'not':
          return [at()];
        case 'if': {
          const branching = rule.kind === 'whole' && rule.branching?.kind === 'if' ? rule.branching : undefined;
          return [branching?.test, branching?.yes, branching?.no].flatMap((one) => (one ? [bare(one)] : []));
        }
        default:
          return [];
      }
    });
  }

  /** The name of the function for a node; it is written when it is first asked for. */
  #call(given: SchemaNode): string {
    const node = bare(given);
    const known = this.#names.get(node);
    if (known !== undefined) return known;
    const name = `fits${this.#names.size}`;
    this.#names.set(node, name);
    const body = this.#body(node);
    this.#functions.push(`function ${name}(v) {\n${body.map((line) => `  ${line}\n`).join('')}  return true;\n}`);
    return name;
  }

  #constant(source: string): string {
    const name = `c${this.#constants.length}`;
    this.#constants.push(`const ${name} = ${source};`);
    return name;
  }
  #variable(): string {
    return `x${this.#variables++}`;
  }

  /** Statements that return `false` where a value does not fit. */
  #body(node: SchemaNode): string[] {
    const { raw } = node;
    if (node.rules.some(({ keyword }) => keyword === 'false')) return ['return false;'];
    if (!isObject(raw)) return [];
    const has = (keyword: string): boolean => node.rules.some((rule) => rule.keyword === keyword);
    const lines: string[] = [];
    const kinds = has('type') ? [raw['type']].flat().map(String) : undefined;
    if (kinds) lines.push(`if (!(${kinds.map((kind) => kindTest(kind)).join(' || ')})) return false;`);
    const values = has('enum') ? (raw['enum'] as unknown[]) : undefined;
    if (values) lines.push(`if (!(${this.#isOneOf(values)})) return false;`);
    if (has('const')) lines.push(`if (!(${this.#isOneOf([raw['const']])})) return false;`);
    lines.push(...this.#about(kinds, ['number', 'integer'], "typeof v === 'number'", this.#numberLines(node, has)));
    lines.push(...this.#about(kinds, ['string'], "typeof v === 'string'", this.#textLines(node, has)));
    lines.push(
      ...this.#about(
        kinds,
        ['object'],
        "typeof v === 'object' && v !== null && !Array.isArray(v)",
        this.#objectLines(node, has),
      ),
    );
    lines.push(...this.#about(kinds, ['array'], 'Array.isArray(v)', this.#listLines(node, has)));
    lines.push(...this.#wholeLines(node, has));
    return lines;
  }

  /** Lines for values of one kind; where no other kind is left, nobody has to ask for it again. */
  #about(
    kinds: readonly string[] | undefined,
    own: readonly string[],
    test: string,
    lines: readonly string[],
  ): string[] {
    if (lines.length === 0 || (kinds && !kinds.some((kind) => own.includes(kind)))) return [];
    if (kinds?.every((kind) => own.includes(kind))) return [...lines];
    return [`if (${test}) {`, ...lines.map((line) => `  ${line}`), '}'];
  }

  #isOneOf(values: readonly unknown[]): string {
    const plain = values.filter((value) => typeof value !== 'object' || value === null);
    const others = values.filter((value) => typeof value === 'object' && value !== null);
    const tests = others.map((value) => `runtime.equal(${this.#constant(jsonSource(value))}, v)`);
    if (plain.length > 8) tests.unshift(`${this.#constant(`new Set(${jsonSource(plain)})`)}.has(v)`);
    else tests.unshift(...plain.map((value) => `v === ${literal(value)}`));
    return tests.join(' || ') || 'false';
  }

  #numberLines(node: SchemaNode, has: (keyword: string) => boolean): string[] {
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

  #textLines(node: SchemaNode, has: (keyword: string) => boolean): string[] {
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
      ...(has('pattern')
        ? [`if (!${this.#constant(this.#pattern(String(raw['pattern'])))}.test(v)) return false;`]
        : []),
      ...(has('format') ? [`if (!runtime.formats[${JSON.stringify(raw['format'])}](v)) return false;`] : []),
    ];
  }

  #pattern(source: string): string {
    return `runtime.pattern(${JSON.stringify(source)})`;
  }

  /** A member read so that an inherited one is none. */
  #member(name: string): string {
    const key = JSON.stringify(name);
    return inherited.has(name) ? `(Object.hasOwn(v, ${key}) ? v[${key}] : undefined)` : `v[${key}]`;
  }

  #objectLines(node: SchemaNode, has: (keyword: string) => boolean): string[] {
    const raw = node.raw as Record<string, Record<string, unknown>>;
    const lines: string[] = [];
    const required = has('required') ? (raw['required'] as unknown as string[]) : [];
    const properties = has('properties') ? Object.keys(raw['properties'] ?? {}) : [];
    for (const name of required)
      if (!properties.includes(name)) lines.push(`if (${this.#member(name)} === undefined) return false;`);
    for (const name of properties) {
      const x = this.#variable();
      lines.push(`const ${x} = ${this.#member(name)};`);
      const fits = this.#fits(this.graph.below(node, 'properties', name), x);
      if (required.includes(name))
        lines.push(`if (${x} === undefined${fits === 'true' ? '' : ` || !(${fits})`}) return false;`);
      else if (fits !== 'true') lines.push(`if (${x} !== undefined && !(${fits})) return false;`);
    }
    if (has('maxProperties')) lines.push(`if (Object.keys(v).length > ${String(raw['maxProperties'])}) return false;`);
    if (has('minProperties')) lines.push(`if (Object.keys(v).length < ${String(raw['minProperties'])}) return false;`);
    lines.push(...this.#namesLines(node, has));
    const requires = has('dependentRequired')
      ? Object.entries(raw['dependentRequired'] as unknown as Record<string, string[]>)
      : [];
    const mixed = has('dependencies') ? Object.entries(raw['dependencies'] ?? {}) : [];
    for (const [name, others] of [...requires, ...mixed.filter(([, one]) => Array.isArray(one))] as [
      string,
      string[],
    ][])
      if (others.length > 0)
        lines.push(
          `if (${this.#member(name)} !== undefined && (${others.map((one) => `${this.#member(one)} === undefined`).join(' || ')})) return false;`,
        );
    const schemas: [string, string][] = [
      ...Object.keys(has('dependentSchemas') ? (raw['dependentSchemas'] ?? {}) : {}).map((name): [string, string] => [
        'dependentSchemas',
        name,
      ]),
      ...mixed.filter(([, one]) => !Array.isArray(one)).map(([name]): [string, string] => ['dependencies', name]),
    ];
    for (const [keyword, name] of schemas)
      lines.push(
        `if (${this.#member(name)} !== undefined && !(${this.#fits(this.graph.below(node, keyword, name), 'v')})) return false;`,
      );
    return lines;
  }

  /** What is asked of each name: patterns, members besides, the names themselves. */
  #namesLines(node: SchemaNode, has: (keyword: string) => boolean): string[] {
    const raw = node.raw as Record<string, Record<string, unknown>>;
    const besides = isObject(raw['patternProperties']) ? Object.keys(raw['patternProperties']) : [];
    const sources = has('patternProperties') ? besides : [];
    const lines: string[] = [];
    const pattern = new Map(besides.map((source) => [source, this.#constant(this.#pattern(source))]));
    if (has('propertyNames'))
      lines.push(`if (!(${this.#fits(this.graph.below(node, 'propertyNames'), 'k')})) return false;`);
    for (const source of sources)
      lines.push(
        `if (${pattern.get(source) ?? ''}.test(k) && !(${this.#fits(this.graph.below(node, 'patternProperties', source), 'x')})) return false;`,
      );
    if (has('additionalProperties')) {
      const fits = this.#fits(this.graph.below(node, 'additionalProperties'), 'x');
      const named = [...(isObject(raw['properties']) ? Object.keys(raw['properties']) : [])];
      const tests = [
        ...(named.length > 8
          ? [`!${this.#constant(`new Set(${jsonSource(named)})`)}.has(k)`]
          : named.map((name) => `k !== ${JSON.stringify(name)}`)),
        ...[...pattern.values()].map((one) => `!${one}.test(k)`),
      ];
      // Of a closed object most names are known, so that is asked first, and nothing else of them.
      if (lines.length === 0 && fits === 'false')
        return [
          `for (const k in v) if (${[...tests, 'Object.hasOwn(v, k)', 'v[k] !== undefined'].join(' && ')}) return false;`,
        ];
      if (fits !== 'true') lines.push(`if (${[...tests, `!(${fits})`].join(' && ')}) return false;`);
    }
    if (lines.length === 0) return [];
    return [
      'for (const k in v) {',
      '  if (!Object.hasOwn(v, k)) continue;',
      ...(has('propertyNames') ? [`  ${lines.shift() ?? ''}`] : []),
      ...(lines.length > 0 ? ['  const x = v[k];', '  if (x === undefined) continue;'] : []),
      ...lines.map((line) => `  ${line}`),
      '}',
    ];
  }

  #listLines(node: SchemaNode, has: (keyword: string) => boolean): string[] {
    const raw = node.raw as Record<string, unknown>;
    const { draft, keywords } = node.resource.dialect;
    const lines: string[] = [];
    if (has('maxItems')) lines.push(`if (v.length > ${String(raw['maxItems'])}) return false;`);
    if (has('minItems')) lines.push(`if (v.length < ${String(raw['minItems'])}) return false;`);
    const leading = Array.isArray(raw['items']) && draft !== 2020 ? 'items' : 'prefixItems';
    const first = has(leading) && Array.isArray(raw[leading]) ? raw[leading].length : 0;
    for (let i = 0; i < first; i++) {
      const fits = this.#fits(this.graph.below(node, leading, i), `v[${i}]`);
      if (fits !== 'true') lines.push(`if (v.length > ${i} && !(${fits})) return false;`);
    }
    const following = leading === 'items' ? 'additionalItems' : 'items';
    if (has(following)) {
      const from = leading === 'items' || draft === 2020 ? (Array.isArray(raw[leading]) ? raw[leading].length : 0) : 0;
      const fits = this.#fits(this.graph.below(node, following), 'v[i]');
      if (fits !== 'true') lines.push(`for (let i = ${from}; i < v.length; i++) if (!(${fits})) return false;`);
    }
    if (has('contains')) {
      const counts = draft >= 2019 && keywords.has('minContains');
      const least = counts && typeof raw['minContains'] === 'number' ? raw['minContains'] : 1;
      const most = counts && typeof raw['maxContains'] === 'number' ? raw['maxContains'] : undefined;
      const n = this.#variable();
      lines.push(
        `let ${n} = 0;`,
        `for (let i = 0; i < v.length; i++) if (${this.#fits(this.graph.below(node, 'contains'), 'v[i]')}) ${n}++;`,
        `if (${n} < ${least}${most === undefined ? '' : ` || ${n} > ${most}`}) return false;`,
      );
    }
    if (has('uniqueItems')) {
      const s = this.#variable();
      lines.push(
        `const ${s} = new Set();`,
        'for (let i = 0; i < v.length; i++) {',
        "  const x = v[i], k = typeof x === 'object' && x !== null ? runtime.canonical(x) : typeof x === 'string' ? '\"' + x + '\"' : x;",
        `  if (${s}.has(k)) return false;`,
        `  ${s}.add(k);`,
        '}',
      );
    }
    return lines;
  }

  #wholeLines(node: SchemaNode, has: (keyword: string) => boolean): string[] {
    const raw = node.raw as Record<string, unknown>;
    const all = (keyword: string): string[] =>
      (raw[keyword] as unknown[]).map((_, i) => this.#fits(this.graph.below(node, keyword, i), 'v'));
    const lines: string[] = [];
    for (const rule of node.rules) {
      if (rule.keyword === '$ref' && rule.kind === 'within' && typeof rule.nodes !== 'function')
        for (const inner of rule.nodes) lines.push(`if (!${this.#call(inner)}(v)) return false;`);
      if (rule.keyword === 'if' && rule.kind === 'whole' && rule.branching?.kind === 'if') {
        const { test, yes, no } = rule.branching;
        const branch = (one: SchemaNode | undefined): string => (one ? this.#fits(one, 'v') : 'true');
        lines.push(`if (!(${this.#fits(test, 'v')} ? ${branch(yes)} : ${branch(no)})) return false;`);
      }
    }
    if (has('allOf')) for (const fits of all('allOf')) if (fits !== 'true') lines.push(`if (!(${fits})) return false;`);
    if (has('anyOf')) lines.push(`if (!(${all('anyOf').join(' || ')})) return false;`);
    if (has('oneOf')) {
      const n = this.#variable();
      lines.push(`let ${n} = 0;`);
      for (const fits of all('oneOf')) lines.push(`if (${fits} && ++${n} > 1) return false;`);
      lines.push(`if (${n} !== 1) return false;`);
    }
    if (has('not')) lines.push(`if (${this.#fits(this.graph.below(node, 'not'), 'v')}) return false;`);
    return lines;
  }

  /** The verdict of a subschema on an expression: written where it stands if it is short, called if not. */
  #fits(given: SchemaNode, x: string): string {
    const node = bare(given);
    if (node.raw === true) return 'true';
    if (isObject(node.raw) && node.rules.length === 0) return 'true';
    return this.#leaf(node, x) ?? `${this.#call(node)}(${x})`;
  }

  /** One kind with plain limits, or a few plain values. */
  #leaf(node: SchemaNode, x: string): string | undefined {
    const raw = node.raw as Record<string, unknown>;
    const keywords = node.rules.map(({ keyword }) => keyword);
    if (node.raw === false) return 'false';
    const allowed: unknown = raw['enum'];
    if (keywords.length === 1 && keywords[0] === 'enum' && Array.isArray(allowed)) {
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
}

/** The node itself, where one is only entered from another resource. */
function bare(node: SchemaNode): SchemaNode {
  const [rule] = node.rules;
  return rule?.kind === 'within' && rule.enters && typeof rule.nodes !== 'function'
    ? bare(rule.nodes[0] ?? node)
    : node;
}

function kindTest(kind: string, x = 'v'): string {
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

const literal = (value: unknown): string =>
  JSON.stringify(value).replaceAll('\u2028', '\\u2028').replaceAll('\u2029', '\\u2029');
