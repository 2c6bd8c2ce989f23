/** How inputs speak: the description, what it makes of a state and a report, and how it is drafted from evidence. Needs JSON only. */
export {
  checkOf,
  contract,
  faceChanges,
  faceOf,
  fingerprint,
  quietChecks,
  sheetChanges,
  staleness,
  isKept,
  toTry,
  fallsShort,
  tally,
  type Check,
  type CheckId,
  type CheckVerdict,
  type Depth,
  type ScoreSheet,
} from './contract.js';
export {
  componentOfChoice,
  componentsBeside,
  componentsIn,
  markedBy,
  plainBox,
  laterValues,
  valueKinds,
  widgetElements,
  widgetReports,
  wrappedIn,
} from './description.js';
export type {
  AdapterDescription,
  ChoicesUse,
  ListUse,
  Focus,
  InputState,
  Inside,
  MadeUse,
  PartUse,
  ValueKind,
  WidgetUse,
  Wrapper,
} from './description.js';
export { families, familyNames, type Family } from './families.js';
export { addStep, gestureWords, stepWords, type Gesture, type Step, type Target } from './gesture.js';
export {
  emptiesFor,
  isFlagType,
  isOpenName,
  pressesIn,
  answersOf,
  readingsOf,
  reportsOf,
  samplesFor,
  type Heard,
  type Reading,
} from './observed.js';
export {
  isOfKind,
  ownProperties,
  pathWords,
  propertiesFor,
  reportedBy,
  valueIn,
  valueKind,
  type FromNotation,
} from './drive.js';
export { draftAdapter, draftByHand, focusWords } from './draft.js';
export { isColour, valueNames } from './pair.js';
export { alike, choiceTags, namePairIn, type NamePair } from './name-pairs.js';
export { calledAs, componentsToTry, partsToTry } from './face.js';
export type {
  DeclaredArgument,
  DeclaredEvent,
  DeclaredProperty,
  ElementInside,
  Finding,
  FoundInput,
  ObjectValue,
  ListMade,
  PutTogether,
} from './face.js';
export { boxAdapters, nativeAdapters } from './boxes.js';
export { comboAdapters } from './boxes/combo.js';
export { fileAdapters } from './boxes/file.js';
export { groupAdapters } from './boxes/group.js';
export { listAdapters } from './boxes/lists.js';
export { plainAdapters } from './native.js';
export { foreignInputs, inputsOf, partOf, putTogether, togetherInput, versionOf, withPart } from './together.js';
export { takings } from './choices-sentences.js';
export { changeSlot, sentencesFor } from './sentences.js';
export type { Sentence, Slot } from './slot.js';
export { describe as describeValue, type Described } from './described.js';
