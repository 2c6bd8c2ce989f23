import { CaretDownIcon, CaretUpIcon } from '@phosphor-icons/react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { lazy, Suspense, useMemo, useRef, type ComponentProps, type ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Empty } from './states.js';

/** Fetched where a board is empty, and nowhere else. */
const ForExample = lazy(() => import('./for-example.js'));

export interface Column<Row> {
  readonly name: string;
  /** CSS width of the column: `2fr`, `120px`. */
  readonly width: string;
  cell(row: Row): ReactNode;
  /** What rows are sorted by; without it the column cannot sort. */
  by?(row: Row): string | number;
}
interface Props<Row> {
  /** The heading: what the rows are. */
  readonly name: string;
  readonly rows: readonly Row[];
  readonly columns: readonly Column<Row>[];
  idOf(row: Row): string;
  titleOf(row: Row): string;
  to(row: Row): string;
  /** Everything that the search looks through. */
  words(row: Row): string;
  /** Beside the heading: what one does here. */
  readonly actions?: ReactNode;
  /** At the end of each row. */
  rowActions?(row: Row): ReactNode;
  /** Instead of rows, where there are none at all. */
  readonly teach: ReactNode;
  /** What is shown alive beside it. */
  readonly example?: ComponentProps<typeof ForExample>['of'];
  /** The column that sorts where nothing else is asked for. */
  readonly sortedBy?: string;
  /** In pixels; by default a row of one line. */
  readonly rowHeight?: number;
  /** Rows that are marked, by their ids, for what the actions do with several. */
  readonly chosen?: ReadonlySet<string>;
  onChoose?(ids: ReadonlySet<string>): void;
  /** Between heading and rows. */
  readonly children?: ReactNode;
}

const oneLine = 34;

/**
 * A stop of the order of work, full width: filtered, searched and sorted, with its state in the address. Only what one
 * sees is drawn, so ten thousand rows are no more work than thirty.
 */
