/**
 * The one writer of source: every text of a kit becomes a comment, a literal or a name here, and nowhere else. A kit is
 * foreign; none of its texts may come out as code.
 */
import { jsonText, ownMember } from '../json/index.js';

/** A text as a doc comment of one line. */
export function comment(text: string, indent = ''): string {
  return `${indent}/** ${text.replaceAll('*/', '*\u200B/').replace(/\s+/g, ' ').trim()} */\n`;
}

/** A text as a literal in single quotes. */
export function quoted(text: string): string {
  const inner = JSON.stringify(text).slice(1, -1).replaceAll('\\"', '"').replaceAll("'", "\\'");
  return `'${inner.replaceAll('\u2028', '\\u2028').replaceAll('\u2029', '\\u2029')}'`;
}

/** As many characters as a value may take to stand in one line. */
const lineLength = 90;

/** A value that is JSON as a literal. What JSON has no word for is left out. */
export function literal(value: unknown, indent = ''): string {
  if (typeof value === 'string') return quoted(value);
  if (typeof value !== 'object' || value === null) return jsonText(value) ?? 'null';
  const inner = `${indent}  `;
  return Array.isArray(value)
    ? listSource(
        value.map((item: unknown) => literal(item, inner)),
        indent,
      )
    : objectSource(
        Object.keys(value).flatMap((name) => {
          const member = ownMember(value, name);
          return member === undefined ? [] : [[name, literal(member, inner)] as const];
        }),
        indent,
      );
}

/** A list of what is source already. */
export const listSource = (parts: readonly string[], indent = ''): string => block('[', ']', '', parts, indent);

/** An object whose members are source already; one without a value is left out. */
export function objectSource(
  members: readonly (readonly [name: string, source: string | undefined])[],
  indent = '',
): string {
  const parts = members.flatMap(([name, source]) =>
    source === undefined ? [] : [name === source ? name : `${keyOf(name)}: ${source}`],
  );
  return block('{', '}', ' ', parts, indent);
}

function block(open: string, close: string, space: string, parts: readonly string[], indent: string): string {
  if (parts.length === 0) return `${open}${close}`;
  const line = `${open}${space}${parts.join(', ')}${space}${close}`;
  if (line.length + indent.length <= lineLength && !line.includes('\n')) return line;
  return `${open}\n${parts.map((part) => `${indent}  ${part},\n`).join('')}${indent}${close}`;
}

/** A name of a member in a literal. `__proto__` written plainly would set the prototype. */
function keyOf(name: string): string {
  if (name === '__proto__') return "['__proto__']";
  return isIdentifier(name) ? name : quoted(name);
}

/** A name of a member in a type; there `__proto__` is a name like any other. */
export const memberOf = (name: string): string => (isIdentifier(name) ? name : quoted(name));
const isIdentifier = (name: string): boolean => /^[A-Za-z_$][\w$]*$/.test(name);

/** `freight-booking` becomes `FreightBooking`. */
export function typeName(name: string): string {
  const words = name
    .split(/[^A-Za-z0-9]+/)
    .filter(Boolean)
    .map((word) => word.charAt(0).toUpperCase() + word.slice(1));
  const joined = words.join('');
  return /^[A-Za-z]/.test(joined) ? joined : `The${joined}`;
}
/** `freight-booking` becomes `freightBooking`. */
export function valueName(name: string): string {
  const upper = typeName(name);
  return upper.charAt(0).toLowerCase() + upper.slice(1);
}

/** Words of the language that nothing may be called by (ECMAScript, reserved words in modules; types of TypeScript). */
const reserved = new Set(
  (
    'arguments await break case catch class const continue debugger default delete do else enum eval export extends ' +
    'false finally for function if implements import in instanceof interface let new null package private protected ' +
    'public return static super switch this throw true try typeof undefined var void while with yield any unknown ' +
    'never string number boolean symbol object bigint'
  ).split(' '),
);

/** Names that are taken in one module; those that are given are different from each other and from all of them. */
export class Names {
  readonly #taken: Set<string>;
  constructor(taken: Iterable<string> = []) {
    this.#taken = new Set(taken);
  }
  /** The wanted name, or the nearest to it that is free: `Form`, `FormRecord`, `FormRecord2`. */
  give(wanted: string, suffix = 'Own'): string {
    let name = wanted;
    for (let i = 1; this.#taken.has(name) || reserved.has(name); i++) name = `${wanted}${suffix}${i === 1 ? '' : i}`;
    this.#taken.add(name);
    return name;
  }
}

/** Names of files for names of a kit: safe on every system, and different also where capitals do not count. */
export function fileNames(names: readonly string[]): ReadonlyMap<string, string> {
  const taken = new Set<string>();
  return new Map(
    names.map((name) => {
      const safe = name
        .replace(/[^A-Za-z0-9_-]+/g, '-')
        .slice(0, 80)
        .replace(/^-+|-+$/g, '');
      const wanted = safe === '' || /^(con|prn|aux|nul|index|com\d|lpt\d)$/i.test(safe) ? `the-${safe}` : safe;
      let file = wanted;
      for (let i = 2; taken.has(file.toLowerCase()); i++) file = `${wanted}-${i}`;
      taken.add(file.toLowerCase());
      return [name, file];
    }),
  );
}
