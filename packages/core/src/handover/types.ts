/** A JSON Schema as TypeScript types. What the type system cannot say (limits, patterns, conditions) is left to the schema. */
import { isObject, lookUp, parsePointer } from '../json/index.js';
import { typesOfFormats } from './format-types.js';
import { comment, memberOf, Names, quoted, typeName } from './source.js';

/**
 * Type and interface declarations for a schema whose references all lead into itself. Where `formats` is given, a text of
 * a format is of the type that it names; they are imported from `../formats.js`, and noted in `used`.
 */
export function typesFor(schema: unknown, name: string, formats?: FormatTypes): string {
  const printer = new TypePrinter(schema, formats);
  const main = printer.declare(name, schema);
  const declared = [main, ...printer.rest()].join('\n\n');
  const own = [...printer.used].sort();
  for (const type of own) formats?.used.add(type);
  return own.length === 0 ? declared : `import type { ${own.join(', ')} } from '../formats.js';\n\n${declared}`;
}

/** How a format is called as a type, and all types that were asked for. */
export interface FormatTypes {
  typeOf(format: unknown): string | undefined;
  readonly used: Set<string>;
}

class TypePrinter {
  readonly #names = new Map<string, string>();
  readonly #done = new Set<string>();
  readonly #taken: Names;
  /** The types of formats that it speaks of. */
  readonly used = new Set<string>();
  /** The definition that is being declared, while nothing of its own (an object, a list) stands around what is said. */
  #bare: string | undefined;
  constructor(
    private readonly root: unknown,
    private readonly formats?: FormatTypes,
  ) {
    this.#taken = new Names(formats ? typesOfFormats : []);
  }

  declare(name: string, schema: unknown): string {
    this.#names.set('', this.#taken.give(name));
    this.#done.add('');
    return this.#declaration(name, schema, '');
  }

  /** The definitions that were referred to, each once; declaring one may bring up another. */
  rest(): string[] {
    const found: string[] = [];
    for (const [pointer, name] of this.#names) {
      if (this.#done.has(pointer)) continue;
      this.#done.add(pointer);
      found.push(this.#declaration(name, lookUp(this.root, pointer), pointer));
    }
    return found;
  }

  #declaration(name: string, schema: unknown, pointer: string): string {
    const says = isObject(schema) && typeof schema['title'] === 'string' ? comment(schema['title']) : '';
    this.#bare = pointer;
    const body = this.#type(schema, '');
    return body.startsWith('{') && !body.includes('} &') && !body.includes('} |')
      ? `${says}export interface ${name} ${body}`
      : `${says}export type ${name} = ${body};`;
  }

  #type(schema: unknown, indent: string): string {
    if (schema === false) return 'never';
    if (!isObject(schema)) return 'unknown';
    if (Object.hasOwn(schema, 'const')) return literal(schema['const']);
    if (Array.isArray(schema['enum'])) return union((schema['enum'] as unknown[]).map(literal));
    const reference = schema['$ref'];
    const branches = (['oneOf', 'anyOf'] as const).map((keyword) =>
      union(
        listOf(schema[keyword]).map((branch) => this.#type(branch, indent)),
        'unknown',
      ),
    );
    return intersection([
      typeof reference === 'string' ? this.#reference(reference) : 'unknown',
      union(
        kindsOf(schema).map((kind) => this.#kind(kind, schema, indent)),
        'unknown',
      ),
      ...listOf(schema['allOf']).map((part) => this.#type(part, indent)),
      ...branches,
    ]);
  }

  #kind(kind: string, schema: Record<string, unknown>, indent: string): string {
    const around = this.#bare;
    this.#bare = undefined;
    const type = this.#kindInside(kind, schema, indent);
    this.#bare = around;
    return type;
  }

  #kindInside(kind: string, schema: Record<string, unknown>, indent: string): string {
    switch (kind) {
      case 'integer':
        return 'number';
      case 'string': {
        const type = this.formats?.typeOf(schema['format']);
        if (type !== undefined) this.used.add(type);
        return type ?? kind;
      }
      case 'number':
      case 'boolean':
      case 'null':
        return kind;
      case 'array':
        return this.#list(schema, indent);
      case 'object':
        return this.#object(schema, indent);
      default:
        return 'unknown';
    }
  }

  /** A tuple has its positions first: `prefixItems`, or a list as `items` in drafts before 2020-12. */
  #list(schema: Record<string, unknown>, indent: string): string {
    const isEarlier = Array.isArray(schema['items']);
    const positions = listOf(isEarlier ? schema['items'] : schema['prefixItems']);
    const others = (isEarlier ? schema['additionalItems'] : schema['items']) ?? true;
    const item = this.#type(others, indent);
    const items = `${/[ |&]/.test(item) ? `(${item})` : item}[]`;
    if (positions.length === 0) return `readonly ${items}`;
    const least = typeof schema['minItems'] === 'number' ? schema['minItems'] : 0;
    const parts = positions.map((position, i) => {
      const type = this.#type(position, indent);
      return i < least ? type : `${/[ |&]/.test(type) ? `(${type})` : type}?`;
    });
    return `readonly [${[...parts, ...(others === false ? [] : [`...${items}`])].join(', ')}]`;
  }

  #object(schema: Record<string, unknown>, indent: string): string {
    const members = membersOf(schema);
    const others = this.#others(schema, indent);
    if (members.size === 0) return `{ readonly [name: string]: ${others} }`;
    const inner = `${indent}  `;
    const lines = [...members].map(([name, { schemas, required }]) => {
      const [first] = schemas;
      const says = isObject(first) && typeof first['title'] === 'string' ? comment(first['title'], inner) : '';
      const type = union(
        schemas.map((one) => this.#type(one, inner)),
        'unknown',
      );
      return `${says}${inner}readonly ${memberOf(name)}${required ? '' : '?'}: ${type};`;
    });
    return `{\n${lines.join('\n')}\n${indent}}`;
  }

