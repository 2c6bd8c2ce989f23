/** Any value at all, told as plain data: it can cross from the stand's frame and be drawn as a tree. */
export interface Described {
  readonly kind:
    | 'undefined'
    | 'null'
    | 'boolean'
    | 'number'
    | 'text'
    | 'date'
    | 'list'
    | 'object'
    | 'event'
    | 'element'
    | 'file'
    | 'function'
    | 'other';
  /** In short, as it stands in a row. */
  readonly text: string;
  /** What is inside, where it can be unfolded: at most `most` members, `depth` levels. */
  readonly members?: readonly (readonly [string, Described])[];
}

const most = 60;
const clip = (text: string, length = 80): string => (text.length > length ? `${text.slice(0, length - 1)}…` : text);

/** Tells any value as plain data. */
export function describe(value: unknown, depth = 3): Described {
  try {
    return described(value, depth);
  } catch (error) {
    // A getter of a foreign object may throw; that is worth knowing, not worth breaking.
    return { kind: 'other', text: `cannot be read: ${error instanceof Error ? error.message : 'unknown'}` };
  }
}

function described(value: unknown, depth: number): Described {
  switch (typeof value) {
    case 'undefined':
      return { kind: 'undefined', text: 'undefined' };
    case 'boolean':
      return { kind: 'boolean', text: String(value) };
    case 'number':
    case 'bigint':
      return { kind: 'number', text: String(value) };
    case 'string':
      return { kind: 'text', text: clip(JSON.stringify(value)) };
    case 'function':
      return { kind: 'function', text: `function ${value.name}` };
    case 'symbol':
      return { kind: 'other', text: String(value) };
  }
  if (value === null) return { kind: 'null', text: 'null' };
  if (value instanceof Date)
    return { kind: 'date', text: Number.isNaN(value.getTime()) ? 'Invalid Date' : `Date ${localTime(value)}` };
  if (Array.isArray(value)) {
    const items = value.slice(0, most).map((item, i) => [String(i), item] as const);
    return { kind: 'list', text: `list of ${value.length}`, ...inside(items, depth) };
  }
  const holder = value as Record<string, unknown>;
  const name = constructorName(holder);
  if (name === 'File' || name === 'Blob')
    return { kind: 'file', text: `${name} ${clip(String(holder['name'] ?? ''), 40)} ${String(holder['size'])} bytes` };
  const isEvent = 'type' in holder && ('target' in holder || 'detail' in holder) && /Event$/.test(name);
  const isElement = typeof holder['nodeType'] === 'number' && typeof holder['nodeName'] === 'string';
  if (isElement)
    return {
      kind: 'element',
      text: `<${String(holder['nodeName']).toLowerCase()}>`,
      ...inside(pick(holder, ['id', 'name', 'value', 'checked', 'type']), depth),
    };
  if (isEvent)
    return {
      kind: 'event',
      text: `${name} “${String(holder['type'])}”`,
      ...inside(pick(holder, ['type', 'target', 'currentTarget', 'detail', 'key', 'data', 'inputType']), depth),
    };
  const names = Object.keys(holder);
  const members = names.slice(0, most).map((key) => [key, holder[key]] as const);
  return {
    kind: 'object',
    text: `${name === 'Object' ? 'object' : name} with ${names.length} ${names.length === 1 ? 'property' : 'properties'}`,
    ...inside(members, depth),
  };
}

function inside(members: readonly (readonly [string, unknown])[], depth: number): Pick<Described, 'members'> {
  return depth === 0 || members.length === 0
    ? {}
    : { members: members.map(([name, member]) => [clip(name, 60), describe(member, depth - 1)] as const) };
}

function pick(holder: Record<string, unknown>, names: readonly string[]): (readonly [string, unknown])[] {
  return names
    .filter((name) => holder[name] !== undefined && holder[name] !== null)
    .map((name) => [name, holder[name]] as const);
}

/** As the person's own clock shows it: in another zone's hours, midnight would look like the day before. */
function localTime(date: Date): string {
  const two = (value: number): string => String(value).padStart(2, '0');
  const time = [date.getHours(), date.getMinutes(), ...(date.getSeconds() === 0 ? [] : [date.getSeconds()])];
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())} ${time.map(two).join(':')}`;
}

function constructorName(holder: object): string {
  const prototype: unknown = Object.getPrototypeOf(holder);
  if (prototype === null) return 'Object';
  const maker = (prototype as { constructor?: { name?: unknown } }).constructor;
  return typeof maker?.name === 'string' && maker.name !== '' ? maker.name : 'Object';
}
