/**
 * Forms for which everything is fetched that schema and hints ask for. Nothing of what is fetched stands behind this door;
 * what is, comes from the files themselves and not through their rooms' doors, so that each bundler can tell it apart.
 */
export { preparePlan } from './prepare-plan.js';
export type { FormSource, OpenPrepared, PreparedPlan } from './source.js';
