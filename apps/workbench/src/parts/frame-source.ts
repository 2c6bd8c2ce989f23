import { ask } from '../store/ask.js';
import { useServed } from './use-served.js';

export interface FrameWanted {
  /** The inputs to be bundled, by id. */
  readonly inputs: readonly string[];
  /** Components that stand around them, by name. */
  readonly wrappers?: readonly string[];
  /** Codecs that are code, as `name:key`. */
  readonly codecs?: readonly string[];
  readonly purpose?: 'draw' | 'prove';
}

/** The address of a frame with these inputs, once the server has bundled it. */
export function useFrameSource({ inputs, wrappers = [], codecs = [], purpose = 'draw' }: FrameWanted): {
  readonly src?: string;
  readonly trouble?: string;
  again(): void;
} {
  const query = new URLSearchParams([
    ...inputs.map((id) => ['input', id]),
    ...wrappers.map((id) => ['wrapper', id]),
    ...codecs.map((id) => ['codec', id]),
    ['for', purpose],
  ]).toString();
  const { value, trouble, again } = useServed(
    query,
    async () => ((await ask(`/api/stand?${query}`)) as { frame: string }).frame,
  );
  return { ...(value === undefined ? {} : { src: value }), ...(trouble === undefined ? {} : { trouble }), again };
}
