export * from './json/index.js';
export * from './schema/index.js';
