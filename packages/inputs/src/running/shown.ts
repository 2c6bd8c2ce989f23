/** What a package without types shows of itself when it runs: plain data, told by a process that nobody trusts. */

/** What a value may be, as far as could be told by trying; none says nothing. */
export const kinds = ['string', 'number', 'boolean', 'function', 'array', 'object'] as const;
export type Kind = (typeof kinds)[number];

/** What an export may be. */
const sorts = ['component', 'class', 'function', 'group'] as const;

export interface ShownProperty {
  readonly name: string;
  readonly kinds: readonly Kind[];
  /** Texts and numbers, where it takes only these. */
  readonly choices?: readonly (string | number)[];
  readonly required?: boolean;
}
/** A component, a class or function that makes something on an element, or what gathers such functions. */
export interface ShownExport {
  /** `default`, or the name by which it is exported. */
  readonly name: string;
  readonly is: (typeof sorts)[number];
  /** Of a component what it is given, of what makes something its options. */
  readonly properties: readonly ShownProperty[];
  readonly methods: readonly string[];
  /** Of what makes something: it takes its options and nothing before them. */
  readonly byOptions?: boolean;
  /** The option that takes the element, where it was seen to. */
  readonly place?: string;
  /** Of what gathers functions. */
  readonly members?: readonly ShownExport[];
}
/** A custom element that was defined while the package was loaded. */
export interface ShownElement {
  readonly tag: string;
  readonly properties: readonly string[];
  readonly methods: readonly string[];
}
export interface Shown {
  readonly exports: readonly ShownExport[];
  readonly elements: readonly ShownElement[];
}

const mostOf = 300;
const isName = (name: unknown): name is string =>
  typeof name === 'string' && name.length < 60 && /^[A-Za-z_$][\w$]*$/.test(name);

/** What was told, with everything left out that is not of these shapes; it comes from foreign code. */
export function shownIn(told: unknown): Shown {
  return {
    exports: exportsIn(told, 'exports'),
    elements: list(told, 'elements').flatMap((one): ShownElement[] =>
      typeof one['tag'] === 'string' && /^[a-z][a-z0-9]*(-[a-z0-9]+)+$/.test(one['tag'])
        ? [
            {
              tag: one['tag'],
              properties: array(one, 'properties').filter(isName),
              methods: array(one, 'methods').filter(isName),
            },
          ]
        : [],
    ),
  };
}

function exportsIn(told: unknown, member: 'exports' | 'members'): ShownExport[] {
  return list(told, member).flatMap((one): ShownExport[] => {
    const { name, place } = one;
    const is = sorts.find((sort) => sort === one['is']);
    if (!isName(name) || !is) return [];
    const properties = list(one, 'properties').flatMap((property): ShownProperty[] => {
      if (!isName(property['name'])) return [];
      const choices = array(property, 'choices').filter((choice) => /^(string|number)$/.test(typeof choice));
      return [
        {
          name: property['name'],
          kinds: kinds.filter((kind) => array(property, 'kinds').includes(kind)),
          ...(choices.length > 0 ? { choices: choices as (string | number)[] } : {}),
          ...(property['required'] === true ? { required: true } : {}),
        },
      ];
    });
    return [
      {
        name,
        is,
        properties,
        methods: array(one, 'methods').filter(isName),
        ...(one['byOptions'] === true ? { byOptions: true } : {}),
        ...(isName(place) ? { place } : {}),
        ...(is === 'group' && member === 'exports' ? { members: exportsIn(one, 'members') } : {}),
      },
    ];
  });
}

function array(value: unknown, member: string): readonly unknown[] {
  const found = typeof value === 'object' && value !== null ? (value as Record<string, unknown>)[member] : undefined;
  return Array.isArray(found) ? found.slice(0, mostOf) : [];
}
const list = (value: unknown, member: string): readonly Record<string, unknown>[] =>
  array(value, member).filter((one): one is Record<string, unknown> => typeof one === 'object' && one !== null);
