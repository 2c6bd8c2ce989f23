import type { DrawnWords } from '@poietra/core';

const lower = (name: string): string => name.toLowerCase();
/** What lists, choosers, maps, tabs and boxes have to say, in English; fetched with them. */
export const moreWords = {
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
  memberName: (name) => `Name of the member ${name}`,
  takeAwayMember: (name) => `Take away ${name}`,
  newMember: (group) => `Name of a new member${group === '' ? '' : ` of ${group}`}`,
  namePlaceholder: 'name',
  addMember: 'Add a member',
  nameNeeded: 'A name is needed.',
  nameTaken: (name) => `There is a member “${name}” already.`,
  nameNotAllowed: (name) => `The schema allows no member “${name}”.`,
  choices: 'Choices',
  nothingFits: 'Nothing fits what is typed.',
  looking: 'Looking …',
  nothingFound: 'Nothing was found.',
  moreThere: (count) => `There are more than these ${count}: type to narrow them down.`,
  dependsOn: 'Fill in what this depends on first.',
  notFetched: (reason) => `They could not be fetched: ${reason} Press the box to try again.`,
  unknownChoice: (value) => `“${value}” is not known where the choices come from.`,
  aFile: 'A file',
  fileBroken: (reason) => `The file cannot be read: ${reason}.`,
  size: (bytes) =>
    bytes < 1000
      ? `${Math.round(bytes)} bytes`
      : bytes < 1e6
        ? `${Math.round(bytes / 1000)} kB`
        : `${(bytes / 1e6).toFixed(1)} MB`,
} satisfies Partial<DrawnWords>;
