import type { AdapterDescription } from '@poietra/core';
import type { ReactNode } from 'react';
import type { AdaptedInput, Choices } from '../given.js';

/** What a box that HTML does not have as one element is given. */
export interface BoxProps {
  readonly value?: unknown;
  readonly choices?: Choices;
  onChange?(value: unknown): void;
  onBlur?(): void;
  readonly disabled?: boolean;
  readonly id?: string;
  /** Given where no script runs: the choices then submit their numbers under it. */
  readonly name?: string;
  readonly [further: string]: unknown;
}

/** Such boxes, by the name of their adapter. */
export type Boxes = Readonly<Record<string, (props: never) => ReactNode>>;

/** Boxes as adapted inputs, under the names that plans use. */
export const adaptedBoxes = (
  boxes: Boxes,
  adapters: Readonly<Record<string, AdapterDescription>>,
  adapt: (box: unknown, description: AdapterDescription) => AdaptedInput,
): Readonly<Record<string, AdaptedInput>> =>
  Object.fromEntries(
    Object.entries(boxes).flatMap(([name, box]) => {
      const description = adapters[name];
      return description ? [[`native:${name}`, adapt(box, description)]] : [];
    }),
  );

/** Choices may be any JSON. */
export function same(a: unknown, b: unknown): boolean {
  return a === b || (typeof a === 'object' && typeof b === 'object' && JSON.stringify(a) === JSON.stringify(b));
}
