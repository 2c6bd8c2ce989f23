import { useMemo, type ReactNode } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { Button } from '../parts/button.js';
import { useKit } from '../store/kit.js';
import { useWay } from '../store/way.js';
import { wayOf, type Stop } from './way.js';

/** Below the top line: the way along one value, offered at the first visit, and left at any moment. */
export function WayBar(): ReactNode {
  const kit = useKit((store) => store.kit);
  const { at, go } = useWay();
  const stops = useMemo(() => (at === 'left' ? undefined : wayOf(kit)), [at, kit]);
  const navigate = useNavigate();
  if (!stops || at === 'left') return null;
  const visit = (next: number): void => {
    const stop = stops[next];
    go(stop ? next : 'left');
    if (stop) void navigate(stop.to);
  };
  return (
    <aside
      aria-label="The way along one value"
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline bg-mark px-3 py-1 text-[13px]"
    >
      {at === 'offered' ? (
        <>
          <p className="min-w-0 flex-1">
            <b>New here?</b> Three minutes along one value, on this living demo: from a press in an input to what a
            server gets.
          </p>
          <Button onClick={() => visit(0)}>Begin the way</Button>
          <Button look="quiet" onClick={() => go('left')}>
            Not now
          </Button>
        </>
      ) : (
        <AtStop stops={stops} at={at} onVisit={visit} onLeave={() => go('left')} />
      )}
    </aside>
  );
}

function AtStop({
  stops,
  at,
  onVisit,
  onLeave,
}: {
  readonly stops: readonly Stop[];
  readonly at: number;
  onVisit(at: number): void;
  onLeave(): void;
}): ReactNode {
  const { pathname, search } = useLocation();
  const stop = stops[at];
  if (!stop) return null;
  const next = stops[at + 1];
  const isThere = stop.to.split('?')[0] === pathname && (!stop.to.includes('?') || search.includes('edit'));
  return (
    <>
      <span className="mono text-ink-2">
        {at + 1} of {stops.length}
      </span>
      <p role="status" className="min-w-64 flex-1">
        <b>{stop.name}.</b> {isThere ? stop.says : <Link to={stop.to}>The way goes on there</Link>}
      </p>
      {at > 0 && (
        <Button look="quiet" onClick={() => onVisit(at - 1)}>
          Stop before
        </Button>
      )}
      <Button onClick={() => onVisit(at + 1)}>{next ? `On to: ${next.name}` : 'End of the way'}</Button>
      {next && (
        <Button look="quiet" onClick={onLeave}>
          Leave the way
        </Button>
      )}
    </>
  );
}
