/** What an input makes its own ids of, where two copies of it, or server and browser, would make the same or others. */
import { everyElement } from '@poietra/react';
import { doubleId } from '../double-id.js';
import type { Trial } from '../trial.js';
import type { Observation } from './observation.js';
import { findReality } from './reality.js';

interface Trouble {
  readonly says: string;
  /** An id stands twice; ids come of nothing, or of a count; anything else. */
  readonly kind: 'double' | 'made' | 'other';
}
const names = [
  'id',
  'instanceId',
  'idPrefix',
  'baseId',
  'elementId',
  'inputId',
  'controlId',
  'htmlId',
  'uid',
  'uniqueId',
  'idBase',
  'idSuffix',
];

/** Given an id of the field's, it makes ids that no other has; tried only where there is something wrong with its own. */
export async function findOwnIds(seen: Observation): Promise<void> {
  const isElement = seen.input.family === 'element';
  if (seen.input.family !== 'component' && !isElement) return;
  const trouble = await withoutOurs(seen);
  const before = seen.adapter;
  const offered = names.filter(
    (name) =>
      before.id?.property !== name &&
      before.value.property !== name &&
      // Every element of the platform has one.
      (seen.input.properties.some((one) => one.name === name) || (isElement && name === 'id')),
  );
  // One that has to be given is asked for once for all copies, long before.
  const needed = seen.input.properties.find(({ name, required }) => required && offered.includes(name))?.name;
  const why = trouble?.says ?? (needed === undefined ? undefined : `“${needed}”, which has to be given, was not`);
  if (why === undefined) return;
  const others = trouble === undefined ? [] : offered.filter((name) => name !== needed);
  for (const property of [...(needed === undefined ? [] : [needed]), ...others]) {
    seen.adapter = { ...before, ownIds: { property } };
    const left = await troubleWith(seen);
    // What has to be given is given, though it makes other ids of something else.
    const isAsBefore = property === needed && left?.kind === 'made' && trouble?.kind === 'made';
    if (left !== undefined && !isAsBefore) continue;
    seen.note(
      'ownIds',
      `It makes its own ids of “${property}”.`,
      left === undefined ? `Without it ${why}; with it nothing of the kind.` : `“${property}” has to be given.`,
      0.9,
    );
    return;
  }
  seen.adapter = before;
}

/** What is wrong with its ids. One that gives the field's own to two elements is given none; its real element gets it then. */
async function withoutOurs(seen: Observation): Promise<Trouble | undefined> {
  const trouble = await troubleWith(seen);
  const before = seen.adapter;
  const { id, ...rest } = before;
  if (trouble?.kind !== 'double' || !id) return trouble;
  seen.adapter = rest;
  const trial = await seen.mount();
  if (trial) findReality(seen, trial);
  await seen.clean();
  const left = await troubleWith(seen);
  if (left?.kind === 'double') {
    seen.adapter = before;
    return trouble;
  }
  seen.note('id', `“${id.property}” is not given.`, `With it ${trouble.says}.`, 0.9);
  return left;
}

/** What is wrong with its ids: they stand twice, are made of nothing, are counted, or it asks for one. */
async function troubleWith(seen: Observation): Promise<Trouble | undefined> {
  const { told } = seen.watch;
  // What is to be mended may be drawn under an id as well.
  const state = { invalid: true };
  const [one, other] = [await seen.mount({ state }), await seen.mount({ state })];
  if (!one || !other || one.error !== undefined) return { says: 'it could not be drawn', kind: 'other' };
  const double = doubleId();
  const [first, second] = [idsOf(one), idsOf(other)];
  await seen.clean();
  if (double !== undefined) return { says: `the id “${double}” stood twice`, kind: 'double' };
  // The ids inside an element are its own affair, and no server makes them.
  if (seen.input.family === 'element') return undefined;
  const empty = first.find((id) => /undefined|null/.test(id));
  if (empty !== undefined) return { says: `an id was “${empty}”`, kind: 'made' };
  // What is counted in the page is counted anew on a server.
  const counted = first.find((id) => !second.includes(id));
  if (counted !== undefined)
    return { says: `the ids of two copies, as “${counted}”, did not come of the page’s order`, kind: 'made' };
  const asked = seen.watch.told > told ? seen.watch.warnings.find((text) => /\bid\b/i.test(text)) : undefined;
  return asked === undefined ? undefined : { says: `it said: ${asked.slice(0, 120)}`, kind: 'other' };
}

/** Without what is the trial's own in them. */
const idsOf = (trial: Trial): string[] =>
  [...everyElement(trial.box)].flatMap(({ id }) => (id === '' ? [] : [id.replaceAll(trial.id, '')]));
