/**
 * JSON Schema, drafts 4 to 2020-12: reading, checking, and what a form wants to know of it.
 * Knows JSON only; nothing of forms, codecs or interfaces.
 */
export { compileSchema, compileSchemaInTurns, loadSchema } from './compile.js';
export type { CompiledSchema } from './compiled.js';
export { readGraph, type SchemaGraph } from './graph.js';
export { prepareSchema } from './prepare.js';
export type { Turn } from './registry.js';
export { SchemaError, type CompileOptions } from './compiler.js';
export type { Recheck, Verdict } from './memory.js';
export { dialects } from './dialects.js';
export type { Dialect } from './dialect.js';
export { enginePartsOf, type EngineParts } from './engine-parts.js';
export { standardFormats, type Format } from './formats.js';
export { listWords, reword, textFor, type Message, type Messages } from './messages.js';
export { shortly } from './shortly.js';
export { english, messageFor } from './whole-engine.js';
export type { Context as KeywordContext, Keyword } from './keywords/context.js';
export { metaSchema } from './meta/index.js';
export { compilePattern, type Pattern } from './pattern/index.js';
export { resolveUri } from './resolve-uri.js';
export {
  applied,
  appliedBelow,
  bestBranch,
  hasMembersBesides,
  tupleLength,
  factsOf,
  holds,
  beginsAsNothing,
  namedMembers,
  namesMembers,
  requiring,
  type Applied,
  type Choice,
  type Condition,
  type Facts,
  type SaidNode,
  type SaidRule,
  type Asks,
} from './applied.js';
export type { StandardIssue, StandardSchema } from './standard.js';
export type { ValueOf } from './value-of.js';
export type { Branching, Rule, SchemaNode } from './rule.js';
export { tellingMember } from './keywords/branches.js';
export { fillDefaults, startValue } from './defaults.js';
export { inferSchema, type Inferred, type InferReason } from './infer.js';
export { outputOf, type OutputFormat, type OutputUnit } from './output.js';
