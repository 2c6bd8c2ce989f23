/**
 * What is handed over imports from here: how a form that was written out is made ready and drawn, adapters and skins, and
 * the drawings that not every form needs, each on its own. Nothing here leads to what makes forms ready from their
 * schemas: a bundler that divides by files would take that along for every application.
 */
import {
  readWritten,
  type OpenWrittenOptions,
  type ReadyForm,
  type WrittenBeside,
  type WrittenForm,
} from '@poietra/core/written';
import type { Drawings } from './drawing.js';
import { compact, plain } from './skin.js';

export { adapt } from './adapt.js';
export { later } from './later.js';
export { DrawnForm } from './drawn-form.js';
export { drawOwnHints } from './own-hints.js';
export { compact, type Skin } from './skin.js';
export { suiteSkin } from './suite-skin.js';
export { adaptTogether } from './together.js';

export { comboInputs } from './boxes/combo.js';
export { fileInputs } from './boxes/file.js';
export { groupInputs } from './boxes/group.js';
export { listInputs } from './boxes/lists.js';
export { Opened } from './opened.js';
export { PlannedChooser as Chooser } from './planned-chooser.js';
export { PlannedList as List } from './planned-list.js';
export { MoreMembers as More } from './planned-map.js';
export { RemoteField as Remote } from './remote-field.js';
export { Steps } from './steps.js';
export { Tabs } from './tabs.js';
export type { OpenWrittenOptions, WrittenForm };

/** A form to be opened and drawn: `DrawnForm` takes its plan and its drawings. */
export interface DrawableForm extends ReadyForm {
  readonly drawings: Drawings;
}

/** What a written form does not hold itself. */
export interface WrittenWith extends WrittenBeside {
  /** What it is drawn with beside what every form is. */
  readonly drawings?: Partial<Drawings>;
}

/**
 * Makes a form ready that was written out (`written` of a hand-over's `*.plan.js`): at once, with nothing to wait for. Its
 * schema is fetched when the form stands; problems are told from then on, and sending waits for it.
 */
export function writtenForm(written: WrittenForm, { drawings, ...beside }: WrittenWith = {}): DrawableForm {
  return {
    ...readWritten(written, beside),
    drawings: { inputs: {}, skins: { plain, compact }, ...drawings },
  };
}
