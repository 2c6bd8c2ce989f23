import { nativeAdapters, type AdapterDescription } from '@poietra/core';
import { adapt, nativeInputs, type AdaptedInput } from '@poietra/react';
import type { BundledInputs } from './tell.js';

/** The living input for a description: a bundled one, or one of HTML's own under whatever description the kit gives it. */
export function liveInput(inputs: BundledInputs, adapter: AdapterDescription): AdaptedInput | undefined {
  if (adapter.input.startsWith('native#')) {
    const name = adapter.input.slice('native#'.length);
    const same = JSON.stringify(nativeAdapters[name]) === JSON.stringify(adapter);
    return same || name === 'select'
      ? nativeInputs[`native:${name}`]
      : adapt(name === 'textarea' ? name : 'input', adapter, 'native');
  }
  const found = Object.hasOwn(inputs, adapter.input) ? inputs[adapter.input] : undefined;
  return found && adapt(found.value, adapter, found.family);
}
