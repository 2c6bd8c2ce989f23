import type { Kit, Snapshot } from '@poietra/core';
import Dexie, { type Table } from 'dexie';
import type { Edit } from './changes.js';

export interface StoredKit {
  readonly id: 'current';
  readonly kit: Kit;
  /** Grows with every write; a tab that is behind sees it. */
  readonly revision: number;
  /** How many steps of the history are in force. */
  readonly position: number;
}
export interface StoredEdit extends Edit {
  readonly index: number;
}
/** What was typed into a form and not sent yet. */
export interface Draft {
  /** Form and record: `freight-booking-short/FB-1001`. */
  readonly id: string;
  readonly snapshot: Snapshot;
  /** The tab that wrote it. */
  readonly by?: string;
}

/** What the browser keeps. Written through to the disk: a killed browser must not take an edit with it. */
class Database extends Dexie {
  declare kits: Table<StoredKit, string>;
  declare history: Table<StoredEdit, number>;
  declare drafts: Table<Draft, string>;
  constructor() {
    super('poietra', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ kits: 'id', history: 'index', drafts: 'id' });
  }
}
export const database = new Database();
