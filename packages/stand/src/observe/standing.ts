/** Getting an input to stand: as drafted, in a component around it, with something for "no value", or put together of its parts. */
import { plainBox, widgetElements, type AdapterDescription } from '@poietra/core';
import { workingElements } from '@poietra/react';
import { paint } from '../bench.js';
import type { Trial } from '../trial.js';
import { tellsApart } from './apart.js';
import { hasPlace, putTogether } from './inside.js';
import { makings } from './objects.js';
import type { Observation } from './observation.js';
import { marksGiving, ungivenIn } from './ungiven.js';

/** As drafted; where it cannot be drawn without a value, with something for "no value". */
export async function mountSomehow(seen: Observation): Promise<Trial | undefined> {
  const plain = await mountUngiven(seen);
  if (plain) return plain;
  const first = await mountPlainly(seen);
  const before = seen.adapter;
  if (first?.error === undefined) return first;
  const given = await mountGiven(seen, first.error);
  if (given) return given;
  const { trial: inside, quiet } = await mountAround(seen, first.error);
  if (inside) return inside;
  const made = await mountMade(seen, first.error);
  if (made) return made;
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
  if (!quiet) return first;
  // A part may draw nothing of its own where it belongs.
  seen.adapter = quiet;
  const trial = await seen.mount();
  noteAround(seen, first.error);
  return trial;
}

/**
 * Options of a widget are often declared as needed where the widget itself has something for them, which nothing at all
 * in their place would take away.
 */
async function mountUngiven(seen: Observation): Promise<Trial | undefined> {
  const { constants, widget, ...before } = seen.adapter;
  const given = Object.entries(constants ?? {});
  const kept = given.filter(([, value]) => !isNothing(value));
  if (!widget || kept.length === given.length) return undefined;
  const drafted = seen.adapter;
  seen.adapter = { ...before, widget, ...(kept.length > 0 ? { constants: Object.fromEntries(kept) } : {}) };
  const trial = await seen.mount();
  if (trial?.error === undefined && trial && (await hasPlace(trial))) {
    seen.note('constants', 'What is declared as needed it does without.', 'It was drawn with nothing for it.', 0.9);
    return trial;
  }
  await seen.clean();
  seen.adapter = drafted;
  return undefined;
}
const isNothing = (value: unknown): boolean =>
  value === '' || value === false || (Array.isArray(value) && value.length === 0);

/** What says which signs fit, and in which notations. */
export const masking = /^(mask|format|pattern)$/i;
export const masks = ['9999', '####', '0000', '____'];

/** What an error names as missing is given, where it is known what fits: an id, or signs for a mask. */
async function mountGiven(seen: Observation, error: string): Promise<Trial | undefined> {
  const before = seen.adapter;
  const words = new Set(/\b(defined|required|missing|provided?|needs?|must)\b/i.test(error) ? error.match(/\w+/g) : []);
  // What takes its options by a type of many forms has none that could be listed.
  const open = before.widget ? ['mask'] : [];
  const declared = seen.input.properties.filter(({ args }) => !args).map(({ name }) => name);
  const named = [...new Set([...declared, ...open])].filter((name) => words.has(name));
  for (const name of named) {
    const ways: readonly AdapterDescription[] =
      name === 'id'
        ? [{ ...before, ownIds: { property: name } }]
        : masking.test(name)
          ? masks.map((mask) => ({ ...before, constants: { ...before.constants, [name]: mask } }))
          : [];
    for (const way of ways) {
      seen.adapter = way;
      // A mask in another notation lets nothing through but itself.
      if (name !== 'id' && !(await seen.quietly(() => tellsApart(seen, '1234', '5678')))) continue;
      const trial = await seen.mount();
      if (!trial || trial.error !== undefined) continue;
      seen.note(
        name === 'id' ? 'ownIds' : 'constants',
        `It has to be given “${name}”.`,
        `Without it failed: ${error}`,
        1,
      );
      return trial;
    }
  }
  seen.adapter = before;
  return undefined;
}

/** As drafted; a widget that fails so may be meant for an element of another kind. */
async function onSomeElement(seen: Observation): Promise<Trial | undefined> {
  const before = seen.adapter;
  const first = await seen.mount();
  const { widget } = before;
  if (first?.error === undefined || !widget) return first;
  for (const element of widgetElements.filter((one) => one !== widget.element)) {
    seen.adapter = { ...before, widget: { ...widget, element } };
    const trial = await seen.mount();
    if (!trial || trial.error !== undefined) continue;
    seen.note('widget', `It stands on a ${element}.`, `On a ${widget.element} it failed: ${first.error}`, 1);
    return trial;
  }
  seen.adapter = before;
  return first;
}

/** As drafted; or, where that fails in another way than without it, without what was drafted for “no value”. */
async function mountPlainly(seen: Observation): Promise<Trial | undefined> {
  const before = seen.adapter;
  const first = await onSomeElement(seen);
  if (first?.error === undefined || !('empty' in before.value)) return first;
  const { empty: _, ...value } = before.value;
  seen.adapter = { ...before, value };
  const without = await seen.mount();
  if (without && without.error !== first.error) return without;
  seen.adapter = before;
  return first;
}

function noteAround(seen: Observation, error: string): void {
  const names = (seen.adapter.wrappers ?? []).map(({ component }) => component).join(', and that ');
  seen.note('around', `It has to stand inside ${names}.`, `Alone it fails: ${error}`, 1);
}

