import type { DrawnWords } from '@poietra/core';

/** What is said of choices that one looks for, in English. */
export const choiceWords = {
  choices: 'Choices',
  nothingFits: 'Nothing fits what is typed.',
  looking: 'Looking …',
  nothingFound: 'Nothing was found.',
  moreThere: (count) => `There are more than these ${count}: type to narrow them down.`,
  dependsOn: 'Fill in what this depends on first.',
  notFetched: (reason) => `They could not be fetched: ${reason} Press the box to try again.`,
  unknownChoice: (value) => `“${value}” is not known where the choices come from.`,
} satisfies Partial<DrawnWords>;
