import { joinPointer, ownMember, parsePointer, setOwn, type Pointer } from '../json/index.js';
import type { CodecCode } from '../codec/index.js';
import type { Snapshot } from '../form/index.js';
import { codecsOf } from './codecs.js';
import type { Plan, PlanField, PlanNode } from './nodes.js';
import { asShownName } from './as-shown.js';
import { eachNode } from './each.js';
import { planAt } from './walk.js';

/**
 * Reads what a browser sends of a planned form without script: pairs of name and text, as `application/
 * x-www-form-urlencoded` or `multipart/form-data` carry them (`new URLSearchParams(body)`, `await request.formData()`).
 * Names are JSON Pointers; texts are what the inputs showed, or, where a script ran, what is sent: texts as they are,
 * all else as JSON. What cannot be parsed is kept as typed.
 *
 * The result opens a form: `openForm({ …, restore })`; its `problems()` and `sent()` then say the rest.
 */
export function readSubmission(
  { root }: Plan,
  pairs: Iterable<readonly [string, unknown]>,
  codes: Readonly<Record<string, CodecCode>> = {},
): Snapshot {
  const codecs = codecsOf(root, codes);
  const given = new Map<Pointer, string[]>();
  let asShown = false;
  for (const [name, text] of pairs) {
    if (name === asShownName) asShown = text === 'shown';
    else if (typeof text === 'string' && (name === '' || name.startsWith('/')))
      given.set(name, [...(given.get(name) ?? []), text]);
  }
  // A check mark that is not set sends nothing at all.
  if (asShown)
    eachNode(root, '', 12, (node, at) => {
      if (node.kind === 'field' && node.use.adapter === 'native:checkbox' && !at.includes('*') && !given.has(at))
        given.set(at, []);
    });
  const typed: Record<Pointer, unknown> = {};
  let value: unknown;
  for (const at of [...given.keys()].sort(inOrder)) {
    const node = planAt(root, at);
    if (node?.kind !== 'field') continue;
    const texts = given.get(at) ?? [];
    if (!asShown) {
      const sent = sentOf(node, texts[0] ?? '');
      if (sent === undefined) typed[at] = texts[0];
      else value = put(root, value, at, sent);
      continue;
    }
    const shown = shownOf(node, texts);
    const parsed = codecs(at)?.parse(shown);
    if (!parsed) continue;
    if (!parsed.ok) typed[at] = shown;
    else {
      const sent = codecs(at)?.serialise(parsed.held);
      if (sent !== undefined) value = put(root, value, at, sent);
    }
  }
  return { value: value ?? {}, typed, visited: [...given.keys()] };
}

function sentOf({ facts: { kinds, allowed } }: PlanField, text: string): unknown {
  if (kinds?.includes('string') || allowed?.includes(text)) return text;
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

/** What an input would have reported. Choices go by their number, since HTML knows texts only. */
function shownOf({ use, choices }: PlanField, texts: readonly string[]): unknown {
  const several = use.adapter === 'native:checks' || use.adapter === 'native:listbox';
  const numbered = several || use.adapter === 'native:select' || use.adapter === 'native:radios';
  if (choices && numbered) {
    const chosen = texts.flatMap((text) => (/^\d+$/.test(text) ? [choices[Number(text)]?.value] : []));
    return several ? chosen : chosen[0];
  }
  if (use.adapter === 'native:checkbox') return texts.length > 0;
  const [text = ''] = texts;
  return choices?.find((choice) => choice.text === text)?.value ?? text;
}

/** Entries of a list by their number, so that each one finds those before it. */
function inOrder(a: Pointer, b: Pointer): number {
  return a.localeCompare(b, 'en', { numeric: true });
}

/** Puts a value where it belongs; lists and tuples on the way become arrays, without gaps. */
function put(root: PlanNode, document: unknown, at: Pointer, sent: unknown): unknown {
  const tokens = parsePointer(at);
  const fill = (holder: unknown, depth: number, here: Pointer): unknown => {
    const token = tokens[depth];
    if (token === undefined) return sent;
    const node = planAt(root, here);
    const isArray = node?.kind === 'list' || (node?.kind === 'group' && node.tuple);
    const below = joinPointer(here, token);
    if (isArray) {
      const list: unknown[] = Array.isArray(holder) ? holder : [];
      const index = node.kind === 'list' ? indexOf(list, Number(token)) : Number(token);
      list[index] = fill(list[index], depth + 1, below);
      return list;
    }
    const object: Record<string, unknown> = (holder as Record<string, unknown> | undefined) ?? {};
    setOwn(object, token, fill(ownMember(object, token), depth + 1, below));
    return object;
  };
  return fill(document, 0, '');
}

/** Numbers that nobody could have sent make no list of a million entries. */
function indexOf(list: readonly unknown[], wanted: number): number {
  return wanted < list.length ? wanted : list.length;
}
