/** How something is made on an element, as far as a page in which nothing is anything lets it be seen. */
export interface Made {
  readonly start: 'new' | 'call';
  /** The option that takes the element; absent: it comes first. */
  readonly place?: string;
  /** Options that were asked for, or stand beside what was given. */
  readonly options: readonly string[];
  readonly methods: readonly string[];
}

/**
 * Makes it of an element and of options that write down what is asked of them. It is put into a script as its own text and
 * runs beside foreign code, so it may use nothing from around it.
 */
export function tryMaking(value: unknown): Made | undefined {
  type Named = Record<string | symbol, unknown>;
  const isObject = (one: unknown): one is Named => typeof one === 'object' && one !== null;
  if (typeof value !== 'function') return undefined;
  const called = value as ((...given: unknown[]) => unknown) & { readonly prototype?: unknown };
  const text = Function.prototype.toString.call(called);

  /** What only an element is asked. */
  const asElement =
    /^(addEventListener|appendChild|append|querySelector|querySelectorAll|parentNode|parentElement|insertBefore|insertAdjacent\w+|classList|innerHTML|nodeType|nodeName|tagName|setAttribute|getAttribute|hasAttribute|ownerDocument|nextSibling|getBoundingClientRect|after|before|closest)$/;
  const blank = (globalThis as unknown as { poietraBlank: (given: object) => Named }).poietraBlank;
  const platform = (globalThis as unknown as { HTMLInputElement?: { prototype: object } }).HTMLInputElement?.prototype;
  const anElement = (): { readonly element: Named; readonly isAsked: () => boolean } => {
    let isAsked = false;
    const document = (globalThis as unknown as Named)['document'];
    const inner = blank({
      ...{ nodeType: 1, tagName: 'INPUT', nodeName: 'INPUT', ownerDocument: document, length: undefined },
      ...{ parentNode: blank({}), parentElement: blank({}), children: [], childNodes: [], options: [], value: '' },
    });
    // Some take a function that gives the element.
    const element: Named = new Proxy(inner, {
      apply: () => element,
      get(target, key): unknown {
        if (typeof key === 'string' && asElement.test(key)) isAsked = true;
        return target[key];
      },
      getPrototypeOf: () => platform ?? null,
    });
    return { element, isAsked: () => isAsked };
  };

  const mark = 'poietraMark';
  /**
   * Options that have nothing but the element at some places, and their names as they are asked for. They stand there as
   * any would, so that they go along where all that is given is copied.
   */
  const someOptions = (
    element: Named | undefined,
    places: readonly string[],
    others?: () => unknown,
  ): { readonly options: Named; readonly asked: Set<string> } => {
    const asked = new Set<string>();
    const given: Named = { [mark]: true };
    if (element) for (const place of places) given[place] = element;
    const options = new Proxy<Named>(given, {
      get(target, key): unknown {
        if (typeof key === 'symbol' || key in Object.prototype) return target[key];
        if (key !== mark) asked.add(key);
        return target[key] ?? others?.();
      },
    });
    return { options, asked };
  };

  const methodsOf = (made: unknown): string[] => {
    const found = new Set<string>();
    for (let one = made; isObject(one) && one !== Object.prototype; one = Object.getPrototypeOf(one) as unknown)
      for (const name of Object.getOwnPropertyNames(one)) {
        const held = Object.getOwnPropertyDescriptor(one, name)?.value as unknown;
        // What takes an element, an event and a listener does so for any element: no report of its own comes of it.
        const isForAny = name === 'on' && typeof held === 'function' && held.length > 2;
        if (name !== 'constructor' && typeof held === 'function' && !isForAny) found.add(name);
      }
    return [...found];
  };
  const isConstructor =
    /^class\b/.test(text) || methodsOf(called.prototype).length > 0 || /\bthis\.[\w$]+\s*=[^=]/.test(text);
  const make = (...given: unknown[]): unknown => {
    try {
      return isConstructor ? new (called as unknown as new (...all: unknown[]) => unknown)(...given) : called(...given);
    } catch {
      // What was asked until then counts.
      return undefined;
    }
  };
  /** Where what was given went in, everything beside it is an option, too. */
  const merged = (made: unknown): string[] =>
    isObject(made)
      ? Object.getOwnPropertyNames(made).flatMap((name) => {
          const held = Object.getOwnPropertyDescriptor(made, name)?.value as unknown;
          return isObject(held) && Object.hasOwn(held, mark) ? Object.keys(held).filter((one) => one !== mark) : [];
        })
      : [];
  const start = isConstructor ? 'new' : 'call';
  const told = (made: unknown, asked: ReadonlySet<string>, place?: string): Made => ({
    start,
    ...(place === undefined ? {} : { place }),
    options: [...new Set([...asked, ...merged(made)])],
    methods: [...new Set([...methodsOf(called.prototype), ...methodsOf(made)])],
  });

  const first = anElement();
  const beside = someOptions(undefined, []);
  const made = make(first.element, beside.options);
  if (first.isAsked()) return told(made, beside.asked);
  const places = (
    'el elem element field input select selector target container wrapper holder trigger node parent root host mount place ' +
    'inputField inputEl inputElement'
  ).split(' ');
  // Some go no further without what has to be there besides.
  for (const others of [undefined, () => blank({})]) {
    const probe = anElement();
    const all = someOptions(probe.element, places, others);
    make(all.options);
    if (!probe.isAsked()) continue;
    // Of several names, the one without which it does nothing; those that were asked for first.
    for (const place of new Set([...all.asked, ...places].filter((name) => places.includes(name)))) {
      const alone = anElement();
      const given = someOptions(alone.element, [place], others);
      const one = make(given.options);
      if (alone.isAsked()) return told(one, given.asked, place);
    }
  }
  return undefined;
}
