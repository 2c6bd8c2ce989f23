/** Inputs that take the words of their field and draw them themselves: one is sound, the others each have one fault. */
import { useId, type JSX } from 'react';

interface Props {
  readonly value?: string;
  readonly disabled?: boolean;
  readonly heading?: string;
  /** Hint, or what is to be mended. */
  readonly below?: string;
  readonly wrong?: boolean;
  onChange?(value: string): void;
}
interface Links {
  readonly label?: boolean;
  readonly below?: boolean;
  readonly isDrawn?: boolean;
}

function draw(
  { value = '', disabled = false, heading, below, wrong = false, onChange }: Props,
  id: string,
  { label = true, below: isLinked = true, isDrawn = true }: Links = {},
): JSX.Element {
  return (
    <div>
      {isDrawn && <label htmlFor={label ? id : undefined}>{heading}</label>}
      <input
        id={id}
        value={value}
        disabled={disabled}
        aria-invalid={wrong || undefined}
        aria-describedby={isLinked ? `${id}-below` : undefined}
        onChange={(event) => onChange?.(event.target.value)}
      />
      <small id={`${id}-below`} style={{ color: wrong ? 'firebrick' : 'inherit' }}>
        {below}
      </small>
    </div>
  );
}

export function DrawsItsWords(props: Props): JSX.Element {
  return draw(props, useId());
}
export function LabelLeadsNowhere(props: Props): JSX.Element {
  return draw(props, useId(), { label: false });
}
export function LabelIsNotDrawn(props: Props): JSX.Element {
  return draw(props, useId(), { isDrawn: false });
}
export function BelowIsNotLinked(props: Props): JSX.Element {
  return draw(props, useId(), { below: false });
}
