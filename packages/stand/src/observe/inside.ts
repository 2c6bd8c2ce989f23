/** Putting an input together: of its package's parts where it shows nothing by itself, and with marks where its states look alike. */
import {
  componentOfChoice,
  componentsIn,
  markedBy,
  type AdapterDescription,
  type Inside,
  type PutTogether,
} from '@poietra/core';
import { workingElements } from '@poietra/react';
import { drawsSomething, paint } from '../bench.js';
import { pixelsOf } from '../outside.js';
import { sampleChoices } from '../sample-choices.js';
import { isInSight, isVisible } from '../targets.js';
import type { Trial } from '../trial.js';
import type { Observation } from './observation.js';

/** Whether there is something that a person sees and could press or type into; of what is hidden, its label or what it stands in counts. */
export async function hasPlace(trial: Trial): Promise<boolean> {
  // Others may stand above it, and only what is in the window can be hit.
  trial.box.scrollIntoView({ block: 'center' });
  const isThere = workingElements(trial.box).some((element) =>
    [element, element.closest('label'), holderOf(element, trial.box)].some(
      (one) => one !== null && isOfSize(one) && isInSight(one),
    ),
  );
  window.scrollTo(0, 0);
  return trial.error === undefined && isThere && (await drawsSomething(trial));
}
/** What a hidden field stands in. */
const holderOf = (element: HTMLElement, box: HTMLElement): HTMLElement | null =>
  element instanceof HTMLInputElement && element.parentElement !== box ? element.parentElement : null;
const isOfSize = (element: Element): boolean => {
  const { width, height } = element.getBoundingClientRect();
  return width > 3 && height > 3;
};

/** With the first of its ways that draws something to work with, after those that were `passed`. */
export async function putTogether(seen: Observation, passed: readonly PutTogether[] = []): Promise<Trial | undefined> {
  const before = seen.adapter;
  for (const way of seen.input.inside ?? []) {
    if (passed.includes(way)) continue;
    seen.adapter = withWay(before, way);
    let trial = await seen.mount();
    // One that draws no element of its own has nothing to bear what it is given, unless it is told to be one.
    if (trial?.error !== undefined && takesElement(seen)) {
      seen.adapter = { ...seen.adapter, constants: { ...seen.adapter.constants, as: 'div' } };
      trial = await seen.mount();
    }
    // Of a line with a handle for each value there is none where the list of them is empty.
    if (trial && 'empty' in before.value && !(await hasPlace(trial))) {
      const { empty: _, ...value } = before.value;
      seen.adapter = { ...seen.adapter, value };
      trial = await seen.mount();
    }
    if (trial && (await hasPlace(trial))) {
      seen.note('inside', `It is put together of ${partsIn(way)}.`, 'By itself it draws nothing to work with.', 0.9);
      return trial;
    }
  }
  seen.adapter = before;
  return undefined;
}

const takesElement = ({ input: { properties } }: Observation): boolean => properties.some(({ name }) => name === 'as');

/** The ways that were tried up to the present one. */
export function triedWays({ input: { inside = [] }, adapter }: Observation): readonly PutTogether[] {
  const at = inside.findIndex((way) => way.inside === adapter.inside);
  return inside.slice(0, at + 1);
}

const withWay = (adapter: AdapterDescription, { inside, choices, constants }: PutTogether): AdapterDescription => ({
  ...adapter,
  inside,
  ...(constants ? { constants: { ...adapter.constants, ...constants } } : {}),
  ...(choices ? { choices } : {}),
});
const partsIn = ({ inside }: PutTogether): string =>
  [...new Set(componentsIn(inside))].map((id) => id.slice(id.indexOf('#') + 1)).join(', ') || 'marks';

