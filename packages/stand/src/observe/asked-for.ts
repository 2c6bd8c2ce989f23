/** What an input says has to be given, and what may be given: the words of its label, an id, a name. */
import type { AdapterDescription } from '@poietra/core';
import { everyElement } from '@poietra/react';
import { settle } from '../settle.js';
import type { Trial } from '../trial.js';
import { words } from '../wanted.js';
import type { Observation } from './observation.js';
import { drawsWords } from './states.js';

/** How the framework says that something was not given. */
const declared = /The prop `([\w-]+)` is marked as required in/;
/** A property in quotation marks, in a sentence that asks for it. */
const quoted = /[`"'“]([\w-]+)[`"'”]/g;
/** One of ARIA's properties needs none. */
const ofAria = /\baria-[a-z]+\b/g;
const asking = /\b(required|must|needs?|expect(?:s|ed)?|missing|provide|without)\b/i;
/** What is called so is drawn as the label. */
const labels = /^(label(Text)?|legend(Text)?|title(Text)?|heading|caption)$/;

/** The properties that were asked for so far, or that are declared to be needed. */
function askedFor({ input, watch }: Observation): ReadonlySet<string> {
  const names = new Set([...input.properties.map(({ name }) => name), ...(input.links ?? [])]);
  const said = watch.warnings.flatMap((text) => {
    const [, one] = declared.exec(text) ?? [];
    if (one !== undefined) return [one];
    return asking.test(text)
      ? [...[...text.matchAll(quoted)].map(([, name = '']) => name), ...(text.match(ofAria) ?? [])]
      : [];
  });
  const needed = input.properties.flatMap(({ name, required }) => (required ? [name] : []));
  return new Set([...needed, ...said].filter((name) => names.has(name)));
}

/** The words of its label and an id, where it asked for them; whether the id reaches it is looked at afterwards. */
export async function giveWords(seen: Observation, drawn: Trial): Promise<Trial> {
  const asked = askedFor(seen);
  const drafted = seen.adapter;
  if (asked.has('id') && !seen.adapter.id) seen.adapter = { ...seen.adapter, id: { property: 'id' } };
  const before = seen.adapter;
  const property = [...asked].find((name) => labels.test(name) && before.constants?.[name] === undefined);
  if (property !== undefined && !before.label) {
    seen.adapter = { ...before, label: { property } };
    const named = await seen.mount();
    if (named && named.error === undefined && drawsWords(named, words.label)) {
      seen.note('label', `It draws its label itself, from “${property}”.`, 'It asked for it, and drew the words.', 0.9);
      return named;
    }
    seen.adapter = before;
  }
  return seen.adapter === drafted ? drawn : ((await seen.mount()) ?? drawn);
}

/** What is named where it stands may ask for its label's id all the same; without, it warns. */
export async function giveLabel(seen: Observation, { labelledBy }: AdapterDescription): Promise<void> {
  const before = seen.adapter;
  if (!labelledBy || before.labelledBy || !askedFor(seen).has(labelledBy.property)) return;
  const without = await seen.warningsWith();
  seen.adapter = { ...before, labelledBy };
  if ((await seen.warningsWith()) < without)
    seen.note('id', `“${labelledBy.property}” is given, too.`, 'It asked for it, and warned without.', 0.9);
  else seen.adapter = before;
}

/**
 * A name that no other has, where the input does not submit its value itself, so that the field's is not given, and yet
 * needs one: it asks for it, or all its copies are of one group without, as radios are by their names.
 */
export async function giveName(seen: Observation): Promise<void> {
  const before = seen.adapter;
  const { name, ownIds, samples, ...rest } = before;
  const isOwn = name !== undefined && before.choices === undefined && typeof samples?.[0] === 'string';
  const isOfRadios = before.gesture?.steps.some((step) => step.on.role === 'radio') ?? false;
  const hasName = seen.input.properties.some((one) => one.name === 'name');
  if (ownIds || isOwn || !isOfRadios || !hasName) return;
  const given = { ...rest, ...(samples ? { samples } : {}) };
  // Drawn as in a form, where it is not told the name.
  seen.adapter = given;
  const shared = await sharedName(seen);
  const why = shared === undefined ? askedFor(seen).has('name') && 'It asked for one' : `Two copies were “${shared}”`;
  if (why === false) {
    seen.adapter = before;
    return;
  }
  seen.adapter = { ...given, ownIds: { property: 'name' } };
  if (shared !== undefined && (await sharedName(seen)) !== undefined) {
    seen.adapter = before;
    return;
  }
  seen.note('ownIds', 'It gets a name that no other has.', `${why}, and it does not submit its value itself.`, 0.9);
}

/** A name by which the radios of two copies are one group. */
async function sharedName(seen: Observation): Promise<string | undefined> {
  const trials = [await seen.mount(), await seen.mount()];
  await settle();
  const [first, second] = trials.map(
    (trial) =>
      new Set(
        [...everyElement(trial?.box ?? document.createElement('div'))].flatMap((element) =>
          element instanceof HTMLInputElement && element.type === 'radio' && element.name !== '' ? [element.name] : [],
        ),
      ),
  );
  await seen.clean();
  return [...(first ?? [])].find((one) => second?.has(one));
}
