/** @poietra/core: values, schemas, codecs, adapters, forms, plans. No interface code, no DOM; runs in Node, page and worker. */
export * from './json/index.js';
export * from './schema/index.js';
export * from './codec/index.js';
export * from './adapter/index.js';
export * from './expression/index.js';
export * from './words/index.js';
export * from './form/index.js';
export * from './plan/index.js';
export * from './prepare/index.js';
export * from './kit/index.js';
export * from './skin/index.js';
