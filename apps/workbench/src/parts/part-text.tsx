import { isObject, joinPointer, partsOf, readKit, strayMembers, titleOf, type Kit, type PartKind } from '@poietra/core';
import { useMemo, useState, type ReactNode } from 'react';
import { useKit } from '../store/kit.js';
import { meaningOf, plainText } from '../store/written.js';
import type { Wrong } from './code-props.js';
import { CodeView } from './code-view.js';
import { oneOf } from './kit-part.js';

/**
 * A part of the kit as its text: whatever the format can say can be said here. What is sound is taken as it is typed;
 * what is not stays in the text, with the reason, and the part stays as it was.
 */
export function PartText({ kind, name }: { readonly kind: PartKind; readonly name: string }): ReactNode {
  const { kit, edit } = useKit();
  const part: unknown = partsOf(kit, kind)[name];
  const [typed, setTyped] = useState<{ readonly text: string; readonly of: unknown; readonly judged: Judged }>();
  // Undo, and edits made elsewhere, replace the text.
  const current = typed?.of === part ? typed : undefined;
  const text = current?.text ?? plainText(part);
  const at = joinPointer(`/${kind}`, name);
  // What was typed was judged as it was typed.
  const { wrong, message } = useMemo(
    () => current?.judged ?? judge(kit, kind, name, text),
    [current, kit, kind, name, text],
  );
  const change = (next: string): void => {
    const judged = judge(kit, kind, name, next);
    if (judged.sound)
      edit(`Text of the ${oneOf[kind]} ${titleOf(kit, kind, name)}`, { [at]: judged.sound.value }, `text ${at}`);
    setTyped({ text: next, of: partsOf(useKit.getState().kit, kind)[name], judged });
  };
  return (
    <section aria-label="Text of this part" className="grid gap-1 border-b border-hairline px-4 py-2">
      <div className="h-72 border border-hairline">
        <CodeView
          label={`Text of ${titleOf(kit, kind, name)}`}
          text={text}
          language="json"
          wrong={wrong}
          onChange={change}
        />
      </div>
      <p role="status" className="min-h-5 text-[13px] text-fail">
        {message}
      </p>
    </section>
  );
}

interface Judged {
  readonly sound?: { readonly value: unknown };
  readonly wrong: readonly Wrong[];
  readonly message: string | undefined;
}

/** What a text means for the kit: a part that the reader takes, or what is wrong with it. */
function judge(kit: Kit, kind: PartKind, name: string, text: string): Judged {
  let value: unknown;
  try {
    value = meaningOf(text);
  } catch (error) {
    return { wrong: [], message: `This is no JSON: ${error instanceof Error ? error.message : String(error)}.` };
  }
  if (!isObject(value)) return { wrong: [], message: 'A part of a kit is an object: { … }.' };
  const at = joinPointer(`/${kind}`, name);
  // What this part refers to stays; all else is not looked at again with each key press, and no schema compiled anew.
  const hasSchema = kind === 'forms' || kind === 'groups';
  const read = readKit({
    ...kit,
    forms: {},
    proofs: {},
    ...(hasSchema ? {} : { groups: {}, documents: {} }),
    [kind]: { ...(kind === 'forms' ? {} : partsOf(kit, kind)), [name]: value },
  });
  // What names something that is not there is no text to be taken, though a kit with such a gap is.
  const own = (read.ok ? read.gaps : read.problems).filter((one) => one.at === at || one.at.startsWith(`${at}/`));
  const strays = strayMembers(value, at);
  const all = [...own, ...strays].map((one) => ({ ...one, at: one.at.slice(at.length) }));
  const [first] = all;
  return {
    ...(own.length === 0 ? { sound: { value } } : {}),
    wrong: all.map((one) => ({ at: one.at, message: one.message })),
    message:
      first &&
      `${first.at === '' ? 'Here' : first.at}: ${first.message}${own.length > 0 ? ' It is not taken yet.' : ''}`,
  };
}
