import { defaultLimits, joinPointer, isObject, LimitReached, parsePointer, type Limits, type Pointer, type Problem } from '../json/index.js';
import { newest, standardDialect } from './dialect.js';
import { Follower, type State } from './follow.js';
import { standardFormats, type Format } from './formats.js';
import { fuse } from './fuse.js';
import { keywords as standardKeywords, unevaluated, type Context, type Keyword, type Unevaluated } from './keywords/index.js';
import { english, messageFor, type Messages } from './messages.js';
import { Registry, type Resource, type Spot } from './registry.js';
import { bits, Run, Seen, type Place, type Rule, type SchemaNode } from './rule.js';
import { resolveUri } from './uri.js';

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

export interface Verdict {
  readonly valid: boolean;
  readonly problems: readonly Problem[];
}

/** The schema itself is wrong, or refers to what is not there. `problems` say where; `at` points into the schema. */
export class SchemaError extends Error {
  override name = 'SchemaError';
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map(({ at, message }) => `${at === '' ? 'At the root' : `At ${at}`}: ${message}`).join('\n'));
  }
}

export interface CompiledSchema {
  /** The verdict only; stops at the first failure. */
  accepts(value: unknown): boolean;
  /** Every problem, in a fixed order. */
  validate(value: unknown): Verdict;
  /**
   * What `validate` would say, after a change at one place; looks only at what can depend on it. The first call looks
   * at everything. Works on values that are changed in place and on copies that share what did not change.
   * `touched` names the places where problems may have come or gone.
   */
  recheck(value: unknown, changedAt: Pointer): Verdict & { readonly touched: ReadonlySet<Pointer> };
  /** A separate memory for `recheck`, for when several values are followed at once. */
  follow(): Pick<CompiledSchema, 'recheck'>;
  /** A part of the schema, or of another document of it, as a schema of its own: by JSON Pointer or URI. */
  part(schemaAt: string): CompiledSchema;
  /** The compiled root, for those who read the schema rather than ask it. */
  readonly root: SchemaNode;
  readonly limits: Limits;
}

/**
 * Makes a schema ready: closures, no code from text, so it runs under a strict content security policy.
 * @throws {SchemaError} where the schema is wrong or a reference leads nowhere.
 * @throws {LimitReached} where it is nested too deep or too large.
 */
export function compileSchema(schema: unknown, options: CompileOptions = {}): CompiledSchema {
  const compiler = new Compiler(options);
  const root = compiler.compile(schema, options.uri ?? '');
  return new Compiled(compiler, root);
}

/**
 * Like `compileSchema`, and asks `load` for each document that is not there yet.
 * `load` rejects where there is none; the reference is then reported as missing, with the reason.
 */
export async function loadSchema(schema: unknown, load: (uri: string) => Promise<unknown>, options: CompileOptions = {}): Promise<CompiledSchema> {
  const documents: Record<string, unknown> = { ...options.documents };
  const failed = new Map<string, string>();
  for (;;) {
    try {
      return compileSchema(schema, { ...options, documents });
    } catch (error) {
      if (!(error instanceof SchemaError)) throw error;
      const missing = [...new Set(error.problems.flatMap(({ params }) => (typeof params['document'] === 'string' ? [params['document']] : [])))];
      const fresh = missing.filter((uri) => !(uri in documents) && !failed.has(uri) && uri !== '');
      if (fresh.length === 0) {
        throw new SchemaError(
          error.problems.map((problem) => {
            const reason = failed.get(String(problem.params['document']));
            return reason === undefined ? problem : { ...problem, message: `${problem.message} ${reason}` };
          }),
        );
      }
      await Promise.all(
        fresh.map(async (uri) => {
          try {
            documents[uri] = await load(uri);
          } catch (reason) {
            failed.set(uri, reason instanceof Error ? reason.message : String(reason));
          }
        }),
      );
    }
  }
}

class Compiler {
  readonly limits: Limits;
  readonly registry: Registry;
  readonly follower: Follower;
  readonly #formats: Readonly<Record<string, Format>>;
  readonly #keywords: ReadonlyMap<string, Keyword>;
  readonly #messages: Messages;
  readonly #nodes = new Map<unknown, SchemaNode>();
  readonly #flat = new Map<string, SchemaNode>();
  readonly #entered = new Map<SchemaNode, SchemaNode>();
  readonly #queue: SchemaNode[] = [];
  readonly #problems: Problem[] = [];
  readonly #own: ReadonlySet<string>;

