/** Texts that are changed on their way in, and values typed as text. */
import { isJson, type Json, reasonOf } from '../json/index.js';
import type { CodecKinds } from './kind.js';
import { held, refused, isNothing, said, type Maker } from './maker.js';
import { text } from './plain.js';

export const trimmed: Maker = (options) => {
  const plain = text(options);
  return { ...plain, parse: (shown) => plain.parse(typeof shown === 'string' ? shown.trim() : shown) };
};

/** A name as addresses have it: small letters without marks, figures, and hyphens between. */
export const slug: Maker = (options) => {
  const plain = text(options);
  const normal = (typed: string): string =>
    typed
      .replace(/ß/g, 'ss')
      .replace(/æ/gi, 'ae')
      .replace(/ø/gi, 'o')
      .normalize('NFD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '');
  return {
    ...plain,
    parse(shown) {
      if (typeof shown !== 'string') return plain.parse(shown);
      const made = normal(shown);
      return made === '' && shown.trim() !== ''
        ? refused(`Nothing is left of “${shown}”: only letters a to z, figures and hyphens are.`, 'nothingLeft', {
            typed: shown,
          })
        : plain.parse(made);
    },
  };
};

/** A value typed as JSON text. */
export const json: Maker = () => ({
  parse(shown) {
    if (isNothing(shown) || (typeof shown === 'string' && shown.trim() === '')) return held(undefined);
    if (typeof shown !== 'string')
      return isJson(shown) ? held(shown) : refused(`${said(shown)} has no form in JSON.`, 'notJson', { seen: shown });
    try {
      return held(JSON.parse(shown) as unknown);
    } catch (error) {
      const says = reasonOf(error);
      return refused(`This is no JSON: ${says}.`, 'noJson', { says });
    }
  },
  show: (kept) => (kept === undefined ? '' : JSON.stringify(kept, undefined, 2)),
  serialise: (kept) => kept as Json | undefined,
  revive: (sent) => held(sent),
});

export const textKinds = {
  trimmed: {
    title: 'Trimmed text',
    says: 'Text without spaces at its ends.',
    options: {},
    make: trimmed,
  },
  slug: {
    title: 'Short name',
    says: 'Small letters, figures and hyphens, made from what is typed.',
    options: {},
    make: slug,
  },
  json: {
    title: 'JSON text',
    says: 'A value typed as JSON.',
    options: {},
    make: json,
  },
} as const satisfies CodecKinds;
