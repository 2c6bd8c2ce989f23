/** What many forms are drawn with, but not every one: fetched together. */
import { boxInputs } from './box-inputs.js';
import { Opened } from './opened.js';
import { PlannedChooser } from './planned-chooser.js';
import { PlannedList } from './planned-list.js';
import { MoreMembers } from './planned-map.js';
import { RemoteField } from './remote-field.js';
import { Steps } from './steps.js';
import { Tabs } from './tabs.js';

export const moreDrawings = {
  inputs: boxInputs,
  List: PlannedList,
  Chooser: PlannedChooser,
  More: MoreMembers,
  Opened,
  Tabs,
  Steps,
  Remote: RemoteField,
};
