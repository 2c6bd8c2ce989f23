/** Which element is the one that a person works with, and how it takes the focus. */
import { computeAccessibleDescription, computeAccessibleName } from 'dom-accessibility-api';
import type { Focus } from '@poietra/core';
import { everyElement, focused, reach, workingElements } from '@poietra/react';
import { leave } from '../hands.js';
import { settle } from '../settle.js';
import { roleOf } from '../targets.js';
import type { Trial } from '../trial.js';
import { words } from '../wanted.js';
import type { Observation } from './observation.js';

const single = /^(textbox|searchbox|spinbutton|combobox|slider|checkbox|switch|listbox|password|color|date|time|file)$/;
/** What a `<label for>` reaches (HTML, labelable elements). */
const labelable = 'button, input, meter, output, progress, select, textarea';
/** A text with marks is written in what can be edited (HTML, `contenteditable`). */
const editable = '[contenteditable]:not([contenteditable=false])';
const selectors = [
  '[role=radiogroup]',
  'input:not([type=hidden])',
  'textarea',
  'select',
  '[role=combobox]',
  '[role=slider]',
  '[role=switch]',
  '[role=checkbox]',
  '[role=spinbutton]',
  // By what it is of itself; its role may be given by the adapter.
  editable,
  '[role=textbox]',
  '[role=listbox]',
  'button',
];

/** Which element inside is the one that a person works with. */
export function findReality(seen: Observation, trial: Trial): void {
  if (seen.input.family === 'native') return;
  const { id, ...withoutId } = seen.adapter;
  const target = id && document.getElementById(`${trial.id}-input`);
  const working = workingElements(trial.box);
  if (target && working.includes(target) && target.matches(labelable)) {
    if (computeAccessibleName(target).includes(words.label)) {
      seen.note('id', `The id reaches the ${roleOf(target)}.`, 'It was found on it.', 1);
      describeHere(seen, target);
      return;
    }
    seen.note(
      'id',
      'The id reaches it, and yet a label does not name it: it has one of its own.',
      'Its name was asked for.',
      1,
    );
    seen.adapter = withoutId;
  } else if (id) {
    seen.note('id', `“${id.property}” does not reach an element that takes the focus.`, 'The id was looked for.', 1);
    seen.adapter = withoutId;
  }
  const controls = working.filter((element) => single.test(roleOf(element)));
  const groups = [...everyElement(trial.box)].filter(
    (element): element is HTMLElement =>
      element instanceof HTMLElement &&
      element.matches('[role=radiogroup]') &&
      working.every((one) => element.contains(one)),
  );
  // What stands beside what can be edited are its tools.
  const texts = working.filter((element) => element.matches(editable));
  const only =
    groups.length === 1
      ? groups[0]
      : texts.length === 1
        ? texts[0]
        : controls.length === 1
          ? controls[0]
          : controls.length === 0 && working.length === 1
            ? working[0]
            : undefined;
  if (!only) {
    seen.note('id', 'It is a group of elements.', `It has ${working.length} elements that a person works with.`, 0.9);
    return;
  }
  const selector = selectors.find((one) => only.matches(one) && reach(trial.box, one) === only);
  if (selector === undefined) return;
  seen.adapter = { ...seen.adapter, real: { selector } };
  const { labelledBy, ...bare } = seen.adapter;
  if (labelledBy && !computeAccessibleName(only).includes(words.label)) {
    seen.adapter = bare;
    seen.note(
      'id',
      `“${labelledBy.property}” does not name it; it is named where it stands.`,
      'Its name was asked for.',
      1,
    );
  }
  seen.note(
    'id',
    `The real element is the ${roleOf(only)} inside.`,
    'It is the only one that a person works with.',
    0.9,
  );
  describeHere(seen, only);
}

/** What is declared to take the ids of hint and message may give them to what stands around it, or to nobody. */
function describeHere(seen: Observation, element: HTMLElement): void {
  const { describedBy, ...bare } = seen.adapter;
  // No id reaches into a shadow tree; words are carried there in other ways.
  if (!describedBy || element.getRootNode() !== document) return;
  if (computeAccessibleDescription(element).includes(words.hint)) return;
  seen.adapter = bare;
  seen.note(
    'describedBy',
    `“${describedBy.property}” does not describe it; it is described where it stands.`,
    'Its description was asked for.',
    1,
  );
}

/** By which something is found that a person works with. */
async function selectorsIn(seen: Observation): Promise<string[]> {
  const trial = await seen.mount();
  const working = trial ? workingElements(trial.box) : [];
  const found = selectors.filter((one) => {
    const reached = trial && reach(trial.box, one);
    return reached !== undefined && working.includes(reached);
  });
  await seen.clean();
  return found;
}

export async function findFocus(seen: Observation): Promise<void> {
  const takes = async (): Promise<boolean> => {
    await leave();
    const trial = await seen.mount();
    if (!trial) return false;
    trial.reached?.focus();
    await settle();
    const active = focused();
    const isIn =
      active !== null && active !== document.body && workingElements(trial.box).includes(active as HTMLElement);
    await seen.clean();
    return isIn;
  };
  if (await takes()) return;
  const before = seen.adapter;
  const isTaken = async (focus: Focus): Promise<boolean> => {
    seen.adapter = { ...before, focus };
    if (!(await takes())) return false;
    seen.note('focus', 'The focus goes to an element inside.', 'The declared way did not take it there.', 0.9);
    return true;
  };
  if (await isTaken({ by: 'element' })) return;
  if (await isTaken({ by: 'inner', selector: 'input, button, select, textarea, [tabindex]' })) return;
  // The first of all may only stand in for another.
  for (const selector of await selectorsIn(seen)) if (await isTaken({ by: 'inner', selector })) return;
  seen.adapter = before;
  seen.note(
    'focus',
    'No way was found to give it the focus.',
    'An element, a method and the first inside were tried.',
    0.9,
  );
}
