/** Which gesture leads to which report, where in it the value sits, and what becomes of a change that is refused. */
import {
  gestureWords,
  isFlagType,
  isOpenName,
  pathWords,
  pressesIn,
  readingsOf,
  reportsOf,
  valueNames,
  type AdapterDescription,
  type Finding,
  type FoundInput,
  type Gesture,
  type Heard,
  type Reading,
  type Step,
  type ValueKind,
  type WidgetUse,
} from '@poietra/core';
import { workingElements } from '@poietra/react';
import { attempts, follow } from '../explore.js';
import { leave, perform } from '../hands.js';
import { fullLook, look } from '../look.js';
import { atRest } from '../look.js';
import { watch, type Watch } from '../watch.js';
import { complainsOf, type Observation } from './observation.js';

/**
 * Tries gestures until something is told that is wanted, and reads the value out of it. The declared report is believed
 * first, then what else is the input's own; what it passes on from HTML (a selection of text, a key) only where no gesture makes it tell
 * anything of its own.
 */
export async function findChange(seen: Observation, isWanted?: IsWanted): Promise<void> {
  const { change } = seen.adapter;
  const passedOn = new Set(
    seen.input.properties.flatMap(({ name, inherited }) => (inherited && name !== change.report ? [name] : [])),
  );
  const beliefs: readonly ((reading: Reading) => boolean)[] = [
    ({ report }) => report === change.report,
    ({ report }) => !passedOn.has(report),
    // That a text was selected (UI Events, `select`) changes nothing.
    ({ report }) => report !== 'onSelect' || !passedOn.has(report),
  ];
  // Whoever passes on all that it is given may have a use for this one itself: heard by us, it hears nothing.
  const silenced = passedOn.has('onChange') ? 'onChange' : undefined;
  let [tries, others] = [0, 0];
  for (const [round, isBelieved] of beliefs.entries()) {
    const isLast = round === beliefs.length - 1;
    if (!isLast && round > 0 && others === 0) continue;
    const tried = await tryGestures(seen, isBelieved, isLast ? undefined : silenced, isWanted);
    if (tried.isFound) return;
    tries += tried.tries;
    ({ others } = tried);
    if (others === 0 && silenced === undefined) break;
  }
  seen.note('change', 'No gesture was found that it reports as a change.', `${tries} were tried.`, 0.8);
}

/** Whether a gesture that was found does what else is asked of it; the adapter has it by then. */
type IsWanted = (gesture: Gesture) => Promise<boolean>;

/** `others` counts what was told and not believed. */
async function tryGestures(
  seen: Observation,
  isBelieved: (reading: Reading) => boolean,
  silenced: string | undefined,
  isWanted: IsWanted = () => Promise.resolve(true),
): Promise<{ readonly isFound: boolean; readonly tries: number; readonly others: number }> {
  const properties = [seen.adapter.value.property, ...otherValues(seen)];
  const type = typeOf(seen, seen.adapter.value.property);
  const probe = await seen.mount();
  const steps = probe ? attempts(probe.box, type) : [];
  // What HTML's own attributes say of a box to tick is meant where one is drawn.
  const isTicked = probe !== undefined && workingElements(probe.box).some((one) => one.matches('[type=checkbox]'));
  if (isTicked && seen.input.properties.some(({ name, inherited }) => name === 'checked' && inherited))
    properties.push('checked');
  await seen.clean();
  const usual = new Set(seen.watch.warnings);
  let [tries, others] = [0, 0];
  let left = mostTries;
  let complained: { readonly adapter: AdapterDescription; readonly findings: readonly Finding[] } | undefined;
  /** Gives whether it is the one, and how many ways on there were from what the first step opened. */
  const attempt = async (
    first: readonly Step[],
    way: number,
    said: Watch,
  ): Promise<{ isIt: boolean; ways: number }> => {
    const { report } = seen.adapter.change;
    const all = [...new Set([report, ...reportsOf(usedAs(seen))])];
    const trial = await seen.mount({ listen: all.filter((name) => name !== silenced) });
    if (!trial) return { isIt: false, ways: 0 };
    const read = (): Reading[] => properties.flatMap((property) => readingsFrom(seen, trial.heard, property));
    const followed = await seen.quietly(() =>
      follow(trial, first, { isTold: () => read().some(isBelieved), type, way }),
    );
    others += read().filter((one) => !isBelieved(one)).length;
    const heard = [...trial.heard];
    await seen.clean();
    const ways = followed?.ways ?? 0;
    if (!followed?.gesture) return { isIt: false, ways };
    const [before, findings] = [seen.adapter, [...seen.findings]];
    const takeBack = (): void => {
      seen.adapter = before;
      seen.findings.splice(0, Infinity, ...findings);
    };
    for (const property of properties) {
      if (!(await settleOn(seen, followed.gesture, property, readingsFrom(seen, heard, property).filter(isBelieved))))
        continue;
      if (!(await isWanted(followed.gesture))) {
        takeBack();
        continue;
      }
      const doesNotFit = complainsOf(seen, textsIn(followed.gesture));
      // Whatever else it says now may be of what it was given, or of every change.
      const saysMore = !doesNotFit && said.warnings.some((text) => !usual.has(text));
      if (!doesNotFit && !saysMore) return { isIt: true, ways };
      // What fits in its notation may come later; otherwise it is this all the same.
      complained ??= { adapter: seen.adapter, findings: [...seen.findings] };
      if (saysMore) left = Math.min(left, triesAfterWords);
      takeBack();
      break;
    }
    return { isIt: false, ways };
  };
  for (const first of steps) {
    if (left-- <= 0) break;
    // What a press opens may be gone on with in several ways.
    for (let [way, ways] = [0, 1]; way < Math.min(ways, mostWays); way++) {
      tries++;
      const said = watch();
      const done = await attempt(first, way, said).finally(() => said.stop());
      if (done.isIt) return { isFound: true, tries, others };
      ways = done.ways;
    }
  }
  if (!complained) return { isFound: false, tries, others };
  seen.adapter = complained.adapter;
  seen.findings.splice(0, Infinity, ...complained.findings);
  return { isFound: true, tries, others };
}
const textsIn = ({ steps }: Gesture): string[] => steps.flatMap((step) => (step.do === 'type' ? [step.text] : []));
/** Of first steps, and of ways on from each. */
const mostTries = 25;
const mostWays = 4;
/** Where something was told and something said with it: so many more are tried, for one of which nothing is said. */
const triesAfterWords = 10;

