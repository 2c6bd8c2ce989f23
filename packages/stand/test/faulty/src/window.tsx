/** An input whose module asks the window as soon as it is loaded, as no server can. */
import type { JSX } from 'react';

const isWide = window.innerWidth > 600;

export function AsksTheWindow(props: {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { value = '', disabled = false, onChange } = props;
  return (
    <input
      size={isWide ? 40 : 20}
      value={value}
      disabled={disabled}
      onChange={(event) => onChange?.(event.target.value)}
    />
  );
}
