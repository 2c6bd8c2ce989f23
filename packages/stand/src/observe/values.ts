/** Which values it shows, what it takes for "no value", which kinds it bears, what it submits. */
import {
  hasNotation,
  emptiesFor,
  fromNotation,
  samplesFor,
  valueKind,
  toNotation,
  type AdapterDescription,
  type Gesture,
  type ValueKind,
} from '@poietra/core';
import { everyElement, workingElements } from '@poietra/react';
import { leave, perform } from '../hands.js';
import { look } from '../look.js';
import { sampleChoices } from '../sample-choices.js';
import { takesTab } from '../targets.js';
import { trialName } from '../wanted.js';
import { apartAsWritten, tellsApart } from './apart.js';
import { textForNone } from './objects.js';
import type { Trial } from '../trial.js';
import { complainsOf, type Observation } from './observation.js';

/** Two values that it shows, of the kind that it reports. */
export async function findSamples(seen: Observation): Promise<void> {
  const { value, gesture, choices } = seen.adapter;
  // Whose values are made has its samples with that.
  if (value.made && seen.adapter.samples) return;
  const type = seen.input.properties.find(({ name }) => name === value.property)?.type ?? '';
  const reported = gesture && (await seen.quietly(() => seen.reported(gesture)));
  const kindOf = (one: unknown): string =>
    Array.isArray(one) ? `list of ${typeof one[0]}` : one instanceof Date ? 'date' : one === null ? 'null' : typeof one;
  const usesChoices = choices !== undefined || seen.adapter.widget?.element === 'select';
  const fit = cutAsTyped(gesture, reported);
  const all = samplesFor(type, new Date(), usesChoices ? sampleChoices.map((one) => one.value) : []).map(
    ([a, b]) => [fit(a), fit(b)] as const,
  );
  // Behind a mask only what looks like what it reports can be shown.
  const isAlike = ([a]: readonly [unknown, unknown]): boolean => shapeOf(a) === shapeOf(reported);
  const pairs = [...all.filter(isAlike), ...neighboursOf(reported), ...all.filter((pair) => !isAlike(pair))];
  for (const [a, b] of pairs) {
    if (reported !== undefined && kindOf(reported) !== kindOf(a)) continue;
    const written = await apartAsWritten(seen, a, b);
    if (!written) continue;
    // It says itself that they do not fit, and shows them all the same; its own words come later.
    if (pairs.at(-1)?.[0] !== a && complainsOf(seen, [String(a), String(b)])) continue;
    seen.adapter = { ...seen.adapter, samples: [toNotation(written[0]), toNotation(written[1])] };
    seen.note(
      'value',
      `“${value.property}” shows ${kindOf(a)} values.`,
      'Two were pushed in and looked different.',
      0.95,
    );
    return;
  }
  if (typeof reported === 'boolean' && !('empty' in value) && (await isOnByItself(seen))) return;
  if (reported !== undefined && hasNotation(reported))
    seen.adapter = { ...seen.adapter, samples: [toNotation(reported), toNotation(undefined)] };
}

/** What takes only so many signs of a text that is typed shows no longer one. */
function cutAsTyped(gesture: Gesture | undefined, reported: unknown): (value: unknown) => unknown {
  const typed = gesture?.steps.findLast((step) => step.do === 'type')?.text ?? '';
  const isCut = typeof reported === 'string' && reported.length < typed.length && typed.startsWith(reported);
  return (value) => (isCut && reported !== '' && typeof value === 'string' ? value.slice(0, reported.length) : value);
}

/** What was reported, and the same with another number at each of its places in turn: for notations that nobody else would think of. */
function neighboursOf(reported: unknown): (readonly [string, string])[] {
  if (typeof reported !== 'string' || !/\d\D+\d/.test(reported)) return [];
  const numbers = [...reported.matchAll(/\d+/g)].slice(0, 6).reverse();
  return numbers.map(({ 0: number, index }) => {
    const other = number.replace(/\d$/, (digit) => (digit === '1' ? '2' : '1'));
    return [reported, reported.slice(0, index) + other + reported.slice(index + number.length)];
  });
}

/** What is on where nobody says anything is off only where it is told so. */
async function isOnByItself(seen: Observation): Promise<boolean> {
  const before = seen.adapter;
  seen.adapter = { ...before, value: { ...before.value, empty: false }, samples: [true, false] };
  const isOn = await tellsApart(seen, true, false);
  if (!isOn) seen.adapter = before;
  else
    seen.note(
      'value',
      `“${before.value.property}” shows boolean values, and is on where nothing is said.`,
      'With “false” it looked different.',
      0.95,
    );
  return isOn;
}

/** The kind of a text by its letters and digits, of a list by its length; of everything else nothing is said. */
function shapeOf(value: unknown): string {
  if (Array.isArray(value)) return String(value.length);
  if (typeof value !== 'string') return '';
  return value.replace(/\d+/g, '0').replace(/\p{L}+/gu, 'a');
}

