/**
 * Writes expressions out as functions: a form that brings them so needs no language to be fetched. Those that use what
 * `expression/computing.ts` does not know are left to the language, and with them all of the form's.
 */
import { readTree, type ExpressionNode } from '../expression/cel.js';
import { groupOf, referencesIn } from '../expression/index.js';
import { logic } from '../expression/logic.js';
import { loops } from '../expression/loops.js';
import { optionals } from '../expression/members.js';
import { operators } from '../expression/operators.js';
import { listSource, literal, objectSource, quoted } from './source.js';

/** What each part of the computing is called by. */
const parts: Readonly<Record<string, readonly string[]>> = Object.fromEntries(
  Object.entries({ logic, loops, operators, optionals }).map(([part, members]) => [part, Object.keys(members)]),
);

/** Names of the variables in it, as the source calls them. */
type Variables = Readonly<Record<string, string>>;

/** What an application opens its form with, and what that imports. */
export interface ExpressionsSource {
  readonly text: string;
  readonly imports: readonly string[];
}

/** `undefined` where one of the texts has to be left to the language. */
export function expressionsSource(texts: readonly string[], indent: string): ExpressionsSource | undefined {
  const inner = `${indent}  `;
  const groups = new Set<string>();
  try {
    const written = [...new Set(texts)].map((text) => [text, expressionSource(text, inner, groups)] as const);
    const functions = [...groups].sort();
    const source = objectSource(written, indent);
    const called = new Set(source.match(/(?<=\bcel\.)\w+/g));
    const computing = Object.keys(parts).filter((part) => parts[part]?.some((name) => called.has(name)));
    const given = [
      ...(computing.length > 0 || functions.length > 0 ? [`[${computing.join(', ')}]`] : []),
      ...(functions.length > 0 ? [`{ ${functions.map((name) => `...${name}`).join(', ')} }`] : []),
    ];
    return {
      text: `writtenExpressions(${[source, ...given].join(', ')})`,
      imports: ['writtenExpressions', ...computing, ...functions],
    };
  } catch (error) {
    if (error instanceof Unwritten) return undefined;
    throw error;
  }
}

function expressionSource(text: string, indent: string, groups: Set<string>): string {
  const tree = readTree(text);
  if (!tree) unwritten();
  const writer = new Writer(groups);
  const source = writer.write(tree, { form: 'form', here: 'here', value: 'value' });
  const roots = ['form', 'here', 'value'].filter((name) => writer.named.has(name));
  const parameters = [roots.length > 0 ? `{ ${roots.join(', ')} }` : '_', ...(/\bcel\./.test(source) ? ['cel'] : [])];
  return listSource([literal(referencesIn(text)), `(${parameters.join(', ')}) => ${source}`], indent);
}

class Unwritten extends Error {}

class Writer {
  #count = 0;
  /** The names that the source speaks of. */
  readonly named = new Set<string>();
  /** `groups`: of functions that it calls, filled as it writes. */
  constructor(private readonly groups: Set<string>) {}

  write(node: ExpressionNode, names: Variables): string {
    const of = (one: ExpressionNode): string => this.write(one, names);
    const later = (one: ExpressionNode): string => `() => ${of(one)}`;
    const { op, args } = node;
    const pair = args as readonly [ExpressionNode, ExpressionNode];
    switch (op) {
      case 'value':
        return constant(args);
      case 'id': {
        const name = own(names, args as string);
        this.named.add(name);
        return name;
      }
      case '.':
      case '.?': {
        const [from, name] = args as readonly [ExpressionNode, string];
        return `cel.${accessOf(node, from)}(${of(from)}, ${quoted(name)})`;
      }
      case '[]':
      case '[?]':
        return `cel.${accessOf(node, pair[0])}(${of(pair[0])}, ${of(pair[1])})`;
      case '!_':
        return `cel.not(${of(args as ExpressionNode)})`;
      case '-_':
        return `cel.negative(${of(args as ExpressionNode)})`;
      case '&&':
        return `cel.and(${later(pair[0])}, ${later(pair[1])})`;
      case '||':
        return `cel.or(${later(pair[0])}, ${later(pair[1])})`;
      case '?:': {
        const [condition, yes, no] = args as readonly ExpressionNode[];
        return condition && yes && no ? `(cel.isTrue(${of(condition)}) ? ${of(yes)} : ${of(no)})` : unwritten();
      }
      case 'list':
        return this.#list(args as readonly ExpressionNode[], names);
      case 'call':
        return this.#call(...(args as [string, readonly ExpressionNode[]]), names);
      case 'rcall':
        return this.#callOf(...(args as [string, ExpressionNode, readonly ExpressionNode[]]), names);
      default:
        return signs.has(op) ? `cel.operate(${of(pair[0])}, ${quoted(op)}, ${of(pair[1])})` : unwritten();
    }
  }

