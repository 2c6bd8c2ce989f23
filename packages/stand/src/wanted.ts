/** What a trial is called, and what its form may want of it. */
import { fromNotation, isObject, type AdapterDescription } from '@poietra/core';

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

/** A value as one that lies elsewhere: of days, some months later. What is no day stays as it is. */
export function elsewhere(value: unknown): unknown {
  if (value instanceof Date) {
    const later = new Date(value);
    later.setMonth(later.getMonth() + 3);
    return later;
  }
  if (Array.isArray(value)) return value.map(elsewhere);
  if (isObject(value) && Object.getPrototypeOf(value) === Object.prototype)
    return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, elsewhere(one)]));
  return typeof value === 'string'
    ? value.replace(isoDay, (day) => day.replace(/^\d{4}/, (year) => String(Number(year) + 1)))
    : value;
}
/** RFC 3339, `full-date`, at the beginning of a text. */
const isoDay = /^\d{4}-\d{2}-\d{2}/;
