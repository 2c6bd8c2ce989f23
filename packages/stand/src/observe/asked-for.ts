/** What an input says has to be given, and what may be given: the words of its label, an id, a name. */
import type { Trial } from '../trial.js';
import { words } from '../wanted.js';
import type { Observation } from './observation.js';
import { drawsWords } from './states.js';

/** How the framework says that something was not given. */
const declared = /The prop `([\w-]+)` is marked as required in/;
/** A property in quotation marks, in a sentence that asks for it. */
const quoted = /[`"'“]([\w-]+)[`"'”]/g;
const asking = /\b(required|must|needs?|expect(?:s|ed)?|missing|provide|without)\b/i;
/** What is called so is drawn as the label. */
const labels = /^(label(Text)?|legend(Text)?|title(Text)?|heading|caption)$/;

/** The properties that were asked for so far, or that are declared to be needed. */
function askedFor({ input, watch }: Observation): ReadonlySet<string> {
  const names = new Set(input.properties.map(({ name }) => name));
  const said = watch.warnings.flatMap((text) => {
    const [, one] = declared.exec(text) ?? [];
    if (one !== undefined) return [one];
    return asking.test(text) ? [...text.matchAll(quoted)].map(([, name = '']) => name) : [];
  });
  const needed = input.properties.flatMap(({ name, required }) => (required ? [name] : []));
  return new Set([...needed, ...said].filter((name) => names.has(name)));
}

/** The words of its label and an id, where it asked for them; whether the id reaches it is looked at afterwards. */
export async function giveWords(seen: Observation, drawn: Trial): Promise<Trial> {
  const asked = askedFor(seen);
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
  return seen.adapter.id ? ((await seen.mount()) ?? drawn) : drawn;
}

/**
 * A name that has to be given, where the input does not submit its value itself, so that the field's is not given: radios
 * are told by it to be of one group.
 */
export function giveName(seen: Observation): void {
  const { name, ownIds, choices, ...rest } = seen.adapter;
  const isOwn = name !== undefined && choices === undefined && typeof seen.adapter.samples?.[0] === 'string';
  if (ownIds || isOwn || !askedFor(seen).has('name')) return;
  seen.adapter = { ...rest, ...(choices ? { choices } : {}), ownIds: { property: 'name' } };
  seen.note(
    'ownIds',
    'It gets a name that no other has.',
    'It asked for one, and does not submit its value itself.',
    0.9,
  );
}