export function Board<Row>(props: Props<Row>): ReactNode {
  const {
    name,
    rows,
    columns,
    idOf,
    titleOf,
    to,
    words,
    actions,
    rowActions,
    teach,
    example,
    children,
    rowHeight = oneLine,
    sortedBy = '',
    chosen,
    onChoose,
  } = props;
  const [search, setSearch] = useSearchParams();
  const query = search.get('q') ?? '';
  const sort = search.get('by') ?? sortedBy;
  const isDown = search.get('down') !== null;
  const put = (changes: Readonly<Record<string, string | undefined>>): void =>
    setSearch(
      (before) => {
        for (const [key, value] of Object.entries(changes))
          if (value === undefined) before.delete(key);
          else before.set(key, value);
        return before;
      },
      { replace: true },
    );
  const found = useMemo(() => {
    const wanted = query.toLowerCase().split(/\s+/).filter(Boolean);
    const matching = rows.filter((row) => {
      const text = words(row).toLowerCase();
      return wanted.every((word) => text.includes(word));
    });
    const by = columns.find((column) => column.name === sort)?.by;
    if (!by) return matching;
    const sorted = [...matching].sort((a, b) => compare(by(a), by(b)));
    return isDown ? sorted.reverse() : sorted;
    // Columns and words are written in place by each board; what they read is in the rows.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [rows, query, sort, isDown]);
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: found.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 12,
  });
  const grid = {
    gridTemplateColumns: [
      ...(chosen ? ['20px'] : []),
      ...columns.map(({ width }) => width),
      ...(rowActions ? ['96px'] : []),
    ].join(' '),
  };
  const leastWidth =
    columns.reduce((sum, { width }) => sum + leastOf(width), rowActions ? 96 : 0) + 12 * columns.length;
  const isEveryChosen = chosen !== undefined && found.length > 0 && found.every((row) => chosen.has(idOf(row)));
  const choose = (ids: readonly string[], are: boolean): void => {
    const next = new Set(chosen);
    for (const id of ids)
      if (are) next.add(id);
      else next.delete(id);
    onChoose?.(next);
  };
  const lineage = `${rows.length === found.length ? rows.length : `${found.length} of ${rows.length}`}`;
  return (
    <section className="flex h-full min-h-0 flex-col" aria-labelledby="board">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 py-2">
        <h1 id="board">{name}</h1>
        <span className="mono text-ink-2" role="status" aria-label={`${lineage} ${name.toLowerCase()}`}>
          {lineage}
        </span>
        <label>
          <span className="sr-only">Search {name.toLowerCase()}</span>
          <input
            type="search"
            placeholder="Search"
            className="w-56 rounded-sm border border-edge bg-sheet px-2 py-1"
            value={query}
            onChange={({ target }) => put({ q: target.value === '' ? undefined : target.value })}
          />
        </label>
        {actions}
      </header>
      {children}
      {rows.length === 0 ? (
        <div className="min-h-0 flex-1 overflow-auto" tabIndex={-1}>
          <Empty
            title={`No ${name.toLowerCase()} yet`}
            example={
              example && (
                <Suspense>
                  <ForExample of={example} />
                </Suspense>
              )
            }
          >
            {teach}
          </Empty>
        </div>
      ) : (
        <div ref={scroller} className="min-h-0 flex-1 overflow-auto border-t border-hairline bg-sheet" tabIndex={-1}>
          <div role="table" aria-label={name} aria-rowcount={found.length + 1} style={{ minWidth: leastWidth }}>
            <div
              role="row"
              className="sticky top-0 z-[1] grid items-center gap-3 border-b border-hairline bg-sheet px-4 text-[13px] text-ink-2"
              style={grid}
            >
              {chosen && (
                <div role="columnheader" className="flex">
                  <input
                    type="checkbox"
                    aria-label={`All ${found.length} in sight`}
                    checked={isEveryChosen}
                    onChange={() => choose(found.map(idOf), !isEveryChosen)}
                  />
                </div>
              )}
              {columns.map((column) => (
                <div
                  key={column.name}
                  role="columnheader"
                  aria-sort={sort === column.name ? (isDown ? 'descending' : 'ascending') : undefined}
                  className="min-w-0"
                >
                  {column.by ? (
                    <button
                      type="button"
                      className="flex min-h-7 items-center gap-1 font-semibold hover:text-ink"
                      onClick={() =>
                        put(
                          sort === column.name
                            ? isDown
                              ? { by: undefined, down: undefined }
                              : { down: '' }
                            : { by: column.name, down: undefined },
                        )
                      }
                    >
                      {column.name}
                      {sort === column.name &&
                        (isDown ? (
                          <CaretDownIcon size={12} aria-hidden="true" />
                        ) : (
                          <CaretUpIcon size={12} aria-hidden="true" />
                        ))}
                    </button>
                  ) : (
                    <span className="font-semibold">{column.name}</span>
                  )}
                </div>
              ))}
              {rowActions && (
                <div role="columnheader">
                  <span className="sr-only">What can be done</span>
                </div>
              )}
            </div>
            {found.length === 0 && (
              <p className="px-4 py-6 text-ink-2" role="status">
                Nothing here has the words “{query}”.
              </p>
            )}
            <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
              {virtual.getVirtualItems().map(({ index, start }) => {
                const row = found[index];
                if (row === undefined) return null;
                return (
                  <div
                    key={idOf(row)}
                    role="row"
                    aria-rowindex={index + 2}
                    className="absolute inset-x-0 grid items-center gap-3 border-b border-hairline px-4 hover:bg-mark"
                    style={{ ...grid, height: rowHeight, transform: `translateY(${start}px)` }}
                  >
                    {chosen && (
                      <div role="cell" className="flex">
                        <input
                          type="checkbox"
                          aria-label={`Choose ${titleOf(row)}`}
                          checked={chosen.has(idOf(row))}
                          onChange={({ target }) => choose([idOf(row)], target.checked)}
                        />
                      </div>
                    )}
                    {columns.map((column, i) => (
                      <div key={column.name} role="cell" className="min-w-0 truncate">
                        {i === 0 ? (
                          <Link to={to(row)} className="font-semibold">
                            {titleOf(row)}
                          </Link>
                        ) : null}
                        {i === 0 ? ' ' : null}
                        {column.cell(row)}
                      </div>
                    ))}
                    {rowActions && (
                      <div role="cell" className="flex justify-end">
                        {rowActions(row)}
                      </div>
                    )}
                  </div>
                );
              })}
            </div>
          </div>
        </div>
      )}
    </section>
  );
}

/** In pixels: a share of the room is never less than eighty, so that words stay words. */
function leastOf(width: string): number {
  const [, count = '1', unit] = /([\d.]+)(px|fr)/.exec(width.replace(/^minmax\(0,/, '')) ?? [];
  return Number(count) * (unit === 'px' ? 1 : 80);
}

function compare(a: string | number, b: string | number): number {
  return typeof a === 'number' && typeof b === 'number'
    ? a - b
    : String(a).localeCompare(String(b), undefined, { numeric: true });
}
