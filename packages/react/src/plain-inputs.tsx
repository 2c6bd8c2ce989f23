import { plainAdapters } from '@poietra/core';
import type { ReactNode, Ref } from 'react';
import { adaptNative } from './adapt-native.js';
import type { AdaptedInput, Choices } from './given.js';

interface SelectProps {
  readonly value?: unknown;
  readonly choices?: Choices;
  onChange?(value: unknown): void;
  readonly ref?: Ref<HTMLSelectElement>;
  readonly [further: string]: unknown;
}

/** HTML's own list of choices knows texts only; the choices of a form may be any value, so they go by their number. */
function Select({ value, choices = [], onChange, ...rest }: SelectProps): ReactNode {
  const index = choices.findIndex((choice) => choice.value === value);
  return (
    <select
      {...rest}
      value={index < 0 ? '' : String(index)}
      onChange={(event) =>
        onChange?.(event.target.value === '' ? undefined : choices[Number(event.target.value)]?.value)
      }
    >
      <option value="" />
      {choices.map(({ text }, i) => (
        <option key={i} value={String(i)}>
          {text}
        </option>
      ))}
    </select>
  );
}

/** The element behind a native adapter; `Select` shows how one is made a box. */
export const plainElement = (name: string): unknown =>
  name === 'select' ? Select : name === 'textarea' ? 'textarea' : 'input';

/** The inputs that HTML has as one element, adapted: `native:text`, `native:checkbox`, `native:select` … */
export const plainInputs: Readonly<Record<string, AdaptedInput>> = Object.fromEntries(
  Object.entries(plainAdapters).map(([name, description]) => [
    `native:${name}`,
    adaptNative(plainElement(name), description),
  ]),
);
