import type { KitUse } from '@poietra/core';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { oneOf, pathOf } from './kit-part.js';

/** What uses a part, each a way to it; several uses by one are one line. */
export function UseList({ uses }: { readonly uses: readonly KitUse[] }): ReactNode {
  const by = new Map<string, { readonly use: KitUse; count: number }>();
  for (const use of uses) {
    const key = `${use.kind}/${use.name}`;
    const known = by.get(key);
    if (known) known.count++;
    else by.set(key, { use, count: 1 });
  }
  return (
    <ul>
      {[...by].map(([key, { use, count }]) => (
        <li key={key}>
          <Link to={pathOf(use.kind, use.name)} className="inline-block min-h-6">
            {use.title}
          </Link>{' '}
          <span className="text-ink-2">
            {oneOf[use.kind]}
            {count > 1 && `, ${count} times`}
          </span>
        </li>
      ))}
    </ul>
  );
}
