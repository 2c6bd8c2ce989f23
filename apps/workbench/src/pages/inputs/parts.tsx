import { joinPointer, type AdapterDescription } from '@poietra/core';
import type { ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { SlotText } from '../../parts/slot.js';
import { useKit } from '../../store/kit.js';

/** The parts of inputs that act as one value: their labels, their order. */
export function Parts({ name, adapter }: { readonly name: string; readonly adapter: AdapterDescription }): ReactNode {
  const edit = useKit(({ edit: change }) => change);
  const parts = adapter.parts ?? [];
  const at = `${joinPointer('/adapters', name)}/parts`;
  const swap = (i: number): void => {
    const [one, other] = [parts[i - 1], parts[i]];
    if (!one || !other) return;
    edit(`Order of the parts of ${name}`, {
      [at]: parts.map((part) => (part === one ? other : part === other ? one : part)),
    });
  };
  return (
    <ol aria-label="Parts" className="grid gap-1">
      {parts.map((part, i) => (
        <li key={part.name} className="flex flex-wrap items-baseline gap-x-2">
          <span>
            <code>{part.name}</code> is <code>{part.use.input}</code>, labelled{' '}
            <SlotText
              label={`Label of ${part.name}`}
              value={part.label}
              onChange={(label) => {
                if (label.trim() === '')
                  throw new TypeError('A part needs a label: it is how a person tells it from the others.');
                edit(`Label of ${part.name}`, { [`${at}/${i}/label`]: label.trim() });
              }}
            />
            .
          </span>
          {i > 0 && (
            <Button
              look="quiet"
              aria-label={`Move ${part.label} before ${parts[i - 1]?.label ?? ''}`}
              onClick={() => swap(i)}
            >
              Move up
            </Button>
          )}
        </li>
      ))}
    </ol>
  );
}
