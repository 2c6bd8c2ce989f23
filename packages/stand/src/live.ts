import type { AdapterDescription, Family } from '@poietra/core';
import { adapt, adaptTogether, nativeElement, type AdaptedInput, type Around } from '@poietra/react';

/** The inputs of a bundle: the constructor, component or tag under the input's id. */
export type BundledInputs = Readonly<Record<string, { readonly family: Family; readonly value: unknown }>>;

/** The living input for a description: a bundled one, or one of HTML's own under whatever description the kit gives it. */
export function liveInput(inputs: BundledInputs, adapter: AdapterDescription): AdaptedInput | undefined {
  if (adapter.parts) {
    const parts = adapter.parts.map(({ use }) => liveInput(inputs, use));
    return parts.every((part) => part !== undefined) ? adaptTogether(adapter, parts) : undefined;
  }
  if (adapter.input.startsWith('native#')) {
    const name = adapter.input.slice('native#'.length);
    return adapt(nativeElement(name), adapter, adapter.id ? 'native' : 'component');
  }
  const found = Object.hasOwn(inputs, adapter.input) ? inputs[adapter.input] : undefined;
  const bundled = (id: string): unknown => (Object.hasOwn(inputs, id) ? inputs[id]?.value : undefined);
  const around = (adapter.wrappers ?? []).flatMap(({ component, properties, imports = {} }): Around[] => {
    const wrapper = bundled(component);
    const imported = Object.entries(imports).map(([name, id]): [string, unknown] => [name, bundled(id)]);
    return wrapper === undefined
      ? []
      : [{ component: wrapper, properties: { ...properties, ...Object.fromEntries(imported) } }];
  });
  const { choices } = adapter;
  const item = choices && 'component' in choices ? bundled(choices.component) : undefined;
  return found && adapt(found.value, adapter, found.family, around, item);
}