/**
 * What draws a handle for each number of its list has none that a person could move where the list is empty: it begins
 * with one. Of two numbers, from and to, each always stands somewhere.
 */
export async function beginsWithOne(seen: Observation, drawn: Trial): Promise<Trial> {
  const before = seen.adapter;
  const { value } = before;
  const type = seen.input.properties.find(({ name }) => name === value.property)?.type ?? '';
  const isRange = /range/i.test(seen.input.tag ?? seen.input.export) && /^(readonly )?number\[\]/.test(type);
  const isPair = isRange || /^(readonly )?\[number, number\]/.test(type);
  if (!isPair && (!/^(readonly )?number\[\]/.test(type) || workingElements(drawn.box).length > 0)) return drawn;
  const start = isPair ? [0, 100] : [0];
  seen.adapter = { ...before, value: { ...value, empty: start } };
  const begun = await seen.mount();
  if (begun && begun.error === undefined && workingElements(begun.box).length > 0) {
    const evidence = isRange
      ? 'It is called a range, and its value a list of numbers.'
      : isPair
        ? 'It is declared to be two numbers.'
        : 'With an empty list there is nothing in it to work with.';
    seen.note('value', `For “no value” it takes ${JSON.stringify(start)}.`, evidence, 0.9);
    return begun;
  }
  seen.adapter = before;
  return (await seen.mount()) ?? drawn;
}

/** What it takes for "no value": that with which it clears, and goes back when a change is refused. */
export async function findEmpty(seen: Observation): Promise<void> {
  const { samples, value, gesture } = seen.adapter;
  if (!samples && !gesture) return;
  const sample = await seen.sample();
  const type = seen.input.properties.find(({ name }) => name === value.property)?.type ?? '';
  const declared = 'empty' in value ? [fromNotation(value.empty)] : [];
  const before = seen.adapter;
  let best: { adapter: AdapterDescription; points: number } | undefined;
  const text = value.made && textForNone(seen);
  // Where objects of a library are taken, nothing is rather said by nothing than by an empty list.
  const usual = value.made ? [undefined, null, ...(Array.isArray(sample) ? [[]] : [])] : emptiesFor(sample, type);
  for (const empty of [...declared, ...usual, ...(text === undefined ? [] : [text])]) {
    const { empty: _, ...bare } = value;
    seen.adapter = { ...before, value: empty === undefined ? bare : { ...bare, empty: toNotation(empty) } };
    // What the framework says of being told at times and at times not it says once, whatever is tried afterwards.
    const isSteady = empty !== undefined || !seen.watch.warnings.some((one) => unsteady.test(one));
    const tried = await seen.quietly(() => emptyPoints(seen, sample));
    const points = tried !== undefined && !isSteady ? tried - 1 : tried;
    if (points !== undefined && points > (best?.points ?? -1)) best = { adapter: seen.adapter, points };
    if (points === fullPoints) break;
  }
  seen.adapter = best?.adapter ?? before;
  const { empty } = seen.adapter.value as { empty?: unknown };
  seen.note(
    'value',
    `For “no value” it takes ${'empty' in seen.adapter.value ? JSON.stringify(empty) : 'the property left out'}.`,
    best?.points === fullPoints
      ? 'It cleared with it, and went back to it.'
      : 'Of what was tried, it did best with it.',
    best?.points === fullPoints ? 0.95 : 0.5,
  );
}

/**
 * It clears, goes back when a change is refused and when one that was taken is taken back, nothing is warned of, and the
 * Tab key reaches it as it does with a value, which counts twice: radios of which an unknown one is chosen may all be
 * passed by, and then nobody comes to them, whatever else is right.
 */
const fullPoints = 6;
const unsteady = /uncontrolled\b.*\bcontrolled/i;
const isInTabOrder = ({ box }: Trial): boolean => [...everyElement(box)].some(takesTab);

/**
 * Whether the elements of HTML in it are given a value at all times, or at none: of the other the framework warns once a
 * page, for whichever input comes first.
 */
function isAlways(empty: Trial, filled: Trial): boolean {
  const [before, after] = [empty, filled].map(({ box }) => [...everyElement(box)].flatMap(isGiven));
  return before?.length !== after?.length || before?.every((one, i) => one || !after?.[i]) === true;
}
function isGiven(element: Element): boolean[] {
  if (!element.matches('input, select, textarea')) return [];
  // What the framework gave it last, which it keeps on the element itself.
  const kept = Object.keys(element).find((name) => name.startsWith('__reactProps$'));
  const given = kept === undefined ? undefined : (element as unknown as Record<string, Record<string, unknown>>)[kept];
  return given ? [(given['value'] ?? given['checked'] ?? undefined) !== undefined] : [];
}

