import type { ReactNode } from 'react';
import { NavLink, useLocation } from 'react-router';
import { useFailing } from '../parts/use-failing.js';
import { useKit } from '../store/kit.js';
import { useProject } from '../store/project.js';

interface Stop {
  readonly to: string;
  readonly name: string;
  readonly count: number | undefined;
  /** What asks for attention, in words. */
  readonly attention?: string | undefined;
}

/** The order of work, as one line: where one comes from, where one is, what waits. */
export function OrderOfWork(): ReactNode {
  const { kit } = useKit();
  const project = useProject();
  // An adapter belongs to its input, so its page is a part of that stop.
  const isAdapter = useLocation().pathname.startsWith('/adapters/');
  const failing = Object.values(useFailing() ?? {}).reduce((sum, one) => sum + one, 0);
  const count = (part: object): number => Object.keys(part).length;
  const stops: Stop[] = [
    {
      to: '/inputs',
      name: 'Inputs',
      count: project.status === 'ready' ? project.inputs.length : undefined,
      attention: project.status === 'failed' ? 'the project cannot be read' : undefined,
    },
    {
      to: '/codecs',
      name: 'Codecs',
      count: count(kit.codecs),
      attention: failing > 0 ? `${failing} ${failing === 1 ? 'case fails' : 'cases fail'}` : undefined,
    },
    { to: '/fields', name: 'Fields', count: count(kit.fields) },
    { to: '/groups', name: 'Groups', count: count(kit.groups) },
    { to: '/forms', name: 'Forms', count: count(kit.forms) },
    { to: '/hand-over', name: 'Hand-over', count: undefined },
  ];
  return (
    <nav aria-label="Order of work">
      <ol className="flex flex-wrap items-center">
        {stops.map(({ to, name, count: number, attention }, i) => (
          <li key={to} className="flex items-center">
            {i > 0 && <span aria-hidden="true" className="h-px w-3 bg-edge" />}
            <NavLink
              to={to}
              className={({ isActive }) =>
                `flex items-center gap-1.5 rounded-sm border-b-2 px-2 py-1.5 no-underline hover:bg-mark ${isActive || (isAdapter && to === '/inputs') ? 'border-held font-semibold' : 'border-transparent'}`
              }
            >
              {name}
              {number !== undefined && <span className="mono text-ink-2">{number}</span>}
              {attention !== undefined && (
                <span title={attention} className="font-bold text-fail">
                  <span aria-hidden="true">!</span>
                  <span className="sr-only">{attention}</span>
                </span>
              )}
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}