/** Another "no value" is another start, from which the gesture may lead nowhere. */
export async function changeAgain(seen: Observation, before: AdapterDescription): Promise<void> {
  if (!seen.adapter.gesture || (await seen.quietly(() => goesRound(seen)))) return;
  const { gesture: _, ...rest } = seen.adapter;
  seen.adapter = rest;
  await findChange(seen);
  if (!seen.adapter.gesture) seen.adapter = before;
}

/** What offers only choices that fit what stands in it has to be typed into first: from another value the choice is not there. */
export async function findAnyway(seen: Observation): Promise<void> {
  const before = seen.adapter;
  const { gesture, samples } = before;
  if (!gesture || !samples) return;
  const shown = await seen.start(gesture);
  const isDone = async (done: Gesture): Promise<boolean> => {
    const trial = await seen.mount({ state: { shown } });
    if (trial) await perform(trial.box, done);
    const isTold = trial !== undefined && trial.reports.length > 0;
    await seen.clean();
    return isTold;
  };
  if (shown === undefined || (await seen.quietly(() => isDone(gesture)))) return;
  await seen.clean();
  const [first, ...more] = gesture.steps;
  const choice = more.at(-1);
  if (first?.do !== 'press' || choice?.do !== 'press' || !choice.on.name) {
    const { gesture: _, ...rest } = before;
    const said = [...seen.findings];
    seen.adapter = rest;
    await findChange(seen, async (other) => (await seen.quietly(() => isDone(other))) === true);
    if (seen.adapter.gesture) return;
    seen.adapter = before;
    seen.findings.splice(0, Infinity, ...said);
    return;
  }
  const typed: Gesture = { ...gesture, steps: [{ do: 'type', on: first.on, text: choice.on.name }, ...more] };
  seen.adapter = { ...before, gesture: typed };
  if ((await seen.quietly(() => goesRound(seen))) && (await seen.quietly(() => isDone(typed)))) {
    const said = `It is typed into before a choice is pressed: to ${gestureWords(typed)}.`;
    seen.note('change', said, 'With another value in it the choice was not offered.', 0.95);
  } else seen.adapter = before;
  await seen.clean();
}

/** A state that may be meant where the draft chose another property: `selected` of a switch that has a `value`, too. */
function otherValues({ input, adapter }: Observation): string[] {
  return valueNames.filter(
    (name) =>
      name !== adapter.value.property &&
      input.properties.some((one) => one.name === name && !one.inherited && isFlagType(one.type)),
  );
}

/** The input as its adapter uses it. */
const usedAs = ({ input, adapter: { widget } }: Observation): FoundInput => (widget ? { ...input, widget } : input);

const typeOf = ({ input }: Observation, property: string): string =>
  input.properties.find(({ name }) => name === property)?.type ?? '';