  /** What members with names of one's own have. */
  #others(schema: Record<string, unknown>, indent: string): string {
    const { patternProperties, additionalProperties } = schema;
    const patterns = isObject(patternProperties) ? Object.values(patternProperties) : [];
    if (additionalProperties === undefined && patterns.length === 0) return 'unknown';
    const rest =
      additionalProperties === undefined ? [true] : additionalProperties === false ? [] : [additionalProperties];
    return union([...patterns, ...rest].map((one) => this.#type(one, indent)));
  }

  #reference(reference: string): string {
    if (!reference.startsWith('#')) return 'unknown';
    const pointer = pointerIn(reference);
    if (pointer === undefined || lookUp(this.root, pointer) === undefined) return 'unknown';
    // A type that is itself is none; a schema that is itself asks for nothing more.
    if (this.#bare !== undefined && isSame(this.root, pointer, this.#bare)) return 'unknown';
    const known = this.#names.get(pointer);
    if (known !== undefined) return known;
    const name = this.#taken.give(typeName(pointer.slice(pointer.lastIndexOf('/') + 1)), 'Part');
    this.#names.set(pointer, name);
    return name;
  }
}

/** Whether what stands at `from` is, without anything around it, what stands at `goal`: by references and branches alone. */
function isSame(root: unknown, from: string, goal: string): boolean {
  const seen = new Set<string>();
  const leads = (schema: unknown): boolean => {
    if (!isObject(schema) || Object.hasOwn(schema, 'const') || Array.isArray(schema['enum'])) return false;
    const { $ref, allOf, oneOf, anyOf } = schema;
    const pointer = typeof $ref === 'string' && $ref.startsWith('#') ? pointerIn($ref) : undefined;
    return (pointer !== undefined && stands(pointer)) || [allOf, oneOf, anyOf].flatMap(listOf).some(leads);
  };
  const stands = (pointer: string): boolean => {
    if (pointer === goal) return true;
    if (seen.has(pointer)) return false;
    seen.add(pointer);
    return leads(lookUp(root, pointer));
  };
  return stands(from);
}

interface Member {
  /** Under different conditions it may have different ones. */
  readonly schemas: unknown[];
  readonly required: boolean;
}

/** The members that a schema speaks of itself; those that a condition brings are there at times. */
function membersOf(schema: Record<string, unknown>): Map<string, Member> {
  const members = new Map<string, Member>();
  const propertiesOf = (part: unknown): [string, unknown][] =>
    isObject(part) && isObject(part['properties']) ? Object.entries(part['properties']) : [];
  const required = listOf(schema['required']);
  for (const [name, member] of propertiesOf(schema))
    members.set(name, { schemas: [member], required: required.includes(name) });
  for (const name of required)
    if (typeof name === 'string' && !members.has(name)) members.set(name, { schemas: [true], required: true });
  const own = new Set(members.keys());
  const gather = (part: unknown): void => {
    if (!isObject(part)) return;
    for (const [name, member] of propertiesOf(part)) {
      if (own.has(name)) continue;
      const known = members.get(name);
      if (known) known.schemas.push(member);
      else members.set(name, { schemas: [member], required: false });
    }
    conditional(part);
  };
  const conditional = (part: Record<string, unknown>): void => {
    const { dependentSchemas, dependencies } = part;
    for (const keyword of ['then', 'else']) gather(part[keyword]);
    for (const dependents of [dependentSchemas, dependencies])
      for (const dependent of Object.values(isObject(dependents) ? dependents : {})) gather(dependent);
    // A part that says something only under a condition is of no kind of its own.
    for (const one of listOf(part['allOf'])) if (isObject(one) && kindsOf(one).length === 0) conditional(one);
  };
  conditional(schema);
  return members;
}

/** The kinds of value that it means: those it names, or the one that its keywords are about. */
function kindsOf(schema: Record<string, unknown>): string[] {
  const { type } = schema;
  if (type !== undefined) return (Array.isArray(type) ? type : [type]) as string[];
  if (['properties', 'patternProperties', 'required'].some((keyword) => keyword in schema)) return ['object'];
  return ['items', 'prefixItems'].some((keyword) => keyword in schema) ? ['array'] : [];
}
const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);

function union(types: readonly string[], empty = 'never'): string {
  const distinct = [...new Set(types)].filter((type) => type !== 'never');
  return distinct.includes('unknown') ? 'unknown' : distinct.join(' | ') || (types.length > 0 ? 'never' : empty);
}
function intersection(types: readonly string[]): string {
  const said = [...new Set(types)].filter((type) => type !== 'unknown');
  // Beside the values themselves their kind says nothing.
  const hasValues = said.some((type) =>
    type.split(' | ').every((one) => /^('.*'|-?\d[\d.e+-]*|true|false)$/.test(one)),
  );
  const distinct = hasValues ? said.filter((type) => !/^(string|number|boolean)$/.test(type)) : said;
  if (distinct.length <= 1) return distinct[0] ?? 'unknown';
  return distinct.map((type) => (type.includes(' | ') ? `(${type})` : type)).join(' & ');
}
function literal(value: unknown): string {
  if (typeof value === 'string') return quoted(value);
  if (Array.isArray(value)) return `readonly [${value.map(literal).join(', ')}]`;
  if (!isObject(value)) return JSON.stringify(value);
  const members = Object.entries(value).map(([name, member]) => `readonly ${memberOf(name)}: ${literal(member)}`);
  return members.length === 0 ? '{ readonly [name: string]: never }' : `{ ${members.join('; ')} }`;
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
