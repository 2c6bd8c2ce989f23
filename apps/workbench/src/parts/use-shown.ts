import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/**
 * A part of what one sees that stands in the address: reload, back and a link sent to somebody show the same. Absent is
 * what one sees at first.
 */
export function useShown(key: string): [string | undefined, (value: string | undefined) => void] {
  const [search, setSearch] = useSearchParams();
  const put = useCallback(
    (value: string | undefined) =>
      setSearch(
        (before) => {
          if (value === undefined) before.delete(key);
          else before.set(key, value);
          return before;
        },
        { replace: true },
      ),
    [key, setSearch],
  );
  return [search.get(key) ?? undefined, put];
}
