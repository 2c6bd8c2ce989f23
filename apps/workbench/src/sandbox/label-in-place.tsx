import { planAt, type Form, type Plan } from '@poietra/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { tell } from './tell.js';

interface Pressed {
  readonly at: string;
  readonly what: 'label' | 'hint';
  readonly value: string;
  readonly schemaAt: string;
  readonly label: string;
  readonly style: { readonly left: number; readonly top: number; readonly width: number; readonly font: string };
}
const parts = '.poietra-label, .poietra-hint, legend';

/** While the sheet is edited, a label or a hint that is pressed is typed over where it stands. By keys, the note says both. */
export function LabelInPlace({ form, plan }: { readonly form: Form; readonly plan: Plan }): ReactNode {
  const anchor = useRef<HTMLSpanElement>(null);
  const [pressed, setPressed] = useState<Pressed>();
  useEffect(() => {
    const copy = anchor.current?.closest<HTMLElement>('.copy');
    const sheet = copy?.querySelector('form');
    if (!copy || !sheet) return undefined;
    const press = (event: MouseEvent): void => {
      const part = (event.target as HTMLElement).closest<HTMLElement>(parts);
      const holder = part?.closest<HTMLElement>('[data-at]');
      if (!part || !holder || !sheet.contains(part)) return;
      const at = holder.dataset['at'] ?? '';
      const node = planAt(plan.root, at, (where, chooser) => form.chosen(where, chooser));
      if (!node) return;
      // It would give the focus to the input that it names.
      event.preventDefault();
      event.stopPropagation();
      const [box, base] = [part.getBoundingClientRect(), copy.getBoundingClientRect()];
      const what = part.matches('.poietra-hint') ? 'hint' : 'label';
      setPressed({
        at,
        what,
        value: what === 'hint' ? (node.hint ?? '') : node.label,
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
      {pressed && <Box key={`${pressed.at} ${pressed.what}`} pressed={pressed} onClose={() => setPressed(undefined)} />}
    </span>
  );
}

function Box({ pressed, onClose }: { readonly pressed: Pressed; onClose(): void }): ReactNode {
  const { at, what, value, schemaAt, label, style } = pressed;
  const [text, setText] = useState(value);
  const isDone = useRef(false);
  const close = (isTaken: boolean): void => {
    if (isDone.current) return;
    isDone.current = true;
    if (isTaken && text !== value)
      tell({ kind: 'edit', schemaAt, label: label.slice(0, 200), edit: { do: what, text } });
    onClose();
  };
  return (
    <input
      autoFocus
      aria-label={`${what === 'hint' ? 'Hint' : 'Label'} of ${at}`}
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
