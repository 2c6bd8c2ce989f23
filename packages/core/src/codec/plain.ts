/** Codecs that hardly a form does without, and how any codec is made of its description. */
import { isJson, type Json } from '../json/index.js';
import type { Codec, CodecDescription } from './codec.js';
import type { CodecKinds } from './kind.js';
import { held, refused, isNothing, said, unlike, noText, type Maker, type Makers, type Options } from './maker.js';

/**
 * What an emptied input means: `absent` leaves the member out, `null` sends null, `text` sends the empty text.
 * The schema decides which is wanted, so every codec takes the option.
 */
function withEmpty(codec: Codec, options: Options): Codec {
  const { empty } = options;
  if (empty !== 'null' && empty !== 'text') return codec;
  const value = empty === 'null' ? null : '';
  return {
    parse: (shown) => (isNothing(shown) ? held(value) : codec.parse(shown)),
    show: (kept) => codec.show(kept === value ? undefined : kept),
    serialise: (kept) => (kept === value ? value : codec.serialise(kept)),
    revive: (sent) => (sent === value ? held(value) : codec.revive(sent)),
  };
}

export const text: Maker = () => ({
  parse: (shown) =>
    isNothing(shown)
      ? held(undefined)
      : typeof shown === 'string'
        ? held(shown)
        : unlike('text', 'A text was', shown, 'input'),
  show: (kept) => (typeof kept === 'string' ? kept : ''),
  serialise: (kept) => (typeof kept === 'string' ? kept : undefined),
  revive: (sent) => (sent === undefined || typeof sent === 'string' ? held(sent) : noText(sent)),
});

const words = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);

/** A check box and its like. Native boxes have a habit of reporting `"on"`; `yes` and `no` name further words. */
export const boolean: Maker = (options) => {
  const yes: unknown[] = [true, 'true', 'on', ...words(options['yes'])];
  const no: unknown[] = [false, 'false', 'off', ...words(options['no'])];
  return {
    parse: (shown) =>
      isNothing(shown)
        ? held(undefined)
        : yes.includes(shown)
          ? held(true)
          : no.includes(shown)
            ? held(false)
            : refused(`${said(shown)} means neither yes nor no.`, 'yesNo', { seen: shown }),
    show: (kept) => (typeof kept === 'boolean' ? kept : undefined),
    serialise: (kept) => (typeof kept === 'boolean' ? kept : undefined),
    revive: (sent) =>
      sent === undefined || typeof sent === 'boolean' ? held(sent) : unlike('boolean', 'Yes or no was', sent, 'record'),
  };
};

/** Any JSON as it is, for inputs whose value needs no change. */
export const asIs: Maker = () => ({
  parse: (shown) =>
    isNothing(shown)
      ? held(undefined)
      : isJson(shown)
        ? held(shown)
        : refused(`${said(shown)} has no form in JSON.`, 'notJson', { seen: shown }),
  show: (kept) => kept,
  serialise: (kept) => kept as Json | undefined,
  revive: (sent) => held(sent),
});

const yes = { type: 'array', title: 'Reports that mean yes' };
const no = { type: 'array', title: 'Reports that mean no' };

export const plainKinds = {
  text: {
    title: 'Text',
    says: 'Text as it is typed.',
    options: {},
    make: text,
  },
  boolean: {
    title: 'Yes or no',
    says: 'A check mark as true or false.',
    options: { yes, no },
    make: boolean,
  },
  same: {
    title: 'As it is',
    says: 'Any JSON value, unchanged.',
    options: {},
    make: asIs,
  },
} as const satisfies CodecKinds;

/** Named once more, and not taken from the kinds, so that an application need not carry what only a workbench shows of them. */
export const plainMakers = { text, boolean, same: asIs } satisfies Record<keyof typeof plainKinds, Maker>;

/**
 * The codec that a description means.
 * @throws {TypeError} where no maker of that kind is among them.
 */
export function codecBy(makers: Makers, { kind, options = {} }: CodecDescription): Codec {
  const make = Object.hasOwn(makers, kind) ? makers[kind] : undefined;
  if (!make)
    throw new TypeError(`No codec of the kind “${kind}” is known. Known are: ${Object.keys(makers).join(', ')}.`);
  return withEmpty(make(options), options);
}
