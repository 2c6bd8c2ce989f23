/** The sentence about values that are objects of a library. */
import { removeAt, replaceAt } from '../json/index.js';
import type { AdapterDescription } from './description.js';
import type { FoundInput } from './face.js';
import type { Sentence, Slot } from './slot.js';

/** How its values are made, where they are objects of a library. */
export function madeSentence(
  { value: { made } }: AdapterDescription,
  input: FoundInput | undefined,
  slot: (at: string, choices: readonly string[], words?: string) => Slot,
): Sentence {
  const uses = input?.made?.uses ?? [];
  const by = slot(
    '/value/made/by',
    uses.map((use) => use.by),
    made ? undefined : 'as they are',
  );
  if (!made) return { about: 'made', parts: ['Takes its values ', by, '.'] };
  const given = made.given ? JSON.stringify(made.given) : '';
  return {
    about: 'made',
    parts: [
      'Its values are made of texts by ',
      by,
      ', ',
      { ...slot('/value/made/start', ['new'], made.start ? 'with new' : 'which is called'), open: false },
      ', and read as texts by their ',
      slot('/value/made/read', ['toString', ...uses.flatMap(({ read }) => read ?? [])], made.read ?? 'toString'),
      ', which is given ',
      {
        at: '/value/made/given',
        value: given,
        choices: [...new Set(uses.flatMap((use) => (use.given ? [JSON.stringify(use.given)] : [])))],
        open: true,
        ...(made.given ? {} : { words: 'nothing' }),
      },
      '.',
    ],
  };
}

/** The description with one slot of that sentence changed; an emptied one takes its part away. */
export function changeMade(adapter: AdapterDescription, at: string, value: string): AdapterDescription {
  const isName = at === '/value/made/by';
  if (value === '') return removeAt(adapter, isName ? '/value/made' : at);
  if (isName && !/^[^#\s]+#[^#\s]+$/.test(value))
    throw new TypeError('Write what makes them as package#export, like dayjs#default.');
  if (at === '/value/made/start' && value !== 'new') throw new TypeError('Here stands new, or nothing.');
  if (isName && !adapter.value.made) return replaceAt(adapter, '/value/made', { by: value });
  if (at !== '/value/made/given') return replaceAt(adapter, at, value);
  const given: unknown = JSON.parse(value);
  if (!Array.isArray(given)) throw new TypeError('What the method is given is a list, like ["YYYY-MM-DD"].');
  return given.length > 0 ? replaceAt(adapter, at, given) : removeAt(adapter, at);
}
