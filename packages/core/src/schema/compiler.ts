import { defaultLimits, joinPointer, isObject, type Limits, type Problem } from '../json/index.js';
import { knownIn, newest, onlyNewest } from './dialect.js';
import { Follower } from './follow.js';
import type { Engine } from './engine.js';
import type { Format } from './formats.js';
import type { Context, Keyword } from './keywords/context.js';
import type { Unevaluated } from './keywords/context.js';
import { textFor, type Messages } from './messages.js';
import { Registry, type Resource, type Spot } from './registry.js';
import type { Seen } from './seen.js';
import { bitOf, bits, Run, type ChosenBranch, type Rule, type Site, type SchemaNode } from './rule.js';
import { noteWay } from './ways.js';

/** How a schema is read: its dialect, other documents, whether formats are checked. */
export interface CompileOptions {
  /** The meta-schema's URI for a schema that names none; 2020-12 where it is not given. */
  readonly dialect?: string;
  /** Other documents, by absolute URI. */
  readonly documents?: Readonly<Record<string, unknown>>;
  /** Where the schema itself was found; relative references start from here. */
  readonly uri?: string;
  /** Whether `format` and content keywords are checked; otherwise they are notes for the reader. */
  readonly assertFormats?: boolean;
  readonly formats?: Readonly<Record<string, Format>>;
  readonly keywords?: Readonly<Record<string, Keyword>>;
  readonly messages?: Messages;
  readonly limits?: Partial<Limits>;
}

/** The schema itself is wrong, or refers to what is not there. `problems` say where; `at` points into the schema. */
export class SchemaError extends Error {
  override name = 'SchemaError';
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map(({ at, message }) => `At ${at || 'the root'}: ${message}`).join('\n'));
  }
}

/** Turns schemas into nodes with rules; one compiler serves a schema and all documents that it reaches. */
export class Compiler {
  readonly limits: Limits;
  readonly registry: Registry;
  readonly follower: Follower;
  /** The words that were given, beside the engine's. */
  readonly documents: readonly unknown[];
  readonly ownMessages: Messages;
  readonly #formats: Readonly<Record<string, Format>>;
  readonly #keywords: ReadonlyMap<string, Keyword>;
  readonly #messages: Messages;
  readonly #nodes = new Map<unknown, SchemaNode>();
  readonly #flat = new Map<string, SchemaNode>();
  readonly #entered = new Map<SchemaNode, SchemaNode>();
  readonly #queue: SchemaNode[] = [];
  readonly #problems: Problem[] = [];
  readonly #own: ReadonlySet<string>;
  #isDynamic = false;

  constructor(
    private readonly options: CompileOptions,
    private readonly engine: Engine,
  ) {
    this.limits = { ...defaultLimits, ...options.limits };
    const { dialects = onlyNewest } = engine;
    const fallback = options.dialect === undefined ? newest : (dialects.standard(options.dialect) ?? newest);
    this.registry = new Registry(fallback, this.limits, engine);
    this.#formats = { ...engine.formats, ...options.formats };
    this.#own = new Set(Object.keys(options.keywords ?? {}));
    this.#keywords = options.keywords
      ? new Map([...engine.keywords, ...Object.entries(options.keywords)])
      : engine.keywords;
    this.ownMessages = options.messages ?? {};
    this.#messages = { ...engine.english, ...this.ownMessages };
    this.follower = new Follower(this.teller);
    const documents = options.documents ?? {};
    this.documents = Object.values(documents);
    for (const [uri, document] of Object.entries(documents)) this.registry.offer(uri, document);
  }

