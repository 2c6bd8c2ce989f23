import { CheckIcon, CircleIcon, WarningIcon, XIcon } from '@phosphor-icons/react';
import type { ReactNode } from 'react';

export type VerdictKind = 'pass' | 'fail' | 'unknown' | 'warning';
const look = {
  pass: { icon: CheckIcon, colour: 'text-pass' },
  fail: { icon: XIcon, colour: 'text-fail' },
  unknown: { icon: CircleIcon, colour: 'text-ink-2' },
  warning: { icon: WarningIcon, colour: 'text-warn' },
} as const;

/** A verdict by sign, colour and word. */
export function Verdict({ kind, children }: { readonly kind: VerdictKind; readonly children: ReactNode }): ReactNode {
  const { icon: Icon, colour } = look[kind];
  return (
    <span className={`inline-flex items-center gap-1 ${colour}`}>
      <Icon size={16} weight="bold" aria-hidden="true" />
      <span>{children}</span>
    </span>
  );
}
