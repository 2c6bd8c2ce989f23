/** Hints as they are given are foreign: a member of another kind than it should have is left out here, and told by `checkHints`. */
import { isObject, ownMember } from '../json/index.js';
import type { Hints } from './hints.js';

const isText = (value: unknown): boolean => typeof value === 'string';
const isMap = (value: unknown): boolean => isObject(value);
const isListOf =
  (isOne: (value: unknown) => boolean) =>
  (value: unknown): boolean =>
    Array.isArray(value) && value.every(isOne);
const isRule = (value: unknown): boolean => isText(ownMember(value, 'holds')) && isText(ownMember(value, 'message'));

/** What each hint has to be of which only one kind is meant; `check-hints.ts` has the words, in the same order. */
const kinds: readonly (readonly [names: string, isOf: (value: unknown) => boolean])[] = [
  ['label hint placeholder field input layout fold prefix suffix skin condition computed normal', isText],
  ['lines', (value) => typeof value === 'number'],
  ['hidden', (value) => typeof value === 'boolean'],
  ['order tells', isListOf(isText)],
  ['rules', isListOf(isRule)],
  ['words messages remote check', isMap],
];

/** Which kind a hint should have been of; -1 where it is sound, or may be anything. */
export function missedKind(name: string, value: unknown): number {
  return kinds.findIndex(([names, isOf]) => names.split(' ').includes(name) && !isOf(value));
}

/** The hints that can be followed. What a server is asked needs an address; members are put in order once each. */
export function readHints(given: Readonly<Record<string, unknown>>): Hints {
  const read: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(given)) {
    if (value === undefined || missedKind(name, value) >= 0) continue;
    if ((name === 'remote' || name === 'check') && typeof ownMember(value, 'from') !== 'string') continue;
    read[name] = name === 'order' ? [...new Set(value as string[])] : value;
  }
  return read;
}
