import { PushPinIcon } from '@phosphor-icons/react';
import { link as curve, curveBumpX } from 'd3-shape';
import { useMemo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { pathOf } from '../../parts/kit-part.js';
import { Empty } from '../../parts/states.js';
import { isOpen, useAttention, type Attention } from '../../parts/use-attention.js';
import { useShown } from '../../parts/use-shown.js';
import { Verdict } from '../../parts/verdict.js';
import { useKit } from '../../store/kit.js';
import { columnsOf, kitMap, mappedKinds, tiedTo, type MappedKind, type MapPart } from './kit-map.js';

const heads: Readonly<Record<MappedKind, string>> = {
  adapters: 'Inputs, by their adapters',
  codecs: 'Codecs',
  fields: 'Fields',
  groups: 'Groups',
  forms: 'Forms',
};
/** Inputs and codecs stand below each other: both lead to fields, and no line of one runs behind the other. */
const columnOf: Readonly<Record<MappedKind, number>> = { adapters: 0, codecs: 0, fields: 1, groups: 2, forms: 3 };
/** In pixels; a head is as high as a row. */
const [rowHeight, columnWidth, gap] = [30, 230, 80];
/** More than one looks at; the search brings the others. */
const mostInColumn = 200;

/** From inputs to forms: what each part is made of and what is made with it, and how each stands. */
export function Component(): ReactNode {
  const kit = useKit((store) => store.kit);
  const map = useMemo(() => kitMap(kit), [kit]);
  const attention = useAttention();
  const [query = '', setQuery] = useShown('q');
  const [kept, setKept] = useShown('at');
  const [near, setNear] = useState<string>();
  const shown = useMemo(() => {
    const words = query.toLowerCase().split(/\s+/).filter(Boolean);
    if (words.length === 0) return map;
    const found = map.parts.filter(({ id, title }) =>
      words.every((word) => `${id} ${title}`.toLowerCase().includes(word)),
    );
    const tied = new Set(found.flatMap(({ id }) => [...tiedTo(map, id)]));
    return { ...map, parts: map.parts.filter(({ id }) => tied.has(id)) };
  }, [map, query]);
  const columns = useMemo(() => columnsOf(shown), [shown]);
  const { heads: tops, spots, rows } = laidOut(columns);
  const lit = near ?? kept;
  const tied = lit === undefined ? undefined : tiedTo(map, lit);
  if (map.parts.length === 0)
    return (
      <Empty title="Nothing to map yet">
        <p>
          The map shows which inputs, codecs, fields and groups each form is made of.{' '}
          <Link to="/begin">Begin a form</Link>, or meet an <Link to="/inputs">input</Link>.
        </p>
      </Empty>
    );
  const open = [...attention.values()].filter(isOpen).length;
  return (
    <section aria-labelledby="map" className="flex h-full min-h-0 flex-col">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 py-2">
        <h1 id="map">From inputs to forms</h1>
        <label>
          <span className="sr-only">Search the map</span>
          <input
            type="search"
            placeholder="Search"
            className="w-56 rounded-sm border border-edge bg-sheet px-2 py-1"
            value={query}
            onChange={({ target }) => setQuery(target.value === '' ? undefined : target.value)}
          />
        </label>
        <span role="status" className="text-[13px]">
          {open > 0 ? (
            <Verdict kind="warning">{open === 1 ? 'One part needs attention' : `${open} parts need attention`}</Verdict>
          ) : (
            <span className="text-ink-2">Point at a part, or go to it, and what it is tied to is lit.</span>
          )}
        </span>
      </header>
      <div className="min-h-0 flex-1 overflow-auto border-t border-hairline bg-sheet p-4">
        <div
          className="relative"
          style={{
            width: 4 * columnWidth + 3 * gap,
            height: rowHeight * rows,
          }}
        >
          <svg aria-hidden="true" className="absolute inset-0 size-full overflow-visible">
            {shown.links.map(({ from, to }) => {
              const path = pathBetween(spots.get(from), spots.get(to));
              if (path === undefined) return null;
              const isLit = tied?.has(from) === true && tied.has(to);
              return (
                <path
                  key={`${from} ${to}`}
                  d={path}
                  fill="none"
                  className={isLit ? 'stroke-held' : 'stroke-edge'}
                  strokeWidth={isLit ? 2 : 1}
                  opacity={tied && !isLit ? 0.35 : 1}
                />
              );
            })}
          </svg>
          {mappedKinds.map((kind, i) => (
            <Column
              key={kind}
              head={heads[kind]}
              x={columnOf[kind]}
              y={tops[kind]}
              parts={columns[i] ?? []}
              attention={attention}
              tied={tied}
              onNear={setNear}
              onKeep={(id) => setKept(kept === id ? undefined : id)}
              kept={kept}
            />
          ))}
        </div>
      </div>
    </section>
  );
}

/** Where each column's head and each part stand, in columns and rows. */
function laidOut(columns: readonly (readonly MapPart[])[]): {
  readonly heads: Readonly<Record<MappedKind, number>>;
  readonly spots: ReadonlyMap<string, Spot>;
  readonly rows: number;
} {
  const [inputs = []] = columns;
  const belowInputs = Math.min(inputs.length, mostInColumn) + 2;
  const tops = { adapters: 0, codecs: belowInputs, fields: 0, groups: 0, forms: 0 };
  const spots = new Map<string, Spot>();
  let rows = 0;
  mappedKinds.forEach((kind, i) => {
    columns[i]?.slice(0, mostInColumn).forEach(({ id }, row) => {
      const y = tops[kind] + 1 + row;
      spots.set(id, { x: columnOf[kind], y });
      rows = Math.max(rows, y + 2);
    });
  });
  return { heads: tops, spots, rows };
}

interface Spot {
  readonly x: number;
  readonly y: number;
}
const lineOf = curve(curveBumpX);

/** From the right edge of one part to the left edge of the other; between groups, both at the left. */
function pathBetween(from: Spot | undefined, to: Spot | undefined): string | undefined {
  if (!from || !to) return undefined;
  const leftOf = ({ x }: Spot): number => x * (columnWidth + gap);
  const middleOf = ({ y }: Spot): number => y * rowHeight + rowHeight / 2;
  if (from.x === to.x) {
    const [x, y, end] = [leftOf(from), middleOf(from), middleOf(to)];
    return `M ${x} ${y} C ${x - gap / 2} ${y} ${x - gap / 2} ${end} ${x} ${end}`;
  }
  return (
    lineOf({ source: [leftOf(from) + columnWidth, middleOf(from)], target: [leftOf(to), middleOf(to)] }) ?? undefined
  );
}

function Column({
  head,
  x,
  y,
  parts,
  attention,
  tied,
  kept,
  onNear,
  onKeep,
}: {
  readonly head: string;
  readonly x: number;
  readonly y: number;
  readonly parts: readonly MapPart[];
  readonly attention: ReadonlyMap<string, Attention>;
  readonly tied: ReadonlySet<string> | undefined;
  readonly kept: string | undefined;
  onNear(id: string | undefined): void;
  onKeep(id: string): void;
}): ReactNode {
  const left = x * (columnWidth + gap);
  return (
    <section aria-label={head} className="absolute" style={{ left, top: y * rowHeight, width: columnWidth }}>
      <h2 className="text-[13px] text-ink-2" style={{ height: rowHeight }}>
        {head}
      </h2>
      <ul>
        {parts.slice(0, mostInColumn).map(({ id, kind, name, title }) => {
          const said = attention.get(id);
          return (
            <li
              key={id}
              className="flex items-center gap-1"
              style={{ height: rowHeight }}
              onPointerEnter={() => onNear(id)}
              onPointerLeave={() => onNear(undefined)}
              onFocus={() => onNear(id)}
              onBlur={() => onNear(undefined)}
            >
              <Link
                to={pathOf(kind, name)}
                title={title}
                className={`min-w-0 flex-1 truncate rounded-sm border bg-sheet px-2 py-0.5 no-underline hover:bg-mark ${tied?.has(id) ? 'border-held' : 'border-hairline'} ${tied && !tied.has(id) ? 'text-ink-2' : ''}`}
              >
                {title}
              </Link>
              {said && (
                <span title={said.says} className="flex">
                  <Verdict kind={said.kind}>
                    <span className="sr-only">{said.says}</span>
                  </Verdict>
                </span>
              )}
              <button
                type="button"
                aria-pressed={kept === id}
                aria-label={`Keep ${title} lit`}
                title="Keep it lit"
                className={`size-6 rounded-sm hover:bg-mark ${kept === id ? 'text-held' : 'text-ink-2'}`}
                onClick={() => onKeep(id)}
              >
                <PushPinIcon
                  size={16}
                  weight={kept === id ? 'fill' : 'regular'}
                  aria-hidden="true"
                  className="mx-auto"
                />
              </button>
            </li>
          );
        })}
      </ul>
      {parts.length > mostInColumn && (
        <p className="text-[13px] text-ink-2">and {parts.length - mostInColumn} more: search for them</p>
      )}
      {parts.length === 0 && <p className="text-[13px] text-ink-2">none</p>}
    </section>
  );
}
