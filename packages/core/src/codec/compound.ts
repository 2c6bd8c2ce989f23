/** Values made of several: lists in one text, parts of one text, choices by key, files as text. */
import { isJson, isObject, setOwn, type Json } from '../json/index.js';
import type { Codec } from './codec.js';
import { textOption, type CodecKinds, type OptionSchema } from './kind.js';
import { held, refused, isNothing, said, unlike, noText, type Maker, type Options } from './maker.js';

const separatorOf = (options: Options, otherwise: string): string =>
  typeof options['separator'] === 'string' && options['separator'] !== '' ? options['separator'] : otherwise;

/** Texts between separators ↔ a list. What stands between is trimmed; empty items are left out. */
export const list: Maker = (options) => {
  const separator = separatorOf(options, ',');
  const joint = /^\s|\s$/.test(separator) ? separator : `${separator} `;
  const isList = (value: unknown): value is string[] =>
    Array.isArray(value) && value.every((item) => typeof item === 'string');
  const clean = (items: readonly string[]): string[] => items.map((item) => item.trim()).filter((item) => item !== '');
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      if (isList(shown)) return held(clean(shown));
      if (typeof shown !== 'string') return unlike('text', 'A text was', shown, 'input');
      const items = clean(shown.split(separator.trim() === '' ? separator : separator.trim()));
      return held(items.length > 0 ? items : undefined);
    },
    show: (kept) => (isList(kept) ? kept.join(joint) : ''),
    serialise: (kept) => (isList(kept) ? kept : undefined),
    revive: (sent) =>
      sent === undefined || isList(sent) ? held(sent) : unlike('texts', 'A list of texts was', sent, 'record'),
  };
};

/**
 * Several parts, each of an input of its own, ↔ one text: `names` in the order in which they stand in it, `labels` what
 * they are called. `at` says where a text is divided that has more separators than it needs: at the `first` of them, so
 * that the last part takes the rest, or at the `last`, so that the first part does.
 */
export const parts: Maker = (options) => {
  const separator = separatorOf(options, ' ');
  const texts = (given: unknown): string[] =>
    Array.isArray(given) ? given.map((one) => (typeof one === 'string' ? one : '')) : [];
  const names = texts(options['names']);
  const labels = texts(options['labels']);
  const atLast = options['at'] === 'last';
  /** The part that may have separators of its own in it. */
  const open = atLast ? 0 : names.length - 1;
  const called = (i: number): string => labels[i] ?? inWords(names[i] ?? `part ${i + 1}`);
  const divide = (text: string): string[] => {
    const all = text.split(separator);
    const spare = all.length - names.length;
    if (names.length === 0) return [text];
    if (spare <= 0) return all.map((one) => one.trim());
    const middle = all.slice(open, open + spare + 1).join(separator);
    return [...all.slice(0, open), middle, ...all.slice(open + spare + 1)].map((one) => one.trim());
  };
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      const given =
        typeof shown === 'string'
          ? divide(shown.trim())
          : Array.isArray(shown)
            ? (shown as unknown[])
            : isObject(shown)
              ? names.map((name) => shown[name])
              : undefined;
      if (!given) return unlike('parts', 'Parts were', shown, 'input');
      const found = given.map((value) =>
        typeof value === 'string' || typeof value === 'number' ? String(value).trim() : '',
      );
      if (found.every((text) => text === '')) return held(undefined);
      const lacking = Array.from({ length: Math.max(names.length, found.length) }, (_, i) => found[i] ?? '').indexOf(
        '',
      );
      if (lacking >= 0) return refused(`${called(lacking)} is not there yet.`, 'part', { part: called(lacking) });
      const mixed = found.findIndex((text, i) => i !== open && names.length > 0 && text.includes(separator));
      if (mixed >= 0)
        return refused(`${called(mixed)} has “${separator}” in it, which stands between the parts.`, 'separator', {
          part: called(mixed),
          separator,
        });
      return held(found.join(separator));
    },
    show(kept) {
      if (names.length === 0) return typeof kept === 'string' ? kept : '';
      const found = typeof kept === 'string' ? divide(kept) : [];
      const shown: Record<string, string> = {};
      names.forEach((name, i) => setOwn(shown, name, found[i] ?? ''));
      return shown;
    },
    serialise: (kept) => (typeof kept === 'string' ? kept : undefined),
    revive: (sent) => (sent === undefined || typeof sent === 'string' ? held(sent) : noText(sent)),
  };
};

