import { partsOf, titleOf, type PartKind } from '@poietra/core';
import type { ReactNode } from 'react';
import { NavLink, useLocation } from 'react-router';
import { pages } from '../pages.js';
import { isOpen, partKey, useAttention } from '../parts/use-attention.js';
import { useKit } from '../store/kit.js';
import { useProject } from '../store/project.js';

/** More than fit into a line that one reads in passing. */
const mostNamed = 3;

/** The order of work, as one line: where one comes from, where one is, what waits. */
export function OrderOfWork(): ReactNode {
  const { kit } = useKit();
  const project = useProject();
  const attention = useAttention();
  // What belongs to a stop but has an address of its own.
  const { pathname } = useLocation();
  const belongs: Readonly<Record<string, string>> = {
    adapters: 'inputs',
    begin: 'forms',
    'form-settings': 'forms',
    documents: 'forms',
    look: 'forms',
    skins: 'forms',
    map: 'forms',
  };
  const here = belongs[pathname.split('/')[1] ?? ''];
  const needsAt = (path: string, kind: PartKind | undefined): string | undefined => {
    if (path === 'inputs' && project.status === 'failed') return 'the project cannot be read';
    const needs = Object.keys(kind ? partsOf(kit, kind) : {}).flatMap((name) => {
      const said = kind && attention.get(partKey(kind, name));
      return said && isOpen(said) ? [`${titleOf(kit, kind, name)}: ${said.says}`] : [];
    });
    if (needs.length <= mostNamed) return needs.length === 0 ? undefined : needs.join('; ');
    return `${needs.slice(0, mostNamed).join('; ')} and ${needs.length - mostNamed} more`;
  };
  const inputs = project.status === 'ready' ? project.inputs.length : undefined;
  return (
    <nav aria-label="Order of work" className="max-sm:order-last max-sm:basis-full">
      <ol className="flex flex-wrap items-center">
        {pages
          .filter(({ isStop }) => isStop)
          .map(({ path, name, kind }, i) => {
            const needs = needsAt(path, kind);
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
                  {needs !== undefined && (
                    <span title={needs} className="font-bold text-fail">
                      <span aria-hidden="true">!</span>
                      <span className="sr-only">{needs}</span>
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
