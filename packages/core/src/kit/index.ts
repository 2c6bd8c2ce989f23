/** The kit: its format, reading it safely, writing it. Names everything the other rooms describe. */
export { kitSchema, kitVersion, type FormDescription, type GroupDescription, type Kit, type KitInput } from './kit.js';
export {
  groupUri,
  kitDocuments,
  largestKit,
  readKit,
  readKitText,
  writeKit,
  type KitProblem,
  type KitReading,
} from './read.js';
