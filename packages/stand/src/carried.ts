/**
 * What passes between the world of the page, where the input is, and that of the judge: texts. A value that has a
 * notation goes as it; of all others a number goes, and the value stays with its input.
 */
import { fromNotation, hasNotation, same, toNotation, type AdapterDescription } from '@poietra/core';
import type { MountOptions } from './ground.js';
import type { Wanted } from './wanted.js';

export type Carried = { readonly as: unknown } | { readonly kept: number };

/** On the judge's side, in place of a value that stayed. Two are the same where their values are (`same`). */
export class KeptValue {
  constructor(readonly number: number) {}
  toJSON(): string {
    return `kept ${this.number}`;
  }
}

export interface Carrier {
  carry(value: unknown): Carried;
  receive(carried: Carried): unknown;
}

/** On the side of the input. */
export function keeper(): Carrier {
  const kept: unknown[] = [];
  return {
    carry(value) {
      if (hasNotation(value)) return { as: toNotation(value) };
      const known = kept.findIndex((one) => same(one, value));
      return { kept: known < 0 ? kept.push(value) - 1 : known };
    },
    receive: (carried) => ('as' in carried ? fromNotation(carried.as) : kept[carried.kept]),
  };
}

/** On the side of the judge. */
export const distant: Carrier = {
  carry: (value) => (value instanceof KeptValue ? { kept: value.number } : { as: toNotation(value) }),
  receive: (carried) => ('as' in carried ? fromNotation(carried.as) : new KeptValue(carried.kept)),
};

/** What is wanted of a copy, with the value it shows carried. */
export type CarriedWanted = Omit<Partial<Wanted>, 'shown'> & { readonly shown?: Carried };

export function carryWanted({ carry }: Carrier, wanted: Partial<Wanted>): CarriedWanted {
  const { shown, ...rest } = wanted;
  return 'shown' in wanted ? { ...rest, shown: carry(shown) } : rest;
}
export function receiveWanted({ receive }: Carrier, { shown, ...rest }: CarriedWanted): Partial<Wanted> {
  return shown ? { ...rest, shown: receive(shown) } : rest;
}

/** What the judge asks of the agent; each is answered with `Said`. */
export type Asked =
  | { readonly do: 'start'; readonly adapter: AdapterDescription }
  | { readonly do: 'mount'; readonly options: Omit<MountOptions, 'state'> & { readonly state?: CarriedWanted } }
  | { readonly do: 'set'; readonly id: string; readonly wanted: CarriedWanted }
  | { readonly do: 'take focus' | 'end' | 'facts'; readonly id: string }
  | { readonly do: 'new id' | 'watch' | 'watched' };
/** With its number, and whether to wait longer (`patiently`). */
export type Asking = Asked & { readonly ask: number; readonly isPatient: boolean };
export type Said = { readonly ask: number } & ({ readonly answer: unknown } | { readonly failed: string });

/** The answer to `facts`. */
export interface Facts {
  readonly reports: readonly Carried[];
  readonly leaves: number;
  readonly error?: string | undefined;
  readonly differences: readonly string[];
  readonly wanted: CarriedWanted;
}
/** The answer to `watched`. */
export interface Watched {
  readonly warnings: readonly string[];
  readonly refused: readonly string[];
  readonly told: number;
  readonly listeners: number;
}

/** The names of the events by which judge and agent speak; only they know the secret in them. */
export const channel = (secret: string): { readonly asked: string; readonly said: string } => ({
  asked: `${secret} asked`,
  said: `${secret} said`,
});
