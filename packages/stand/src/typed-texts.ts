/** What is typed into an input that nobody has shown how to use. */
import { nameOf } from './targets.js';

/** What is typed, the likeliest first; the date is one in either order of day and month. */
const texts = [
  'Torsund',
  '7',
  '5',
  '#aa5500',
  '12:30',
  '0430112233',
  '10/12/2026',
  '2026-10-12',
  '2026/10/12',
  '10.12.2026',
];
/** A name of the package's own says so, too: `DateValue`, `DateRange`. */
export const isOfDates = (type: string): boolean => /\bDate/.test(type);
export const textsFor = (type: string): readonly string[] => {
  const isFirst = isOfDates(type) ? /^\d+[/-]\d+/ : /\bnumber\b/.test(type) ? /^\d$/ : /./;
  return [...texts.filter((text) => isFirst.test(text)), ...texts.filter((text) => !isFirst.test(text))];
};

/** The ends of a range, in HTML's own order and in another. */
export const rangesTyped = [
  ['2026-10-12', '2026-10-14'],
  ['10/12/2026', '10/14/2026'],
] as const;

/** What HTML’s own kinds of text box take, and those that say what they are for. */
export function writtenInto(element: HTMLElement): string[] {
  const kinds: Partial<Record<string, string>> = {
    email: 'post@skerry.example',
    url: 'https://skerry.example/',
    tel: '+44 20 7946 0958',
  };
  if (!(element instanceof HTMLInputElement)) return [];
  const text = [element.type, element.autocomplete, element.inputMode].map((kind) => kinds[kind]).find(Boolean);
  return text === undefined ? [] : [text];
}

/** One of several boxes for the parts of a value: a year, a half of the day, one character of a code, else a small number. */
export function writtenIntoPart(element: HTMLElement): string {
  const says = `${nameOf(element)} ${element.getAttribute('placeholder') ?? ''} ${element.getAttribute('name') ?? ''}`;
  const isShort = element instanceof HTMLInputElement && element.maxLength === 1;
  return /year|yyyy/i.test(says) ? '2026' : /\bam\b|\bpm\b|day ?period/i.test(says) ? 'AM' : isShort ? '7' : '10';
}
