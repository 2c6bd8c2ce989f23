import { partsOf } from '@poietra/core';
import type { ReactNode } from 'react';
import { NavLink, useLocation } from 'react-router';
import { pages } from '../pages.js';
import { useFailing } from '../parts/use-failing.js';
import { useKit } from '../store/kit.js';
import { useProject } from '../store/project.js';

/** The order of work, as one line: where one comes from, where one is, what waits. */
export function OrderOfWork(): ReactNode {
  const { kit } = useKit();
  const project = useProject();
  const failing = Object.values(useFailing() ?? {}).reduce((sum, one) => sum + one, 0);
  // What belongs to a stop but has an address of its own.
  const { pathname } = useLocation();
  const belongs: Readonly<Record<string, string>> = {
    adapters: 'inputs',
    begin: 'forms',
    'form-settings': 'forms',
    documents: 'forms',
    look: 'forms',
    skins: 'forms',
  };
  const here = belongs[pathname.split('/')[1] ?? ''];
  const attention: Readonly<Record<string, string | false>> = {
    inputs: project.status === 'failed' && 'the project cannot be read',
    codecs: failing > 0 && `${failing} ${failing === 1 ? 'case fails' : 'cases fail'}`,
  };
  const inputs = project.status === 'ready' ? project.inputs.length : undefined;
  return (
    <nav aria-label="Order of work">
      <ol className="flex flex-wrap items-center">
        {pages
          .filter(({ isStop }) => isStop)
          .map(({ path, name, kind }, i) => {
            const count = path === 'inputs' ? inputs : kind && Object.keys(partsOf(kit, kind)).length;
            return (
              <li key={path} className="flex items-center">
                {i > 0 && <span aria-hidden="true" className="h-px w-3 bg-edge" />}
                <NavLink
                  to={`/${path}`}
                  className={({ isActive }) =>
                    `flex items-center gap-1.5 rounded-sm border-b-2 px-2 py-1.5 no-underline hover:bg-mark ${isActive || here === path ? 'border-held font-semibold' : 'border-transparent'}`
                  }
                >
                  {name}
                  {count !== undefined && <span className="mono text-ink-2">{count}</span>}
                  {attention[path] && (
                    <span title={attention[path]} className="font-bold text-fail">
                      <span aria-hidden="true">!</span>
                      <span className="sr-only">{attention[path]}</span>
                    </span>
                  )}
                </NavLink>
              </li>
            );
          })}
      </ol>
    </nav>
  );
}
