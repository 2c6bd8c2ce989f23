/** What a trial is called, and what its form may want of it. */
import { fromNotation, type AdapterDescription } from '@poietra/core';

/** The name under which a trial’s form submits its value. */
export const trialName = 'deck-plan';
export const words = { label: 'Deck plan', hint: 'As it stands in the list', error: 'This is not on the list' };

export interface Wanted {
  readonly shown: unknown;
  readonly invalid: boolean;
  readonly disabled: boolean;
  readonly readOnly: boolean;
  readonly required: boolean;
  readonly sent: string | null | undefined;
}
export const plainly: Wanted = {
  shown: undefined,
  invalid: false,
  disabled: false,
  readOnly: false,
  required: false,
  sent: undefined,
};

/** The two samples of an adapter, as values. */
export function samplesOf({ samples }: AdapterDescription): readonly [unknown, unknown] | undefined {
  return samples && [fromNotation(samples[0]), fromNotation(samples[1])];
}
