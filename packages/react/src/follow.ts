import { computed, effect } from '@preact/signals-core';
import { useCallback, useMemo, useSyncExternalStore } from 'react';

/**
 * What `read` gives, drawn anew only when something changes that it has read. `about` names what `read` closes over,
 * like the dependencies of `useMemo`. The result has to be the same object while nothing changes.
 */
export function useFollowed<T>(read: () => T, about: readonly unknown[]): T {
  // The list of dependencies is the caller's, as in useMemo itself.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const followed = useMemo(() => computed(read), about);
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
