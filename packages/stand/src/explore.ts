/** Trying an input without being shown how: which element to act on, in which order, by roles and by what appears. */
import { addStep, type Gesture, type Step } from '@poietra/core';
import { everyElement } from '@poietra/react';
import { act, leave } from './hands.js';
import { pause, settle } from './settle.js';
import { candidates, isCutOff, isPressable, isVisible, nameOf, roleOf, targetOf } from './targets.js';
import type { Trial } from './trial.js';
import { isOfDates, rangesTyped, textsFor, writtenInto, writtenIntoPart } from './typed-texts.js';

/** The likeliest place to change a value first. */
const order = [
  'file',
  'color',
  'date',
  'datetime-local',
  'time',
  'canvas',
  'checkbox',
  'switch',
  'radio',
  'option',
  'treeitem',
  'slider',
  'spinbutton',
  'combobox',
  'listbox',
  'textbox',
  'searchbox',
  'password',
  'menuitemradio',
  'menuitemcheckbox',
  'menuitem',
  'gridcell',
  'cell',
  'button',
  'listitem',
];
/** Buttons that take a value away, or show others. */
const leadsAway = /clear|remove|delete|close|cancel|reset|previous|next|back|now|today|search/i;

/**
 * All first steps that may lead to a change, the likeliest first; several belong together. They are found while the box
 * stands. `type` is what the value is declared as.
 */
export function attempts(box: Element, type: string): Step[][] {
  const targets = ranked([...everyElement(box)]);
  const list = targets.slice(0, 14).flatMap((element) => stepsFor(box, element, type).map((step) => [step]));
  const together = inTurn(box, targets);
  const range = isOfDates(type) ? datesInTurn(box, targets) : [];
  const last = together.at(-1);
  // A box that has no role at all may still open something when it is pressed, or take a stroke.
  const [outer] = box.children;
  const others = outer instanceof HTMLElement ? [outer, ...pressables(outer)] : [];
  return [
    ...range,
    ...(together.length > 1 ? [together] : []),
    // The last of three may be a half of the day, which no number fits.
    ...(isDigital(last) && together.length > 2
      ? [[...together.slice(0, -1), { do: 'key', on: last.on, key: 'ArrowUp' } as const]]
      : []),
    ...list,
    ...others.flatMap((element): Step[][] =>
      targets.includes(element) ? [] : [[{ do: 'press', on: targetOf(box, element) }]],
    ),
    ...handles(box, targets).flatMap((element) =>
      ['ArrowRight', 'ArrowUp'].map((key): Step[] => [{ do: 'key', on: targetOf(box, element), key }]),
    ),
    ...surfaces(box).map((element): Step[] => [{ do: 'draw', on: targetOf(box, element) }]),
  ];
}

const isDigital = (step: Step | undefined): step is Step & { readonly do: 'type' } =>
  step?.do === 'type' && step.on.role === 'spinbutton' && /^\d+$/.test(step.text);

/** Several boxes for parts of one value, filled in one after another. */
function inTurn(box: Element, targets: readonly HTMLElement[]): Step[] {
  const isPart = (element: HTMLElement): boolean =>
    /^(spinbutton|textbox)$/.test(roleOf(element)) || element instanceof HTMLSelectElement;
  const parts = targets.filter((element) => isPart(element) && !element.closest('[aria-hidden=true]'));
  if (parts.length < 2 || parts.length > 8) return [];
  return parts.flatMap((element): Step[] => {
    if (element instanceof HTMLSelectElement) return chooseIn(box, element);
    return [{ do: 'type', on: targetOf(box, element), text: writtenIntoPart(element) }];
  });
}

