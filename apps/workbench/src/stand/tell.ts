import type { FromFrame } from './checked.js';

/** The inputs of a bundle: the constructor, component or tag under the input's id. */
export type BundledInputs = Readonly<
  Record<string, { readonly family: 'component' | 'element' | 'widget'; readonly value: unknown }>
>;

export function tell(message: FromFrame): void {
  window.parent.postMessage(message, '*');
}
