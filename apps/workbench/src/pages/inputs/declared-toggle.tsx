import type { ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { Toggle } from '../../parts/toggle.js';

/** What an input declares, as a sheet beside it; whether it is open stands in the address. */
export function DeclaredToggle({ count }: { readonly count: number }): ReactNode {
  const [search, setSearch] = useSearchParams();
  const isOn = search.get('open') === 'declared';
  return (
    <Toggle isOn={isOn} onChange={() => setSearch(isOn ? {} : { open: 'declared' }, { replace: true })}>
      What it declares <span className="mono font-normal text-ink-2">{count}</span>
    </Toggle>
  );
}
