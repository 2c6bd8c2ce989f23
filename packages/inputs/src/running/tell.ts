import type { Made } from './try-making.js';
import type { Kind, Shown, ShownElement, ShownExport, ShownProperty } from './shown.js';

/** Elements as they were defined: tag and class. */
export type Defined = readonly (readonly [string, { readonly prototype: object; observedAttributes?: unknown }])[];

/**
 * Tells what a module exports. It is put into a script as its own text and runs beside foreign code, so it may use nothing
 * from around it.
 */
export function tellExports(
  all: Readonly<Record<string, unknown>>,
  defined: Defined,
  tryMaking: (value: unknown) => Made | undefined,
): Shown {
  type Named = Readonly<Record<string, unknown>>;
  type Callable = ((...given: unknown[]) => unknown) & Named & { readonly prototype?: object };
  const own = Object.prototype.hasOwnProperty;
  const isObject = (value: unknown): value is Named => typeof value === 'object' && value !== null;
  const isCallable = (value: unknown): value is Callable => typeof value === 'function';
  const textOf = (value: unknown): string =>
    isCallable(value) ? Function.prototype.toString.call(value).slice(0, 200_000) : '';

  const samples: Readonly<Record<Kind, unknown>> = {
    string: 'a',
    number: 1,
    boolean: true,
    function: () => undefined,
    array: [],
    object: {},
  };
  const kindOf = (value: unknown): Kind[] => {
    const kind = Array.isArray(value) ? 'array' : typeof value;
    return value !== null && own.call(samples, kind) ? [kind as Kind] : [];
  };

  /** What a check of a property lets pass is what it takes. */
  const byCheck = (name: string, check: Callable): ShownProperty => {
    const complaint = (value: unknown): string | undefined => {
      try {
        const said = check(
          { [name]: value },
          name,
          'Component',
          'prop',
          null,
          'SECRET_DO_NOT_PASS_THIS_OR_YOU_WILL_BE_FIRED',
        );
        return said instanceof Error ? said.message : undefined;
      } catch {
        return undefined;
      }
    };
    const all = Object.keys(samples) as Kind[];
    const taken = all.filter((kind) => complaint(samples[kind]) === undefined);
    const required = complaint(undefined) !== undefined;
    let choices: unknown;
    try {
      choices = JSON.parse(/expected one of (\[.*\])/.exec(complaint({}) ?? '')?.[1] ?? '[]');
    } catch {
      choices = [];
    }
    const ofChoices = Array.isArray(choices) && choices.length > 0 && taken.length === 0;
    return {
      name,
      kinds: taken.length === all.length ? [] : taken,
      ...(ofChoices ? { choices: choices as string[] } : {}),
      ...(required ? { required } : {}),
    };
  };

  /** Names that a text reads from what `holder` matches, and names that it takes out of it. */
  const namesRead = (text: string, holder: string): string[] => {
    const read = [...text.matchAll(new RegExp(`(?:^|[^\\w$])${holder}\\.([A-Za-z_]\\w*)`, 'g'))].map(
      ([, name = '']) => name,
    );
    const taken = [...text.matchAll(new RegExp(`\\{([^{}]*)\\}\\s*=\\s*${holder}(?![\\w$.])`, 'g'))].flatMap(
      ([, inner = '']) => inner.split(',').map((one) => /^\s*([A-Za-z_]\w*)/.exec(one)?.[1] ?? ''),
    );
    return [...new Set([...read, ...taken])].filter((name) => name !== '');
  };
  const escaped = (name: string): string => name.replaceAll('$', '\\$');
  /** What a function calls the first thing that it is given, or what it takes out of it at once. */
  const firstOf = (text: string): { readonly name?: string; readonly taken: readonly string[] } => {
    const head = text.replace(/^(?:async\s+)?function\b\s*[\w$]*\s*/, '');
    const open = /^\(?\s*\{([^{}]*)/.exec(head);
    if (open) return { taken: (open[1] ?? '').split(',').flatMap((one) => /^\s*([A-Za-z_]\w*)/.exec(one)?.[1] ?? []) };
    const name = /^\(?\s*([A-Za-z_$][\w$]*)/.exec(head)?.[1];
    return { ...(name === undefined ? {} : { name }), taken: [] };
  };
  const methodsOf = (prototype: unknown): string[] => {
    const found: string[] = [];
    for (let one = prototype; isObject(one) && one !== Object.prototype; one = Object.getPrototypeOf(one))
      for (const name of Object.getOwnPropertyNames(one)) {
        const at = Object.getOwnPropertyDescriptor(one, name);
        if (name !== 'constructor' && typeof at?.value === 'function') found.push(name);
      }
    return [...new Set(found)];
  };
  const wholeText = (made: Callable): string =>
    [textOf(made), ...methodsOf(made.prototype).map((name) => textOf((made.prototype as Named)[name]))].join('\n');

  const propertiesOf = (checks: unknown, defaults: unknown, names: readonly string[]): ShownProperty[] => {
    const [checked, given] = [isObject(checks) ? checks : {}, isObject(defaults) ? defaults : {}];
    const every = new Set([...Object.keys(checked), ...Object.keys(given), ...names]);
    return [...every].map((name) => {
      const check = checked[name];
      const found: ShownProperty = isCallable(check) ? byCheck(name, check) : { name, kinds: [] };
      const { required: _, ...optional } = found;
      const kinds = found.kinds.length > 0 ? found.kinds : found.choices ? [] : kindOf(given[name]);
      return own.call(given, name) ? { ...optional, kinds } : { ...found, kinds };
    });
  };

  const component = (name: string, value: unknown, depth = 0): ShownExport | undefined => {
    if (depth > 3) return undefined;
    if (isObject(value) && '$$typeof' in value) {
      const inner = component(name, value['render'] ?? value['type'], depth + 1);
      const outer = propertiesOf(value['propTypes'], value['defaultProps'], []);
      if (!inner && typeof (value['render'] ?? value['type']) !== 'function') return undefined;
      const names = new Set(outer.map((one) => one.name));
      const rest = inner?.properties.filter((one) => !names.has(one.name)) ?? [];
      return { name, is: 'component', properties: [...outer, ...rest], methods: [] };
    }
    if (!isCallable(value)) return undefined;
    const isClass = isObject(value.prototype) && 'isReactComponent' in value.prototype;
    const text = isClass ? wholeText(value) : textOf(value);
    // What makes elements of the page itself is no component.
    const draws =
      /\bcreateElement\b|\bjsxs?\b|\b_jsx\w*\b/.test(text) && !/\bdocument\b|\baddEventListener\b/.test(text);
    if (!isClass && !isObject(value['propTypes']) && !(draws && (depth > 0 || /^[A-Z]|^default$/.test(name))))
      return undefined;
    const first = firstOf(text);
    const names = [
      ...namesRead(text, '(?:[\\w$]+\\.)?props'),
      ...(isClass ? [] : first.taken),
      ...(isClass || first.name === undefined ? [] : namesRead(text, escaped(first.name))),
    ];
    return {
      name,
      is: 'component',
      properties: propertiesOf(value['propTypes'], value['defaultProps'], names),
      methods: [],
    };
  };

  /** What is made on an element: seen when it is made, or by what a class that takes one is called. */
  const aMaking = (name: string, value: unknown): ShownExport | undefined => {
    if (!isCallable(value)) return undefined;
    const prototype = isObject(value.prototype) ? value.prototype : undefined;
    // What counts is a list of elements, by whatever they were selected.
    if (typeof prototype?.['length'] === 'number' || (prototype && 'isReactComponent' in prototype)) return undefined;
    const own = methodsOf(prototype);
    const made = tryMaking(value);
    if (!made && (own.length === 0 || value.length < 1)) return undefined;
    const held = [value, prototype ?? {}].flatMap((one) =>
      ['defaults', 'defaultOptions', 'DEFAULTS', 'Default', 'options'].map((member) => one[member]),
    );
    const defaults = held.find((one) => isObject(one) && !Array.isArray(one));
    // What has a usual value does not count in a length: `constructor(element, options = {})`.
    const [, parameters = ''] = /(?:\bconstructor\s*|^function\b[^(]*)\(([^]*)/.exec(textOf(value)) ?? [];
    const names = namesRead(wholeText(value), '(?:[\\w$]+\\.)?_?(?:options|opts|settings|config)');
    const byOptions = made ? made.place !== undefined : value.length === 1 && !/^[^{)]*,/.test(parameters);
    return {
      name,
      is: made?.start === 'call' ? 'function' : 'class',
      properties: propertiesOf({}, defaults, [...new Set([...names, ...(made?.options ?? [])])]),
      methods: made?.methods ?? own,
      byOptions,
      ...(made?.place === undefined ? {} : { place: made.place }),
    };
  };

  /** What gathers ways to make it: `Editor.create`. */
  const aGroup = (name: string, value: unknown): ShownExport | undefined => {
    if (!isObject(value) && !isCallable(value)) return undefined;
    const members = Object.keys(value).flatMap((member) =>
      /^(create(Picker|Input|Editor|Select|Slider)?|make|init|attach|mount|render|build)$/.test(member)
        ? (aMaking(member, value[member]) ?? [])
        : [],
    );
    return members.length > 0 ? { name, is: 'group', properties: [], methods: [], members } : undefined;
  };

  const exports: ShownExport[] = [];
  const seen = new Set<unknown>();
  const look = (name: string, value: unknown): void => {
    if (value === undefined || seen.has(value)) return;
    seen.add(value);
    try {
      const found = component(name, value) ?? aMaking(name, value) ?? aGroup(name, value);
      if (found) exports.push(found);
    } catch {
      // What does not let itself be looked at is told nothing of.
    }
  };
  // The whole first: what is exported under a name as well is the same.
  look('default', all['default']);
  for (const name of Object.keys(all)) if (name !== 'default') look(name, all[name]);

  const inherited = new Set<string>();
  const platform = (globalThis as unknown as { HTMLElement?: { prototype: object } }).HTMLElement?.prototype;
  for (let one: object | null = platform ?? null; one; one = Object.getPrototypeOf(one) as object | null)
    for (const name of Object.getOwnPropertyNames(one)) inherited.add(name);
  const elements = defined.flatMap(([tag, made]): ShownElement[] => {
    const [properties, methods] = [new Set<string>(), new Set<string>()];
    try {
      // Some make the accessors of their properties when they are first asked for their attributes.
      const attributes = made.observedAttributes;
      for (
        let one = made.prototype as object | null;
        one && one !== platform;
        one = Object.getPrototypeOf(one) as object | null
      )
        for (const name of Object.getOwnPropertyNames(one)) {
          const at = Object.getOwnPropertyDescriptor(one, name);
          if (inherited.has(name) || name.startsWith('_') || /(Callback|^constructor)$/.test(name)) continue;
          if (at?.set) properties.add(name);
          else if (typeof at?.value === 'function') methods.add(name);
        }
      for (const name of Array.isArray(attributes) ? (attributes as unknown[]) : [])
        if (
          typeof name === 'string' &&
          /^[a-z]+$/.test(name) &&
          ![...properties].some((one) => one.toLowerCase() === name)
        )
          properties.add(name);
    } catch {
      // As above.
    }
    return [{ tag, properties: [...properties], methods: [...methods] }];
  });
  return { exports, elements };
}
