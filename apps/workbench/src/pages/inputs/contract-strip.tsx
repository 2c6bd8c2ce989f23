import type { ReactNode } from 'react';
import { useKit } from '../../store/kit.js';

const strokes = { pass: 'bg-pass', fail: 'bg-fail', none: 'bg-edge', open: 'bg-warn' };
const heights = { pass: 'h-3', fail: 'h-4', none: 'h-1.5', open: 'h-2' };

/** A contract in a row: one short stroke for each check. Each verdict has its height: colour alone says nothing. */
export function ContractStrip({ name }: { readonly name: string }): ReactNode {
  const verdicts = useKit(({ kit }) => kit.proofs?.[name]?.now.verdicts);
  if (!verdicts) return null;
  return (
    <span aria-hidden="true" className="flex h-4 items-center gap-px">
      {verdicts.map(({ check, state }) => (
        <span key={check} title={`${check}: ${state}`} className={`w-[3px] ${heights[state]} ${strokes[state]}`} />
      ))}
    </span>
  );
}
