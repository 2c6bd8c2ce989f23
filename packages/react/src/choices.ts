/** Values to choose from as an input takes them in a list: items under its own names, and what is made of all. */
import { isOfKind, same, type ListUse, type ValueKind } from '@poietra/core';

export type Choices = readonly { readonly value: unknown; readonly text: string }[];

/** The way of what a field shows to an input's own object, and back. */
export interface Making {
  /** The objects for what is shown; `undefined` where no object can be made of it. */
  make(shown: unknown): unknown;
  /** What the field hears of what the input reports. What is no such object stays as it is. */
  read(raw: unknown): unknown;
}

type Item = Readonly<Record<string, unknown>>;

/** An input may ask whether an item is the very one that it was given, so the same choices are the same items. */
const made = new WeakMap<Choices, Map<ListUse, readonly unknown[]>>();

/** The items in the order of the choices; the same objects as long as the choices are the same. */
export function itemsFor(use: ListUse, choices: Choices): readonly unknown[] {
  const known = made.get(choices) ?? new Map<ListUse, readonly unknown[]>();
  made.set(choices, known);
  const items =
    known.get(use) ??
    choices.map(({ value, text }) => (use.takes === 'words' ? text : { [use.value]: value, [use.text]: text }));
  known.set(use, items);
  return items;
}

/** What an element that stands for a choice is given; the words, where no property takes them, stand inside. */
export function choiceProperties(
  use: { readonly value: string; readonly text?: string },
  { value, text }: Choices[number],
): Record<string, string> {
  return { [use.value]: String(value), ...(use.text ? { [use.text]: text } : {}) };
}

/** What the input's property for choices takes. */
export function listFor(use: ListUse, choices: Choices, beside: Readonly<Record<string, unknown>>): unknown {
  const items = itemsFor(use, choices);
  const { by = '', under = '' } = use.made ?? {};
  const maker = beside[by];
  return typeof maker === 'function' ? (maker as (of: object) => unknown)({ [under]: items }) : items;
}

/** Values that are items themselves, of what the field shows, and back. One that is none of the choices stands for itself. */
export function itemsAsValues(use: ListUse, choices: Choices = [], kind?: ValueKind): Making {
  const items = itemsFor(use, choices);
  const toItem = (shown: unknown): unknown =>
    items[choices.findIndex(({ value }) => same(value, shown))] ??
    itemsFor(use, [{ value: shown, text: typeof shown === 'string' ? shown : JSON.stringify(shown) }])[0];
  const valueOf = (item: unknown): unknown => {
    const choice = choices[items.indexOf(item)];
    if (choice) return choice.value;
    // An item may come back as another object that says the same.
    return typeof item === 'object' && item !== null && use.value in item ? (item as Item)[use.value] : item;
  };
  const isNone = (shown: unknown): boolean =>
    shown === undefined || shown === null || shown === '' || !isOfKind(shown, kind);
  return {
    make: (shown) => {
      if (isNone(shown)) return undefined;
      return Array.isArray(shown) ? shown.map(toItem) : toItem(shown);
    },
    read: (raw) => (Array.isArray(raw) ? raw.map(valueOf) : valueOf(raw)),
  };
}
