import { useCallback, useEffect, useRef, useState } from 'react';

/** What the server answers for a key, until the key changes or it is asked again; the latest answer counts. */
export function useServed<T>(
  key: string,
  fetchIt: () => Promise<T>,
): { readonly value?: T; readonly trouble?: string; again(): void } {
  const [turn, setTurn] = useState(0);
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
  }, [key, turn]);
  const again = useCallback(() => {
    setServed(undefined);
    setTurn((before) => before + 1);
  }, []);
  return { ...(served?.key === key ? served : {}), again };
}
