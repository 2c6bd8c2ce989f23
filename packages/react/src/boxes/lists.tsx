/** Choices in a list that stands open. */
import { listAdapters } from '@poietra/core';
import type { ReactNode } from 'react';
import { adaptNative } from '../adapt-native.js';
import { adaptedBoxes, same, type BoxProps, type Boxes } from './box.js';

/** Any number of several in a list that scrolls. */
export function ListBox({ value, choices = [], onChange, ...rest }: BoxProps): ReactNode {
  const chosen: readonly unknown[] = Array.isArray(value) ? value : [];
  return (
    <select
      {...rest}
      multiple
      size={Math.min(8, Math.max(4, choices.length))}
      value={choices.flatMap(({ value: own }, i) => (chosen.some((one) => same(one, own)) ? [String(i)] : []))}
      onChange={({ target }) =>
        onChange?.([...target.selectedOptions].flatMap((option) => choices[Number(option.value)]?.value ?? []))
      }
    >
      {choices.map(({ text }, i) => (
        <option key={i} value={String(i)}>
          {text}
        </option>
      ))}
    </select>
  );
}

/** One of several in a list that stands open. */
export function OpenList({ value, choices = [], onChange, ...rest }: BoxProps): ReactNode {
  const index = choices.findIndex((choice) => same(choice.value, value));
  return (
    <select
      {...rest}
      size={Math.min(8, Math.max(2, choices.length))}
      value={index < 0 ? '' : String(index)}
      onChange={({ target }) => onChange?.(choices[Number(target.value)]?.value)}
    >
      {choices.map(({ text }, i) => (
        <option key={i} value={String(i)}>
          {text}
        </option>
      ))}
    </select>
  );
}

export const listBoxes: Boxes = { listbox: ListBox, list: OpenList };
/** Lists of choices that stand open, as adapted inputs. */
export const listInputs = adaptedBoxes(listBoxes, listAdapters, adaptNative);