/**
 * In one of the components that its package has for standing around others. `quiet`: in one that draws nothing of what
 * stands in it, so that nothing fails there either, which is no reason yet to stand in it.
 */
async function mountAround(
  seen: Observation,
  error: string,
): Promise<{ readonly trial?: Trial; readonly quiet?: AdapterDescription }> {
  const before = seen.adapter;
  if ((before.wrappers ?? []).length > 0) return {};
  let other: AdapterDescription | undefined;
  let quiet: AdapterDescription | undefined;
  for (const wrapper of seen.input.around ?? []) {
    seen.adapter = { ...before, wrappers: [wrapper] };
    const trial = await seen.mount();
    if (!trial) continue;
    if (trial.error === undefined && trial.box.childElementCount === 0) {
      quiet ??= seen.adapter;
      continue;
    }
    if (trial.error === undefined) {
      noteAround(seen, error);
      return { trial };
    }
    // Inside it something else is missing, so it is a step further.
    if (trial.error !== error) other ??= seen.adapter;
  }
  const both = other && (await mountInTwo(seen, other, error));
  if (both) return { trial: both };
  seen.adapter = other ?? before;
  return quiet ? { quiet } : {};
}

/** In a part of its package, and around that in what the whole package asks for, or the other way round. */
async function mountInTwo(seen: Observation, inOne: AdapterDescription, error: string): Promise<Trial | undefined> {
  const one = inOne.wrappers ?? [];
  for (const wrapper of seen.input.around ?? []) {
    if (one.some(({ component }) => component === wrapper.component)) continue;
    for (const wrappers of [
      [wrapper, ...one],
      [...one, wrapper],
    ]) {
      seen.adapter = { ...inOne, wrappers };
      const trial = await seen.mount();
      if (!trial || trial.error !== undefined) continue;
      noteAround(seen, error);
      return trial;
    }
  }
  return undefined;
}

/** Where it draws nothing to work with by itself, in one of the components that may stand around it: without, it may have no size. */
export async function inPlace(seen: Observation): Promise<Trial | undefined> {
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

/** Some providers draw what stands in them only where it is their own: what is gone has no ungiven colours either. */
const drawsLess = (inside: Trial, bare: Trial): boolean =>
  workingElements(inside.box).length < workingElements(bare.box).length;

/** In the component that gives its package's look, where it looks otherwise there: alone it may have no colours at all. */
export async function inItsLook(seen: Observation, bare: Trial): Promise<Trial> {
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
      !drawsLess(trial, bare) &&
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
  return inGivenLook(seen, bare);
}

/** So few that nobody gives may be meant to be left out. */
const fewUngiven = 3;
/** So many are no matter of taste: what nobody set on purpose is left out by the handful. */
const manyUngiven = 10;

/** Where its style sheets read what nothing gives: in what gives it, a provider of its package or a box with the marks that a sheet asks for. */
async function inGivenLook(seen: Observation, bare: Trial): Promise<Trial> {
  const before = seen.adapter;
  const missing = ungivenIn(bare.box);
  if (missing.size < fewUngiven) return bare;
  const [first = ''] = missing;
  const count = `${missing.size} values of its style sheets, like ${first},`;
  for (const wrapper of [...(seen.input.around ?? []), ...marksGiving(missing)]) {
    seen.adapter = { ...before, wrappers: [wrapper] };
    const trial = await seen.mount();
    if (!trial || trial.error !== undefined || drawsLess(trial, bare)) continue;
    if (ungivenIn(trial.box).size > missing.size / 2) continue;
    const { component, properties } = wrapper;
    const where = component === plainBox ? `a box with ${JSON.stringify(properties)}` : component;
    seen.note('around', `It has its look inside ${where}.`, `Alone ${count} are given by nothing.`, 0.9);
    return trial;
  }
  seen.adapter = before;
  if (missing.size < manyUngiven) return bare;
  seen.note(
    'around',
    'It may look otherwise than it is meant to: something that gives its look is missing.',
    `In what was found ${count} are given by nothing.`,
    0.6,
  );
  return bare;
}

/** Some elements fetch their words or their parts first, and draw themselves then. */
export async function untilThere({ box }: Trial): Promise<void> {
  for (let turn = 0; turn < 12 && workingElements(box).length === 0; turn++)
    await new Promise((resolve) => setTimeout(resolve, 100));
}

/** Where it takes objects of a library and none is no value: with one for “no value”. */
async function mountMade(seen: Observation, error: string): Promise<Trial | undefined> {
  const before = seen.adapter;
  for (const { use, none } of makings(seen)) {
    seen.adapter = { ...before, value: { ...before.value, made: use, empty: none } };
    const trial = await seen.mount();
    if (!trial || trial.error !== undefined) continue;
    seen.note('value', `It cannot be drawn without a value: “${none}” stands for none.`, error, 1);
    return trial;
  }
  seen.adapter = before;
  return undefined;
}

/** With the first thing for "no value" with which it can be drawn. */
async function mountFilled(seen: Observation, error: string): Promise<Trial | undefined> {
  const start = seen.adapter;
  const { empty: drafted, ...value } = start.value;
  const left = drafted === undefined ? [] : [value];
  const { sample } = seen.input.properties.find(({ name }) => name === value.property) ?? {};
  const empties = [null, '', 0, [], false, ...(typeof sample === 'object' ? [sample] : [])];
  for (const one of [...left, ...empties.map((empty) => ({ ...value, empty }))]) {
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
