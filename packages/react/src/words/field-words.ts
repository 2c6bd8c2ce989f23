import type { DrawnWords } from '@poietra/core';

/** What every drawn form has to say, in English. Other languages come with the form's `words`. */
export const fieldWords = {
  required: '(required)',
  deprecated: 'No longer used.',
  checking: 'Is being checked …',
  more: (count) => (count === 1 ? 'one thing more' : `${count} things more`),
  send: 'Send',
  sending: 'Sending …',
  inWords: (choices) => choices,
  broken: (label, reason) => `${label}: broken (${reason}).`,
  tryAgain: 'Try again',
} satisfies Partial<DrawnWords>;
