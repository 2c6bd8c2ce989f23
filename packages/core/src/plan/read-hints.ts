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

/** What each hint has to be of which only one kind is meant. */
const kinds: readonly (readonly [names: string, kind: string, isOf: (value: unknown) => boolean])[] = [
  ['label hint placeholder field input layout fold prefix suffix skin condition computed normal', 'a text', isText],
  ['lines', 'a number', (value) => typeof value === 'number'],
  ['hidden', 'true or false', (value) => typeof value === 'boolean'],
  ['order tells', 'a list of names', isListOf(isText)],
  ['rules', 'a list of rules, each with “holds” and “message”', isListOf(isRule)],
  ['words messages remote check', 'an object', isMap],
];

/** What a hint should have been, in words; `undefined` where it is sound, or may be anything. */
export function wrongHint(name: string, value: unknown): string | undefined {
  return kinds.find(([names, , isOf]) => names.split(' ').includes(name) && !isOf(value))?.[1];
}

/** The hints that can be followed. What a server is asked needs an address; members are put in order once each. */
export function readHints(given: Readonly<Record<string, unknown>>): Hints {
  const read: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(given)) {
    if (value === undefined || wrongHint(name, value) !== undefined) continue;
    if ((name === 'remote' || name === 'check') && typeof ownMember(value, 'from') !== 'string') continue;
    read[name] = name === 'order' ? [...new Set(value as string[])] : value;
  }
  return read;
}
