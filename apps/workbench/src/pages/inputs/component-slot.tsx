/** Words of a sentence that name a component, or say with which properties it stands. */
import { plainBox } from '@poietra/core';
import type { ReactNode } from 'react';
import { SlotText } from '../../parts/slot.js';

/** Whether it is a component's name as inputs are named: `package#Export`. */
export const isNamed = (text: string): boolean => /^[^#\s]+#[A-Za-z_$][\w$.]*$/.test(text);

export function ComponentSlot(props: {
  readonly label: string;
  readonly value: string;
  readonly words?: string;
  readonly choices?: readonly string[];
  /** HTML's own box is meant, too. */
  readonly takesBox?: boolean;
  onChange(component: string): void;
}): ReactNode {
  const { label, value, words, choices, takesBox, onChange } = props;
  return (
    <SlotText
      label={label}
      value={value}
      {...(words === undefined ? {} : { words })}
      {...(choices === undefined ? {} : { choices })}
      onChange={(text) => {
        const component = text.trim();
        if (component !== '' && !isNamed(component) && !(takesBox && component === plainBox))
          throw new TypeError(
            `Write it as package#Export, like antd#ConfigProvider${takesBox ? `, or ${plainBox} for a box of HTML’s own` : ''}.`,
          );
        onChange(component);
      }}
    />
  );
}

/** An object as JSON; emptied, it is left out. */
export function ObjectSlot(props: {
  readonly label: string;
  readonly value: Readonly<Record<string, unknown>> | undefined;
  readonly like: string;
  onChange(value: Readonly<Record<string, unknown>> | undefined): void;
}): ReactNode {
  const { label, value, like, onChange } = props;
  return (
    <SlotText
      label={label}
      value={value ? JSON.stringify(value) : ''}
      {...(value ? {} : { words: 'nothing' })}
      onChange={(text) => {
        const read: unknown = JSON.parse(text.trim() === '' ? '{}' : text);
        if (typeof read !== 'object' || read === null || Array.isArray(read))
          throw new TypeError(`This is an object, like ${like}.`);
        onChange(Object.keys(read).length > 0 ? (read as Record<string, unknown>) : undefined);
      }}
    />
  );
}
