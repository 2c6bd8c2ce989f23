/** Kit → source, types, tests. Reads every other room; nothing reads it but the edge. */
export { standaloneSchema } from './bundle-schema.js';
export { handOver, usedAdapters, usedGroups, type HandoverFile } from './files.js';
export { typeName, typesFor, valueName } from './types.js';
