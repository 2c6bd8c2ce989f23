import type { DrawnWords } from '@poietra/core';

const lower = (name: string): string => name.toLowerCase();
/** What lists, choosers, tabs and groups that open have to say, in English; fetched with them. */
export const entryWords = {
  required: '(required)',
  entry: 'Entry',
  toMendHere: (count) => (count === 1 ? '1 thing to mend' : `${count} things to mend`),
  oneOf: 'One of',
  add: (name) => `Add ${/^[aeiou]/i.test(name) ? 'an' : 'a'} ${lower(name)}`,
  open: (name) => `Add ${lower(name)}`,
  takeAway: 'Take away',
  takeAwayOf: (name) => `Take away ${lower(name)}`,
  tookAway: (name) => `Took away ${lower(name)}.`,
  putBack: 'Put it back',
  most: (count) => `There may be no more than ${count}.`,
  actions: (name) => `Actions for ${lower(name)}`,
  drag: 'Drag to another place',
  up: (name) => `Move ${lower(name)} up`,
  down: (name) => `Move ${lower(name)} down`,
  double: 'Double',
  doubleOf: (name) => `Double ${lower(name)}`,
} satisfies Partial<DrawnWords>;
