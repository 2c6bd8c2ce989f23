/** What an input tells of in the console however it is used: on a page of its own, given nothing by its adapter. */
import type { AdapterDescription } from '@poietra/core';
import type { AdaptedInput } from '@poietra/react';
import { settle } from './settle.js';
import { Trial } from './trial.js';
import { watch } from './watch.js';

/** It stands in what has to be around it, with a listener, and has neither value nor name, hint or state. */
function bareOf({ input, value, change, focus, widget, inside, wrappers }: AdapterDescription): AdapterDescription {
  return {
    input,
    value: { property: value.property },
    change,
    focus,
    ...(widget ? { widget } : {}),
    ...(inside ? { inside } : {}),
    ...(wrappers ? { wrappers } : {}),
  };
}

/** Has to be asked on a fresh page: most warnings are given once. What was thrown is no warning. */
export async function toldBare(
  make: (adapter: AdapterDescription) => AdaptedInput | undefined,
  given: AdapterDescription,
): Promise<string[]> {
  const adapter = bareOf(given);
  const input = make(adapter);
  if (!input) return [];
  const watching = watch();
  const trial = await Trial.mount({ input, adapter });
  await settle();
  trial.end();
  watching.stop();
  return watching.warnings.filter((text) => !watching.thrown.includes(text));
}

/** Names of what an adapter gives, and words for it: who warns of these may want something from the adapter. Within a longer name they are none. */
const aboutUse =
  /(?<![\w-])(?:prop(?:s|erty|erties|types?)?|attributes?|children|child|slots?|items?|keys?|ids?|labels?|values?|names?|options?|wrap\w*|within|inside|contexts?|provid\w*|required|must|missing|should)(?![\w-])/i;
/** Counted things and ids are others each time. */
const plainly = (text: string): string => text.replace(/:\w+:|\d+/g, '0');

/** Whether it was told without a value of the adapter, too, and is about neither how the input is used nor what it was given even so. */
export function isToldBare(
  text: string,
  bare: readonly string[],
  { value, change, wrappers = [] }: Pick<AdapterDescription, 'value' | 'change' | 'wrappers'>,
): boolean {
  const given = [value.property, change.report, ...wrappers.flatMap(({ properties = {} }) => Object.keys(properties))];
  if (aboutUse.test(text) || given.some((name) => text.includes(name))) return false;
  return bare.some((one) => plainly(one) === plainly(text));
}
