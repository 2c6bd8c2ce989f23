import type { DrawnWords } from '@poietra/core';

/** What every drawn form has to say, in English. Other languages come with the form's `words`. */
export const fieldWords = {
  required: '(required)',
  deprecated: 'No longer used.',
  checking: 'Is being checked …',
  more: (count) => (count === 1 ? 'one thing more' : `${count} things more`),
  toMend: (count) => (count === 1 ? 'One thing has to be mended:' : `${count} things have to be mended:`),
  wholeForm: 'The form',
  entry: 'Entry',
  send: 'Send',
  sending: 'Sending …',
  broken: (label, reason) => `${label}: broken (${reason}).`,
  tryAgain: 'Try again',
} satisfies Partial<DrawnWords>;
