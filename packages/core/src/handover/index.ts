/** Kit → source, types, tests. Reads every other room; nothing reads it but the edge. */
export { adapterSource } from './adapters.js';
export { codecAsCode } from './codec-as-code.js';
export { standaloneSchema } from './bundle-schema.js';
export type { HandoverFile } from './file.js';
export { handOver, usedGroups, type HandOverWay } from './files.js';
export type { OwnSources } from './own.js';
export { usedAdapters } from './forms.js';
export { typeName, valueName } from './source.js';
export { typesFor } from './types.js';
export { drawingsSource, writeForm, type FormToWrite, type FormWritten } from './written-form.js';
export { writeValidator, type ValidatorOptions } from './write-validator.js';
