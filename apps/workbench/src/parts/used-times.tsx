import { usesOfPart, type PartKind } from '@poietra/core';
import { useMemo, type ReactNode } from 'react';
import { useKit } from '../store/kit.js';

/** How often a part is used, in a word. */
export function UsedTimes({ kind, name }: { readonly kind: PartKind; readonly name: string }): ReactNode {
  const kit = useKit((store) => store.kit);
  const count = useMemo(() => usesOfPart(kit, kind, name).length, [kit, kind, name]);
  if (count === 0) return <span className="text-ink-2">nowhere yet</span>;
  return count === 1 ? 'once' : `${count} times`;
}
