/** The subschemas of a form that is written out: of each what a form reads of it (`core/written`), and nothing else. */
import { isObject } from '../json/index.js';
import {
  tellingMember,
  type Branching,
  type Condition,
  type Rule,
  type SchemaGraph,
  type SchemaNode,
  type Asks,
} from '../schema/index.js';
import { listSource, literal, objectSource, quoted } from './source.js';
import { bare } from './validator-lines.js';
import { ValidatorWriter } from './validator-writer.js';

/** Why a form cannot be written out. It is then made ready when its application starts. */
export class NotWritable extends Error {}

/** What a form reads of a subschema itself. Titles, descriptions and hints stand in the plan already. */
const read = new Set(
  (
    'type enum const default format pattern contentEncoding contentMediaType readOnly writeOnly deprecated uniqueItems ' +
    'multipleOf maximum exclusiveMaximum minimum exclusiveMinimum maxLength minLength maxItems minItems maxProperties ' +
    'minProperties'
  ).split(' '),
);

export class NodeWriter {
  readonly #numbers = new Map<SchemaNode, number>();
  readonly #waiting: SchemaNode[] = [];
  readonly #tests = new Map<Asks, string>();
  readonly #validator: ValidatorWriter;

  constructor(private readonly graph: SchemaGraph) {
    this.#validator = new ValidatorWriter(graph);
  }

  /** The list of all, each as source. */
  write(): string[] {
    this.#number(this.graph.root);
    const written: string[] = [];
    for (let node = this.#waiting.shift(); node; node = this.#waiting.shift()) written.push(this.#node(node));
    return written;
  }
  /** The functions and patterns that they name. */
  get source(): string {
    return this.#validator.source;
  }
  /** The name of the function that gives the verdict of the whole. */
  verdict(): string {
    return this.#test(this.graph.root);
  }

  condition({ up, about }: Condition): string {
    const above = up === 0 ? undefined : String(up);
    if (about.kind === 'if')
      return objectSource([
        ['up', above],
        ['if', this.#tests.get(about.asks)],
        ['holds', String(about.holds)],
      ]);
    if (about.kind === 'present')
      return objectSource([
        ['up', above],
        ['present', quoted(about.name)],
      ]);
    return objectSource([
      ['up', above],
      ['choice', quoted(about.choice.id)],
      ['index', String(about.index)],
    ]);
  }

  #number(given: SchemaNode): number {
    const node = bare(given);
    const known = this.#numbers.get(node);
    if (known !== undefined) return known;
    const number = this.#numbers.size;
    this.#numbers.set(node, number);
    this.#waiting.push(node);
    return number;
  }
  #numbersOf(nodes: readonly SchemaNode[]): string {
    return listSource(nodes.map((node) => String(this.#number(node))));
  }

  #test(node: SchemaNode): string {
    return known(this.#validator.test(node));
  }

  #node(node: SchemaNode): string {
    const says = node.raw === false ? 'false' : isObject(node.raw) ? saysOf(node.raw) : undefined;
    const rules = node.rules.flatMap((rule) => this.#rule(rule, node));
    return objectSource(
      [
        ['says', says],
        ['rules', rules.length === 0 ? undefined : listSource(rules, '      ')],
      ],
      '    ',
    );
  }

  #rule(rule: Rule, { raw }: SchemaNode): string[] {
    const { keyword } = rule;
    switch (rule.kind) {
      case 'assertion':
        return [];
      case 'presence':
        return [line('required', literal(rule.names))];
      case 'within':
        if (typeof rule.nodes === 'function')
          throw new NotWritable(`what “${keyword}” refers to depends on the way that led there.`);
        return [line('allOf', this.#numbersOf(rule.nodes))];
      case 'members': {
        const value = isObject(raw) ? raw[keyword] : undefined;
        if (keyword === 'properties') return [line(keyword, this.#named(Object.keys(value as object), rule.inner))];
        if (keyword === 'patternProperties')
          throw new NotWritable('what may stand under a name depends on the name (“patternProperties”).');
        if (Array.isArray(value)) return [line('prefixItems', this.#numbersOf(rule.inner))];
        const [inner] = rule.inner;
        if (!inner) return [];
        return [line(keyword === 'additionalProperties' ? keyword : 'items', String(this.#number(inner)))];
      }
      case 'whole':
        return rule.branching ? [this.#branching(rule.branching)] : [];
    }
  }

  #named(names: readonly string[], nodes: readonly SchemaNode[]): string {
    return objectSource(
      nodes.map((node, i) => [names[i] ?? '', String(this.#number(node))]),
      '        ',
    );
  }

  #branching(branching: Branching): string {
    switch (branching.kind) {
      case 'if': {
        const node = (one: SchemaNode | undefined): string => (one ? String(this.#number(one)) : 'undefined');
        const test = this.#test(branching.test);
        this.#tests.set(branching.asks, test);
        return line('if', test, node(branching.yes), node(branching.no));
      }
      case 'present':
        return line(
          'dependentSchemas',
          this.#named(
            branching.entries.map(([name]) => name),
            branching.entries.map(([, node]) => node),
          ),
        );
      case 'choice': {
        const { id, nodes } = branching;
        const telling = tellingMember(nodes);
        const choice = objectSource(
          [
            ['id', quoted(id)],
            ['nodes', this.#numbersOf(nodes)],
            [
              'fits',
              listSource(
                nodes.map((node) => known(this.#validator.shortly(node))),
                '            ',
              ),
            ],
            ['telling', telling && literal(telling, '          ')],
          ],
          '        ',
        );
        return line('oneOf', choice);
      }
    }
  }
}

function known(test: string | undefined): string {
  if (test === undefined) throw new NotWritable('it has a condition whose meaning depends on the way that led to it.');
  return test;
}

function saysOf(raw: Readonly<Record<string, unknown>>): string | undefined {
  const said: [string, string][] = Object.entries(raw)
    .filter(([keyword]) => read.has(keyword))
    .map(([keyword, value]) => [keyword, literal(value, '        ')]);
  // Whether others than the named members may be there; what is said of them is the compiled schema's business.
  if (Object.hasOwn(raw, 'unevaluatedProperties'))
    said.push(['unevaluatedProperties', String(raw['unevaluatedProperties'] !== false)]);
  return said.length === 0 ? undefined : objectSource(said, '      ');
}

const line = (keyword: string, ...parts: readonly string[]): string =>
  listSource([quoted(keyword), ...parts], '        ');
