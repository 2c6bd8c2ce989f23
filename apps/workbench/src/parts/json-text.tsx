import { joinPointer, kitDocuments } from '@poietra/core';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { meaningOf, textOf } from '../store/written.js';
import type { TextFault } from '../workers/text-check.js';
import type { Offers } from './code-props.js';
import { CodeView } from './code-view.js';
import { useKit } from '../store/kit.js';
import { useView } from '../store/view.js';
import { MissingDocuments } from './missing-documents.js';
import { checkOnce, useTextCheck, type TextKind } from './use-text-check.js';

interface Props {
  readonly label: string;
  readonly value: unknown;
  /** The text as a person wrote it, with comments; it counts as long as it means the value. */
  readonly written?: string | undefined;
  readonly is?: TextKind;
  /** `written` is absent where the text is the one that anybody would write. */
  onChange(value: unknown, written: string | undefined): void;
  readonly offers?: Offers;
  readonly lit?: string | undefined;
  readonly onCaret?: ((at: string) => void) | undefined;
}

interface Draft {
  readonly text: string;
  /** The text that stood when this one was typed, or that it became. */
  readonly of: string;
  readonly faults: readonly TextFault[];
  readonly missing?: readonly string[] | undefined;
}
const noFaults: readonly TextFault[] = [];
/** Words typed quickly are checked once, where checking takes its time. */
const pauseFor = (text: string): number => (text.length > 200_000 ? 400 : 0);

/**
 * JSON as text, comments allowed. What can be read and holds is taken as soon as a worker has checked it; while it does
 * not, the last good state stands and the text says where it breaks.
 */
export function JsonText({ label, value, written, is = 'schema', onChange, offers, lit, onCaret }: Props): ReactNode {
  const good = useMemo(() => textOf(value, written), [value, written]);
  const [draft, setDraft] = useState<Draft>();
  const check = useTextCheck();
  const due = useRef(0);
  /** What was typed last: the answer about an earlier text comes too late. */
  const typed = useRef<string>(undefined);
  // The text as typed stays as long as it means the value that stands; an undo or another tab brings a new text.
  const current = draft?.of === good ? draft : undefined;
  /** What was typed and not yet taken: a text that is closed meanwhile is taken all the same, once it is checked. */
  const open = useRef<{ readonly text: string; readonly take: (text: string) => void }>(undefined);
  useEffect(
    () => () => {
      clearTimeout(due.current);
      const { text, take } = open.current ?? {};
      if (text === undefined || !take) return;
      void checkOnce(text, is).then(({ faults }) => {
        if (faults.length === 0) take(text);
        else
          useView
            .getState()
            .say(`What was typed into “${label}” does not hold, and was left out: ${faults[0]?.message ?? ''}`);
      });
    },
    // Only when it goes away.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [],
  );
  const change = (text: string): void => {
    setDraft({ text, of: good, faults: current?.faults ?? noFaults });
    typed.current = text;
    open.current = { text, take: (one) => onChange(meaningOf(one), one) };
    clearTimeout(due.current);
    due.current = window.setTimeout(() => {
      void check(text, is).then((verdict) => {
        if (verdict === undefined || typed.current !== text) return;
        const { faults, isPlain, missing } = verdict;
        open.current = faults.length > 0 ? open.current : undefined;
        if (faults.length > 0) {
          setDraft({ text, of: good, faults, missing });
          return;
        }
        // At once, so that no key press falls between the draft and the value that it became.
        flushSync(() => {
          setDraft({ text, of: text, faults });
          onChange(meaningOf(text), isPlain ? undefined : text);
        });
      });
    }, pauseFor(text));
  };
  const faults = current?.faults ?? noFaults;
  return (
    <div className="flex h-full min-h-0 flex-col gap-1">
      <div className="min-h-40 flex-1 border border-hairline">
        <CodeView
          label={label}
          text={current ? current.text : good}
          language="json"
          onChange={change}
          lit={lit}
          onCaret={onCaret}
          offers={offers}
          wrong={faults}
        />
      </div>
      {current?.missing && current.missing.length > 0 && (
        <MissingDocuments
          missing={current.missing}
          schema={meaningOf(current.text)}
          known={kitDocuments(useKit.getState().kit)}
          onHave={(documents) => {
            useKit
              .getState()
              .edit(
                `Keep ${Object.keys(documents).join(', ')}`,
                Object.fromEntries(
                  Object.entries(documents).map(([uri, one]) => [joinPointer('/documents', uri), one]),
                ),
              );
            change(current.text);
          }}
        />
      )}
      <p role="status" className="max-h-24 min-h-5 overflow-auto text-[13px] whitespace-pre-wrap text-fail">
        {faults.slice(0, 5).map(sentence).join('\n')}
        {faults.length > 0 && ' The last good state stands.'}
      </p>
    </div>
  );
}

function sentence({ at, message }: TextFault): string {
  return at === undefined ? message : `${at === '' ? 'At the root' : `At ${at}`}: ${message}`;
}
