/** A list in a form. Every change goes through the whole list, since it moves what stands behind. */
export interface FormList {
  readonly length: number;
  /** Puts an item in, at the end unless told otherwise. */
  add(item?: unknown, index?: number): void;
  remove(index: number): void;
  move(from: number, to: number): void;
}

interface Store {
  read(): unknown;
  replace(items: readonly unknown[]): void;
}

export function openList(store: Store): FormList {
  const items = (): unknown[] => {
    const value = store.read();
    return Array.isArray(value) ? [...(value as unknown[])] : [];
  };
  return {
    get length() {
      return items().length;
    },
    add(item = {}, index) {
      const list = items();
      list.splice(index ?? list.length, 0, item);
      store.replace(list);
    },
    remove(index) {
      store.replace(items().filter((_, i) => i !== index));
    },
    move(from, to) {
      const list = items();
      list.splice(to, 0, ...list.splice(from, 1));
      store.replace(list);
    },
  };
}