/** `firstName` as “First name”: a name of the description is no word for a person. */
function inWords(name: string): string {
  const words = name
    .replace(/([a-z\d])([A-Z])/g, '$1 $2')
    .replace(/[_-]+/g, ' ')
    .toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/**
 * A key that is chosen from what a server gives. What was typed and names no choice is none: the box reports it as
 * `{ unchosen: text }`, and it is kept as it was typed.
 */
export const chosen: Maker = () => ({
  parse(shown) {
    if (isNothing(shown)) return held(undefined);
    if (isObject(shown) && typeof shown['unchosen'] === 'string')
      return refused(`“${shown['unchosen']}” is not among the choices: choose one of them.`, 'unchosen', {
        typed: shown['unchosen'],
      });
    return isJson(shown) ? held(shown) : refused(`${said(shown)} has no form in JSON.`, 'notJson', { seen: shown });
  },
  show: (kept) => kept,
  serialise: (kept) => kept as Json | undefined,
  revive: (sent) => held(sent),
});

/** A choice that the input shows as an object and that is held by its key; with `many`, a list of them. */
export const choice: Maker = (options) => {
  const name = (option: string, otherwise: string): string =>
    typeof options[option] === 'string' ? options[option] : otherwise;
  const [key, text] = [name('key', 'value'), name('text', 'label')];
  const known = new Map<unknown, unknown>(
    (Array.isArray(options['choices']) ? options['choices'] : []).filter(isObject).map((one) => [one[key], one]),
  );
  const keyOf = (shown: unknown): unknown => (isObject(shown) ? shown[key] : shown);
  const objectOf = (kept: unknown): unknown => known.get(kept) ?? { [key]: kept, [text]: String(kept) };
  const many = options['many'] === true;
  const one: Codec = {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      const kept = keyOf(shown);
      return kept !== undefined && isJson(kept) && (typeof kept !== 'object' || kept === null)
        ? held(kept)
        : refused(`The choice has no “${key}”.`, 'noKey', { key });
    },
    show: (kept) => (kept === undefined || kept === null ? null : objectOf(kept)),
    serialise: (kept) => kept as Json | undefined,
    revive: (sent) =>
      typeof sent === 'object' && sent !== null ? unlike('key', 'A key was', sent, 'record') : held(sent),
  };
  if (!many) return one;
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      if (!Array.isArray(shown)) return unlike('choices', 'A list of choices was', shown, 'input');
      const kept = shown.map((item) => one.parse(item));
      const bad = kept.find((item) => !item.ok);
      return bad ?? held(kept.map((item) => (item.ok ? item.held : undefined)));
    },
    show: (kept) => (Array.isArray(kept) ? kept.map(objectOf) : []),
    serialise: (kept) => kept as Json | undefined,
    revive: (sent) =>
      sent === undefined || Array.isArray(sent) ? held(sent) : unlike('keys', 'A list of keys was', sent, 'record'),
  };
};

/**
 * A file that the input gives as a data text (RFC 2397); held so; sent so, or with `sends: "base64"` as its content alone
 * (`contentEncoding`), whose kind `mediaType` then says.
 */
export const file: Maker = (options) => {
  const bare = options['sends'] === 'base64';
  const mediaType = typeof options['mediaType'] === 'string' ? options['mediaType'] : 'application/octet-stream';
  const isData = (value: unknown): value is string =>
    typeof value === 'string' && /^data:[^,]*;base64,[A-Za-z0-9+/]*={0,2}$/.test(value);
  const most = typeof options['most'] === 'number' ? options['most'] : Infinity;
  const sizeOf = (data: string): number => {
    const content = data.slice(data.indexOf(',') + 1);
    return Math.floor((content.length * 3) / 4) - (content.endsWith('==') ? 2 : content.endsWith('=') ? 1 : 0);
  };
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      if (!isData(shown)) return unlike('file', 'A file as data text was', shown, 'input');
      const size = sizeOf(shown);
      if (size > most)
        return refused(`The file has ${size} bytes; at most ${most} are taken.`, 'fileSize', { size, most });
      const wanted = options['mediaType'];
      const type = /^data:([^;,]*)/.exec(shown)?.[1] ?? '';
      return typeof wanted === 'string' && type !== '' && type !== wanted
        ? refused(`The file is of the kind ${type}; ${wanted} is expected.`, 'fileKind', { type, wanted })
        : held(shown);
    },
    show: (kept) => (isData(kept) ? kept : undefined),
    serialise: (kept) => (isData(kept) ? (bare ? kept.slice(kept.indexOf(',') + 1) : kept) : undefined),
    revive(sent) {
      if (sent === undefined || sent === null) return held(undefined);
      const data = bare && typeof sent === 'string' ? `data:${mediaType};base64,${sent}` : sent;
      return isData(data) ? held(data) : unlike('base64', 'A file in base64 was', sent, 'record');
    },
  };
};

const texts = (title: string): OptionSchema => ({ type: 'array', title, items: { type: 'string' } });
const separator = textOption('Stands between them', { minLength: 1 });
const names = texts('Names of the parts');
const labels = texts('What the parts are called');
const at = {
  title: 'Divided where there are more separators than needed',
  oneOf: [
    { const: 'first', title: 'At the first: the last part takes the rest' },
    { const: 'last', title: 'At the last: the first part takes the rest' },
  ],
};
const key = textOption('Member that is the key');
const textMember = textOption('Member that is the text');
const choices = { type: 'array', title: 'Choices', items: { type: 'object' } };
const many = { type: 'boolean', title: 'Any number of them' };
const sends = {
  title: 'Sent as',
  oneOf: [
    { const: 'data', title: 'Data text' },
    { const: 'base64', title: 'Its content alone, in base64' },
  ],
};
const mediaType = textOption('Media type', { pattern: '^[^/]+/[^/]+$', examples: ['image/png'] });
const most = { type: 'integer', title: 'Most bytes', minimum: 0 };

export const compoundKinds = {
  list: {
    title: 'List in one text',
    says: 'Texts between separators, held and sent as a list.',
    options: { separator },
    make: list,
  },
  parts: {
    title: 'Parts of one text',
    says: 'Several inputs’ texts, held and sent as one.',
    options: { names, labels, separator, at },
    make: parts,
  },
  choice: {
    title: 'Choice by key',
    says: 'A choice that the input shows as an object, held and sent by its key.',
    options: { key, text: textMember, choices, many },
    make: choice,
  },
  chosen: {
    title: 'Choice from elsewhere',
    says: 'A key that was chosen; what was only typed is kept, and told.',
    options: {},
    make: chosen,
  },
  file: {
    title: 'File as text',
    says: 'A file as data text, sent so or as its base64 content alone.',
    options: { sends, mediaType, most },
    make: file,
  },
} as const satisfies CodecKinds;
