/** What an editor of JSON offers while one types, and the marks where something is wrong. */
import {
  autocompletion,
  completionKeymap,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete';
import { json } from '@codemirror/legacy-modes/mode/javascript';
import { StreamLanguage } from '@codemirror/language';
import type { Diagnostic } from '@codemirror/lint';
import type { EditorState, Extension } from '@codemirror/state';
import { keymap } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import type { Offers, Wrong } from './code-props.js';
import { placeAt, rangeOf } from './json-places.js';

/** JSON with comments, whose grammar the editor's own JSON language does not have. */
export const jsonLanguage = StreamLanguage.define({ ...json, tokenTable: { property: tags.propertyName } });

/** At the start of a name or a text: what may stand there. */
function complete(offers: Offers, context: CompletionContext): CompletionResult | null {
  const word = context.matchBefore(/"[\w$/~*-]*/);
  if (!word) return null;
  const { names, isName } = placeAt(context.state, word.from + 1);
  const offered = offers(isName ? names.slice(0, -1) : names, isName);
  return offered.length === 0
    ? null
    : { from: word.from + 1, options: offered.map((label) => ({ label, apply: label })), validFor: /^[\w$/~*-]*$/ };
}

/** What was found wrong, marked where it stands. */
export function marksOf(state: EditorState, wrong: readonly Wrong[]): Diagnostic[] {
  return wrong.map(({ at = '', range, message }): Diagnostic => {
    const { from, to } = range ?? rangeOf(state, at) ?? { from: 0, to: 0 };
    const start = Math.min(from, state.doc.length);
    // A long value is marked at its beginning; a page full of red says nothing.
    return { from: start, to: Math.max(start, Math.min(to, state.doc.lineAt(start).to)), severity: 'error', message };
  });
}

export function jsonHelp(offers: Offers): Extension[] {
  return [
    autocompletion({ override: [(context) => complete(offers, context)], icons: false }),
    keymap.of(completionKeymap),
  ];
}
