/** Codecs written as code: functions in a module of their own, taken as a codec. No code is made from text here. */
import { isJson, ownMember, type Json } from '../json/index.js';
import type { Codec, Parsed } from './codec.js';
import { makersOf, textOption, type CodecKind } from './kind.js';
import { held, refused, isNothing, said, type Makers } from './maker.js';

/** What a module of code exports. `parse` refuses by throwing an `Error` that says why. */
export interface CodecCode {
  parse(shown: unknown): unknown;
  show(held: unknown): unknown;
  /** Where it is missing, what is held is sent as it is. */
  serialise?(held: unknown): unknown;
  /** Where it is missing, what was sent is held as it is. */
  revive?(sent: unknown): unknown;
}

function reasonOf(error: unknown, name: string): string {
  if (!(error instanceof Error)) return `${name} threw ${String(error)}.`;
  // A plain Error is the author's own refusal; every other kind is a fault in the code.
  if (error.constructor.name === 'Error') return error.message;
  // The place of a module by its address or file, then line and column.
  const line = /\bcode(?:cs)?\/[\w.-]+\.[jt]s:(\d+)/.exec(error.stack ?? '')?.[1];
  return `${name} fails${line === undefined ? '' : ` in line ${line}`}: ${error.message}`;
}

/**
 * The codec that a module of code makes. It never throws: what the code throws is a refusal on the way in and "no value"
 * on the way out. With `faults` each fault of the code is thrown on instead, for those who look for them.
 */
export function codecFromCode(code: CodecCode, { faults = false } = {}): Codec {
  const guard = <T>(name: string, work: () => T, otherwise: (reason: string) => T): T => {
    try {
      return work();
    } catch (error) {
      const isFault = !(error instanceof Error) || error.constructor.name !== 'Error';
      if (faults && isFault) throw new Error(reasonOf(error, name));
      return otherwise(reasonOf(error, name));
    }
  };
  const sent = (kept: unknown): Json | undefined => {
    const value = code.serialise ? code.serialise(kept) : kept;
    if (value === undefined || isJson(value)) return value;
    throw new TypeError(`${said(value)} has no form in JSON; serialise has to give one.`);
  };
  return {
    parse: (shown) =>
      isNothing(shown)
        ? held(undefined)
        : guard(
            'parse',
            (): Parsed<unknown> => {
              const kept = code.parse(shown);
              sent(kept);
              return held(kept);
            },
            refused,
          ),
    show: (kept) =>
      kept === undefined
        ? ''
        : guard(
            'show',
            () => code.show(kept),
            () => '',
          ),
    serialise: (kept) =>
      kept === undefined
        ? undefined
        : guard(
            'serialise',
            () => sent(kept),
            () => undefined,
          ),
    revive: (value) =>
      value === undefined
        ? held(undefined)
        : guard('revive', (): Parsed<unknown> => held(code.revive ? code.revive(value) : value), refused),
  };
}

/**
 * The kind of codecs that are code, which are looked up by the option `code`. Code runs where it was bundled, or in its
 * worker; elsewhere nothing can be said of what it would do.
 */
export function codeKinds(codes: Readonly<Record<string, CodecCode>>): { readonly code: CodecKind } {
  return {
    code: {
      title: 'Code of one’s own',
      says: 'TypeScript with the functions parse and show, and serialise and revive where what is held is no JSON.',
      options: { source: textOption('TypeScript'), code: textOption('Name of its module') },
      make: (options) => {
        const code = typeof options['code'] === 'string' ? ownMember(codes, options['code']) : undefined;
        return code ? codecFromCode(code as CodecCode) : notAtHand;
      },
    },
  };
}
export function codeMakers(codes: Readonly<Record<string, CodecCode>>): Makers {
  return makersOf(codeKinds(codes));
}
const reason = 'This codec is code, which is not at hand here; open its page to run it.';
const notAtHand: Codec = {
  parse: () => refused(reason),
  show: () => '',
  serialise: () => undefined,
  revive: () => refused(reason),
};
