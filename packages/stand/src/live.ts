import { componentsBeside, nativeAdapters, same, type AdapterDescription, type Family } from '@poietra/core';
import { adapt, adaptTogether, nativeElement, nativeInputs, type AdaptedInput } from '@poietra/react';

/** The inputs of a bundle: the constructor, component or tag under the input's id. */
export type BundledInputs = Readonly<Record<string, { readonly family: Family; readonly value: unknown }>> & {
  /** An adapter as an application has it in its source, with its description there: that is the one to prove. */
  readonly [handedOver]?: { readonly made: AdaptedInput; readonly description: Partial<AdapterDescription> };
};
/** No input is called so. */
export const handedOver = Symbol.for('poietra.handed-over');

/** What the application's own source says goes before what its kit does. */
export const asHandedOver = (inputs: BundledInputs, adapter: AdapterDescription): AdapterDescription => ({
  ...adapter,
  ...inputs[handedOver]?.description,
});

/** The living input for a description: a bundled one, or one of HTML's own under whatever description the kit gives it. */
export function liveInput(inputs: BundledInputs, adapter: AdapterDescription): AdaptedInput | undefined {
  const own = inputs[handedOver];
  if (own) return own.made;
  if (adapter.parts) {
    const parts = adapter.parts.map(({ use }) => liveInput(inputs, use));
    return parts.every((part) => part !== undefined) ? adaptTogether(adapter, parts) : undefined;
  }
  if (adapter.input.startsWith('native#')) {
    const name = adapter.input.slice('native#'.length);
    // One that nobody changed is the very input that forms are drawn with.
    const shipped = nativeInputs[`native:${name}`];
    if (shipped && same(adapter, nativeAdapters[name])) return shipped;
    return adapt(nativeElement(name), adapter, adapter.id ? 'native' : 'component');
  }
  const found = Object.hasOwn(inputs, adapter.input) ? inputs[adapter.input] : undefined;
  if (found && adapter.onServer === 'nothing' && typeof document === 'undefined') {
    // Nothing of it may even be loaded there, nor what stands around and inside it.
    const { wrappers: _wrappers, inside: _inside, choices: _choices, value, ...bare } = adapter;
    const { made: _made, ...shown } = value;
    return adapt(undefined, { ...bare, value: shown }, found.family);
  }
  const names = componentsBeside(adapter);
  // What is declared and not exported is there without a value.
  const isThere = (name: string): boolean => Object.hasOwn(inputs, name) && inputs[name]?.value !== undefined;
  if (found?.value === undefined || !names.every(isThere)) return undefined;
  const beside = Object.fromEntries(names.map((name) => [name, inputs[name]?.value]));
  return adapt(found.value, adapter, found.family, beside);
}