  readonly teller = {
    problem: (node: SchemaNode, keyword: string, params: Record<string, unknown>, site: Site): Problem =>
      noteWay(
        {
          at: site.at,
          keyword,
          schemaAt: schemaAt(node, keyword),
          params,
          message: textFor(this.#messages, keyword, params),
        },
        node,
        keyword,
        site,
      ),
  };

  compile(schema: unknown, uri: string): SchemaNode {
    return this.finish(this.registry.add(uri, schema));
  }

  /** Makes the rules of one schema that waits for its turn. @returns whether there was one. */
  fillOne(): boolean {
    const node = this.#queue.pop();
    if (node) this.#fill(node);
    return node !== undefined;
  }

  /** The root for a spot whose document has been read. */
  finish(spot: Spot): SchemaNode {
    const node = this.nodeAt(spot);
    const entered = this.#enter(node);
    this.#drain();
    // Only dynamic references ask which resources were entered on the way.
    const root = this.#isDynamic ? entered : node;
    if (this.#problems.length > 0) throw new SchemaError(this.#problems);
    return root;
  }

  /** Where a value differs from the last one; an engine that cannot compare copies has all of a copy asked again. */
  changedPaths(before: unknown, after: unknown, path: readonly string[]): readonly (readonly string[])[] {
    return before === after ? [path] : (this.engine.changedPaths?.(before, after, path) ?? [[]]);
  }

  run(chosen?: ChosenBranch): Run {
    return new Run(this.limits, chosen);
  }

  /** The node of a subschema. Each is made once; its rules follow when its turn comes, so that circles close. */
  nodeAt(spot: Spot): SchemaNode {
    const key = isObject(spot.raw) ? spot.raw : `${spot.resource.document}#${spot.at}`;
    const known = isObject(spot.raw) ? this.#nodes.get(key) : this.#flat.get(key as string);
    if (known) return known;
    const { resource, at } = isObject(spot.raw) ? (this.registry.spotOf(spot.raw) ?? spot) : spot;
    const node: SchemaNode = {
      raw: spot.raw,
      resource,
      at,
      rules: [],
      leaf: undefined,
      accepts: () => true,
      mark: () => true,
    };
    if (isObject(spot.raw)) this.#nodes.set(key, node);
    else this.#flat.set(key as string, node);
    this.#queue.push(node);
    return node;
  }

  #drain(): void {
    while (this.fillOne());
  }

  /** The same node, entered from another resource: the dynamic scope grows by it. */
  #enter(node: SchemaNode): SchemaNode {
    const known = this.#entered.get(node);
    if (known) return known;
    const { resource } = node;
    const accepts = (value: unknown, run: Run): boolean => run.within(resource, () => node.accepts(value, run));
    const mark = (value: unknown, run: Run, seen: Seen): boolean =>
      run.within(resource, () => node.mark(value, run, seen));
    const rule: Rule = {
      kind: 'within',
      keyword: '',
      on: bits.any,
      isReference: false,
      enters: resource,
      nodes: [node],
      accepts,
      mark,
    };
    const entered: SchemaNode = { raw: node.raw, resource, at: node.at, rules: [rule], leaf: undefined, accepts, mark };
    this.#entered.set(node, entered);
    return entered;
  }

