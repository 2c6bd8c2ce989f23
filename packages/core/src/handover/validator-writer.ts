import { isObject } from '../json/index.js';
import type { SchemaGraph, SchemaNode } from '../schema/index.js';
import {
  bare,
  jsonSource,
  kindTest,
  literal,
  numberLines,
  patternSource,
  shortTest,
  textLines,
} from './validator-lines.js';

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

/** Writes the functions of one schema: one for each node that is asked from more than one place or is long. */
export class ValidatorWriter {
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
    return this.source;
  }

  /** The name of a function that gives the verdict of one node; `undefined` where the engine has to. */
  test(node: SchemaNode): string | undefined {
    return this.#canBeWritten(bare(node), new Set()) ? this.#call(node) : undefined;
  }
  /** The same, as a function that stands where it is used, if it is short. */
  shortly(node: SchemaNode): string | undefined {
    const test = shortTest(bare(node), 'v');
    return test === undefined ? this.test(node) : `(v) => ${test}`;
  }
  /** What was asked for so far, as source. */
  get source(): string {
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
    lines.push(...this.#about(kinds, ['number', 'integer'], "typeof v === 'number'", numberLines(node, has)));
    lines.push(
      ...this.#about(
        kinds,
        ['string'],
        "typeof v === 'string'",
        textLines(node, has, (source) => this.#constant(source)),
      ),
    );
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
    const pattern = new Map(besides.map((source) => [source, this.#constant(patternSource(source))]));
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
    return shortTest(node, x) ?? `${this.#call(node)}(${x})`;
  }
}
