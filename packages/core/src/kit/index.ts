/** The kit: its format, reading it safely, writing it. Names everything the other rooms describe. */
export { adapterSchema } from './adapter-shape.js';
export {
  kitSchema,
  kitVersion,
  type DocumentDescription,
  type FormDescription,
  type HintDescription,
  type GroupDescription,
  type Kit,
  type KitInput,
  type Proof,
  type WrittenTexts,
} from './kit.js';
export { componentsOfSkin, skinParts, type SkinDescription, type SkinPart, type SkinPartDescription } from './skin.js';
export { documentUri, groupUri, kitDocuments, missingDocuments, missingIn } from './documents.js';
export { readKit, readKitText, type KitReading } from './read.js';
export { largestKit, writeKit } from './write.js';
export type { KitProblem } from './problem.js';
export { strayMembers } from './stray.js';
export {
  dissolveGroup,
  groupEffects,
  makeGroup,
  placesOfGroup,
  type GroupEffect,
  type GroupPlace,
  type KitEdits,
} from './groups.js';
export { editableRules, editForm, type FormEdit } from './edit-form.js';
export {
  checkLook,
  lookCss,
  lookVariables,
  type LookDescription,
  type LookKind,
  type LookName,
  type LookPlaces,
  type LookValues,
} from './look.js';
export { mergeKits, takeThere, type MergedKit, type PartDifference } from './merge.js';
export { ownHintsOf, type OwnHintUse } from './own-hints.js';
export { mentionedAdapters } from './mentioned.js';
export {
  checkName,
  copyPart,
  freeName,
  freeNameFor,
  partsOf,
  removePart,
  renamePart,
  titleOf,
  usesOfDocument,
  usesByPart,
  usesOfPart,
  type KitUse,
} from './parts.js';
export { type PartKind } from './references.js';
export {
  emptyForm,
  formFromSamples,
  formFromSchema,
  kindOfBeginning,
  type BeginningKind,
  type BegunForm,
} from './begin.js';
export { formFromOperation, operationsOf, type Operation } from './open-api.js';
