/** Skins drafted by evidence: which components of a suite could draw which part of a form, and what came of trying them. */
export { skinTasks, type SkinTask, type SuiteComponent } from './tasks.js';
export { draftSkin, skinPartSays, type DraftedSkin, type SeenPart, type SkinFinding } from './draft.js';
