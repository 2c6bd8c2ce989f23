import { families, isKept, staleness, type Kit, type ScoreSheet } from '@poietra/core';
import { useMemo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { ageOf } from '../../parts/age.js';
import { Board, type Column } from '../../parts/board.js';
import { Button } from '../../parts/button.js';
import { inputTitle } from '../../parts/names.js';
import { Busy } from '../../parts/states.js';
import { useKit } from '../../store/kit.js';
import { useProject, type Inspected } from '../../store/project.js';
import { ContractState } from './contract-state.js';
import { ContractStrip } from './contract-strip.js';
import { PassedOver } from './passed-over.js';
import { ProjectChoice } from './project-choice.js';
import { ProjectFailed } from './project-failed.js';
import { WorkOff, type Job } from './work-off.js';

/** With the kit's adapter of it. */
interface Row extends Job {
  /** What needs attention first: failed, stale, not yet proved, proved, not adapted. */
  readonly turn: number;
  /** The newest proof: the package's version then, and when it was. */
  readonly proved: Pick<ScoreSheet, 'version' | 'time' | 'depth' | 'browser'> | undefined;
}

/** Every input of the project: its face in short, its adapter, and how the contract stands. */
export function Component(): ReactNode {
  const { status, doing, inputs, missing, unread } = useProject();
  const kit = useKit((store) => store.kit);
  const rows = useMemo(() => rowsOf(inputs, kit), [inputs, kit]);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [work, setWork] = useState<{ readonly id: number; readonly jobs: readonly Job[] }>();
  const begin = (jobs: readonly Job[]): void => setWork({ id: Date.now(), jobs });
  const marked = rows.filter(({ input }) => chosen.has(input.id));
  const asked = marked.length > 0 ? marked : rows.filter(({ adapted }) => adapted !== undefined);
  if (status === 'failed') return <ProjectFailed />;
  return (
    <Board
      name="Inputs"
      rows={rows}
      sortedBy="Contract"
      columns={columns}
      idOf={({ input }) => input.id}
      titleOf={({ input }) => inputTitle(input)}
      to={({ input }) => `/inputs/${encodeURIComponent(input.id)}`}
      words={({ input: { id, family, package: pkg, says = '' }, adapted = '' }) =>
        `${id} ${families[family].title} ${pkg} ${says} ${adapted}`
      }
      chosen={chosen}
      onChoose={setChosen}
      rowActions={(row) => (
        <Button look="quiet" aria-label={`${verbOf([row])} ${inputTitle(row.input)}`} onClick={() => begin([row])}>
          {row.adapted === undefined ? 'Draft' : 'Prove'}
        </Button>
      )}
      actions={
        <>
          <Button look="main" aria-disabled={asked.length === 0} onClick={() => asked.length > 0 && begin(asked)}>
            {verbOf(asked)} {marked.length > 0 ? `the chosen (${marked.length})` : `all adapted (${asked.length})`}
          </Button>
          <Link
            to="/inputs/together"
            className="rounded-sm border border-edge bg-sheet px-2.5 py-0.5 no-underline hover:bg-mark"
          >
            Several as one value …
          </Link>
          <div className="ml-auto">
            <ProjectChoice />
          </div>
        </>
      }
      teach={
        status === 'ready' ? (
          <p>
            No input was found in the project folder. Install a package that has inputs there, or write one of your own,
            then press “Read again”.
          </p>
        ) : (
          <Busy>Reading {doing === '' ? 'the project' : doing} …</Busy>
        )
      }
    >
      {work && <WorkOff key={work.id} jobs={work.jobs} onClose={() => setWork(undefined)} />}
      {missing.length > 0 && <p className="px-4 pb-1 text-warn">Not installed: {missing.join(', ')}.</p>}
      {unread.length > fewNotices ? (
        <details className="px-4 pb-1 text-warn">
          <summary className="min-h-6 cursor-pointer py-0.5">To know of the packages ({unread.length})</summary>
          <Notices all={unread} />
        </details>
      ) : (
        <div className="px-4">
          <Notices all={unread} />
        </div>
      )}
      <PassedOver />
    </Board>
  );
}

/** More of them are folded: the table is what one came for. */
const fewNotices = 3;
function Notices({ all }: { readonly all: readonly string[] }): ReactNode {
  return all.map((sentence) => (
    <p key={sentence} className="pb-1 text-warn">
      {sentence}
    </p>
  ));
}

/** What has no adapter yet is drafted before it is proved. */
function verbOf(jobs: readonly Job[]): string {
  return jobs.some(({ adapted }) => adapted === undefined) ? 'Draft and prove' : 'Prove';
}

function rowsOf(inputs: readonly Inspected[], kit: Kit): Row[] {
  const by = new Map(Object.entries(kit.adapters).map(([name, { input }]) => [input, name]));
  // HTML's own come last: one has met them.
  const foreign = [...inputs].sort((a, b) => Number(a.input.family === 'native') - Number(b.input.family === 'native'));
  return foreign.map((inspected) => {
    const adapted = by.get(inspected.input.id);
    return {
      ...inspected,
      adapted,
      turn: turnOf(kit, adapted, inspected.input.version),
      proved: adapted === undefined ? undefined : kit.proofs?.[adapted]?.now,
    };
  });
}

function turnOf({ adapters, proofs }: Kit, name: string | undefined, version: string): number {
  if (name === undefined) return 4;
  const proof = proofs?.[name]?.now;
  if (!proof) return 2;
  if (!isKept(proof.verdicts)) return 0;
  return staleness(proof, adapters[name], version) === undefined ? 3 : 1;
}

const columns: readonly Column<Row>[] = [
  {
    name: 'Input',
    width: 'minmax(0,2fr)',
    cell: () => null,
    by: ({ input }) => inputTitle(input),
  },
  {
    name: 'Package',
    width: 'minmax(0,1.4fr)',
    cell: ({ input }) => (
      <>
        {input.package} <span className="mono text-ink-2">{input.version}</span>
      </>
    ),
    by: ({ input }) => input.package,
  },
  { name: 'Family', width: '90px', cell: ({ input }) => families[input.family].title, by: ({ input }) => input.family },
  {
    name: 'Face in short',
    width: 'minmax(0,2fr)',
    cell: ({ adapter }) =>
      adapter ? (
        <span className="mono">
          {adapter.value.property} → {adapter.change.report}
        </span>
      ) : (
        <span className="text-ink-2">no pair found</span>
      ),
  },
  {
    name: 'Adapter',
    width: 'minmax(0,1.2fr)',
    cell: ({ adapted }) =>
      adapted === undefined ? (
        <span className="text-ink-2">–</span>
      ) : (
        <Link to={`/adapters/${adapted}`}>{adapted}</Link>
      ),
    by: ({ adapted }) => adapted ?? '\uffff',
  },
  {
    name: 'Contract',
    width: '220px',
    cell: ({ adapted, input }) =>
      adapted === undefined ? null : (
        <span className="flex items-center gap-2">
          <ContractStrip name={adapted} />
          <ContractState name={adapted} version={input.version} />
        </span>
      ),
    by: ({ turn }) => turn,
  },
  {
    name: 'Proved',
    width: '150px',
    cell: ({ proved }) =>
      proved && (
        <time
          dateTime={proved.time}
          title={`${proved.depth === 'full' ? `Fully, in ${proved.browser ?? 'a browser'}` : 'Quickly, in a frame'}, with ${proved.version || 'HTML’s own'}, ${new Date(proved.time).toLocaleString()}`}
        >
          <span className="mono text-ink-2">{proved.version}</span> {proved.depth === 'full' && 'fully, '}
          {ageOf(proved.time)}
        </time>
      ),
    by: ({ proved }) => proved?.time ?? '',
  },
];
