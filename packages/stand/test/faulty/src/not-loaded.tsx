/** A module that fails as it is loaded: nothing of it can be drawn. */
import type { JSX } from 'react';

interface Props {
  readonly value?: string;
  readonly onChange?: (next: string) => void;
}

const harbours: readonly string[] = [];
if (harbours.length === 0) throw new Error('There is no harbour.');

export function NotLoaded({ value = '', onChange }: Props): JSX.Element {
  return <input value={value} onChange={(event) => onChange?.(event.target.value)} />;
}
