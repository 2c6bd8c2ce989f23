import { describeValue, nativeAdapters } from '@poietra/core';
import { fromFrame, fromProver } from '../src/sandbox/checked.js';

const value = describeValue({ a: [1, { b: new Date() }] });
it.each([
  { kind: 'ready' },
  { kind: 'height', height: 300 },
  { kind: 'report', name: 'onSelect', args: [value], value, written: null, isChange: true },
  {
    kind: 'line',
    at: '/a',
    label: 'A',
    codec: { kind: 'text' },
    written: 'a',
    shown: value,
    held: value,
    sent: value,
    problems: [{ at: '/a', keyword: 'parse', schemaAt: '', params: {}, message: 'No.' }],
  },
  {
    kind: 'state',
    snapshot: { value: {}, typed: {}, visited: ['/a'] },
    sent: {},
    accepted: 0,
    aside: { '/a': 1 },
    leftOver: [],
    troubles: [],
    changed: true,
    problems: 0,
    status: 'open',
  },
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

const finding = { about: 'value', says: 'x', evidence: 'y', from: 'observed', certainty: 0.9 };
it.each([
  { kind: 'prover ready' },
  { kind: 'observed', adapter: nativeAdapters['text'], findings: [finding] },
  { kind: 'verdict', verdict: { check: 'held', state: 'pass', seen: 'It stands.' } },
  { kind: 'pushed', row: { value, shows: '12', isEmpty: false, flips: false, moves: true } },
  { kind: 'prover failed', message: 'It threw.' },
])('what a stand at work tells is taken: $kind', (message) => expect(fromProver.safeParse(message).success).toBe(true));

it.each([
  ['an adapter that is none', { kind: 'observed', adapter: { input: 'x' }, findings: [] }],
  [
    'a finding that claims to be declared',
    { kind: 'observed', adapter: nativeAdapters['text'], findings: [{ ...finding, from: 'declared' }] },
  ],
  ['a verdict on no check', { kind: 'verdict', verdict: { check: 'tide', state: 'pass', seen: '' } }],
  ['a verdict of no kind', { kind: 'verdict', verdict: { check: 'held', state: 'perhaps', seen: '' } }],
  [
    'a gesture without end',
    {
      kind: 'observed',
      adapter: {
        ...nativeAdapters['text'],
        gesture: { name: 'x', steps: Array.from({ length: 99 }, () => ({ do: 'press', on: { role: 'button' } })) },
      },
      findings: [],
    },
  ],
])('and %s is refused', (_, message) => expect(fromProver.safeParse(message).success).toBe(false));

// A text has no `undefined`: what holds nothing comes without its member.
it.each([
  { kind: 'send', id: 1, sent: undefined },
  { kind: 'report', name: 'sl-input', args: [value], value, written: undefined, isChange: true },
  {
    kind: 'state',
    snapshot: { value: undefined, typed: {}, visited: [] },
    sent: undefined,
    accepted: 0,
    aside: {},
    leftOver: [],
    troubles: [],
    changed: false,
    problems: 0,
    status: 'open',
  },
])('a message about nothing is taken as the text it passes as: $kind', (message) =>
  expect(fromFrame.safeParse(JSON.parse(JSON.stringify(message))).success).toBe(true),
);
