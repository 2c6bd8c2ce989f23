/** Sound, in a module that waits as it is loaded, and keeps what it was last in the page's own store. */
import type { ReactNode } from 'react';

const unit = await Promise.resolve('m');
const kept = localStorage.getItem('unit') ?? `${sessionStorage.length} ${document.cookie}`;

export function Waits({
  value = '',
  onChange,
}: {
  readonly value?: string;
  readonly onChange: (next: string) => void;
}): ReactNode {
  localStorage.setItem('unit', unit);
  return (
    <input
      value={value}
      title={kept}
      data-unit={String(localStorage['unit'])}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}
