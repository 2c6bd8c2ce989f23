import { useEffect, useState } from 'react';
import { ask } from '../store/ask.js';

export interface FrameWanted {
  /** The inputs to be bundled, by id. */
  readonly inputs: readonly string[];
  /** Components that stand around them, by name. */
  readonly wrappers?: readonly string[];
  readonly purpose?: 'draw' | 'prove';
}

/** The address of a frame with these inputs, once the server has bundled it. */
export function useFrameSource({ inputs, wrappers = [], purpose = 'draw' }: FrameWanted): {
  readonly src?: string;
  readonly trouble?: string;
} {
  const query = new URLSearchParams([
    ...inputs.map((id) => ['input', id]),
    ...wrappers.map((id) => ['wrapper', id]),
    ['for', purpose],
  ]).toString();
  const [opened, setOpened] = useState<{ readonly query: string; readonly src?: string; readonly trouble?: string }>();
  useEffect(() => {
    let isCurrent = true;
    ask(`/api/stand?${query}`).then(
      (answer) => isCurrent && setOpened({ query, src: (answer as { frame: string }).frame }),
      (error: unknown) =>
        isCurrent && setOpened({ query, trouble: error instanceof Error ? error.message : String(error) }),
    );
    return () => {
      isCurrent = false;
    };
  }, [query]);
  return opened?.query === query ? opened : {};
}
