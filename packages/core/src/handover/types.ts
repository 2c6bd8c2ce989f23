/** A JSON Schema as TypeScript types. What the type system cannot say (limits, patterns, conditions) is left to the schema. */
import { isObject, lookUp, parsePointer } from '../json/index.js';
import { comment, memberOf, Names, quoted, typeName } from './source.js';

/** Type and interface declarations for a schema whose references all lead into itself. */
export function typesFor(schema: unknown, name: string): string {
  const printer = new TypePrinter(schema);
  const main = printer.declare(name, schema);
  return [main, ...printer.rest()].join('\n\n');
}

class TypePrinter {
  readonly #names = new Map<string, string>();
  readonly #done = new Set<string>();
  readonly #taken = new Names();
  constructor(private readonly root: unknown) {}

  declare(name: string, schema: unknown): string {
    this.#names.set('', this.#taken.give(name));
    this.#done.add('');
    return this.#declaration(name, schema);
  }

  /** The definitions that were referred to, each once; declaring one may bring up another. */
  rest(): string[] {
    const found: string[] = [];
    for (const [pointer, name] of this.#names) {
      if (this.#done.has(pointer)) continue;
      this.#done.add(pointer);
      found.push(this.#declaration(name, lookUp(this.root, pointer)));
    }
    return found;
  }

  #declaration(name: string, schema: unknown): string {
    const says = isObject(schema) && typeof schema['title'] === 'string' ? comment(schema['title']) : '';
    const body = this.#type(schema, '');
    return body.startsWith('{') && !body.includes('} &') && !body.includes('} |')
      ? `${says}export interface ${name} ${body}`
      : `${says}export type ${name} = ${body};`;
  }

  #type(schema: unknown, indent: string): string {
    if (schema === false) return 'never';
    if (!isObject(schema)) return 'unknown';
    const reference = schema['$ref'];
    if (typeof reference === 'string') return this.#reference(reference);
    if (Object.hasOwn(schema, 'const')) return literal(schema['const']);
    if (Array.isArray(schema['enum']))
      return [...new Set((schema['enum'] as unknown[]).map(literal))].join(' | ') || 'never';
    for (const keyword of ['oneOf', 'anyOf'] as const) {
      if (Array.isArray(schema[keyword]) && !isObject(schema['properties']))
        return union((schema[keyword] as unknown[]).map((branch) => this.#type(branch, indent)));
    }
    const kinds =
      schema['type'] === undefined
        ? guess(schema)
        : Array.isArray(schema['type'])
          ? (schema['type'] as string[])
          : [schema['type'] as string];
    const own = kinds.length === 0 ? 'unknown' : union(kinds.map((kind) => this.#kind(kind, schema, indent)));
    const all = Array.isArray(schema['allOf'])
      ? (schema['allOf'] as unknown[]).map((part) => this.#type(part, indent)).filter((part) => part !== 'unknown')
      : [];
    return all.length === 0
      ? own
      : [own, ...all]
          .filter((part) => part !== 'unknown')
          .map((part) => (part.includes(' | ') ? `(${part})` : part))
          .join(' & ');
  }

  #kind(kind: string, schema: Record<string, unknown>, indent: string): string {
    switch (kind) {
      case 'integer':
        return 'number';
      case 'string':
      case 'number':
      case 'boolean':
      case 'null':
        return kind;
      case 'array': {
        const item = this.#type(schema['items'] ?? true, indent);
        return `readonly ${/[ |&]/.test(item) ? `(${item})` : item}[]`;
      }
      case 'object':
        return this.#object(schema, indent);
      default:
        return 'unknown';
    }
  }

  #object(schema: Record<string, unknown>, indent: string): string {
    const members = new Map<string, { schema: unknown; required: boolean }>();
    const gather = (part: unknown, always: boolean): void => {
      if (!isObject(part)) return;
      const required = Array.isArray(part['required']) ? (part['required'] as unknown[]) : [];
      for (const [name, member] of Object.entries(isObject(part['properties']) ? part['properties'] : {})) {
        if (!members.has(name) || always)
          members.set(name, { schema: member, required: always && required.includes(name) });
      }
      // What a condition brings is there at times.
      for (const keyword of ['then', 'else']) gather(part[keyword], false);
      for (const dependent of Object.values(isObject(part['dependentSchemas']) ? part['dependentSchemas'] : {}))
        gather(dependent, false);
    };
    gather(schema, true);
    if (members.size === 0) {
      const others = schema['additionalProperties'];
      return `{ readonly [name: string]: ${others === undefined || others === true ? 'unknown' : this.#type(others, indent)} }`;
    }
    const inner = `${indent}  `;
    const lines = [...members].map(([name, { schema: member, required }]) => {
      const says = isObject(member) && typeof member['title'] === 'string' ? comment(member['title'], inner) : '';
      return `${says}${inner}readonly ${memberOf(name)}${required ? '' : '?'}: ${this.#type(member, inner)};`;
    });
    return `{\n${lines.join('\n')}\n${indent}}`;
  }

  #reference(reference: string): string {
    if (!reference.startsWith('#')) return 'unknown';
    const pointer = pointerIn(reference);
    if (pointer === undefined || lookUp(this.root, pointer) === undefined) return 'unknown';
    const known = this.#names.get(pointer);
    if (known !== undefined) return known;
    const name = this.#taken.give(typeName(pointer.slice(pointer.lastIndexOf('/') + 1)), 'Part');
    this.#names.set(pointer, name);
    return name;
  }
}

function guess(schema: Record<string, unknown>): string[] {
  if (isObject(schema['properties'])) return ['object'];
  return 'items' in schema ? ['array'] : [];
}
function union(types: readonly string[]): string {
  const distinct = [...new Set(types)];
  return distinct.includes('unknown') ? 'unknown' : distinct.join(' | ') || 'never';
}
function literal(value: unknown): string {
  return typeof value === 'object' && value !== null
    ? 'unknown'
    : typeof value === 'string'
      ? quoted(value)
      : JSON.stringify(value);
}
/** The pointer in a reference to a place of the same document; `undefined` for anchors and what cannot be read. */
function pointerIn(reference: string): string | undefined {
  try {
    const pointer = decodeURIComponent(reference.slice(1));
    parsePointer(pointer);
    return pointer;
  } catch {
    return undefined;
  }
}
