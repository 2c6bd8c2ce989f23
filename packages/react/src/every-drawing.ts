import type { Drawings } from './drawing.js';
import { boxInputs } from './native.js';
import { Opened } from './opened.js';
import { PlannedChooser } from './planned-chooser.js';
import { PlannedList } from './planned-list.js';
import { MoreMembers } from './planned-map.js';
import { RemoteField } from './remote-field.js';
import { compact, plain } from './skin.js';
import { Steps } from './steps.js';
import { Tabs } from './tabs.js';

/** All that any plan may ask for. */
export const everyDrawing: Drawings = {
  inputs: boxInputs,
  skins: { plain, compact },
  List: PlannedList,
  Chooser: PlannedChooser,
  More: MoreMembers,
  Opened,
  Tabs,
  Steps,
  Remote: RemoteField,
};
