/** What many forms need, but not every one: fetched together. */
export { fillDefaults } from '../schema/index.js';
export { attend } from './attend.js';
export { FormExpressions } from './computed.js';
export { Moves } from './moves.js';
export { normalWhileTyping } from './normal.js';
