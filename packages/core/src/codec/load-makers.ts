import { plainMakers, type Makers } from './plain.js';
import type { CodecCode } from './code.js';

/** Makers that are fetched where a codec of their kind is used. */
const families: readonly { readonly kinds: readonly string[]; load(): Promise<Makers> }[] = [
  {
    kinds: ['trimmed', 'slug', 'json'],
    load: async () => {
      const { trimmed, slug, json } = await import('./texts.js');
      return { trimmed, slug, json };
    },
  },
  {
    kinds: ['number', 'integer', 'money', 'quantity'],
    load: async () => {
      const { number, integer, money, quantity } = await import('./numbers.js');
      return { number, integer, money, quantity };
    },
  },
  {
    kinds: ['date', 'date-time', 'time', 'epoch'],
    load: async () => {
      const { date, dateTime, time, epoch } = await import('./dates.js');
      return { date, 'date-time': dateTime, time, epoch };
    },
  },
  {
    kinds: ['list', 'parts', 'choice', 'file'],
    load: async () => {
      const { list, parts, choice, file } = await import('./compound.js');
      return { list, parts, choice, file };
    },
  },
  { kinds: ['steps'], load: async () => ({ steps: (await import('./steps.js')).steps }) },
];

/** The makers for these kinds, or all of them where it is not said which. `codes` are the modules of codecs that are code. */
export async function loadMakers(
  kinds: ReadonlySet<string> | undefined,
  codes: Readonly<Record<string, CodecCode>> = {},
): Promise<Makers> {
  const isAsked = (kind: string): boolean => kinds?.has(kind) ?? true;
  const loaded = await Promise.all(
    families.filter((family) => family.kinds.some(isAsked)).map(async ({ load }) => load()),
  );
  const code = isAsked('code') ? { code: (await import('./code.js')).codeMaker(codes) } : {};
  return Object.assign({}, plainMakers, ...loaded, code) as Makers;
}
