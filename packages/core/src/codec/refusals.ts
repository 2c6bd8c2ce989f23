/**
 * Why the built-in codecs refuse a value, by name, with what each speaks of. The English words stand where they are
 * needed, beside the code that refuses; other languages have theirs in `words/`, and the compiler names what they lack.
 */

/** What was expected, where something of another kind came. */
export type Wanted =
  | 'text'
  | 'texts'
  | 'parts'
  | 'list'
  | 'choices'
  | 'key'
  | 'keys'
  | 'file'
  | 'base64'
  | 'boolean'
  | 'number'
  | 'amount'
  | 'minor'
  | 'date'
  | 'time'
  | 'instant'
  | 'epoch';

/** The reasons of the built-in codecs, and what each speaks of. */
export interface Refusals {
  /** Something of another kind than was expected; `from` says who gave it. */
  readonly kind: { readonly wanted: Wanted; readonly seen: unknown; readonly from: 'input' | 'record' | 'step' };
  readonly notJson: { readonly seen: unknown };
  readonly noNumber: { readonly typed: string; readonly stray?: string | undefined };
  readonly halfNumber: { readonly typed: string };
  readonly largeNumber: { readonly typed: string };
  readonly longNumber: { readonly typed: string };
  readonly decimals: { readonly typed: string };
  readonly noAmount: { readonly typed: string };
  readonly fineAmount: { readonly typed: string; readonly digits: number };
  readonly largeAmount: { readonly typed: string };
  readonly unit: { readonly typed: string; readonly known: readonly string[] };
  readonly onlyUnit: { readonly typed: string };
  readonly noDate: { readonly typed: string };
  readonly noDay: { readonly typed: string };
  readonly noTime: { readonly typed: string };
  readonly noInstant: { readonly typed: string };
  readonly skipped: { readonly typed: string; readonly zone: string | undefined };
  readonly brokenDate: object;
  readonly part: { readonly part: string };
  readonly separator: { readonly part: string; readonly separator: string };
  readonly unchosen: { readonly typed: string };
  readonly noKey: { readonly key: string };
  readonly fileSize: { readonly size: number; readonly most: number };
  readonly fileKind: { readonly type: string; readonly wanted: string };
  readonly yesNo: { readonly seen: unknown };
  readonly notListed: { readonly typed: string; readonly known: readonly string[] };
  readonly item: { readonly number: number; readonly inner: Reason };
  readonly step: { readonly number: number; readonly inner: Reason };
  readonly nothingLeft: { readonly typed: string };
  readonly noJson: { readonly says: string };
}
/** Why a value was refused, by name, with what it speaks of. */
export interface Refusal {
  readonly name: string;
  readonly about: unknown;
}
interface Reason {
  readonly reason: string;
  readonly refusal?: Refusal | undefined;
}
