import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import { Empty } from '../parts/states.js';

export function Component(): ReactNode {
  const { pathname } = useLocation();
  return (
    <Empty title="There is nothing here">
      <p>
        No page has the address <code>{pathname}</code>. The <Link to="/forms">forms</Link> and{' '}
        <Link to="/inputs">inputs</Link> are in the line above.
      </p>
    </Empty>
  );
}
