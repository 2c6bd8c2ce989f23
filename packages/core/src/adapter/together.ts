/** Several inputs that act as one value: one description over the descriptions of its parts. */
import { isObject, setOwn } from '../json/index.js';
import type { AdapterDescription, PartUse } from './description.js';

/** The name under which inputs put together stand for one. */
export const togetherInput = 'together';

/**
 * The adapter of several inputs. What is shown is an object with a member for each part, and a change of any part reports
 * the whole of it; the codec `parts` makes one text of it.
 */
export function putTogether(parts: readonly PartUse[]): AdapterDescription {
  const samples = parts.map(({ use }) => use.samples);
  const sample = (which: 0 | 1): unknown => {
    const shown: Record<string, unknown> = {};
    parts.forEach(({ name }, i) => setOwn(shown, name, samples[i]?.[which]));
    return shown;
  };
  return {
    input: togetherInput,
    title: parts.map(({ label }) => label).join(', '),
    value: { property: 'value', kind: 'object' },
    change: { report: 'onChange', path: '/0' },
    focus: { by: 'element' },
    parts,
    ...(samples.every((one) => one !== undefined) ? { samples: [sample(0), sample(1)] } : {}),
  };
}

/** The inputs that an adapter needs, by id: its own, or those of its parts. */
export function inputsOf({ input, parts }: AdapterDescription): readonly string[] {
  return parts ? [...new Set(parts.flatMap(({ use }) => inputsOf(use)))] : [input];
}

/** Those of them that have to be bundled: all but HTML's own. */
export function foreignInputs(adapter: AdapterDescription): readonly string[] {
  return inputsOf(adapter).filter((id) => !id.startsWith('native#'));
}

/** The versions of the packages behind an adapter, as one text. */
export function versionOf(
  adapter: AdapterDescription,
  inputs: Readonly<Record<string, { readonly version: string }>>,
): string {
  return [...new Set(inputsOf(adapter).flatMap((id) => inputs[id]?.version ?? []))].join(', ');
}

/** What is shown to one part of a value. */
export function partOf(shown: unknown, name: string): unknown {
  return isObject(shown) && Object.hasOwn(shown, name) ? shown[name] : undefined;
}

/** The value with another part. */
export function withPart(shown: unknown, parts: readonly PartUse[], name: string, raw: unknown): unknown {
  const next: Record<string, unknown> = {};
  for (const part of parts) {
    const value = part.name === name ? raw : partOf(shown, part.name);
    if (value !== undefined) setOwn(next, part.name, value);
  }
  return next;
}
