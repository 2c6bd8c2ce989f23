import type { DrawnWords } from '@poietra/core';

/** What is said of members with names of one’s own, in English. */
export const memberWords = {
  memberName: (name) => `Name of the member ${name}`,
  takeAway: 'Take away',
  takeAwayMember: (name) => `Take away ${name}`,
  newMember: (group) => `Name of a new member${group === '' ? '' : ` of ${group}`}`,
  namePlaceholder: 'name',
  addMember: 'Add a member',
  nameNeeded: 'A name is needed.',
  nameTaken: (name) => `There is a member “${name}” already.`,
  nameNotAllowed: (name) => `The schema allows no member “${name}”.`,
} satisfies Partial<DrawnWords>;
