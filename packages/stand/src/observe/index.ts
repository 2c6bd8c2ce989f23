/** Trying an input: what it does tells what its declarations leave open, and where they mislead. */
import type { AdapterDescription, Finding, FoundInput } from '@poietra/core';
import { workingElements } from '@poietra/react';
import { paint } from '../bench.js';
import type { Trial } from '../trial.js';
import { Observation, type Make } from './observation.js';
import { changeAgain, findChange, findGoingBack } from './change.js';
import { hasPlace, markStates, putTogether, triedWays } from './inside.js';
import { findFocus, findReality } from './reality.js';
import { findFlags, findInvalid, findLeaving } from './states.js';
import { findEmpty, findKind, findSamples, findSubmission } from './values.js';

export type { Make };
export interface Observed {
  readonly adapter: AdapterDescription;
  readonly findings: readonly Finding[];
  /** Why it could not be tried, if so. */
  readonly failed?: string;
}

/** Tries the drafted adapter and gives it back as behaviour speaks for it, with what was seen. */
export async function observe(input: FoundInput, draft: AdapterDescription, make: Make): Promise<Observed> {
  const seen = new Observation(input, draft, make);
  try {
    return await tryAll(seen);
  } finally {
    await seen.end();
  }
}

async function tryAll(seen: Observation): Promise<Observed> {
  const first = await mountSomehow(seen);
  if (first?.error !== undefined || !first) {
    const failed = first?.error ?? 'It is not in the bundle.';
    seen.note('value', `It cannot be drawn: ${failed}`, 'It was mounted alone.', 1);
    return { adapter: seen.adapter, findings: seen.findings, failed };
  }
  const dressed = await inItsLook(seen, first);
  await untilThere(dressed);
  findReality(
    seen,
    (await hasPlace(dressed)) ? dressed : ((await putTogether(seen)) ?? (await inPlace(seen)) ?? dressed),
  );
  await seen.clean();
  await markStates(seen);
  await findFocus(seen);
  await findChange(seen);
  if (seen.adapter.gesture === undefined && seen.adapter.inside) await tryOtherWays(seen);
  await markStates(seen);
  await findSamples(seen);
  const before = seen.adapter;
  await findEmpty(seen);
  await changeAgain(seen, before);
  await findGoingBack(seen);
  await findKind(seen);
  await findSubmission(seen);
  await findLeaving(seen);
  await findFlags(seen);
  await findInvalid(seen);
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

/** What is put together in a way in which nothing changes it may be meant in another. */
async function tryOtherWays(seen: Observation): Promise<void> {
  const before = seen.adapter;
  for (;;) {
    const trial = await putTogether(seen, triedWays(seen));
    if (!trial) break;
    findReality(seen, trial);
    await seen.clean();
    await findFocus(seen);
    await findChange(seen);
    if (seen.adapter.gesture) return;
  }
  seen.adapter = before;
}

/** In one of the components that its package has for standing around others. */
async function mountInside(seen: Observation, error: string): Promise<Trial | undefined> {
  const before = seen.adapter;
  if ((before.wrappers ?? []).length > 0) return undefined;
  let other: AdapterDescription | undefined;
  for (const wrapper of seen.input.around ?? []) {
    seen.adapter = { ...before, wrappers: [wrapper] };
    const trial = await seen.mount();
    if (!trial) continue;
    if (trial.error === undefined) {
      seen.note('around', `It has to stand inside ${wrapper.component}.`, `Alone it fails: ${error}`, 1);
      return trial;
    }
    // Inside it something else is missing, so it is a step further.
    if (trial.error !== error) other ??= seen.adapter;
  }
  seen.adapter = other ?? before;
  return undefined;
}

/** Where it draws nothing to work with by itself, in one of the components that may stand around it: without, it may have no size. */
async function inPlace(seen: Observation): Promise<Trial | undefined> {
  const before = seen.adapter;
  for (const wrapper of (before.wrappers ?? []).length > 0 ? [] : (seen.input.around ?? [])) {
    seen.adapter = { ...before, wrappers: [wrapper] };
    const trial = await seen.mount();
    if (!trial) continue;
    const whole = (await hasPlace(trial)) ? trial : await putTogether(seen);
    if (!whole) continue;
    seen.note('around', `It has to stand inside ${wrapper.component}.`, 'Alone it draws nothing to work with.', 0.9);
    return whole;
  }
  seen.adapter = before;
  return undefined;
}

/** In the component that gives its package's look, where it looks otherwise there: alone it may have no colours at all. */
async function inItsLook(seen: Observation, bare: Trial): Promise<Trial> {
  const before = seen.adapter;
  if ((before.wrappers ?? []).length > 0) return bare;
  const plain = new Set(paint(bare.box).split('\n'));
  for (const wrapper of seen.input.around ?? []) {
    const [given] = Object.values(wrapper.imports ?? {});
    if (given === undefined) continue;
    seen.adapter = { ...before, wrappers: [wrapper] };
    const trial = await seen.mount();
    const isOther =
      trial?.error === undefined &&
      trial &&
      paint(trial.box)
        .split('\n')
        .some((one) => !plain.has(one));
    if (isOther) {
      seen.note(
        'around',
        `It has its look inside ${wrapper.component}, with ${given}.`,
        'Alone it had other colours.',
        0.9,
      );
      return trial;
    }
  }
  seen.adapter = before;
  return bare;
}

/** Some elements fetch their words or their parts first, and draw themselves then. */
async function untilThere({ box }: Trial): Promise<void> {
  for (let turn = 0; turn < 12 && workingElements(box).length === 0; turn++)
    await new Promise((resolve) => setTimeout(resolve, 100));
}

/** With the first thing for "no value" with which it can be drawn. */
async function mountFilled(seen: Observation, error: string): Promise<Trial | undefined> {
  const start = seen.adapter;
  const { empty: drafted, ...value } = start.value;
  const left = drafted === undefined ? [] : [value];
  for (const one of [...left, ...[null, '', 0, [], false].map((empty) => ({ ...value, empty }))]) {
    seen.adapter = { ...start, value: one };
    const trial = await seen.mount();
    if (!trial || trial.error !== undefined) continue;
    const isLeft = !('empty' in one);
    seen.note(
      'value',
      isLeft ? 'It cannot be drawn with the drafted “no value”.' : 'It cannot be drawn without a value.',
      error,
      1,
    );
    return trial;
  }
  seen.adapter = start;
  return undefined;
}

/** As drafted; where it cannot be drawn without a value, with something for "no value". */
async function mountSomehow(seen: Observation): Promise<Trial | undefined> {
  const before = seen.adapter;
  const first = await seen.mount();
  if (first?.error === undefined) return first;
  const inside = await mountInside(seen, first.error);
  if (inside) return inside;
  const { choices, ...bare } = seen.adapter;
  const filled = await mountFilled(seen, first.error);
  if (filled) return filled;
  if (choices && 'component' in choices) {
    seen.adapter = bare;
    const trial = await seen.mount();
    const alone = trial?.error === undefined ? trial : await mountFilled(seen, first.error);
    if (alone) {
      seen.note('choices', `It does not take ${choices.component} inside.`, first.error, 1);
      return alone;
    }
    seen.adapter = { ...bare, choices };
  }
  const whole = await putTogether(seen);
  if (whole) return whole;
  seen.adapter = before;
  return first;
}
