import { partsOf, type PartKind } from '@poietra/core';
import type { ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { oneOf } from '../../parts/kit-part.js';
import { RemovePart } from '../../parts/remove-part.js';
import { useKit } from '../../store/kit.js';

const kinds: readonly PartKind[] = ['forms', 'groups', 'fields', 'codecs', 'adapters', 'skins', 'hints'];
const mostShown = 500;

/** Every part of the kit by name alone, to be taken out: nothing of it is drawn, run or compiled here. */
export function CalmParts(): ReactNode {
  const { kit, history, position, undo } = useKit();
  const last = history[position - 1];
  return (
    <section aria-label="Parts of the kit" className="border-l-4 border-warn bg-sheet px-3 py-2">
      <h2>Opened calmly</h2>
      <p className="text-ink-2">
        Nothing of the kit is drawn or run on this page. Export it, undo what was done last, go back to an earlier
        state, or take out the part that breaks; then <a href="/forms">open it as usual</a>.
      </p>
      <Button aria-disabled={!last} onClick={undo}>
        {last ? `Undo: ${last.label}` : 'Nothing to undo'}
      </Button>
      {kinds.map((kind) => {
        const names = Object.keys(partsOf(kit, kind));
        if (names.length === 0) return null;
        return (
          <details key={kind}>
            <summary className="min-h-6 cursor-pointer py-0.5">
              {names.length} {names.length === 1 ? oneOf[kind] : kind}
            </summary>
            <ul>
              {names.slice(0, mostShown).map((name) => (
                <li key={name} className="flex items-center justify-between border-b border-hairline">
                  <span className="mono">{name}</span>
                  <RemovePart kind={kind} name={name} />
                </li>
              ))}
              {names.length > mostShown && <li>{names.length - mostShown} more are not listed.</li>}
            </ul>
          </details>
        );
      })}
    </section>
  );
}
