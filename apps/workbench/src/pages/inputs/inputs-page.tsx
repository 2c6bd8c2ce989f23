import { useMemo, useState, type ReactNode } from 'react';
import { partOf } from '../../parts/part-of.js';
import { NavLink, Outlet, useLocation, useParams } from 'react-router';
import { Busy, Empty, Failed } from '../../parts/states.js';
import { inputTitle } from '../../parts/names.js';
import { useKit } from '../../store/kit.js';
import { openProject, useProject, type Inspected } from '../../store/project.js';
import { Button } from '../../parts/button.js';
import { ContractState } from './contract-state.js';
import { ProjectChoice } from './project-choice.js';

/** The catalogue: every input of the project, by package, each with its face in short. */
export function Component(): ReactNode {
  const { status, doing, trouble, inputs, missing } = useProject();
  const { id } = useParams();
  const isTogether = useLocation().pathname.endsWith('/inputs/together');
  const [search, setSearch] = useState('');
  const packages = useMemo(() => byPackage(inputs, search), [inputs, search]);
  if (status === 'failed') {
    return (
      <Failed title="The project folder cannot be read" message={trouble ?? ''}>
        <Button onClick={() => void openProject()}>Try again</Button>
      </Failed>
    );
  }
  return (
    <div className="grid h-full grid-cols-1 md:grid-cols-[270px_minmax(0,1fr)]">
      <nav aria-label="Inputs" className="overflow-auto border-b border-hairline p-2 md:border-r md:border-b-0">
        <h1 className="px-2 pt-1">Inputs</h1>
        <ProjectChoice />
        <label className="mt-1 grid px-2">
          <span className="sr-only">Search inputs</span>
          <input
            type="search"
            placeholder="Search by name, package, family"
            className="rounded-sm border border-edge bg-sheet px-2 py-1"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
          />
        </label>
        <NavLink
          to="/inputs/together"
          className={({ isActive }) =>
            `mt-1 block rounded-sm px-2 py-1 no-underline hover:bg-mark ${isActive ? 'bg-mark font-semibold' : ''}`
          }
        >
          Several inputs as one value …
        </NavLink>
        {status !== 'ready' && <Busy>Reading {doing === '' ? 'the project' : doing} …</Busy>}
        {missing.length > 0 && <p className="p-2 text-warn">Not installed: {missing.join(', ')}.</p>}
        {packages.map(([pkg, list]) => (
          <section key={pkg} className="mt-2">
            <h3 className="truncate px-2">
              {pkg} <span className="mono font-normal">{list[0]?.input.version}</span>
            </h3>
            <ul>
              {list.map((inspected) => (
                <Row key={inspected.input.id} inspected={inspected} />
              ))}
            </ul>
          </section>
        ))}
        {status === 'ready' && packages.length === 0 && (
          <p className="p-2 text-ink-2">No input of that name. The search looks at names, packages and families.</p>
        )}
      </nav>
      <div className="min-h-0 overflow-auto">
        {id === undefined && !isTogether ? (
          <Empty title="Choose an input to meet it">
            <p>
              It is mounted alone on a stand. Use it, and see each thing that it reports; push values into it, and see
              what it shows. From there one press drafts its adapter.
            </p>
          </Empty>
        ) : (
          <Outlet />
        )}
      </div>
    </div>
  );
}

function Row({ inspected: { input, adapter } }: { readonly inspected: Inspected }): ReactNode {
  const adapted = useKit(({ kit }) =>
    Object.keys(kit.adapters).find((name) => partOf(kit.adapters, name)?.input === input.id),
  );
  return (
    <li>
      <NavLink
        to={`/inputs/${encodeURIComponent(input.id)}`}
        className={({ isActive }) =>
          `block rounded-sm px-2 py-1 no-underline hover:bg-mark ${isActive ? 'bg-mark font-semibold' : ''}`
        }
      >
        <span className="flex items-baseline justify-between gap-2">
          <span className="truncate">{inputTitle(input)}</span>
          <span className="text-[13px] font-normal text-ink-2">{input.family}</span>
        </span>
        <span className="flex justify-between gap-2 text-[13px] font-normal text-ink-2">
          <span className="mono truncate">
            {adapter ? `${adapter.value.property} → ${adapter.change.report}` : 'no pair found'}
          </span>
          {adapted !== undefined && <ContractState name={adapted} version={input.version} />}
        </span>
      </NavLink>
    </li>
  );
}

function byPackage(inputs: readonly Inspected[], search: string): [string, Inspected[]][] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const groups = new Map<string, Inspected[]>();
  for (const inspected of inputs) {
    const { id, family, package: pkg, says = '' } = inspected.input;
    const text = `${id} ${family} ${says}`.toLowerCase();
    if (!words.every((word) => text.includes(word))) continue;
    const list = groups.get(pkg);
    if (list) list.push(inspected);
    else groups.set(pkg, [inspected]);
  }
  return [...groups].sort(([a], [b]) => (a === 'HTML' ? 1 : b === 'HTML' ? -1 : a.localeCompare(b)));
}
