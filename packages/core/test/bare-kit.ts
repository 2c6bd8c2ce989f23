import type { Kit } from '../src/index.js';

/** A kit with nothing in it. */
export const bareKit: Kit = {
  poietra: 1,
  name: 'Skerry Line',
  inputs: {},
  adapters: {},
  codecs: {},
  fields: {},
  groups: {},
  forms: {},
};
