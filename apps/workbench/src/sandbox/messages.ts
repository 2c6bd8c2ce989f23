/** What the workbench says to a stand's frame. The frame listens to its parent only. */
import type { AdapterDescription, FormDescription, Gesture, Kit, Outcome, Snapshot } from '@poietra/core';

/** What the frame needs to draw a form. */
export interface FormToOpen {
  readonly form: FormDescription;
  readonly documents: Readonly<Record<string, unknown>>;
  readonly kit: Pick<Kit, 'adapters' | 'codecs' | 'fields' | 'inputs'> &
    Partial<Pick<Kit, 'rules' | 'skins' | 'hints' | 'look'>>;
  /** Another skin than the form's own, to look at. */
  readonly skin?: string;
  /** From right to left, as it stands in scripts that are written so. */
  readonly rightToLeft?: boolean;
  /** The links are drawn over the form, and told. */
  readonly links?: boolean;
  /** What the server drew of it, to be taken over. */
  readonly served?: string;
  /** Every problem is shown at once. */
  readonly allTold?: boolean;
  readonly values?: unknown;
  readonly restore?: Snapshot;
  /** Whether the notes of the proof stand in the margins. */
  readonly notes: boolean;
  /** Nothing on it can be changed or reached. */
  readonly disabled?: boolean;
  /** The browser sends it by itself where no script runs, to this address. */
  readonly native?: { readonly action: string };
  /** Whether the sheet can be edited where it stands. */
  readonly editing?: boolean;
  /** What can be put in: the kit's fields and groups. */
  readonly palette?: { readonly fields: readonly string[]; readonly groups: readonly string[] };
  /** Width of the sheet in pixels; absent: as wide as there is room. */
  readonly width?: number;
  /** Of a form of several pages, the one that is shown. */
  readonly page?: string;
  /** Empty where nothing is to be sent. */
  readonly submitLabel?: string;
  /** How many copies stand on the page. */
  readonly copies: number;
}

/** The base of all ids on a sheet that the server draws first. */
export const servedPrefix = 'served-';

export type ToFrame =
  | {
      readonly kind: 'mount';
      readonly input: string;
      readonly adapter: AdapterDescription;
      readonly listen: readonly string[];
      /** Whether what a person does is told as steps. */
      readonly recording: boolean;
    }
  | { readonly kind: 'replay'; readonly gesture: Gesture }
  /** Asked every second; a frame that does not answer hangs. */
  | { readonly kind: 'ping' }
  /** Any page of HTML, to look at its links. Scripts in it do not run. */
  | { readonly kind: 'page'; readonly html: string }
  | { readonly kind: 'push'; readonly written: unknown }
  | { readonly kind: 'open'; readonly open: FormToOpen }
  | { readonly kind: 'load'; readonly values: unknown }
  | { readonly kind: 'restart' }
  /** What becomes of a value that no schema speaks of. */
  | { readonly kind: 'left over'; readonly at: string; readonly keep: boolean }
  | { readonly kind: 'light'; readonly schemaAt: string }
  | { readonly kind: 'focus'; readonly at: string }
  | { readonly kind: 'theme'; readonly theme: 'light' | 'dark' }
  /** What was asked for, or why it could not be had. */
  | { readonly kind: 'fetched'; readonly id: number; readonly answer?: unknown; readonly trouble?: string }
  | { readonly kind: 'answer'; readonly id: number; readonly outcome: Outcome };
