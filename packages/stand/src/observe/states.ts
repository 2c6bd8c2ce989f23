/** What it does when it is left, disabled, read only. */
import { everyElement, workingElements } from '@poietra/react';
import { isInReach, isReachedByTab, paint } from '../bench.js';
import { GestureError, leave, perform } from '../hands.js';
import { fullLook, look } from '../look.js';
import { pixelsOf } from '../outside.js';
import { settle } from '../settle.js';
import type { Trial } from '../trial.js';
import { words } from '../wanted.js';
import type { Observation } from './observation.js';

export async function findLeaving(seen: Observation): Promise<void> {
  const count = async (): Promise<number> => {
    const trial = await seen.mount();
    trial?.reached?.focus();
    await settle();
    await leave();
    const { leaves = 0 } = trial ?? {};
    await seen.clean();
    return leaves;
  };
  if (!seen.adapter.leave || (await count()) === 1) return;
  const { leave: declared, ...rest } = seen.adapter;
  seen.adapter = rest;
  seen.note(
    'leave',
    'Leaving is the focus going out of its box.',
    `“${declared.report}”, as declared, did not tell it once.`,
    0.9,
  );
}

/** What the framework says of a property that got as far as an element of HTML, which has none of that name. */
const astray =
  /^(?:React does not recognize the `([^`]+)` prop|Invalid ARIA attributes? `([^`]+)`|Unknown event handler property `([^`]+)`|Invalid value for prop `([^`]+)` on|Received `[^`]+` for a non-boolean attribute `([^`]+)`)/;
/** What a package says of a property that it is about to give up. */
const givenUp =
  /[`"'“]([\w-]+)[`"'”] (?:prop(?:erty|erties)? )?(?:is|are|has been) (?:no longer|not (?:used|supported|allowed)|deprecated)/;
/** What the form shows or links as well without it; what puts out of use does more than is warned of. */
const droppable = ['labelledBy', 'describedBy', 'invalid', 'required', 'name', 'placeholder'] as const;

/** What is declared, and passed on to where it means nothing, is not given. */
export function dropAstray(seen: Observation): void {
  const names = new Set(
    seen.watch.warnings.map((text) => astray.exec(text)?.slice(1).find(Boolean) ?? givenUp.exec(text)?.[1]),
  );
  for (const about of droppable) {
    const { [about]: told, ...rest } = seen.adapter;
    const name = told?.property;
    if (name === undefined || !names.has(name)) continue;
    seen.adapter = rest;
    seen.note(
      about === 'labelledBy' || about === 'placeholder' ? 'describedBy' : about === 'name' ? 'id' : about,
      `“${name}” is not given.`,
      'It was warned of: it is not taken any more, or went on to an element that has no such property.',
      0.9,
    );
  }
}

/** What is to be mended, in words, as declared: where it does not draw them, they are the form's to draw. */
export async function findMessage(seen: Observation): Promise<void> {
  const { message: declared, ...rest } = seen.adapter;
  if (!declared) return;
  const trial = await seen.mount({ state: { invalid: true } });
  await settle(60);
  const isDrawn = trial !== undefined && drawsWords(trial, words.error);
  await seen.clean();
  if (isDrawn) return;
  seen.adapter = { ...rest, invalid: { property: declared.property } };
  seen.note('message', `“${declared.property}” draws no words; the form does.`, 'It was given some.', 0.9);
}
/** Whether words stand among what it draws itself. */
export const drawsWords = ({ box }: Trial, text: string): boolean =>
  [...everyElement(box)].some(({ childNodes }) =>
    [...childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.nodeValue?.includes(text)),
  );

/** Whether an element that it draws is described by the words, or told of them. */
function leadsTo({ box }: Trial, text: string): boolean {
  const all = [...everyElement(box)];
  return all.some((one) =>
    ['aria-describedby', 'aria-errormessage'].some((name) =>
      (one.getAttribute(name) ?? '')
        .split(/\s+/)
        .some((id) => id !== '' && all.some((other) => other.id === id && other.textContent.includes(text))),
    ),
  );
}

/** Invalid, as declared: where nothing is to be seen of it, the box shows it. */
export async function findInvalid(seen: Observation): Promise<void> {
  const { invalid: declared, ...rest } = seen.adapter;
  if (!declared) return;
  const trial = await seen.mount();
  if (!trial || trial.error !== undefined) return seen.clean();
  const [shape, colours, pixels] = [fullLook(trial.box), paint(trial.box), await pixelsOf(trial.box)];
  await trial.set({ invalid: true });
  // Colours change with the next frames.
  await settle(60);
  const isSeen =
    pixels === undefined
      ? fullLook(trial.box) !== shape || paint(trial.box) !== colours
      : (await pixelsOf(trial.box)) !== pixels;
  await seen.clean();
  const { property } = declared;
  const complaints = [
    `Invalid prop \`${property}\``,
    ...['must', 'should', 'has to'].map((one) => ` ${property} ${one} be`),
  ];
  // What is said of a kind is said once, perhaps of an earlier trial.
  const isAmiss = seen.watch.warnings.some((text) => complaints.some((one) => ` ${text}`.includes(one)));
  if (isAmiss && declared.value === undefined) return findWords(seen, property);
  if (isSeen) return;
  seen.adapter = rest;
  seen.note('invalid', `“${property}” shows nothing; its box does.`, 'It was set, and looked the same.', 0.9);
}

/** What takes no yes or no may take the words of what is to be mended, and draw them; otherwise the box shows it. */
async function findWords(seen: Observation, property: string): Promise<void> {
  const { invalid: _, ...rest } = seen.adapter;
  seen.adapter = { ...rest, message: { property } };
  const trial = await seen.mount({ state: { invalid: true } });
  await settle(60);
  // What it draws and leads to from no element of its own, the form draws better.
  const isDrawn =
    trial?.error === undefined && trial !== undefined && drawsWords(trial, words.error) && leadsTo(trial, words.error);
  await seen.clean();
  if (!isDrawn) seen.adapter = rest;
  const says = isDrawn ? 'takes the words of what is to be mended, and draws them' : 'is not given; its box shows it';
  seen.note(isDrawn ? 'message' : 'invalid', `“${property}” ${says}.`, 'Of yes and no the framework warned.', 0.95);
}

/** Required, as declared: where saying so is warned of, its elements are told by themselves. */
export async function findRequired(seen: Observation): Promise<void> {
  const { required: declared, ...rest } = seen.adapter;
  if (!declared) return;
  if ((await seen.warningsWith({ required: true })) <= (await seen.warningsWith({ required: false }))) return;
  seen.adapter = rest;
  seen.note('required', `“${declared.property}” is not given.`, 'It was, and was warned of.', 0.9);
}

/** Disabled and read only, as declared: where the gesture still changes it, the box does it instead. */
export async function findFlags(seen: Observation): Promise<void> {
  const { gesture } = seen.adapter;
  if (!gesture) return;
  const shown = await seen.start(gesture);
  for (const flag of ['disabled', 'readOnly'] as const) {
    const { [flag]: declared, ...rest } = seen.adapter;
    if (!declared) continue;
    const trial = await seen.mount({ state: { shown, [flag]: true } });
    const wanted = trial && look(trial.box);
    try {
      if (trial) await perform(trial.box, gesture);
    } catch (error) {
      if (!(error instanceof GestureError)) throw error;
    }
    await leave();
    const bears =
      trial === undefined || (trial.error === undefined && trial.reports.length === 0 && look(trial.box) === wanted);
    const isOpen =
      flag === 'disabled' &&
      trial !== undefined &&
      bears &&
      (workingElements(trial.box).some((one) => isOpenElement(one) && isInReach(one)) || (await isReachedByTab(trial)));
    const isLike = flag === 'disabled' && bears && trial !== undefined && !(await isToldApart(seen, shown, trial));
    await seen.clean();
    if (bears && !isOpen && !isLike) {
      seen.note(flag, `“${declared.property}” does what it says.`, 'The gesture changed nothing.', 1);
      continue;
    }
    seen.adapter = rest;
    seen.note(
      flag,
      `“${declared.property}” does not ${isLike ? 'show it' : `keep it from being ${isOpen ? 'reached' : 'changed'}`}; its box does.`,
      'The gesture was tried.',
      0.95,
    );
  }
}

/** Whether it looks otherwise than one that can be used; where nobody outside can see, it is believed. */
async function isToldApart(seen: Observation, shown: unknown, disabled: Trial): Promise<boolean> {
  const pixels = await pixelsOf(disabled.box);
  if (pixels === undefined) return true;
  await seen.clean();
  const open = await seen.mount({ state: { shown } });
  return open === undefined || (await pixelsOf(open.box)) !== pixels;
}

function isOpenElement(element: Element): boolean {
  if (element.matches(':disabled, [aria-disabled=true], [aria-disabled=true] *, [inert] *')) return false;
  const root = element.getRootNode();
  return !(root instanceof ShadowRoot && (root.host.matches('[disabled]') || !isOpenElement(root.host)));
}
