import type { ReactNode } from 'react';
import { Empty } from './states.js';

/** An address that names something the kit does not have. */
export function NoSuch({
  what,
  name,
  children,
}: {
  readonly what: string;
  readonly name: string;
  readonly children?: ReactNode;
}): ReactNode {
  return (
    <Empty title={`There is no such ${what}`}>
      <p>
        The kit has no {what} “{name}”. {children ?? 'The list beside this has those there are.'}
      </p>
    </Empty>
  );
}
