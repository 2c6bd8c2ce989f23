/** What the checks of the contract work with: what they are given, how they judge, and what they ask of a trial. */
import { same, type AdapterDescription, type CheckVerdict } from '@poietra/core';
import { everyElement, focused, realElement, workingElements } from '@poietra/react';
import type { Ground, MountOptions, Standing } from './ground.js';
import { leave, perform } from './hands.js';
import { atRest, fullLook, lookDifference } from './look.js';
import { outside, pixelsOf, toldOf } from './outside.js';
import { settle } from './settle.js';
import { roleOf, takesTab } from './targets.js';
import type { Watch } from './watch.js';

export interface Bench {
  readonly ground: Ground;
  readonly adapter: AdapterDescription;
  /** A value that it can show, another one, and what the gesture reports; each may be missing. */
  readonly samples: readonly [unknown, unknown];
  readonly reported: unknown;
  readonly watch: Watch;
}
export type Outcome = Omit<CheckVerdict, 'check'>;
export type Check = (bench: Bench, mount: (more?: MountOptions) => Promise<Standing>) => Promise<Outcome>;

export const pass = (seen: string): Outcome => ({ state: 'pass', seen });
export const fail = (seen: string): Outcome => ({ state: 'fail', seen });
export const none = (seen: string): Outcome => ({ state: 'none', seen });
export const noGesture = fail('No gesture is known that changes it; show one on the stand.');

export const looks = (seen: string, wanted: string, what: string): Outcome =>
  seen === wanted ? pass(what) : fail(`It looks otherwise: ${lookDifference(wanted, seen)}.`);

/**
 * What a server drew, with its style sheets in the page's head. A library that writes sheets between its elements moves
 * them there by its own script, before the page is taken over; here that script ran before there was anything to move.
 */
export function withSheetsInHead(html: string): string | undefined {
  const drawn = document.createElement('template');
  drawn.innerHTML = html;
  const sheets = [...drawn.content.querySelectorAll('style')];
  if (sheets.length === 0) return undefined;
  document.head.append(...sheets);
  return drawn.innerHTML;
}

/** Warnings that belong to the check of the server's rendering, and fail that one alone. */
export const isAboutServer = /hydrat|\bserver HTML\b|did not match\. Server/i;

/** A value to start from that the gesture changes. */
export function before({ samples: [a, b], reported }: Bench): unknown {
  return same(a, reported) ? b : a;
}

/** Does the gesture and lets the focus go, as a person who goes on to the next field. */
export async function change({ adapter }: Bench, trial: Standing): Promise<void> {
  if (adapter.gesture) await perform(trial.box, adapter.gesture);
  await leave();
  await settle();
  await atRest(trial);
}

/** The element that carries name and state: the real one, or the box as a group. */
export function carrier({ adapter }: Bench, trial: Standing): HTMLElement {
  return realElement(adapter, trial.box, `${trial.id}-input`) ?? trial.box;
}

export function paint(box: HTMLElement): string {
  return [box, ...box.querySelectorAll('*')]
    .slice(0, 60)
    .map((element) => {
      const { borderColor, outlineColor, outlineStyle, boxShadow, color, backgroundColor } = getComputedStyle(element);
      return [borderColor, outlineColor, outlineStyle, boxShadow, color, backgroundColor].join();
    })
    .join('\n');
}

/**
 * What is to be seen of a trial, as values, words and styles, and as pixels where somebody outside can see them. The trial
 * ends with it, so that the next one stands where it stood.
 */
export async function appearance(trial: Standing): Promise<readonly [string, string | undefined]> {
  const seen = [fullLook(trial.box), await pixelsOf(trial.box)] as const;
  trial.end();
  return seen;
}

/** Whether there is a pixel of it; where nobody outside can see, it is believed. */
export async function drawsSomething({ box }: Standing): Promise<boolean> {
  const drawn = await pixelsOf(box);
  if (drawn === undefined) return true;
  const { visibility, opacity } = box.style;
  // What stands inside may say of itself that it is visible; of its opacity it has a share only.
  Object.assign(box.style, { visibility: 'hidden', opacity: '0' });
  const without = await pixelsOf(box);
  Object.assign(box.style, { visibility, opacity });
  return drawn !== without;
}

/** Whether the Tab key leads into it from right before it; where nobody outside has keys, it does not. */
export async function isReachedByTab(trial: Standing): Promise<boolean> {
  if (!outside) return false;
  const before = document.createElement('button');
  before.textContent = 'Before';
  trial.place.before(before);
  before.focus();
  await outside.key('Tab');
  const isReached = isInside(trial);
  before.remove();
  return isReached;
}

/** Whether a screen reader is told of anything in it that takes the focus: a box that is named around nothing is no field. */
export async function isToldInside({ box }: Standing): Promise<boolean> {
  const focusable = [...everyElement(box)].filter(takesTab);
  for (const element of focusable.slice(0, 10)) if ((await toldOf(element))?.role !== '') return true;
  return false;
}

/** What only stands around others: with the focus on it, no key that is pressed does anything. */
const around = /^(|article|document|figure|form|generic|group|none|presentation|region|section)$/;

/** Whether something inside has the focus that a person can work with: a box around an input that takes no focus does not count. */
export function hasTakenFocus(trial: Standing): boolean {
  const active = focused();
  if (!active || !isInside(trial)) return false;
  const isEdited = active instanceof HTMLElement && active.isContentEditable;
  // What stands in a frame, or behind a closed door, cannot be seen from here.
  const isClosed = active.tagName === 'IFRAME' || (active.tagName.includes('-') && !active.shadowRoot);
  return (
    isEdited || isClosed || workingElements(trial.box).some((one) => one === active) || !around.test(roleOf(active))
  );
}

export function isInside(trial: Standing): boolean {
  const active = focused();
  for (let at: Element | null = active; at;) {
    if (trial.box.contains(at)) return true;
    const root = at.getRootNode();
    at = root instanceof ShadowRoot ? root.host : null;
  }
  return false;
}

/** What is not drawn is in nobody's reach; said only where the Tab key is tried, too. */
export const isInReach = (element: Element): boolean => !outside || element.checkVisibility();

export function isDisabled(element: Element): boolean {
  if (element.matches(':disabled, [aria-disabled=true], [aria-disabled=true] *, [inert] *')) return true;
  const root = element.getRootNode();
  return root instanceof ShadowRoot && (isDisabled(root.host) || root.host.matches('[disabled]'));
}
