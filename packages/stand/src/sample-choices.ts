import type { Gesture } from '@poietra/core';

/** What lists are given to choose from while they are tried. */
export const sampleChoices = [
  { value: 'ALD', text: 'Aldervik' },
  { value: 'BRE', text: 'Brennholm' },
  { value: 'TOR', text: 'Torsund' },
  { value: 'LSU', text: 'Little Sule' },
] as const;

/** The choice that a gesture presses at its end, by its words. */
export function chosenBy({ steps }: Gesture): (typeof sampleChoices)[number] | undefined {
  const last = steps.findLast((step) => step.do === 'press');
  return sampleChoices.find(({ text }) => text === last?.on.name);
}

/** Whether what was told is a choice’s value, or a list in which it stands. */
export function isToldAs(value: string, told: unknown): boolean {
  return told === value || (told instanceof Set && told.has(value)) || (Array.isArray(told) && told.includes(value));
}
