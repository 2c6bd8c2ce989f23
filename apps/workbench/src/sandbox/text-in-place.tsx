import { planAt, type Form, type FormEdit, type Plan, type PlanNode } from '@poietra/core';
import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { choiceWord } from './said.js';
import { tell } from './tell.js';

interface Pressed {
  /** The name of the box in which it is typed. */
  readonly name: string;
  readonly value: string;
  edit(text: string): FormEdit;
  readonly schemaAt: string;
  readonly label: string;
  readonly style: { readonly left: number; readonly top: number; readonly width: number; readonly font: string };
}
const parts = '.poietra-choices label, .poietra-label, .poietra-hint, legend';

/** What the part of a field that was pressed says, and the edit that says something else. */
function saidBy(part: HTMLElement, node: PlanNode, at: string): Pick<Pressed, 'name' | 'value' | 'edit'> | undefined {
  const list = part.closest('.poietra-choices');
  if (list) {
    const choice = node.kind === 'field' ? node.choices?.[[...list.children].indexOf(part)] : undefined;
    return choice && choiceWord(choice, at);
  }
  if (part.matches('.poietra-hint'))
    return { name: `Hint of ${at}`, value: node.hint ?? '', edit: (text) => ({ do: 'hint', text }) };
  return { name: `Label of ${at}`, value: node.label, edit: (text) => ({ do: 'label', text }) };
}

/**
 * While the sheet is edited, a label, a hint or the text of a choice that is pressed is typed over where it stands. By
 * keys, the note says them all.
 */
export function TextInPlace({ form, plan }: { readonly form: Form; readonly plan: Plan }): ReactNode {
  const anchor = useRef<HTMLSpanElement>(null);
  const [pressed, setPressed] = useState<Pressed>();
  // At once with what is drawn: a press that comes before would be taken for one that chooses.
  useLayoutEffect(() => {
    const copy = anchor.current?.closest<HTMLElement>('.copy');
    const sheet = copy?.querySelector('form');
    if (!copy || !sheet) return undefined;
    const press = (event: MouseEvent): void => {
      const target = event.target as HTMLElement;
      // The mark of a choice chooses; its words are words.
      const part = target.matches('input, select, textarea') ? null : target.closest<HTMLElement>(parts);
      const holder = part?.closest<HTMLElement>('[data-at]');
      if (!part || !holder || !sheet.contains(part)) return;
      const at = holder.dataset['at'] ?? '';
      const node = planAt(plan.root, at, (where, chooser) => form.chosen(where, chooser));
      const said = node && saidBy(part, node, at);
      if (!said) return;
      // It would give the focus to the input that it names.
      event.preventDefault();
      event.stopPropagation();
      const [box, base] = [part.getBoundingClientRect(), copy.getBoundingClientRect()];
      setPressed({
        ...said,
        schemaAt: node.schemaAt,
        label: node.label,
        style: {
          left: box.left - base.left - 4,
          top: box.top - base.top - 3,
          width: Math.max(box.width + 40, 180),
          font: getComputedStyle(part).font,
        },
      });
    };
    sheet.addEventListener('click', press, true);
    return () => sheet.removeEventListener('click', press, true);
  }, [form, plan]);
  return (
    <span ref={anchor} className="edit-in-place">
      {pressed && <Box key={pressed.name} pressed={pressed} onClose={() => setPressed(undefined)} />}
    </span>
  );
}

function Box({ pressed, onClose }: { readonly pressed: Pressed; onClose(): void }): ReactNode {
  const { name, value, schemaAt, label, style } = pressed;
  const [text, setText] = useState(value);
  const isDone = useRef(false);
  const close = (isTaken: boolean): void => {
    if (isDone.current) return;
    isDone.current = true;
    if (isTaken && text !== value)
      tell({ kind: 'edit', schemaAt, label: label.slice(0, 200), edit: pressed.edit(text) });
    onClose();
  };
  return (
    <input
      autoFocus
      aria-label={name}
      style={style}
      value={text}
      onFocus={({ target }) => target.select()}
      onChange={({ target }) => setText(target.value)}
      onBlur={() => close(true)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') close(true);
        else if (event.key === 'Escape') close(false);
        else return;
        event.preventDefault();
      }}
    />
  );
}
