/** A project folder: which inputs its packages have, what they declare, their bundles, and the contract in a real browser. Runs in Node only. */
export { inspect, type InspectedInput, type Inspection } from './find.js';
export { KeptInspections, kitFileName } from './kept.js';
export type { Progress } from './declared/index.js';
export { suiteOf } from './declared/suite.js';
export { findPackage, ProjectError, readProject, type Project, type ProjectPackage } from './project.js';
export { CodeError, scriptOf } from './code.js';
export { Renderer, type Rendered } from './render.js';
export { ourPackages } from './bundle-plugins.js';
export { bundle, BundleError, type Bundle } from './bundle.js';
export type { BundledInput, BundleOptions } from './bundle-options.js';
export { isBuiltIn } from './inside.js';
export { BrowserLost, openBrowser, OutOfTime, proveAdapter, tryInput, type ProofOptions, type Tried } from './prove.js';
export { ownTypes, schemaOfType, type OwnType, type TypeNote, type TypeSchema } from './types/index.js';
