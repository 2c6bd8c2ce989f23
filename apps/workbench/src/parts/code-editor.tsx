import { defaultKeymap, history, historyKeymap, indentWithTab } from '@codemirror/commands';
import { javascript } from '@codemirror/lang-javascript';
import { bracketMatching, HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { setDiagnostics } from '@codemirror/lint';
import { EditorState, StateEffect, StateField } from '@codemirror/state';
import { Decoration, EditorView, keymap, lineNumbers, type DecorationSet } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { useEffect, useRef, type ReactNode } from 'react';
import type { CodeProps } from './code-props.js';
import { jsonHelp, jsonLanguage, marksOf } from './json-help.js';
import { placeAt, rangeOf } from './json-places.js';

const colours = HighlightStyle.define([
  { tag: [tags.string, tags.special(tags.string)], color: 'var(--shown)' },
  { tag: [tags.propertyName, tags.definition(tags.variableName)], color: 'var(--held)' },
  { tag: [tags.number, tags.bool, tags.null], color: 'var(--sent)' },
  { tag: tags.keyword, color: 'var(--sent)' },
  { tag: tags.comment, color: 'var(--ink-2)', fontStyle: 'italic' },
]);
const look = EditorView.theme({
  '&': { height: '100%', fontSize: '13px', backgroundColor: 'var(--sheet)', color: 'var(--ink)' },
  '.cm-content': { fontFamily: 'var(--font-mono)', caretColor: 'var(--ink)' },
  '.cm-gutters': { backgroundColor: 'var(--sheet)', color: 'var(--ink-2)', border: 'none' },
  '.cm-selectionBackground, &.cm-focused .cm-selectionBackground': { backgroundColor: 'var(--mark) !important' },
  '.cm-lit': { backgroundColor: 'var(--mark)' },
  '&.cm-focused': { outline: '2px solid var(--focus)', outlineOffset: '-2px' },
});

/** The place that is lit: that of the field which has the focus on the sheet. */
const light = StateEffect.define<{ readonly from: number; readonly to: number } | undefined>();
const litLine = Decoration.mark({ class: 'cm-lit' });
const litField = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(marks, { effects, changes }) {
    let next = marks.map(changes);
    for (const effect of effects)
      if (effect.is(light))
        next =
          effect.value && effect.value.to > effect.value.from
            ? Decoration.set([litLine.range(effect.value.from, effect.value.to)])
            : Decoration.none;
    return next;
  },
  provide: (field) => EditorView.decorations.from(field),
});

export function CodeEditor(props: CodeProps): ReactNode {
  const { label, text, language, onChange, lit, wrong } = props;
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView>(undefined);
  const latest = useRef(props);
  const readOnly = onChange === undefined;
  useEffect(() => {
    latest.current = props;
  });
  useEffect(() => {
    if (!host.current) return undefined;
    const made = new EditorView({
      parent: host.current,
      state: EditorState.create({
        extensions: [
          lineNumbers(),
          history(),
          bracketMatching(),
          EditorView.lineWrapping,
          syntaxHighlighting(colours),
          look,
          language === 'json' ? jsonLanguage : javascript({ typescript: true, jsx: true }),
          // In a text to be read, Tab goes on to the next part of the page.
          keymap.of([...defaultKeymap, ...historyKeymap, ...(readOnly ? [] : [indentWithTab])]),
          EditorState.readOnly.of(readOnly),
          EditorView.contentAttributes.of({ 'aria-label': label, ...(readOnly ? { 'aria-readonly': 'true' } : {}) }),
          litField,
          language === 'json' && !readOnly
            ? jsonHelp((place, isName) => latest.current.offers?.(place, isName) ?? [])
            : [],
          EditorView.updateListener.of((update) => {
            if (update.selectionSet && update.view.hasFocus)
              latest.current.onCaret?.(placeAt(update.state, update.state.selection.main.head).at);
            if (
              update.docChanged &&
              update.transactions.some(
                (one) =>
                  one.isUserEvent('input') ||
                  one.isUserEvent('delete') ||
                  one.isUserEvent('undo') ||
                  one.isUserEvent('redo') ||
                  one.isUserEvent('move'),
              )
            ) {
              latest.current.onChange?.(update.state.doc.toString());
            }
          }),
        ],
      }),
    });
    // A long text can be scrolled by keyboard without entering it.
    made.scrollDOM.tabIndex = 0;
    view.current = made;
    return () => made.destroy();
  }, [label, language, readOnly]);
  useEffect(() => {
    const now = view.current;
    // What was typed here comes back as the same text; writing it again would move the caret.
    if (now && now.state.doc.toString() !== text)
      now.dispatch({ changes: { from: 0, to: now.state.doc.length, insert: text } });
  }, [text, label, language, readOnly]);
  useEffect(() => {
    const now = view.current;
    if (!now || lit === undefined) return;
    const range = rangeOf(now.state, lit);
    now.dispatch({
      effects: [
        light.of(range),
        // Where a person types, the text stays under the caret.
        ...(range && !now.hasFocus ? [EditorView.scrollIntoView(range.from, { y: 'center' })] : []),
      ],
    });
  }, [lit, text]);
  useEffect(() => {
    const now = view.current;
    // A text that was checked before has its verdict now; a linter that waits for idleness may have asked too early.
    if (now && wrong) now.dispatch(setDiagnostics(now.state, marksOf(now.state, wrong)));
  }, [wrong]);
  return <div ref={host} className="h-full min-h-0 overflow-auto" />;
}
