/**
 * Beside the libraries, what a hand-over that stands on its own offers: adapted inputs as plain components. Nothing imports
 * this room; `scripts/own-sources.mjs` takes its source, and that of the libraries, statement by statement.
 */
export { asComponent, type InputComponent, type InputHandle, type InputProps } from './as-component.js';