/** Two boxes for the ends of a range, a date in each, in the order of HTML's own and in another. */
function datesInTurn(box: Element, targets: readonly HTMLElement[]): Step[][] {
  const ends = targets.filter((one) => one instanceof HTMLInputElement && /^(textbox|combobox)$/.test(roleOf(one)));
  const [from, to] = ends;
  if (!from || !to || ends.length > 2) return [];
  return rangesTyped.map(([first, last]): Step[] => [
    { do: 'type', on: targetOf(box, from), text: first },
    { do: 'type', on: targetOf(box, to), text: last },
    // Some take over what was typed by this key alone.
    { do: 'key', on: targetOf(box, to), key: 'Enter' },
  ]);
}

/** What looks as if it could be pressed, the innermost; of many alike those in the middle first. */
function pressables(outer: Element): HTMLElement[] {
  const all = [...everyElement(outer)].filter(isPressable);
  const inner = all.filter((one) => isVisible(one) && !all.some((other) => other !== one && one.contains(other)));
  const middle = Math.floor(inner.length / 2);
  return [...inner.slice(middle), ...inner.slice(0, middle)].slice(0, 5);
}

/** What takes the focus and says no role: the handle of something that is drawn. */
function handles(box: Element, targets: readonly HTMLElement[]): HTMLElement[] {
  return [...everyElement(box)]
    .filter((one): one is HTMLElement => one instanceof HTMLElement && one.tabIndex === 0 && isVisible(one))
    .filter((one) => !targets.includes(one) && one.getAttribute('tabindex') === '0')
    .slice(0, 2);
}

/** Of what has opened and says nothing, as areas of colour do: the innermost, the largest first. */
function areas(fresh: readonly Element[]): HTMLElement[] {
  const size = (one: Element): number => {
    const { width, height } = one.getBoundingClientRect();
    return Math.min(width, height) < 8 ? 0 : width * height;
  };
  return fresh
    .filter((one): one is HTMLElement => one instanceof HTMLElement && one.childElementCount < 2 && size(one) > 1000)
    .filter((one, _, all) => !all.some((other) => other !== one && one.contains(other)))
    .sort((a, b) => size(b) - size(a));
}

/** What a pointer is drawn over: the track of a slider, and what keeps the browser's own gestures away. */
function surfaces(box: Element): HTMLElement[] {
  const all = [...everyElement(box)].filter((one): one is HTMLElement => one instanceof HTMLElement && isVisible(one));
  const tracks = all.flatMap((one) => (roleOf(one) === 'slider' && one.parentElement ? [one.parentElement] : []));
  const drawn = all.filter((one) => /none|pan-/.test(getComputedStyle(one).touchAction));
  // A drawing that says no role may be one that is turned or pulled.
  const pictures = all.filter((one) => [...one.children].some((inner) => inner instanceof SVGElement && isBig(inner)));
  // What says nothing at all may be moved over all the same.
  const [outer] = box.children;
  const whole =
    outer instanceof HTMLElement && outer.querySelector('input, button, select, textarea') === null ? [outer] : [];
  return [...new Set([...tracks, ...drawn, ...pictures, ...whole])]
    .filter((one) => box.contains(one) && one.getBoundingClientRect().width > 20)
    .slice(0, 4);
}

const isBig = (element: Element): boolean => {
  const { width, height } = element.getBoundingClientRect();
  return width > 40 && height > 40;
};

function ranked(elements: readonly Element[]): HTMLElement[] {
  const seen: { element: HTMLElement; rank: number }[] = [];
  for (const element of elements) {
    if (!(element instanceof HTMLElement) || isClosed(element)) continue;
    if (element instanceof HTMLOptionElement) continue;
    const rank = rankOf(element);
    if (rank >= 0) seen.push({ element, rank: rank + preference(element) });
  }
  return seen.sort((a, b) => a.rank - b.rank).map(({ element }) => element);
}

