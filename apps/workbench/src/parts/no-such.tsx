import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Empty } from './states.js';

/** An address that names something the kit does not have. */
export function NoSuch({
  what,
  name,
  board,
  children,
}: {
  readonly what: string;
  readonly name: string;
  /** Where those stand that there are. */
  readonly board: string;
  readonly children?: ReactNode;
}): ReactNode {
  return (
    <Empty title={`There is no such ${what}`}>
      <p>
        The kit has no {what} “{name}”. {children ?? <Link to={board}>Here are those there are.</Link>}
      </p>
    </Empty>
  );
}
