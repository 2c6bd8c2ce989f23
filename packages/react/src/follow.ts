import { computed, effect } from '@preact/signals-core';
import { useCallback, useMemo, useSyncExternalStore } from 'react';

/**
 * What `read` gives, drawn anew only when something changes that it has read. `about` names what `read` closes over,
 * like the dependencies of `useMemo`. The result has to be the same while nothing changes, in the eyes of `isSame`.
 */
export function useFollowed<T>(
  read: () => T,
  about: readonly unknown[],
  isSame: (a: T, b: T) => boolean = Object.is,
): T {
  const followed = useMemo(
    () => {
      let last: { readonly value: T } | undefined;
      return computed(() => {
        const value = read();
        if (!last || !isSame(last.value, value)) last = { value };
        return last.value;
      });
    },
    // The list of dependencies is the caller's, as in useMemo itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    about,
  );
  const subscribe = useCallback(
    (tell: () => void) => {
      let isFirst = true;
      return effect(() => {
        void followed.value;
        if (!isFirst) tell();
        isFirst = false;
      });
    },
    [followed],
  );
  const get = useCallback(() => followed.value, [followed]);
  return useSyncExternalStore(subscribe, get, get);
}

/** Whether two objects have the same members; lists in them count by their entries. */
export function sameMembers<T extends object>(a: T, b: T): boolean {
  return (Object.keys(a) as (keyof T)[]).every((name) => Object.is(a[name], b[name]) || sameLists(a[name], b[name]));
}
function sameLists(a: unknown, b: unknown): boolean {
  return Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((one, i) => one === b[i]);
}
