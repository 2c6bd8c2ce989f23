/** Trying an input: what it does tells what its declarations leave open, and where they mislead. */
import { widgetElements, type AdapterDescription, type Finding, type FoundInput, type WidgetUse } from '@poietra/core';
import { everyElement } from '@poietra/react';
import type { Ground } from '../ground.js';
import { giveLabel, giveName, giveWords } from './asked-for.js';
import { Observation, type Make } from './observation.js';
import { findGoingBack, findLater } from './back.js';
import { changeAgain, findAnyway, findChange } from './change.js';
import { hasPlace, markStates, putTogether, triedWays } from './inside.js';
import { findChoiceValue, findItems, findOptions, findWords } from './items.js';
import { findMaking } from './objects.js';
import { findOwnIds } from './own-ids.js';
import { findOnServer } from './on-server.js';
import { findFocus, findReality } from './reality.js';
import { inItsLook, inPlace, masking, masks, mountSomehow, untilThere } from './standing.js';
import { dropAstray, findFlags, findInvalid, findLeaving, findMessage, findRequired } from './states.js';
import { findTraces } from './traces.js';
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
  const draft = seen.adapter;
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
  await findWords(seen);
  await findOptions(seen);
  await findFocus(seen);
  await findOwnIds(seen);
  await findChange(seen);
  if (seen.adapter.gesture === undefined && seen.adapter.inside) await tryOtherWays(seen);
  if (seen.adapter.gesture === undefined && seen.adapter.widget) await tryBeginning(seen);
  if (seen.adapter.gesture === undefined && seen.adapter.widget) await tryOtherElements(seen);
  if (seen.adapter.gesture === undefined && seen.adapter.widget) await tryOtherReports(seen);
  if (seen.adapter.gesture === undefined) await tryFiles(seen);
  if (seen.adapter.gesture === undefined) await tryOtherModes(seen);
  await findTraces(seen);
  await findChoiceValue(seen);
  await markStates(seen);
  await findSamples(seen);
  await findLater(seen);
  const before = seen.adapter;
  await findEmpty(seen);
  await changeAgain(seen, before);
  await findAnyway(seen);
  await findGoingBack(seen);
  await findKind(seen);
  await findSubmission(seen);
  await giveName(seen);
  await findLeaving(seen);
  await findFlags(seen);
  await findMessage(seen);
  await findInvalid(seen);
  await findRequired(seen);
  await giveLabel(seen, draft);
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

const elementsToTry = widgetElements.filter((one) => one !== 'canvas');

/** A widget that nothing changes may be meant to stand on an element of another kind: its type says “any element”. */
async function tryOtherElements(seen: Observation): Promise<void> {
  const { widget } = seen.adapter;
  if (!widget) return;
  for (const element of elementsToTry.filter((one) => one !== widget.element)) {
    if (!(await isChangedAs(seen, { ...widget, element }))) continue;
    seen.note('widget', `It stands on a ${element}.`, `On a ${widget.element} nothing changed it.`, 1);
    return;
  }
}

/** A widget that tells nothing where it was listened to may tell it elsewhere. */
async function tryOtherReports(seen: Observation): Promise<void> {
  const { widget } = seen.adapter;
  if (!widget) return;
  const { on: _on, ...plain } = widget;
  const subscribing = seen.input.methods.filter((name) => /^(on|addEventListener|addListener|subscribe)$/.test(name));
  const ways: WidgetUse[] = [
    ...subscribing.map((on): WidgetUse => ({ ...plain, reports: 'on', ...(on === 'on' ? {} : { on }) })),
    ...(seen.input.methods.some((name) => /^on[A-Z]/.test(name)) ? [{ ...plain, reports: 'methods' } as const] : []),
    { ...plain, reports: 'options' },
    { ...plain, reports: 'events' },
  ];
  for (const way of ways.filter(({ reports, on }) => reports !== widget.reports || on !== widget.on)) {
    if (!(await isChangedAs(seen, way))) continue;
    seen.note('widget', 'It is heard in another way than was declared.', 'There, nothing was told.', 1);
    return;
  }
}

/** What beginnings are called, where what was made draws nothing before. */
const beginnings = /^(init|initialize|create|mount|render|start|build)$/;