function readingsFrom(seen: Observation, heard: readonly Heard[], property: string): Reading[] {
  const { change } = seen.adapter;
  const type = typeOf(seen, property);
  const isFlag =
    isFlagType(type) || property === 'checked' || (isOpenName(type) || /\bboolean\b/.test(type) ? undefined : false);
  const all = readingsOf(heard, property, isFlag, { report: change.report, type, path: change.path });
  const isDeclared = ({ report, path, asks }: Reading): boolean =>
    report === change.report && path === change.path && asks === change.asks;
  // What is on or off may tell that it was pressed and no more.
  const presses = isFlag ? pressesIn(heard) : [];
  return [...all.filter(isDeclared), ...all.filter((one) => !isDeclared(one)), ...presses];
}

/** The first reading that, given back, looks as the gesture left it. */
async function settleOn(
  seen: Observation,
  gesture: Gesture,
  property: string,
  readings: readonly Reading[],
): Promise<boolean> {
  const before = seen.adapter;
  const isOther = property !== before.value.property;
  const tried = [...readings.filter(({ tells }) => !tells).slice(0, 6), ...readings.filter(({ tells }) => tells)];
  for (const { report, path, asks, tells, value: told } of tried) {
    // What the draft says of “no value” is of the property that it chose.
    const value = isOther ? { property } : before.value;
    const change = { report, path, ...(asks ? { asks } : {}), ...(tells ? { tells } : {}) };
    const kinds = kindsFor(told, typeOf(seen, property)).map((kind) => (kind ? { ...value, kind } : value));
    let isRound = false;
    const uses = kinds.flatMap((one) => startsOf(before.widget).map((start) => ({ ...start, value: one })));
    for (const use of uses) {
      seen.adapter = { ...before, ...use, change, gesture };
      isRound = (await seen.quietly(() => goesRound(seen))) === true;
      if (isRound) break;
    }
    if (!isRound) continue;
    if (seen.adapter.widget?.startsEmpty && !before.widget?.startsEmpty)
      seen.note(
        'widget',
        'It is told its first value as it is told later ones.',
        'As an option it was not shown.',
        0.95,
      );
    seen.note(
      'change',
      tells
        ? `After the gesture “${report}” told that it was pressed, and not whether it is on.`
        : asks
          ? `After the gesture “${report}” was told, and “${asks}” had the value.`
          : `After the gesture “${report}” told the value as ${pathWords(path)}.`,
      `To ${gestureWords(gesture)} led to it; given back as “${property}” it looked the same.`,
      0.95,
    );
    if (isOther)
      seen.note(
        'value',
        `Its value goes in through “${property}”, not through “${before.value.property}”.`,
        `Given back as “${before.value.property}”, nothing that it told looked as the gesture had left it.`,
        0.95,
      );
    if (report !== before.change.report || path !== before.change.path)
      seen.note(
        'change',
        `“${before.change.report}” at ${pathWords(before.change.path)}, as declared, was not it.`,
        'Declaration and behaviour differ; behaviour counts.',
        0.95,
      );
    return true;
  }
  seen.adapter = before;
  return false;
}

/** A widget that does not show what its option says may show what it is told afterwards. */
const startsOf = (widget: WidgetUse | undefined): readonly Pick<AdapterDescription, 'widget'>[] =>
  !widget ? [{}] : widget.startsEmpty ? [{ widget }] : [{ widget }, { widget: { ...widget, startsEmpty: true } }];

/** What is told as another kind than is taken: a number as the text of its box, what is chosen as a set that is held as a list. */
function kindsFor(told: unknown, type: string): readonly (ValueKind | undefined)[] {
  if (told instanceof Set) return [undefined, 'set'];
  const isNumeric = typeof told === 'string' && told !== '' && !Number.isNaN(Number(told));
  return isNumeric && /^number\b/.test(type) ? [undefined, 'number'] : [undefined];
}

async function goesRound(seen: Observation): Promise<boolean> {
  const { gesture } = seen.adapter;
  const trial = await seen.mount();
  if (!trial || !gesture) return false;
  await perform(trial.box, gesture);
  await leave();
  if (trial.reports.length === 0) return false;
  await atRest(trial);
  const after = look(trial.box);
  const shown = trial.wanted.shown;
  await seen.clean();
  const again = await seen.mount({ state: { shown } });
  const empty = await seen.mount();
  const isSame = again !== undefined && again.error === undefined && look(again.box) === after;
  const isVisible = again !== undefined && empty !== undefined && fullLook(again.box) !== fullLook(empty.box);
  await seen.clean();
  return isSame && isVisible;
}