  /** Items are computed from the last to the first. */
  #list(items: readonly ExpressionNode[], names: Variables): string {
    const sources = items.map((item) => this.write(item, names));
    return items.every(({ op }) => op === 'value' || op === 'id')
      ? `[${sources.join(', ')}]`
      : `[${sources.reverse().join(', ')}].reverse()`;
  }

  #call(name: string, given: readonly ExpressionNode[], names: Variables): string {
    const [first] = given;
    if (name === 'has' && first) return this.#has(first, names);
    return this.#known(name, given, names);
  }

  #known(name: string, given: readonly ExpressionNode[], names: Variables): string {
    const group = groupOf(name, given.length);
    if (!group || given.some(isOptional)) unwritten();
    this.groups.add(group);
    const sources = given.map((one) => this.write(one, names)).reverse();
    return `cel.call(${[quoted(name), ...sources].join(', ')})`;
  }

  #callOf(name: string, of: ExpressionNode, given: readonly ExpressionNode[], names: Variables): string {
    const [first, second, third] = given;
    const from = (): string => this.write(of, names);
    if (isOptional(of)) {
      if (name !== 'orValue' || !first || isOptional(first)) unwritten();
      return `cel.orValue(${from()}, () => ${this.write(first, names)})`;
    }
    const work = ownName(loopNames, name);
    if (!work || !first || !second) return this.#known(`.${name}`, [of, ...given], names);
    // A filter within `map` is left to the language.
    if (first.op !== 'id' || third) unwritten();
    const item = `item${this.#count++ || ''}`;
    const inner = { ...names, [first.args as string]: item };
    const each = (one: ExpressionNode): string => `(${item}) => ${this.write(one, inner)}`;
    return `cel.${work}(${from()}, ${each(second)})`;
  }

  #has(node: ExpressionNode, names: Variables): string {
    const path: string[] = [];
    let at = node;
    while (at.op === '.') {
      const [from, name] = at.args as readonly [ExpressionNode, string];
      path.unshift(quoted(name));
      at = from;
    }
    if (at.op !== 'id') unwritten();
    return `cel.has(${[this.write(at, names), ...path].join(', ')})`;
  }
}

const signs: ReadonlySet<string> = new Set(['==', '!=', 'in', '+', '-', '*', '/', '%', '<', '<=', '>', '>=']);
const loopNames: Readonly<Record<string, string>> = {
  all: 'all',
  exists: 'exists',
  exists_one: 'existsOne',
  filter: 'filter',
  map: 'map',
};
const ownName = (of: Readonly<Record<string, string>>, name: string): string | undefined =>
  Object.hasOwn(of, name) ? of[name] : undefined;
const own = (names: Variables, name: string): string => ownName(names, name) ?? unwritten();
const isOptional = ({ checkedType }: ExpressionNode): boolean => checkedType?.kind === 'optional';
/** What may be missing stays so. */
const accessOf = ({ op }: ExpressionNode, from: ExpressionNode): string =>
  op.includes('?') || isOptional(from) ? 'optional' : 'member';

function constant(value: unknown): string {
  if (typeof value === 'bigint') return `cel.int(${quoted(String(value))})`;
  const isJson = value === null || ['string', 'boolean'].includes(typeof value) || Number.isFinite(value);
  return isJson ? literal(value) : unwritten();
}
function unwritten(): never {
  throw new Unwritten();
}
