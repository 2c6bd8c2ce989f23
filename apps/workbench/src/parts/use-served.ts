import { useEffect, useRef, useState } from 'react';

/** What the server answers for a key, until the key changes; the latest answer counts. */
export function useServed<T>(
  key: string,
  fetchIt: () => Promise<T>,
): { readonly value?: T; readonly trouble?: string } {
  const [served, setServed] = useState<{ readonly key: string; readonly value?: T; readonly trouble?: string }>();
  const latest = useRef(fetchIt);
  useEffect(() => {
    latest.current = fetchIt;
  });
  useEffect(() => {
    let isCurrent = true;
    latest.current().then(
      (value) => isCurrent && setServed({ key, value }),
      (error: unknown) =>
        isCurrent && setServed({ key, trouble: error instanceof Error ? error.message : String(error) }),
    );
    return () => {
      isCurrent = false;
    };
  }, [key]);
  return served?.key === key ? served : {};
}
