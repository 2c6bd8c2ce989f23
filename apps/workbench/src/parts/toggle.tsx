import type { ReactNode } from 'react';
import { Button } from './button.js';

interface Props {
  readonly isOn: boolean;
  onChange(): void;
  readonly children: ReactNode;
}

/** A button that stays pressed: for what is on or off, and for one of several. */
export function Toggle({ isOn, onChange, children }: Props): ReactNode {
  return (
    <Button look="quiet" aria-pressed={isOn} className={isOn ? 'bg-mark font-semibold' : ''} onClick={onChange}>
      {children}
    </Button>
  );
}
