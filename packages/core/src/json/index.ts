/**
 * JSON itself: values, pointers into them (RFC 6901), equality, edits and limits.
 * Nothing here knows of schemas, forms or interfaces.
 */
export type { Json, JsonObject } from './value.js';
export {
  copyOf,
  equalJson,
  isJson,
  reasonOf,
  isObject,
  isPlain,
  ownMember,
  plainly,
  setOwn,
  kindOf,
  jsonText,
  type Kind,
} from './value.js';
export { formatPointer, parsePointer, joinPointer, isWithin, type Pointer } from './pointer.js';
export { lookUp, parentPointer } from './look-up.js';
export { canonical } from './canonical.js';
export { removeAt, replaceAt } from './edit.js';
export { copyJson, LimitReached, defaultLimits, type Limits } from './limits.js';
export { isDevelopment, warnDeveloper } from './dev.js';
export { nearest, nearestName } from './nearest.js';
export type { Problem } from './problem.js';
