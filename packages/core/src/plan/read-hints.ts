/** Hints as they are given are foreign: a member of another kind than it should have is left out here, and told by `checkHints`. */
import { ownMember } from '../json/index.js';
import type { Hints } from './hints.js';

const kinds: Readonly<Record<string, string>> = {
  text: 'label hint placeholder field input layout fold prefix suffix skin condition computed normal',
  number: 'lines',
  mark: 'hidden',
  list: 'order tells',
  rules: 'rules',
  map: 'words messages remote check',
};
/** The kind of each hint of which only one kind is meant. */
export const kindOfHint: ReadonlyMap<string, string> = new Map(
  Object.entries(kinds).flatMap(([kind, names]) => names.split(' ').map((name) => [name, kind])),
);

export function isOfHintKind(kind: string | undefined, value: unknown): boolean {
  switch (kind) {
    case 'text':
      return typeof value === 'string';
    case 'number':
      return typeof value === 'number';
    case 'mark':
      return typeof value === 'boolean';
    case 'list':
      return Array.isArray(value) && value.every((one) => typeof one === 'string');
    case 'rules':
      return (
        Array.isArray(value) &&
        value.every(
          (one) => typeof ownMember(one, 'holds') === 'string' && typeof ownMember(one, 'message') === 'string',
        )
      );
    case 'map':
      return typeof value === 'object' && value !== null && !Array.isArray(value);
    default:
      return true;
  }
}

/** The hints that can be followed. What a server is asked needs an address; members are put in order once each. */
export function readHints(given: Readonly<Record<string, unknown>>): Hints {
  const read: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(given)) {
    if (value === undefined || !isOfHintKind(kindOfHint.get(name), value)) continue;
    if ((name === 'remote' || name === 'check') && typeof ownMember(value, 'from') !== 'string') continue;
    read[name] = name === 'order' ? [...new Set(value as string[])] : value;
  }
  return read;
}
