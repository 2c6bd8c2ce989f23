/** An input whose look lies under a mark on what is around it: without, there is not one pixel of it. */
import type { JSX } from 'react';
import './looks.css';

interface Props {
  readonly checked?: boolean;
  readonly disabled?: boolean;
  readonly id?: string;
  readonly 'aria-labelledby'?: string;
  readonly 'aria-describedby'?: string;
  readonly onCheckedChange?: (next: boolean) => void;
}

/** Sound, in a box with the mark. */
export function UnderAMark({ checked = false, onCheckedChange, ...others }: Props): JSX.Element {
  return (
    <button
      {...others}
      type="button"
      role="switch"
      aria-checked={checked}
      className="tide-switch"
      onClick={() => onCheckedChange?.(!checked)}
    />
  );
}