  #fill(node: SchemaNode): void {
    const { raw } = node;
    if (raw === true) return;
    if (raw === false) {
      node.rules = [{ kind: 'assertion', keyword: 'false', on: bits.any, accepts: () => false, params: () => ({}) }];
      node.accepts = () => false;
      node.mark = () => false;
      return;
    }
    if (!isObject(raw)) {
      this.#complain(
        node,
        undefined,
        `is no schema: a schema is an object${node.resource.dialect.draft > 4 ? ', true or false' : ''}`,
      );
      return;
    }
    const { dialect } = node.resource;
    const alone = dialect.draft <= 7 && Object.hasOwn(raw, '$ref');
    const rules: Rule[] = [];
    const late: Unevaluated[] = [];
    for (const [keyword, make] of knownIn(raw, this.#keywords)) {
      if ((alone && keyword !== '$ref') || !(dialect.keywords.has(keyword) || this.#own.has(keyword))) continue;
      const rule = make(this.#context(node, raw, keyword));
      if (rule) rules.push(rule);
      if (keyword === '$dynamicRef' || keyword === '$recursiveRef') this.#isDynamic = true;
    }
    const unevaluated = this.engine.late;
    for (const keyword of ['unevaluatedItems', 'unevaluatedProperties']) {
      if (unevaluated && Object.hasOwn(raw, keyword) && !alone && dialect.keywords.has(keyword))
        late.push(unevaluated.read(this.#context(node, raw, keyword)));
    }
    if (unevaluated) node.mark = (value, run, seen) => unevaluated.markAll(rules, late, value, run, seen);
    if (unevaluated && late.length > 0) {
      node.rules = [
        ...rules,
        ...late.map((one) => unevaluated.rule(this.#context(node, raw, one.keyword), rules, one)),
      ];
      node.accepts = (value, run) => unevaluated.accepts(node, value, run);
    } else {
      node.rules = rules;
      const fused = this.engine.fuse?.(rules);
      node.leaf = fused?.leaf;
      node.accepts = fused?.accepts ?? ((value, run) => allAccept(rules, value, run));
    }
  }

  #context(node: SchemaNode, raw: Record<string, unknown>, keyword: string): Context {
    const link = (spot: Spot): SchemaNode => {
      const inner = this.nodeAt(spot);
      return inner.resource === node.resource ? inner : this.#enter(inner);
    };
    return {
      keyword,
      raw,
      spot: node,
      value: raw[keyword],
      dialect: node.resource.dialect,
      registry: this.registry,
      formats: this.#formats,
      assertFormats: this.options.assertFormats ?? false,
      limits: this.limits,
      patternOf: this.engine.patternOf,
      child: (...names) => {
        const value = names.reduce<unknown>(
          (inner, name) => (inner as Record<string | number, unknown>)[name],
          raw[keyword],
        );
        return link({
          raw: value,
          resource: node.resource,
          at: names.reduce<string>(joinPointer, joinPointer(node.at, keyword)),
        });
      },
      target: (reference) => {
        const uri = this.registry.absolute(node.resource.uri, reference);
        const spot = this.registry.resolve(uri);
        if (spot) return link(spot);
        this.#missing(node, keyword, reference, uri);
        return undefined;
      },
      nodeAt: link,
      dynamicNode: (resource: Resource, anchor) => {
        const spot = resource.dynamicAnchors.get(anchor);
        if (!spot) return undefined;
        const inner = link(spot);
        // A resource that is entered at run time may not have had its turn yet.
        this.#drain();
        return inner;
      },
      complain: (message) => this.#complain(node, keyword, message),
      problem: (word, params, site) => this.teller.problem(node, word, params, site),
      explain: (inner, value, run, site) =>
        this.follower.list(inner, this.follower.check(inner, value, run, site), run),
    };
  }

  #complain(node: SchemaNode, keyword: string | undefined, message: string): void {
    const at = schemaAt(node, keyword ?? '');
    this.#problems.push({
      at,
      keyword: keyword ?? '',
      schemaAt: at,
      params: {},
      message: keyword === undefined ? `This ${message}.` : `“${keyword}” ${message}.`,
    });
  }

  #missing(node: SchemaNode, keyword: string, reference: string, uri: string): void {
    const at = schemaAt(node, keyword);
    const document = uri.split('#')[0] ?? '';
    const known = this.registry.resolve(document) !== undefined;
    const end = known ? 'a place that is not there' : `the document ${document || 'itself'}, which is not at hand`;
    this.#problems.push({
      at,
      keyword: 'reference',
      schemaAt: at,
      params: { reference, ...(known ? {} : { document }) },
      message: `The reference “${reference}” leads to ${end}.`,
    });
  }
}

function schemaAt(node: SchemaNode, keyword: string): string {
  const at = keyword === '' || keyword === 'false' ? node.at : joinPointer(node.at, keyword);
  return node.resource.document === '' ? at : `${node.resource.document}#${at}`;
}

function allAccept(rules: readonly Rule[], value: unknown, run: Run): boolean {
  const bit = bitOf(value);
  return rules.every((rule) => (rule.on & bit) === 0 || rule.accepts(value, run));
}