/** What has no role but looks as if it could be pressed, and says something, comes right before buttons. */
function rankOf(element: HTMLElement): number {
  // A list is not pressed, what is in it is.
  if (roleOf(element) === 'listbox' && !(element instanceof HTMLSelectElement)) return -1;
  const rank = order.indexOf(roleOf(element));
  if (rank >= 0) return rank;
  const says = [...element.childNodes].some(
    (node) => node.nodeType === Node.TEXT_NODE && node.textContent?.trim() !== '',
  );
  return says && getComputedStyle(element).cursor === 'pointer' ? order.indexOf('button') - 0.5 : -1;
}

function isClosed(element: HTMLElement): boolean {
  const isFile = element instanceof HTMLInputElement && element.type === 'file';
  if (!isFile && !isVisible(element)) return true;
  return (
    element.matches(':disabled, [aria-disabled=true], [aria-hidden=true] *') ||
    (element instanceof HTMLInputElement && element.type === 'hidden')
  );
}

/** Of many alike, one in the middle that is not chosen: a day of the present month, the second of a list. */
function preference(element: HTMLElement): number {
  const words = element.textContent.trim();
  const isChosen = element.matches('[aria-selected=true], [aria-checked=true], [aria-pressed=true], :checked');
  const inGrid = element.closest('[role=grid], table') !== null && /^(button|gridcell|cell)$/.test(roleOf(element));
  const isDay = words === '15';
  // A long list of months shows a few of them.
  const isAway = inGrid && isCutOff(element);
  return (isChosen ? 0.6 : 0) + (isDay ? -20 : inGrid ? -2 : 0) + (words === 'OK' ? -0.5 : 0) + (isAway ? 30 : 0);
}

function stepsFor(box: Element, element: HTMLElement, type: string): Step[] {
  const on = targetOf(box, element);
  const [text = '', ...others] = [...writtenInto(element), ...textsFor(type)];
  switch (roleOf(element)) {
    case 'file':
      return [{ do: 'files', on, names: ['manifest.txt'] }];
    case 'color':
      return [{ do: 'set', on, value: '#aa5500' }];
    case 'date':
      return [{ do: 'set', on, value: '2026-11-15' }];
    case 'datetime-local':
      return [{ do: 'set', on, value: '2026-11-15T12:30' }];
    case 'time':
      return [{ do: 'set', on, value: '12:30' }];
    case 'canvas':
      return [{ do: 'draw', on }];
    case 'slider':
      return element instanceof HTMLInputElement
        ? [{ do: 'set', on, value: middle(element) }]
        : ['ArrowRight', 'ArrowUp', 'ArrowLeft'].map((key): Step => ({ do: 'key', on, key }));
    case 'spinbutton':
      return [
        { do: 'type', on, text: '7' },
        { do: 'key', on, key: 'ArrowUp' },
      ];
    case 'combobox':
      if (element instanceof HTMLSelectElement) return chooseIn(box, element);
      return [
        { do: 'press', on },
        { do: 'key', on, key: 'ArrowDown' },
        ...(element instanceof HTMLInputElement
          ? textsFor(type).map((one): Step => ({ do: 'type', on, text: one }))
          : []),
      ];
    case 'listbox':
      return element instanceof HTMLSelectElement ? chooseIn(box, element) : [{ do: 'press', on }];
    case 'checkbox':
    case 'switch':
    case 'radio':
      // Where it is hidden behind what is drawn for it, only its label can be pressed; the keyboard reaches it.
      return [
        { do: 'press', on },
        { do: 'key', on, key: ' ' },
      ];
    case 'textbox':
    case 'searchbox':
    case 'password':
      return [
        { do: 'type', on, text },
        { do: 'press', on },
        ...others.map((one): Step => ({ do: 'type', on, text: one })),
      ];
    default:
      return [{ do: 'press', on }];
  }
}

function chooseIn(box: Element, list: HTMLSelectElement): Step[] {
  const options = [...list.options].filter((option) => !option.disabled && option.value !== '' && !option.selected);
  const option = options[1] ?? options[0];
  return option ? [{ do: 'press', on: targetOf(box, option) }] : [];
}

