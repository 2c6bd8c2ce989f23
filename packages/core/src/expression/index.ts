/** Expressions in the Common Expression Language (CEL): conditions and computed values. Needs JSON only; the language is loaded when it is used. */
export { writtenExpressions, type WrittenExpression } from './computing.js';
export { groupOf } from './functions.js';
export { loadExpressions } from './load.js';
export { referencesIn } from './references.js';
export type { Expressed, Expression, Expressions, Scope } from './types.js';
