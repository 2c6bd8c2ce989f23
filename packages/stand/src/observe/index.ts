/** Trying an input: what it does tells what its declarations leave open, and where they mislead. */
import type { AdapterDescription, Finding, FoundInput } from '@poietra/core';
import type { Ground } from '../ground.js';
import { giveName, giveWords } from './asked-for.js';
import { Observation, type Make } from './observation.js';
import { changeAgain, findChange, findGoingBack, findLater } from './change.js';
import { hasPlace, markStates, putTogether, triedWays } from './inside.js';
import { findItems, findOptions } from './items.js';
import { findMaking } from './objects.js';
import { findOwnIds } from './own-ids.js';
import { findOnServer } from './on-server.js';
import { findFocus, findReality } from './reality.js';
import { inItsLook, inPlace, mountSomehow, untilThere } from './standing.js';
import { dropAstray, findFlags, findInvalid, findLeaving, findMessage, findRequired } from './states.js';
import { beginsWithOne, findEmpty, findKind, findSamples, findSubmission } from './values.js';

export type { Make };
export interface Observed {
  readonly adapter: AdapterDescription;
  readonly findings: readonly Finding[];
  /** Why it could not be tried, if so. */
  readonly failed?: string;
}

/** Tries the drafted adapter and gives it back as behaviour speaks for it, with what was seen. */
export async function observe(
  input: FoundInput,
  draft: AdapterDescription,
  make: Make,
  render: Ground['render'],
): Promise<Observed> {
  const seen = new Observation(input, draft, make);
  try {
    return await tryAll(seen, render);
  } finally {
    await seen.end();
  }
}

async function tryAll(seen: Observation, render: Ground['render']): Promise<Observed> {
  const first = await mountSomehow(seen);
  if (first?.error !== undefined || !first) {
    const failed = first?.error ?? 'It is not in the bundle.';
    seen.note('value', `It cannot be drawn: ${failed}`, 'It was mounted alone.', 1);
    return { adapter: seen.adapter, findings: seen.findings, failed };
  }
  const dressed = await beginsWithOne(seen, await inItsLook(seen, await giveWords(seen, first)));
  await untilThere(dressed);
  findReality(
    seen,
    (await hasPlace(dressed)) ? dressed : ((await putTogether(seen)) ?? (await inPlace(seen)) ?? dressed),
  );
  await seen.clean();
  await markStates(seen);
  await findMaking(seen);
  await findItems(seen);
  await findOptions(seen);
  await findFocus(seen);
  await findOwnIds(seen);
  await findChange(seen);
  if (seen.adapter.gesture === undefined && seen.adapter.inside) await tryOtherWays(seen);
  if (seen.adapter.gesture === undefined && seen.adapter.widget) await tryOtherElements(seen);
  if (seen.adapter.gesture === undefined) await tryOtherModes(seen);
  await markStates(seen);
  await findSamples(seen);
  await findLater(seen);
  const before = seen.adapter;
  await findEmpty(seen);
  await changeAgain(seen, before);
  await findGoingBack(seen);
  await findKind(seen);
  await findSubmission(seen);
  await giveName(seen);
  await findLeaving(seen);
  await findFlags(seen);
  await findMessage(seen);
  await findInvalid(seen);
  await findRequired(seen);
  dropAstray(seen);
  await findOnServer(seen, render);
  return { adapter: seen.adapter, findings: seen.findings };
}

/**
 * The adapter with a gesture and samples for the checks, where it has none: tried for, without being shown. What else it
 * says stays as it is.
 */
export async function prepare(given: AdapterDescription, make: Make): Promise<AdapterDescription> {
  if (given.gesture && given.samples) return given;
  const seen = new Observation({ ...unknownInput, id: given.input }, given, make);
  try {
    if (!given.gesture) await findChange(seen);
    const { gesture } = seen.adapter;
    seen.adapter = { ...given, ...(gesture ? { gesture } : {}) };
    if (!given.samples) await findSamples(seen);
    const { samples } = seen.adapter;
    return { ...given, ...(gesture ? { gesture } : {}), ...(samples ? { samples } : {}) };
  } finally {
    await seen.end();
  }
}
const unknownInput: Omit<FoundInput, 'id'> = {
  family: 'component',
  package: '',
  version: '',
  export: '',
  module: '',
  properties: [],
  events: [],
  methods: [],
  css: [],
};

/** A widget that nothing changes may be meant to stand on an element of another kind: its type says “any element”. */
async function tryOtherElements(seen: Observation): Promise<void> {
  const before = seen.adapter;
  const { widget } = before;
  if (!widget) return;
  for (const element of (['div', 'input'] as const).filter((one) => one !== widget.element)) {
    const { real: _real, id: _id, ...bare } = before;
    seen.adapter = { ...bare, widget: { ...widget, element } };
    const trial = await seen.mount();
    if (!trial || trial.error !== undefined) continue;
    findReality(seen, trial);
    await seen.clean();
    await findFocus(seen);
    await findChange(seen);
    if (!seen.adapter.gesture) continue;
    seen.note('value', `It stands on a ${element}.`, `On a ${widget.element} nothing changed it.`, 1);
    return;
  }
  seen.adapter = before;
}

/** What lets nothing be chosen unless it is told how much may be. */
async function tryOtherModes(seen: Observation): Promise<void> {
  const before = seen.adapter;
  for (const { name, inherited, choices = [] } of seen.input.properties) {
    if (inherited || !choices.includes('none')) continue;
    for (const mode of ['single', 'multiple'].filter((one) => choices.includes(one))) {
      seen.adapter = { ...before, constants: { ...before.constants, [name]: mode } };
      await findChange(seen);
      if (!seen.adapter.gesture) continue;
      seen.note('value', `“${name}” has to be ${mode}.`, 'Without it nothing can be chosen.', 0.95);
      return;
    }
  }
  seen.adapter = before;
}

/** What is put together in a way in which nothing changes it may be meant in another. */
async function tryOtherWays(seen: Observation): Promise<void> {
  const before = seen.adapter;
  for (;;) {
    const trial = await putTogether(seen, triedWays(seen));
    if (!trial) break;
    findReality(seen, trial);
    await seen.clean();
    await findMaking(seen);
    await findFocus(seen);
    await findChange(seen);
    if (seen.adapter.gesture) return;
  }
  seen.adapter = before;
}
