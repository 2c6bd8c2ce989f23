import { componentsBeside, type AdapterDescription } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { DescribedTree } from '../../parts/described-tree.js';
import { ProverFrame } from '../../parts/frames.js';
import { Verdict } from '../../parts/verdict.js';
import type { FromProver } from '../../sandbox/checked.js';
import { standardValues } from './push-values.js';

type Row = Extract<FromProver, { kind: 'pushed' }>['row'];

interface Props {
  readonly adapter: AdapterDescription;
  readonly inputs: readonly string[];
}

/** One table of what the input makes of each value that tells the most. */
export function ValueMatrix({ adapter, inputs }: Props): ReactNode {
  const [rows, setRows] = useState<readonly Row[]>([]);
  const [state, setState] = useState<'idle' | 'running'>('idle');
  const [trouble, setTrouble] = useState<string>();
  const total = standardValues.length;
  const start = (): void => {
    setRows([]);
    setTrouble(undefined);
    setState('running');
  };
  return (
    <div className="grid gap-2">
      <div className="flex items-center gap-2">
        <Button onClick={start} aria-disabled={state === 'running'}>
          What does it make of each value?
        </Button>
        {state === 'running' && (
          <>
            <span role="status" className="text-ink-2">
              {rows.length} of {total}
            </span>
            <Button look="quiet" onClick={() => setState('idle')}>
              Stop
            </Button>
          </>
        )}
        {trouble !== undefined && <span className="text-fail">{trouble}</span>}
      </div>
      {state === 'running' && (
        <ProverFrame
          title="Values are pushed in"
          inputs={inputs}
          wrappers={componentsBeside(adapter)}
          task={{ kind: 'try values', adapter, values: standardValues.map(([, written]) => written) }}
          onMessage={(message) => {
            // Begun anew after somebody wrote meanwhile, it begins with the first value.
            if (message.kind === 'prover ready') setRows([]);
            if (message.kind === 'pushed') setRows((before) => [...before, message.row]);
            if (message.kind === 'all pushed') setState('idle');
            if (message.kind === 'prover failed') {
              setTrouble(message.message);
              setState('idle');
            }
          }}
          onLost={(reason) => {
            setTrouble(reason);
            setState('idle');
          }}
        />
      )}
      {rows.length > 0 && (
        <table className="w-full text-left text-[13px]">
          <caption className="sr-only">What the input makes of each value</caption>
          <thead className="text-ink-2">
            <tr>
              {['pushed in', 'shows', 'console', 'uncontrolled?', 'moves by itself?'].map((head) => (
                <th key={head} scope="col" className="border-b border-hairline px-2 py-0.5 font-semibold">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i} className="border-b border-hairline align-top">
                <th scope="row" className="font-normal">
                  <DescribedTree value={row.value} />
                </th>
                <td className="mono px-2">{row.isEmpty ? <span className="text-ink-2">as empty</span> : row.shows}</td>
                <td className="max-w-80 px-2">
                  {row.fails !== undefined ? (
                    <Verdict kind="fail">{row.fails.slice(0, 120)}</Verdict>
                  ) : row.warns !== undefined ? (
                    <Verdict kind="warning">{row.warns.slice(0, 120)}</Verdict>
                  ) : (
                    'silent'
                  )}
                </td>
                <td className="px-2">{row.flips ? <Verdict kind="warning">flips</Verdict> : 'no'}</td>
                <td className="px-2">
                  {row.moves === undefined ? (
                    'no gesture known'
                  ) : row.moves ? (
                    <Verdict kind="warning">yes</Verdict>
                  ) : (
                    'no'
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
