/** How inputs speak: the description, what it makes of a state and a report, and how it is drafted from evidence. Needs JSON only. */
export type { AdapterDescription, Family, Focus, InputState, WidgetUse } from './description.js';
export { ownProperties, pathWords, propertiesFor, valueIn, type ReadWritten } from './drive.js';
export { draftAdapter, focusWords } from './draft.js';
export type { DeclaredEvent, DeclaredProperty, Finding, FoundInput } from './face.js';
export { nativeAdapters } from './native.js';
export { changeSlot, sentencesFor, type Sentence, type Slot } from './sentences.js';
export { describe as describeValue, type Described } from './described.js';
