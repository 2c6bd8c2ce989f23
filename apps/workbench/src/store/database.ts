import type { Kit, Snapshot } from '@poietra/core';
import Dexie, { type Table } from 'dexie';
import type { Edit } from './changes.js';

export interface StoredKit {
  readonly id: string;
  readonly kit: Kit;
  /** Grows with every write; a tab that is behind sees it. */
  readonly revision: number;
  /** How many steps of the history are in force. */
  readonly position: number;
  /** When it was last written, in milliseconds. */
  readonly time?: number;
  /** When it was put away; it is cleared some days later. */
  readonly removed?: number;
}
export interface StoredEdit extends Edit {
  readonly kitId: string;
  readonly index: number;
}
/** A state of a kit as it was once, to go back to: without its history. */
export interface KeptCopy {
  readonly number?: number;
  readonly kitId: string;
  readonly time: number;
  readonly kit: Kit;
}
/** What was typed into a form and not sent yet. */
export interface Draft {
  /** Kit, form and record: `first/freight-booking-short/FB-1001`. */
  readonly id: string;
  readonly snapshot: Snapshot;
  /** The tab that wrote it. */
  readonly by?: string;
}

/** A kit that is kept in step with the kit file of a project's folder. */
export interface FileInStep {
  readonly kitId: string;
  readonly folder: string;
  /** The state that both had last, and the tag of the file then; absent until they have agreed once. */
  readonly agreed?: Kit;
  readonly tag?: string;
}

/** The kit of a browser that had only one. */
export const firstKit = 'current';

/** What the browser keeps. Written through to the disk: a killed browser must not take an edit with it. */
class Database extends Dexie {
  declare kits: Table<StoredKit, string>;
  declare steps: Table<StoredEdit, [string, number]>;
  declare copies: Table<KeptCopy, number>;
  declare drafts: Table<Draft, string>;
  declare files: Table<FileInStep, string>;
  constructor() {
    super('poietra', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ kits: 'id', history: 'index', drafts: 'id' });
    // Several kits: steps and drafts say whose they are.
    this.version(2)
      .stores({ steps: '[kitId+index]', copies: '++number, kitId' })
      .upgrade(async (change) => {
        const steps = (await change.table('history').toArray()) as StoredEdit[];
        await change.table('steps').bulkAdd(steps.map((step) => ({ ...step, kitId: firstKit })));
        const drafts = (await change.table('drafts').toArray()) as Draft[];
        await change.table('drafts').clear();
        await change.table('drafts').bulkAdd(drafts.map((draft) => ({ ...draft, id: `${firstKit}/${draft.id}` })));
      });
    this.version(3).stores({ history: null });
    this.version(4).stores({ files: 'kitId' });
  }
}
export const database = new Database();
