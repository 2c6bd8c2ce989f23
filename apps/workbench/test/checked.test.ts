import { describeValue } from '@poietra/core';
import { fromFrame } from '../src/stand/checked.js';

const value = describeValue({ a: [1, { b: new Date() }] });
it.each([
  { kind: 'ready' },
  { kind: 'height', height: 300 },
  { kind: 'report', name: 'onSelect', args: [value], value, written: null, isChange: true },
  {
    kind: 'line',
    at: '/a',
    label: 'A',
    codec: 'text',
    shown: value,
    held: value,
    sent: value,
    problems: [{ at: '/a', keyword: 'parse', schemaAt: '', params: {}, message: 'No.' }],
  },
  { kind: 'state', snapshot: { value: {}, typed: {}, visited: ['/a'] }, changed: true, problems: 0, status: 'open' },
  { kind: 'send', id: 1, sent: { a: 1 } },
])('a message of the frame that was agreed is taken: $kind', (message) =>
  expect(fromFrame.safeParse(message).success).toBe(true),
);

it.each([
  ['no message', 'ready'],
  ['another kind', { kind: 'open', url: 'https://elsewhere.example' }],
  ['a height that is none', { kind: 'height', height: 'tall' }],
  ['a height without end', { kind: 'height', height: 1e12 }],
  ['a text without end', { kind: 'warning', text: 'x'.repeat(10_000) }],
  [
    'reports by the thousand',
    {
      kind: 'report',
      name: 'x',
      args: Array.from({ length: 1000 }, () => value),
      value,
      written: null,
      isChange: false,
    },
  ],
  [
    'a description that is none',
    {
      kind: 'line',
      at: '',
      label: '',
      codec: '',
      shown: { kind: 'script', text: '' },
      held: value,
      sent: value,
      problems: [],
    },
  ],
])('any other is refused: %s', (_, message) => expect(fromFrame.safeParse(message).success).toBe(false));
