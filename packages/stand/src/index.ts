/** @poietra/stand: what happens on a stand, in a browser: mounting one input, trying it, doing gestures, proving the contract. */
export { startProving, type FromProver, type ToProver } from './frame.js';
export { GestureError, perform } from './hands.js';
export { nameOf, roleOf, targetOf } from './targets.js';
export type { Outside, Told } from './outside.js';
export { linkMap, type Link, type LinkBreak, type LinkMap } from './links.js';
export type { ToJudge } from './judge.js';
export { liveInput, type BundledInputs } from './live.js';
export { fullLook, look, lookDifference } from './look.js';
export { pushMatrix, type PushedRow } from './matrix.js';
export { record } from './record.js';
export { observe, type Make, type Observed } from './observe/index.js';
export { prove } from './prove.js';
export { sampleChoices } from './sample-choices.js';
export { answerOnce } from './answer.js';
export { servedDifferences, setStylesAside } from './served.js';
export { settle, within } from './settle.js';
export { Trial, type TrialOptions } from './trial.js';
export { consoleText, watch, type Watch } from './watch.js';
