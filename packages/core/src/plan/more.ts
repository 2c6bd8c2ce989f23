/** What many plans need, but not every one: fetched together. */
export { readBox } from './boxes.js';
export { checksOf } from './checks.js';
export { readChoices } from './choosers.js';
export { expressionsOf } from './expressions.js';