  constructor(private readonly options: CompileOptions) {
    this.limits = { ...defaultLimits, ...options.limits };
    const fallback = options.dialect === undefined ? newest : (standardDialect(options.dialect) ?? newest);
    this.registry = new Registry(fallback, this.limits);
    this.#formats = { ...standardFormats, ...options.formats };
    this.#own = new Set(Object.keys(options.keywords ?? {}));
    this.#keywords = options.keywords ? new Map([...standardKeywords, ...Object.entries(options.keywords)]) : standardKeywords;
    this.#messages = options.messages ?? english;
    this.follower = new Follower(this.teller);
    for (const [uri, document] of Object.entries(options.documents ?? {})) this.registry.offer(uri, document);
  }

  readonly teller = {
    problem: (node: SchemaNode, keyword: string, params: Record<string, unknown>, place: Place): Problem => ({
      at: place.at,
      keyword,
      schemaAt: schemaAt(node, keyword),
      params,
      message: messageFor(this.#messages, keyword, params),
    }),
  };

  compile(schema: unknown, uri: string): SchemaNode {
    const spot = this.registry.add(uri, schema);
    const root = this.#enter(this.nodeAt(spot));
    this.#drain();
    if (this.#problems.length > 0) throw new SchemaError(this.#problems);
    return root;
  }

  part(reference: string): SchemaNode | undefined {
    const spot = this.registry.resolve(reference.includes('#') ? reference : `#${encodeURI(reference)}`);
    if (!spot) return undefined;
    const node = this.#enter(this.nodeAt(spot));
    this.#drain();
    return node;
  }

  run(): Run {
    return new Run(this.limits);
  }

  /** The node of a subschema. Each is made once; its rules follow when its turn comes, so that circles close. */
  nodeAt(spot: Spot): SchemaNode {
    const key = isObject(spot.raw) ? spot.raw : `${spot.resource.document}#${spot.at}`;
    const known = isObject(spot.raw) ? this.#nodes.get(key) : this.#flat.get(key as string);
    if (known) return known;
    const { resource, at } = isObject(spot.raw) ? (this.registry.spotOf(spot.raw) ?? spot) : spot;
    const node: SchemaNode = { raw: spot.raw, resource, at, rules: [], accepts: () => true, mark: () => true };
    if (isObject(spot.raw)) this.#nodes.set(key, node);
    else this.#flat.set(key as string, node);
    this.#queue.push(node);
    return node;
  }

  #drain(): void {
    for (let node = this.#queue.pop(); node; node = this.#queue.pop()) this.#fill(node);
  }

  /** The same node, entered from another resource: the dynamic scope grows by it. */
  #enter(node: SchemaNode): SchemaNode {
    const known = this.#entered.get(node);
    if (known) return known;
    const { resource } = node;
    const inScope = <T>(run: Run, ask: () => T): T => {
      run.scope.push(resource);
      const answer = ask();
      run.scope.pop();
      return answer;
    };
    const rule: Rule = {
      kind: 'within', keyword: '', on: bits.any, isReference: false,
      nodes: [node],
      accepts: (value, run) => inScope(run, () => node.accepts(value, run)),
      mark: (value, run, seen) => inScope(run, () => node.mark(value, run, seen)),
    };
    // Asking for the inner nodes is how the follower goes in; the scope then stays until the whole run is over, which
    // changes nothing: the outermost resource wins, and those that come later lie further in.
    const follow: Rule = { ...rule, nodes: (run) => (run.scope.push(resource), [node]) };
    const entered: SchemaNode = { raw: node.raw, resource, at: node.at, rules: [follow], accepts: rule.accepts.bind(rule), mark: (value, run, seen) => rule.mark?.(value, run, seen) ?? false };
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
      this.#complain(node, undefined, `is no schema: a schema is an object${node.resource.dialect.draft > 4 ? ', true or false' : ''}`);
      return;
    }
    const { dialect } = node.resource;
    const alone = dialect.draft <= 7 && Object.hasOwn(raw, '$ref');
    const rules: Rule[] = [];
    const late: Unevaluated[] = [];
    for (const [keyword, make] of this.#keywords) {
      if (!Object.hasOwn(raw, keyword) || (alone && keyword !== '$ref') || !(dialect.keywords.has(keyword) || this.#own.has(keyword))) continue;
      const rule = make(this.#context(node, raw, keyword));
      if (rule) rules.push(rule);
    }
    for (const keyword of ['unevaluatedItems', 'unevaluatedProperties']) {
      if (Object.hasOwn(raw, keyword) && !alone && dialect.keywords.has(keyword)) late.push(unevaluated(this.#context(node, raw, keyword)));
    }
    node.mark = (value, run, seen) => markAll(rules, late, value, run, seen);
    if (late.length > 0) {
      node.rules = [...rules, ...late.map((one) => this.#lateRule(node, raw, rules, one))];
      node.accepts = (value, run) => node.mark(value, run, new Seen());
    } else {
      node.rules = rules;
      node.accepts = fuse(rules);
    }
  }

  #lateRule(node: SchemaNode, raw: Record<string, unknown>, others: readonly Rule[], one: Unevaluated): Rule {
    const context = this.#context(node, raw, one.keyword);
    const left = (value: unknown, run: Run): (string | number)[] => {
      const seen = new Seen();
      for (const rule of others) {
        const own = new Seen();
        rule.mark?.(value, run, own);
        seen.add(own);
      }
      return one.left(value as object, seen);
    };
    const member = (value: unknown, key: string | number): unknown => (value as Record<string | number, unknown>)[key];
    return {
      kind: 'whole', keyword: one.keyword, on: one.on,
      accepts: (value, run) => left(value, run).every((key) => one.node.accepts(member(value, key), run)),
      problems: (value, run, place) =>
        left(value, run).flatMap((key) => context.explain(one.node, member(value, key), run, { at: joinPointer(place.at, key), way: `${place.way}/${one.keyword}` })),
    };
  }

  #context(node: SchemaNode, raw: Record<string, unknown>, keyword: string): Context {
    const link = (spot: Spot): SchemaNode => {
      const inner = this.nodeAt(spot);
      return inner.resource === node.resource ? inner : this.#enter(inner);
    };
    return {
      keyword, raw, spot: node, value: raw[keyword],
      dialect: node.resource.dialect,
      registry: this.registry,
      formats: this.#formats,
      assertFormats: this.options.assertFormats ?? false,
      limits: this.limits,
      messages: this.#messages,
      child: (...names) => {
        const value = names.reduce<unknown>((inner, name) => (inner as Record<string | number, unknown>)[name], raw[keyword]);
        return link({ raw: value, resource: node.resource, at: names.reduce<string>(joinPointer, joinPointer(node.at, keyword)) });
      },
      target: (reference) => {
        const uri = resolveUri(node.resource.uri, reference);
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
      problem: (word, params, place) => this.teller.problem(node, word, params, place),
      explain: (inner, value, run, place) => this.follower.list(inner, this.follower.check(inner, value, run, place), run),
    };
  }

  #complain(node: SchemaNode, keyword: string | undefined, message: string): void {
    const at = schemaAt(node, keyword ?? '');
    this.#problems.push({ at, keyword: keyword ?? '', schemaAt: at, params: {}, message: keyword === undefined ? `This ${message}.` : `“${keyword}” ${message}.` });
  }

  #missing(node: SchemaNode, keyword: string, reference: string, uri: string): void {
    const at = schemaAt(node, keyword);
    const document = uri.split('#')[0] ?? '';
    const known = this.registry.resolve(document) !== undefined;
    const message = known ? `The reference “${reference}” leads to a place that is not there.` : `The reference “${reference}” leads to the document ${document === '' ? 'itself' : document}, which is not at hand.`;
    this.#problems.push({ at, keyword: 'reference', schemaAt: at, params: known ? { reference } : { reference, document }, message });
  }
}

function schemaAt(node: SchemaNode, keyword: string): string {
  const at = keyword === '' || keyword === 'false' ? node.at : joinPointer(node.at, keyword);
  return node.resource.document === '' ? at : `${node.resource.document}#${at}`;
}

function markAll(rules: readonly Rule[], late: readonly Unevaluated[], value: unknown, run: Run, seen: Seen): boolean {
  const bit = typeof value === 'object' && value !== null ? (Array.isArray(value) ? bits.array : bits.object) : bits.any & ~(bits.array | bits.object);
  const own = late.length > 0 ? new Seen() : seen;
  for (const rule of rules) {
    if (bit !== (bit & (bits.array | bits.object)) ? !applies(rule, value) : (rule.on & bit) === 0) continue;
    if (!(rule.mark ? rule.mark(value, run, own) : rule.accepts(value, run))) return false;
  }
  if (late.length === 0) return true;
  for (const one of late) {
    if (typeof value !== 'object' || value === null || (one.on & bit) === 0) continue;
    for (const key of one.left(value, own)) if (!one.node.accepts((value as Record<string | number, unknown>)[key], run)) return false;
    one.markAll(own);
  }
  seen.add(own);
  return true;
}

function applies(rule: Rule, value: unknown): boolean {
  switch (typeof value) {
    case 'string':
      return (rule.on & bits.string) !== 0;
    case 'number':
      return (rule.on & bits.number) !== 0;
    case 'boolean':
      return (rule.on & bits.boolean) !== 0;
    default:
      return value === null ? (rule.on & bits.null) !== 0 : rule.on === bits.any;
  }
}

class Compiled implements CompiledSchema {
  #memory: Memory | undefined;
  constructor(
    private readonly compiler: Compiler,
    readonly root: SchemaNode,
  ) {}

  get limits(): Limits {
    return this.compiler.limits;
  }

  accepts(value: unknown): boolean {
    try {
      return this.root.accepts(value, this.compiler.run());
    } catch (error) {
      limitOf(error);
      return false;
    }
  }

  validate(value: unknown): Verdict {
    try {
      if (this.root.accepts(value, this.compiler.run())) return fine;
      const { follower } = this.compiler;
      const state = follower.check(this.root, value, this.compiler.run(), { at: '', way: '' });
      return verdict(follower.list(this.root, state, this.compiler.run()));
    } catch (error) {
      return verdict([limitProblem(error)]);
    }
  }

  follow(): Pick<CompiledSchema, 'recheck'> {
    return new Memory(this.compiler, this.root);
  }

  recheck(value: unknown, changedAt: Pointer): ReturnType<CompiledSchema['recheck']> {
    this.#memory ??= new Memory(this.compiler, this.root);
    return this.#memory.recheck(value, changedAt);
  }

  part(reference: string): CompiledSchema {
    const node = this.compiler.part(reference);
    if (!node) throw new SchemaError([{ at: reference, keyword: 'reference', schemaAt: reference, params: { reference }, message: `The schema has no part at “${reference}”.` }]);
    return new Compiled(this.compiler, node);
  }
}

const fine: Verdict = { valid: true, problems: [] };
const verdict = (problems: readonly Problem[]): Verdict => ({ valid: problems.length === 0, problems });

/** What was wrong the last time, so that the next time only the changed way has to be asked. */
class Memory {
  #state: State | undefined;
  #last: { value: unknown } | undefined;

  constructor(
    private readonly compiler: Compiler,
    private readonly root: SchemaNode,
  ) {}

  recheck(value: unknown, changedAt: Pointer): ReturnType<CompiledSchema['recheck']> {
    const { follower } = this.compiler;
    follower.touched = new Set();
    const { root, compiler } = this;
    try {
      if (!this.#last) this.#state = follower.check(root, value, compiler.run(), { at: '', way: '' });
      else {
        for (const path of changedPaths(this.#last.value, value, parsePointer(changedAt))) {
          this.#state = follower.recheck(root, value, compiler.run(), { at: '', way: '' }, path, 0, this.#state);
        }
      }
      this.#last = { value };
      const state = this.#state;
      return {
        valid: state === undefined,
        // Listing costs as much as there are problems; many callers only need the places touched.
        get problems() {
          return follower.list(root, state, compiler.run());
        },
        touched: follower.touched,
      };
    } catch (error) {
      this.#last = undefined;
      return { ...verdict([limitProblem(error)]), touched: new Set(['']) };
    }
  }
}

/** The place that was said to have changed, and any other where a copy does not share with the last value. */
function changedPaths(before: unknown, after: unknown, path: readonly string[]): string[][] {
  if (before === after) return [[...path]];
  const found: string[][] = [];
  const compare = (a: unknown, b: unknown, depth: number): void => {
    const token = path[depth];
    const isList = Array.isArray(a);
    if (token === undefined || typeof a !== 'object' || typeof b !== 'object' || a === null || b === null || isList !== Array.isArray(b)) {
      found.push(path.slice(0, depth));
      return;
    }
    const [from, to] = [a as Record<string, unknown>, b as Record<string, unknown>];
    if (isList && from['length'] !== to['length']) {
      found.push(path.slice(0, depth));
      return;
    }
    if (isList) {
      const skip = Number(token);
      const [left, right] = [a as unknown[], b as unknown[]];
      for (let i = 0; i < left.length; i++) if (i !== skip && left[i] !== right[i]) found.push([...path.slice(0, depth), String(i)]);
    } else {
      for (const name of Object.keys(from)) if (name !== token && from[name] !== to[name]) found.push([...path.slice(0, depth), name]);
      for (const name of Object.keys(to)) if (name !== token && !Object.hasOwn(from, name)) found.push([...path.slice(0, depth), name]);
    }
    if (depth === path.length - 1) found.push([...path]);
    else if (Object.hasOwn(from, token) && Object.hasOwn(to, token)) {
      if (from[token] !== to[token]) compare(from[token], to[token], depth + 1);
      else found.push([...path]);
    } else found.push(path.slice(0, depth + 1));
  };
  compare(before, after, 0);
  return found;
}

/** A limit, or a stack that ran out, ends a run with a verdict; anything else is our own mistake. */
function limitOf(error: unknown): string {
  if (error instanceof LimitReached) return error.message;
  if (error instanceof RangeError) return 'The value is nested too deep to be checked.';
  throw error;
}
function limitProblem(error: unknown): Problem {
  const reason = limitOf(error);
  return { at: '', keyword: 'limit', schemaAt: '', params: { reason }, message: reason };
}

