import { copyOf, type Kind } from '../json/index.js';
import type { Facts } from '../schema/index.js';
import type { Remembered } from './acts.js';

/** A list in a form. Every change goes through the whole list, since it moves what stands behind. */
export interface FormList {
  readonly length: number;
  /** What tells the items apart, whatever their position: they keep it when they are moved. */
  readonly keys: readonly number[];
  /** Puts an item in, at the end unless told otherwise; without one, the schema's default or the emptiest value of its kind. */
  add(item?: unknown, index?: number): void;
  /** Puts a copy of an item behind it. */
  duplicate(index: number): void;
  /** Takes an item away; what is given back puts it in again, with what was typed into it. */
  remove(index: number): () => void;
  move(from: number, to: number): void;
}

/** Where an item was before: its index, a remembered one, or nothing for a new one. */
export type Origin = number | { readonly back: Remembered | undefined } | undefined;

interface Store {
  /** What the schema says of the item at an index. */
  facts(index: number): Facts;
  read(): unknown;
  keys(): readonly number[];
  replace(items: readonly unknown[], from: readonly Origin[]): void;
  remember(index: number): Remembered | undefined;
}

export function openList(store: Store): FormList {
  const items = (): unknown[] => {
    const value = store.read();
    return Array.isArray(value) ? [...(value as unknown[])] : [];
  };
  const indexes = (): Origin[] => items().map((_, i) => i);
  const insert = (item: unknown, index: number, origin: Origin): void => {
    const [list, from] = [items(), indexes()];
    list.splice(index, 0, item);
    from.splice(index, 0, origin);
    store.replace(list, from);
  };
  return {
    get length() {
      return items().length;
    },
    get keys() {
      return store.keys();
    },
    add(item, index) {
      const at = index ?? items().length;
      insert(item === undefined ? emptyOf(store.facts(at)) : item, at, undefined);
    },
    duplicate(index) {
      insert(copyOf(items()[index] ?? null), index + 1, undefined);
    },
    remove(index) {
      const [item] = items().slice(index, index + 1);
      const back = store.remember(index);
      store.replace(
        items().filter((_, i) => i !== index),
        indexes().filter((_, i) => i !== index),
      );
      return () => insert(item, Math.min(index, items().length), { back });
    },
    move(from, to) {
      const [list, order] = [items(), indexes()];
      list.splice(to, 0, ...list.splice(from, 1));
      order.splice(to, 0, ...order.splice(from, 1));
      store.replace(list, order);
    },
  };
}

/** What a new value of a place is: the schema's default, or the emptiest value of its kind. */
export function emptyOf({ default: given, kinds, allowed }: Pick<Facts, 'default' | 'kinds' | 'allowed'>): unknown {
  if (given !== undefined) return given;
  const [kind] = kinds ?? (['object'] as readonly Kind[]);
  if (allowed) return kind === 'array' ? [] : null;
  return kind === 'object' ? {} : kind === 'array' ? [] : kind === 'string' ? '' : kind === 'boolean' ? false : null;
}
