import type { ReactNode } from 'react';
import { Link, useRouteError } from 'react-router';
import { Failed } from '../parts/states.js';

/** A page that broke: the kit is stored, so going elsewhere loses nothing. */
export function PageError(): ReactNode {
  const error = useRouteError();
  return (
    <main>
      <Failed
        title="This page broke"
        message={error instanceof Error ? error.message : 'Something went wrong while it was drawn.'}
      >
        <p>
          The kit is stored; nothing is lost. <Link to="/forms">Go to the forms</Link> or{' '}
          <a href={location.href}>load this page again</a>. If it breaks again,{' '}
          <a href="/kit?calm">open the kit calmly</a>: there nothing of it is drawn, and parts can be taken out.
        </p>
      </Failed>
    </main>
  );
}
