import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { inputTitle } from '../../parts/names.js';
import { useProject } from '../../store/project.js';

/** As many as are drawn at once; a search finds the rest. */
const most = 200;

/** What has something of an input and was taken for none, each with why, and packages with nothing of one. Opened, it is met like any other. */
export function PassedOver(): ReactNode {
  const { passed, without } = useProject();
  const [isOpen, setIsOpen] = useState(false);
  const [query, setQuery] = useState('');
  if (passed.length + without.length === 0) return null;
  const wanted = query.trim().toLowerCase();
  const found = passed.filter(({ input, reason }) => `${input.id} ${reason}`.toLowerCase().includes(wanted));
  return (
    <details className="px-4 pb-1" onToggle={({ currentTarget }) => setIsOpen(currentTarget.open)}>
      <summary className="min-h-6 cursor-pointer py-0.5">Passed over ({passed.length})</summary>
      {isOpen && (
        <div className="grid gap-1 pb-2">
          <p className="max-w-[80ch] text-ink-2">
            These have something of an input, and were taken for none. If one is an input all the same, open it: it is
            tried like any other, and the words for its value and its report are changed there.
          </p>
          <label className="flex items-center gap-2">
            Search those passed over
            <input
              type="search"
              className="w-56 rounded-sm border border-edge bg-sheet px-2 py-1"
              value={query}
              onChange={({ target }) => setQuery(target.value)}
            />
            <span role="status" className="text-ink-2">
              {found.length > most ? `${most} of ${found.length} are shown` : found.length}
            </span>
          </label>
          <ul aria-label="Passed over" className="max-h-64 overflow-auto border-t border-hairline">
            {found.slice(0, most).map(({ input, reason }) => (
              <li
                key={input.id}
                className="flex flex-wrap gap-x-3 border-b border-hairline py-0.5 sm:grid sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,3fr)]"
              >
                <Link to={`/inputs/${encodeURIComponent(input.id)}`}>{inputTitle(input)}</Link>
                <span className="mono text-ink-2">{input.package}</span>
                <span className="min-w-0">{reason}</span>
              </li>
            ))}
          </ul>
          {without.length > 0 && (
            <p>
              Nothing of an input was found in <span className="mono">{without.join(', ')}</span>.
            </p>
          )}
        </div>
      )}
    </details>
  );
}
