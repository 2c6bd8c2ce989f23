/** The harbours that the line calls at. */
export type Port = 'ALD' | 'BRE' | 'TOR' | 'LSU' | 'HAR';

interface Sailing {
  readonly port: Port;
  /** With the harbour’s own zone. */
  readonly at: Date;
}

/** A crossing as the harbour office announces it. */
export interface Crossing {
  /** @pattern ^SK \d{3}$ */
  readonly number: string;
  readonly ship: 'Ternskär' | 'Grey Plover';
  readonly departure: Sailing;
  readonly arrival: Sailing;
  /** Metres of deck that are left. @minimum 0 */
  readonly deckLeft?: number;
  readonly tideNote?: string;
  announce?(): void;
}