/** A widget that nothing changes may have to be told to begin. */
async function tryBeginning(seen: Observation): Promise<void> {
  const { widget } = seen.adapter;
  if (!widget) return;
  const elements = [...new Set([widget.element, ...elementsToTry])];
  const ways = seen.input.methods
    .filter((name) => beginnings.test(name))
    .flatMap((begin) => elements.map((element) => ({ ...widget, element, begin })));
  for (const way of ways) {
    if (!(await isChangedAs(seen, way))) continue;
    seen.note(
      'widget',
      `“${way.begin}” is called once it is made on a ${way.element}.`,
      'Before, nothing changed it.',
      1,
    );
    return;
  }
}

/** Whether a gesture changes a widget that is used so; otherwise it stays as it was. */
async function isChangedAs(seen: Observation, widget: WidgetUse): Promise<boolean> {
  const before = seen.adapter;
  const { real: _real, id: _id, ...bare } = before;
  seen.adapter = { ...bare, widget };
  const trial = await seen.mount();
  if (trial && trial.error === undefined) {
    findReality(seen, trial);
    await seen.clean();
    await findFocus(seen);
    await findChange(seen);
    if (seen.adapter.gesture) return true;
  }
  seen.adapter = before;
  return false;
}

/** A box for files of HTML's own, passed through by a component: no property of it takes files, and only a person gives some. */
async function tryFiles(seen: Observation): Promise<void> {
  const before = seen.adapter;
  if (before.value.later !== undefined || before.value.made) return;
  const trial = await seen.mount();
  const draws = trial !== undefined && [...everyElement(trial.box)].some((one) => one.matches('input[type=file]'));
  await seen.clean();
  if (!draws) return;
  seen.adapter = { ...before, value: { property: 'files', later: 'files' } };
  await findChange(seen);
  if (seen.adapter.gesture) {
    const said = 'It takes files through no property; they are put into its box for files.';
    seen.note('value', said, `With “${before.value.property}” nothing that it told could be given back.`, 0.95);
  } else seen.adapter = before;
}

/** What says of an input that it may be changed at all. */
const allowing = /^(is)?(selectable|checkable|toggleable|editable|clickable|interactive)$/i;

/** For how long an input keeps a change to itself. */
const delaying = /^(debounce|throttle)|(Debounce|Throttle)(Rate|Delay|Time|Ms)?$/;

/** What takes only signs that fit, and was not told which do. */
async function tryMasks(seen: Observation): Promise<void> {
  const before = seen.adapter;
  const mask = seen.input.properties.find(
    ({ name, type, args }) => !args && masking.test(name) && /\bstring\b/.test(type),
  );
  for (const given of mask ? masks : []) {
    seen.adapter = { ...before, constants: { ...before.constants, [mask?.name ?? '']: given } };
    await findChange(seen);
    if (!seen.adapter.gesture) continue;
    seen.note('constants', `“${mask?.name ?? ''}” has to say which signs fit.`, `With “${given}” it took some.`, 0.9);
    return;
  }
  seen.adapter = before;
}

/** What lets nothing be chosen unless it is told that it may be, or how much. */
async function tryOtherModes(seen: Observation): Promise<void> {
  await tryMasks(seen);
  if (seen.adapter.gesture) return;
  const before = seen.adapter;
  for (const { name, inherited, type } of seen.input.properties) {
    const given = allowing.test(name) ? true : delaying.test(name) ? 0 : undefined;
    if (inherited || given === undefined || !new RegExp(`\\b${typeof given}\\b`).test(type)) continue;
    seen.adapter = { ...before, constants: { ...before.constants, [name]: given } };
    await findChange(seen);
    if (!seen.adapter.gesture) continue;
    seen.note('value', `“${name}” has to be ${given === 0 ? '0' : 'on'}.`, 'Without it nothing was told.', 0.95);
    return;
  }
  const modes = ['single', 'multiple'];
  for (const { name, inherited, choices = [] } of seen.input.properties) {
    // What names both and nothing else may choose neither where nothing is said.
    if (inherited || !(choices.includes('none') || modes.every((one) => choices.includes(one)))) continue;
    for (const mode of modes.filter((one) => choices.includes(one))) {
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