function middle(slider: HTMLInputElement): string {
  const [min, max] = [Number(slider.min || 0), Number(slider.max || 100)];
  const half = String(Math.round((min + max) / 2));
  return half === slider.value ? String(Math.round(min + (max - min) * 0.7)) : half;
}

/** Does all steps in turn. Gives them as the gesture where `isTold` is true in the end. */
async function doAll(trial: Trial, steps: readonly Step[], isTold: () => boolean): Promise<Gesture | undefined> {
  for (const step of steps) {
    const element = candidates(trial.box, step.on)[step.on.index ?? 0];
    if (!element) return undefined;
    await act(element, step);
    await settle();
  }
  await leave();
  return isTold() ? { name: 'change', steps } : undefined;
}

/** What came of following a first step: the gesture where something was told, and how many ways on there were from what it opened. */
export interface Followed {
  readonly gesture?: Gesture | undefined;
  readonly ways: number;
}

export interface Following {
  readonly isTold: () => boolean;
  /** What the value is declared as. */
  readonly type: string;
  /** By which of the ways from what the first step opens. */
  readonly way: number;
}

/**
 * Does one first step and, as long as nothing is told, goes on with what has appeared. Gives the gesture where `isTold`
 * becomes true. Several first steps belong together.
 */
export async function follow(
  trial: Trial,
  all: readonly Step[],
  { isTold, type, way }: Following,
  depth = 6,
): Promise<Followed> {
  if (all.length > 1) return { gesture: await doAll(trial, all, isTold), ways: 0 };
  const [first] = all;
  let ways = 0;
  let steps: readonly Step[] = [];
  let next: Step | undefined = first;
  const passed = new Set<Element>();
  const opened = new Set<Element>();
  let further: Step[] = [];
  for (let level = 0; level < depth && next; level++) {
    const before = new Set(shown());
    const element: HTMLElement | undefined = candidates(trial.box, next.on)[next.on.index ?? 0];
    if (!element) return { ways };
    passed.add(element);
    steps = addStep(steps, next);
    await act(element, next);
    await settle(pause);
    if (isTold()) return { gesture: { name: 'change', steps }, ways };
    // What was typed is taken over by a key at most; lists that open meanwhile are tried by pressing.
    if (first?.do === 'type') {
      next = level === 0 ? { do: 'key', on: first.on, key: 'Enter' } : undefined;
      continue;
    }
    const fresh = shown().filter((one) => !before.has(one) && !passed.has(one));
    for (const one of fresh) opened.add(one);
    // Where nothing new appears, what was chosen may have to be confirmed.
    const isWorded = (one: Element): boolean => roleOf(one) === 'button' && /\p{L}/u.test(one.textContent);
    const waiting = [...opened].filter((one) => one.isConnected && !passed.has(one) && isWorded(one));
    const others = [...opened].filter((one) => one.isConnected && !passed.has(one));
    const all = [...ranked(fresh), ...ranked(waiting), ...ranked(others)].filter((one) => !leadsAway.test(nameOf(one)));
    const ofOneKind = new Set<string>();
    // Of many alike, as days and colours are, one stands for all.
    const kinds = all.filter((one) => !ofOneKind.has(roleOf(one)) && ofOneKind.add(roleOf(one)));
    if (level === 0) ways = kinds.length;
    const best = level === 0 ? kinds[way] : all[0];
    const [area] = best ? [] : areas(fresh);
    // On the same element another key may do what the first did not.
    if (fresh.length > 0 || further.length === 0)
      further = best ? stepsFor(trial.box, best, type) : area ? [{ do: 'draw', on: targetOf(trial.box, area) }] : [];
    next = further.shift();
  }
  await leave();
  return { gesture: isTold() ? { name: 'change', steps } : undefined, ways };
}

const shown = (): Element[] =>
  [...everyElement(document.body)].filter((element) => element instanceof HTMLElement && isVisible(element));
