/**
 * Texts as a person wrote them: JSON with comments and line breaks of its author's own. A form or group keeps such a
 * text beside what it means (`written`), and every edit made elsewhere becomes the smallest change of the text.
 */
import { equalJson, formatPointer, isObject, lookUp, parsePointer, type Kit, type Pointer } from '@poietra/core';
import {
  applyEdits,
  findNodeAtLocation,
  modify,
  parse,
  parseTree,
  printParseErrorCode,
  stripComments,
  type JSONPath,
  type Node,
  type ParseError,
} from 'jsonc-parser';

const said: Readonly<Record<string, string>> = {
  InvalidCommentToken: 'a comment may not stand here',
  CommaExpected: 'a comma is missing before this',
  ColonExpected: 'a colon is missing here',
  PropertyNameExpected: 'a name in double quotes is missing here',
  ValueExpected: 'a value is missing here',
  EndOfFileExpected: 'the JSON ends before this',
  CloseBraceExpected: 'a closing brace is missing',
  CloseBracketExpected: 'a closing bracket is missing',
  UnexpectedEndOfString: 'the closing quote is missing',
};

/** The first place where a text is no JSON with comments, and what is wrong there. */
export function firstFault(text: string): { readonly from: number; readonly to: number; readonly says: string } {
  const errors: ParseError[] = [];
  parse(text, errors, { disallowComments: false });
  const [first] = errors;
  if (!first) return { from: 0, to: 0, says: 'this is no JSON' };
  const { error, offset, length } = first;
  return { from: offset, to: offset + length, says: said[printParseErrorCode(error)] ?? 'this is no JSON' };
}

/**
 * What a text means. Comments are passed over.
 * @throws {SyntaxError} where it is no JSON; its message has line and column, counted from 1.
 */
export function meaningOf(text: string): unknown {
  try {
    return JSON.parse(stripComments(text, ' '));
  } catch {
    const { from, says } = firstFault(text);
    const lines = text.slice(0, from).split('\n');
    throw new SyntaxError(`line ${lines.length}, column ${(lines.at(-1)?.length ?? 0) + 1}: ${says}`);
  }
}

/** The text of a value where nobody wrote another one. */
export function plainText(value: unknown): string {
  return JSON.stringify(value, undefined, 2);
}

/** The text to be shown: as it was written where that still means the value, member for member. */
export function textOf(value: unknown, written: string | undefined): string {
  return written !== undefined && means(written, value) ? written : plainText(value);
}

function means(text: string, value: unknown): boolean {
  try {
    return JSON.stringify(meaningOf(text)) === JSON.stringify(value);
  } catch {
    return false;
  }
}

/** The text after an edit of its value, all else kept; `undefined` where only a new text can say it. */
export function mended(text: string, before: unknown, after: unknown): string | undefined {
  let next = text;
  const put = (path: JSONPath, value: unknown, isNew = false): void => {
    const formattingOptions = { insertSpaces: !/^\t/m.test(text), tabSize: 2, eol: '\n' };
    next = applyEdits(next, modify(next, path, value, { formattingOptions, isArrayInsertion: isNew }));
  };
  const walk = (path: JSONPath, from: unknown, to: unknown): void => {
    if (equalJson(from, to) && JSON.stringify(from) === JSON.stringify(to)) return;
    if (Array.isArray(from) && Array.isArray(to)) walkList(path, from, to);
    else if (isObject(from) && isObject(to)) walkObject(path, from, to);
    else put(path, to);
  };
  const walkObject = (path: JSONPath, from: Record<string, unknown>, to: Record<string, unknown>): void => {
    for (const name of Object.keys(from)) if (!Object.hasOwn(to, name)) put([...path, name], undefined);
    for (const [name, value] of Object.entries(to))
      if (Object.hasOwn(from, name)) walk([...path, name], from[name], value);
      else put([...path, name], value);
    next = inOrder(next, path, Object.keys(to));
  };
  /** What both lists begin and end with stays as it is. */
  const walkList = (path: JSONPath, from: readonly unknown[], to: readonly unknown[]): void => {
    const most = Math.min(from.length, to.length);
    let start = 0;
    while (start < most && equalJson(from[start], to[start])) start++;
    let end = 0;
    while (end < most - start && equalJson(from[from.length - 1 - end], to[to.length - 1 - end])) end++;
    const [gone, come] = [from.length - end - start, to.length - end - start];
    const both = Math.min(gone, come);
    for (let i = start; i < start + both; i++) walk([...path, i], from[i], to[i]);
    for (let i = start + gone - 1; i >= start + both; i--) put([...path, i], undefined);
    for (let i = start + both; i < start + come; i++) put([...path, i], to[i], true);
  };
  try {
    walk([], before, after);
  } catch {
    return undefined;
  }
  return means(next, after) ? next : undefined;
}

