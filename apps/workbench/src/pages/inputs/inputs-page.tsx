import { families, staleness, tally, type Kit } from '@poietra/core';
import { useMemo, type ReactNode } from 'react';
import { Link } from 'react-router';
import { Board, type Column } from '../../parts/board.js';
import { Button } from '../../parts/button.js';
import { inputTitle } from '../../parts/names.js';
import { Busy, Failed } from '../../parts/states.js';
import { useKit } from '../../store/kit.js';
import { openProject, useProject, type Inspected } from '../../store/project.js';
import { ContractState } from './contract-state.js';
import { ContractStrip } from './contract-strip.js';
import { ProjectChoice } from './project-choice.js';

interface Row extends Inspected {
  /** The kit's adapter of it. */
  readonly adapted: string | undefined;
  /** What needs attention first: failed, stale, not yet proved, proved, not adapted. */
  readonly turn: number;
}

/** Every input of the project: its face in short, its adapter, and how the contract stands. */
export function Component(): ReactNode {
  const { status, doing, trouble, inputs, missing } = useProject();
  const kit = useKit((store) => store.kit);
  const rows = useMemo(() => rowsOf(inputs, kit), [inputs, kit]);
  if (status === 'failed') {
    return (
      <Failed title="The project folder cannot be read" message={trouble ?? ''}>
        <Button onClick={() => void openProject()}>Try again</Button>
      </Failed>
    );
  }
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
      actions={
        <>
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
      {missing.length > 0 && <p className="px-4 pb-1 text-warn">Not installed: {missing.join(', ')}.</p>}
    </Board>
  );
}

function rowsOf(inputs: readonly Inspected[], kit: Kit): Row[] {
  const by = new Map(Object.entries(kit.adapters).map(([name, { input }]) => [input, name]));
  // HTML's own come last: one has met them.
  const foreign = [...inputs].sort((a, b) => Number(a.input.family === 'native') - Number(b.input.family === 'native'));
  return foreign.map((inspected) => {
    const adapted = by.get(inspected.input.id);
    return { ...inspected, adapted, turn: turnOf(kit, adapted, inspected.input.version) };
  });
}

function turnOf({ adapters, proofs }: Kit, name: string | undefined, version: string): number {
  if (name === undefined) return 4;
  const proof = proofs?.[name]?.now;
  if (!proof) return 2;
  if (tally(proof.verdicts).fail > 0) return 0;
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
];