async function emptyPoints(seen: Observation, sample: unknown): Promise<number> {
  const warned = seen.watch.told;
  const { gesture } = seen.adapter;
  const empty = await seen.mount();
  if (!empty || empty.error !== undefined) return -1;
  const wanted = look(empty.box);
  const isThere = workingElements(empty.box).length > 0;
  const isReached = isInTabOrder(empty);
  // Some reckon with their value only once they are left.
  empty.takeFocus();
  await leave();
  const trial = await seen.mount({ state: { shown: sample } });
  const isSteady = !trial || isAlways(empty, trial);
  await trial?.set({ shown: undefined });
  const clears = trial !== undefined && look(trial.box) === wanted;
  await seen.clean();
  const filled = isReached ? undefined : await seen.mount({ state: { shown: sample } });
  const keepsOrder = isReached || !filled || !isInTabOrder(filled);
  await seen.clean();
  const isQuiet = isSteady && seen.watch.told === warned;
  let [goesBack, comesBack] = [true, true];
  if (gesture) {
    const refusing = await seen.mount({ form: 'refuses' });
    if (refusing) {
      await perform(refusing.box, gesture);
      await leave();
      goesBack = look(refusing.box) === wanted;
      if (refusing.reports.length === 0) return 0;
    }
    await seen.clean();
    const taking = await seen.mount();
    if (taking) {
      await perform(taking.box, gesture);
      await leave();
      await taking.set({ shown: undefined });
      comesBack = look(taking.box) === wanted;
    }
    await seen.clean();
  }
  // Something to work with has to be left when it is empty.
  return isThere ? [clears, goesBack, comesBack, isQuiet, keepsOrder, keepsOrder].filter(Boolean).length : -1;
}

/** Values of another kind may make it fail; then they count as none. */
export async function findKind(seen: Observation): Promise<void> {
  const { value } = seen.adapter;
  const sample = await seen.sample();
  const kind = valueKind(sample);
  // What is told as another kind than is taken insists on that already.
  if (!kind || value.kind === 'set' || value.kind === 'number') return;
  const insist = (evidence: string, on: ValueKind = kind): void => {
    seen.adapter = { ...seen.adapter, value: { ...value, kind: on } };
    seen.note('value', `It bears ${on} only; everything else is taken for “no value”.`, evidence, 0.9);
  };
  // The framework says so once, at the first trial with another kind.
  const { property } = value;
  const complaints = [`Invalid prop \`${property}\``, `Invalid prop ${property} `, `\`${property}\` prop supplied to`];
  const told = seen.watch.warnings.find((text) => complaints.some((one) => text.includes(one)));
  if (told !== undefined) return insist(told.slice(0, 200));
  const toldBefore = seen.watch.told;
  const shown = await seen.mount({ state: { shown: sample } });
  const wanted = shown && look(shown.box);
  await seen.clean();
  // Some warn of themselves whatever they are given.
  const usual = seen.watch.told - toldBefore;
  for (const other of ['', 0, false, {}, 'Aldervik']) {
    const isEmptyText = kind === 'text' && other === '';
    if (valueKind(other) === kind && !isEmptyText) continue;
    const before = seen.watch.told;
    const trial = await seen.mount({ state: { shown: other } });
    // Some do something with their value only once they are left.
    trial?.takeFocus();
    await leave();
    await trial?.set({ shown: sample });
    const isQuiet = seen.watch.told - before <= usual;
    const isDrawn = trial !== undefined && trial.error === undefined && isQuiet;
    const bears = isDrawn && (isEmptyText || look(trial.box) === wanted);
    await seen.clean();
    if (!bears && isEmptyText) return insist('With an empty text it fails.', 'filled text');
    if (!bears) return insist(`${JSON.stringify(other)} was pushed in.`);
  }
}

/** Whether it submits itself as the text that it shows; otherwise the field does. */
export async function findSubmission(seen: Observation): Promise<void> {
  const { name, samples } = seen.adapter;
  const shown = samples && fromNotation(samples[0]);
  if (!name) return;
  const trial = await seen.mount({ state: { shown, sent: typeof shown === 'string' ? shown : undefined } });
  const form = trial?.place.querySelector('form');
  const values = form ? new FormData(form).getAll(trialName) : [];
  await seen.clean();
  // With nothing to be sent it has its name in any case.
  const empty = await seen.mount({ state: { shown } });
  const named = empty && [...everyElement(empty.box)].find(({ id }) => id.includes(trialName))?.id;
  await seen.clean();
  if (named !== undefined) {
    dropName(
      seen,
      `It makes ids of “${name.property}”: two copies of a form would have them twice.`,
      `One is “${named}”.`,
    );
    return;
  }
  if (typeof shown !== 'string' || (values.length === 1 && values[0] === shown)) return;
  dropName(
    seen,
    `“${name.property}” does not submit its value; a hidden input does.`,
    'The form’s own data was looked at.',
  );
}

function dropName(seen: Observation, says: string, evidence: string): void {
  const { name: _, ...rest } = seen.adapter;
  seen.adapter = rest;
  seen.note('id', says, evidence, 0.95);
}