/** Where being on, or chosen, is known to its elements and not to be seen, a mark says it. */
export async function markStates(seen: Observation): Promise<void> {
  const { choices, value, inside } = seen.adapter;
  const item = componentOfChoice(choices);
  const declared = seen.input.properties.find(({ name }) => name === value.property)?.type ?? '';
  const isFlag = /\bboolean\b/.test(declared) || /^(checked|pressed|isSelected)$/.test(value.property);
  const isChosen =
    choices !== undefined && item !== undefined && !('component' in choices && choices.text !== 'children');
  if ((!isFlag && !isChosen) || isMarked(inside ?? [])) return;
  const [one, other] = sampleChoices.map((choice) => choice.value);
  const pairs: readonly (readonly [unknown, unknown])[] = isFlag
    ? [[true, undefined]]
    : [
        [one, other],
        [[one], [other]],
      ];
  const isSeen = async (): Promise<boolean> => {
    for (const pair of pairs) if (await looksOther(seen, pair)) return true;
    return false;
  };
  if (await isSeen()) return;
  const before = seen.adapter;
  const ways: readonly AdapterDescription[] = isFlag
    ? [...(seen.input.inside ?? []).map((way) => withWay(before, way)), { ...before, inside: markedBy('■', '□') }]
    : [{ ...before, ...wordsBeside(seen), inside: withMarks(inside ?? [{ component: item ?? '' }], item ?? '') }];
  for (const way of ways) {
    seen.adapter = way;
    if (!(await isSeen())) continue;
    seen.note('inside', 'What is on, or chosen, is marked inside it.', 'It looked the same on and off.', 0.9);
    return;
  }
  seen.adapter = before;
}

/** Where what is drawn of a choice is more than words, a property may take them beside it. */
function wordsBeside({ input: { choiceWords }, adapter: { choices } }: Observation): Partial<AdapterDescription> {
  const isPlain = choices !== undefined && 'component' in choices && choices.text === 'children';
  return isPlain && choiceWords !== undefined ? { choices: { ...choices, text: choiceWords } } : {};
}

const isMarked = (inside: readonly Inside[]): boolean =>
  inside.some((part) => ('words' in part ? part.when !== undefined : isMarked(part.inside ?? [])));

/** The part that stands for a choice, with a mark before its words. */
function withMarks(inside: readonly Inside[], item: string): readonly Inside[] {
  return inside.map((part): Inside => {
    if (!('component' in part)) return part;
    const within = part.inside ?? (part.component === item ? [{ words: '', of: 'choice' as const }] : []);
    if (part.component !== item) return within.length > 0 ? { ...part, inside: withMarks(within, item) } : part;
    return { ...part, inside: [...markedBy('● ', '○ '), ...within] };
  });
}

/** Whether two values differ to the eye. What cannot be drawn with them does not. */
async function looksOther(seen: Observation, pair: readonly [unknown, unknown]): Promise<boolean> {
  const looks: string[] = [];
  for (const shown of pair) {
    const trial = await seen.mount({ state: { shown } });
    const isDrawn = trial !== undefined && trial.error === undefined;
    if (isDrawn) looks.push((await pixelsOf(trial.box)) ?? drawnOf(trial.box));
    await seen.clean();
    if (!isDrawn) return false;
  }
  return looks[0] !== looks[1];
}

/** Where nobody outside sees pixels: colours, places and words; what the browser or a picture draws is believed to differ. */
function drawnOf(box: HTMLElement): string {
  const all = [...box.querySelectorAll('*')];
  if (all.some((one) => one.matches('input, select, textarea, canvas, svg, img') && isVisible(one) && isOfSize(one)))
    return String(Math.random());
  const places = all.map((one) => {
    const { x, y, width, height } = one.getBoundingClientRect();
    const marks = ['::before', '::after'].map((name) => {
      const { content, backgroundColor, borderColor } = getComputedStyle(one, name);
      return `${content}${backgroundColor}${borderColor}`;
    });
    return [x - box.getBoundingClientRect().x, y - box.getBoundingClientRect().y, width, height, ...marks].join();
  });
  return [box.innerText, paint(box), ...places].join('\n');
}
