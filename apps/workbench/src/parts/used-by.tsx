import type { ReactNode } from 'react';
import { Link } from 'react-router';

/** The fields that something stands behind, each a way to it. */
export function UsedBy({ fields }: { readonly fields: readonly string[] }): ReactNode {
  return (
    <span className="text-ink-2">
      {fields.length === 0 ? 'not used by a field yet' : 'used by '}
      {fields.map((field, i) => (
        <span key={field}>
          {i > 0 && ', '}
          <Link to={`/fields/${field}`}>{field}</Link>
        </span>
      ))}
    </span>
  );
}
