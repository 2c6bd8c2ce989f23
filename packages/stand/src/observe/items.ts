/** What an element takes to choose from: HTML's own options, or items of a list; whether its value is one of the items of its list of choices, or what stands in an item as its value. */
import type { ListUse } from '@poietra/core';
import { everyElement } from '@poietra/react';
import { atRest, fullLook } from '../look.js';
import { chosenBy, isToldAs, sampleChoices } from '../sample-choices.js';
import { tellsApart } from './apart.js';
import type { Trial } from '../trial.js';
import type { Observation } from './observation.js';

const [one, other] = sampleChoices;
const pairs: readonly (readonly [unknown, unknown])[] = [
  [one.value, other.value],
  [[one.value], [other.value]],
];

/**
 * Given items, where their values say nothing to it or are shown as they stand, without the words of the choice: the field
 * shows and hears the values all the same.
 */
export async function findItems(seen: Observation): Promise<void> {
  const { choices } = seen.adapter;
  if (!choices || !('property' in choices) || choices.takes) return;
  const before = seen.adapter;
  const plainly = await wordsOf(seen);
  if (plainly === 'shown') return;
  seen.adapter = { ...before, choices: { ...choices, takes: 'item' } };
  const asItems = await wordsOf(seen);
  if (asItems === 'shown' || (asItems === 'told apart' && plainly === undefined)) {
    noteItems(seen, choices);
    return;
  }
  for (const text of wordNames.filter((name) => name !== choices.text)) {
    seen.adapter = { ...before, choices: { ...choices, text } };
    if ((await wordsOf(seen)) !== 'shown') continue;
    seen.note('choices', `The words of a choice go in as “${text}”.`, `As “${choices.text}” they were not shown.`, 0.9);
    return;
  }
  seen.adapter = before;
}
/** What the words of a choice are called, the likeliest first. */
const wordNames = ['label', 'text', 'title', 'name'];

/**
 * What is told of a choice has to be its value, or the item that it came as. Where it is something that the input made
 * itself, the value has to go in under another name: what a choice is called `value` may be any object that it stands for.
 */
export async function findChoiceValue(seen: Observation): Promise<void> {
  const before = seen.adapter;
  const { choices, gesture } = before;
  const chosen = gesture && chosenBy(gesture);
  if (!choices || !gesture || !chosen) return;
  const isTold = async (): Promise<boolean> => isToldAs(chosen.value, await seen.reported(gesture));
  if ((await seen.quietly(isTold)) ?? true) return;
  if ('property' in choices && !choices.takes) {
    const { samples: _, ...rest } = before;
    seen.adapter = { ...rest, choices: { ...choices, takes: 'item' } };
    if (await seen.quietly(isTold)) return noteItems(seen, choices, 'What it told of a choice was an item of them.');
  }
  for (const value of ['id', 'key', 'value']) {
    if (value === choices.value) continue;
    seen.adapter = { ...before, choices: { ...choices, value } };
    if (!(await seen.quietly(isTold))) continue;
    const said = `A choice’s value goes in as “${value}”, not as “${choices.value}”.`;
    seen.note('choices', said, 'What it told of a choice was its value then, and something of its own before.', 0.95);
    return;
  }
  seen.adapter = before;
}

/** Elements for the choices that draw nothing of what stands inside them take their words by a property. */
export async function findWords(seen: Observation): Promise<void> {
  const before = seen.adapter;
  const { choices } = before;
  if (!choices || !('tag' in choices) || choices.text !== undefined || (await drawsWordsIn(seen, choices.tag))) return;
  for (const text of wordNames) {
    seen.adapter = { ...before, choices: { ...choices, text } };
    if (!(await drawsWordsIn(seen, choices.tag))) continue;
    const said = `The words of a choice go in as “${text}”.`;
    seen.note('choices', said, 'It draws nothing of what stands inside it, and drew them then.', 0.95);
    return;
  }
  seen.adapter = before;
}

/** Whether an element for a choice has a place for what stands inside it, or draws its words. */
async function drawsWordsIn(seen: Observation, tag: string): Promise<boolean> {
  const trial = await seen.mount();
  if (trial) await atRest(trial);
  const inner = trial?.box.querySelector(tag)?.shadowRoot;
  const draws = !inner || inner.querySelector('slot:not([name])') !== null || inner.innerHTML.includes(one.text);
  await seen.clean();
  return draws;
}

/** What draws HTML's own list and has nothing in it takes HTML's own options inside. */
export async function findOptions(seen: Observation): Promise<void> {
  const before = seen.adapter;
  if (!['element', 'component'].includes(seen.input.family) || before.choices) return;
  const listIn = (trial: Trial | undefined): HTMLSelectElement | undefined =>
    trial && [...everyElement(trial.box)].find((one) => one instanceof HTMLSelectElement);
  const list = listIn(await seen.mount());
  if (list && list.options.length < 2) {
    seen.adapter = { ...before, choices: { tag: 'option', value: 'value' } };
    const filled = await seen.mount();
    if (filled) await atRest(filled);
    if ([...(listIn(filled)?.options ?? [])].some(({ text }) => text.trim() === one.text))
      seen.note(
        'choices',
        'The values to choose from stand inside as HTML’s own options.',
        'They were drawn in its list.',
        0.95,
      );
    else seen.adapter = before;
  }
  await seen.clean();
}

function noteItems(
  seen: Observation,
  { property, value }: ListUse,
  evidence = 'With items two looked different, or their words were to be seen; with their values they did not, or were not.',
): void {
  seen.note(
    'choices',
    `Its value is an item of “${property}”, or a list of them, not what stands in it as “${value}”.`,
    evidence,
    0.95,
  );
}

/** Whether two choices look different as values, and whether the words of one are seen that are not without it. */
async function wordsOf(seen: Observation): Promise<'shown' | 'told apart' | undefined> {
  for (const [a, b] of pairs) {
    if (!(await seen.quietly(() => tellsApart(seen, a, b)))) continue;
    const said = (look: string): number => look.split(one.text).length;
    const [empty, shown] = [await lookOf(seen, undefined), await lookOf(seen, a)];
    return said(shown) > said(empty) ? 'shown' : 'told apart';
  }
  return undefined;
}

async function lookOf(seen: Observation, shown: unknown): Promise<string> {
  const trial = await seen.mount({ state: { shown } });
  // What is chosen may be told as it is shown, in one place, and announcements are no part of a look.
  const look = trial ? `${fullLook(trial.box)} ${trial.box.innerText}` : '';
  await seen.clean();
  return look;
}
