/** What the checks of the contract stand on: copies of the input, mounted on the same page or handed through by an agent. */
import type { AdapterDescription } from '@poietra/core';
import type { Wanted } from './wanted.js';
import type { Watch } from './watch.js';

/** What the server is asked to draw. */
export interface RenderInput {
  readonly adapter: AdapterDescription;
  /** As `codec/written` writes it. */
  readonly shown: unknown;
  /** The base of its ids. */
  readonly id: string;
}

/** What came of drawing on the server. */
export type Answer = { readonly html: string } | { readonly failed: string };

/** How a copy is to be mounted. */
export interface MountOptions {
  readonly state?: Partial<Wanted>;
  /** What the form does with a report: takes it, keeps the old value, or keeps what was entered as unparsable. */
  readonly form?: 'takes' | 'refuses' | 'cannot parse';
  readonly how?: 'plain' | 'strict';
  /** What the server drew, to be taken over; it was asked for under this id. */
  readonly rendered?: { readonly id: string; readonly html: string };
}

/** A copy of the input that stands, as the checks need it. */
export interface Standing {
  readonly id: string;
  /** The element of the page that it was given. */
  readonly place: HTMLElement;
  /** The box of the field inside it. */
  readonly box: HTMLElement;
  /** What the change report gave, in order. */
  readonly reports: readonly unknown[];
  readonly leaves: number;
  /** Why it does not stand. */
  readonly error: string | undefined;
  /** Differences that the browser found in what the server had rendered. */
  readonly differences: readonly string[];
  /** What the form wants of it by now. */
  readonly wanted: Wanted;
  set(wanted: Partial<Wanted>): Promise<void>;
  /** Asks the input to take the focus, as a form does. */
  takeFocus(): void;
  end(): void;
}

export interface Ground {
  /** With a gesture and samples, where they could be found. */
  readonly adapter: AdapterDescription;
  mount(options: MountOptions): Promise<Standing>;
  watch(): Watch;
  /** For a copy that the server draws first. */
  newId(): string;
  /** Has it drawn on a real server. */
  render(asked: RenderInput): Promise<Answer>;
  /** What it warns of on another page, given nothing by its adapter; absent where there is no other page to be had. */
  toldBare?(): Promise<readonly string[]>;
}
