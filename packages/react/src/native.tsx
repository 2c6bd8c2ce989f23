import { nativeAdapters } from '@poietra/core';
import type { ReactNode, Ref } from 'react';
import { adapt, type AdaptedInput } from './adapt.js';
import { Checks, Combo, FileBox, ListBox, Radios } from './boxes.js';

interface SelectProps {
  readonly value?: unknown;
  readonly choices?: readonly { readonly value: unknown; readonly text: string }[];
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

const elements: Readonly<Record<string, unknown>> = {
  textarea: 'textarea',
  select: Select,
  radios: Radios,
  checks: Checks,
  listbox: ListBox,
  combobox: Combo,
  file: FileBox,
};

/** What a native adapter stands on: the name of an HTML element, or a box made of several. */
export const nativeElement = (name: string): unknown => elements[name] ?? 'input';

/** HTML's own inputs, adapted, under the names that plans use: `native:text`, `native:checkbox` … */
export const nativeInputs: Readonly<Record<string, AdaptedInput>> = Object.fromEntries(
  Object.entries(nativeAdapters).map(([name, description]) => [
    `native:${name}`,
    adapt(nativeElement(name), description, description.id ? 'native' : 'component'),
  ]),
);