/** The members of an object in another order; what is said about one in comments goes with it. */
function inOrder(text: string, path: JSONPath, names: readonly string[]): string {
  const root = parseTree(text);
  const object = root && findNodeAtLocation(root, path);
  const members = object?.children ?? [];
  const nameOf = (member: Node): string => String(member.children?.[0]?.value);
  if (!object || members.every((member, i) => nameOf(member) === names[i])) return text;
  const pieces = new Map<string, string>();
  let from = object.offset + 1;
  members.forEach((member, i) => {
    const end = member.offset + member.length;
    // A comment behind the comma, on the same line, speaks of the member before it.
    const tail = /^[ \t]*(,)?([ \t]*\/\/[^\n]*|[ \t]*\/\*[^\n]*?\*\/(?=[ \t]*\n))?/.exec(text.slice(end));
    pieces.set(nameOf(member), `${text.slice(from, end)}\u0000${tail?.[2] ?? ''}`);
    const isLast = i === members.length - 1;
    from = end + (isLast ? (tail?.[1] ? 0 : (tail?.[2] ?? '').length) : (tail?.[0] ?? '').length);
  });
  const body = names
    .map((name, i) => (pieces.get(name) ?? '').replace('\u0000', i === names.length - 1 ? '' : ','))
    .join('');
  return `${text.slice(0, object.offset + 1)}${body}${text.slice(from)}`;
}

/** Edits of the kit, with those of the texts that go with them. */
export function withTexts(kit: Kit, places: Readonly<Record<Pointer, unknown>>): Record<Pointer, unknown> {
  const all: Record<Pointer, unknown> = { ...places };
  for (const [place, value] of Object.entries(places)) {
    const [holder, name, member, ...rest] = parsePointer(place);
    if (holder !== 'forms' && holder !== 'groups') continue;
    if (name === undefined) all[place] = withTheirTexts(kit[holder], value);
    if (name === undefined || member === undefined) continue;
    const at = formatPointer([holder, name, 'written', member]);
    const text: unknown = lookUp(kit, at);
    if (typeof text !== 'string' || Object.hasOwn(places, at)) continue;
    if (rest.length === 0) all[at] = mended(text, lookUp(kit, place), value);
  }
  return all;
}

/** All forms or groups at once, as a new name of one gives them: each keeps the text that it had at its position. */
function withTheirTexts(before: unknown, after: unknown): unknown {
  if (!isObject(before) || !isObject(after)) return after;
  const old = Object.values(before);
  return Object.fromEntries(
    Object.entries(after).map(([name, part], i) => {
      const was = old[i];
      if (!isObject(part) || !isObject(was) || !isObject(part['written'])) return [name, part];
      const written = Object.entries(part['written']).map(([member, text]) => [
        member,
        typeof text === 'string' && was[member] !== part[member] ? mended(text, was[member], part[member]) : text,
      ]);
      return [name, { ...part, written: Object.fromEntries(written) as unknown }];
    }),
  );
}
