import { builtIn, freeNameFor, type CodecDescription } from '@poietra/core';
import { PlusIcon } from '@phosphor-icons/react';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Board, type Column } from '../../parts/board.js';
import { Button } from '../../parts/button.js';
import { RemovePart } from '../../parts/remove-part.js';
import { Verdict } from '../../parts/verdict.js';
import { useFailing } from '../../parts/use-failing.js';
import { UsedTimes } from '../../parts/used-times.js';
import { useKit } from '../../store/kit.js';

interface Row {
  readonly id: string;
  readonly codec: CodecDescription;
}

/** The kit's codecs, each with its table of cases in short. */
export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const add = (): void => {
    const name = freeNameFor(kit, 'codecs', 'text');
    edit(`Add the codec ${name}`, { [`/codecs/${name}`]: { kind: 'text', cases: [] } });
    void navigate(`/codecs/${name}`);
  };
  return (
    <Board
      name="Codecs"
      rows={Object.entries(kit.codecs).map(([id, codec]): Row => ({ id, codec }))}
      columns={columns}
      idOf={({ id }) => id}
      titleOf={({ id, codec }) => codec.title ?? id}
      to={({ id }) => `/codecs/${encodeURIComponent(id)}`}
      words={({ id, codec }) => `${id} ${codec.title ?? ''} ${codec.kind} ${builtIn[codec.kind]?.title ?? ''}`}
      actions={
        <Button onClick={add}>
          <PlusIcon size={16} aria-hidden="true" />
          New codec
        </Button>
      }
      rowActions={({ id }) => <RemovePart kind="codecs" name={id} />}
      example="codec"
      teach={
        <p>
          A codec takes a value from what an input shows to what the form holds and the server gets, and back. Its table
          of cases proves that nothing is lost on the way.
        </p>
      }
    />
  );
}

const columns: readonly Column<Row>[] = [
  {
    name: 'Codec',
    width: 'minmax(0,2fr)',
    cell: ({ id, codec }) => codec.title !== undefined && <span className="mono text-ink-2">{id}</span>,
    by: ({ id, codec }) => codec.title ?? id,
  },
  {
    name: 'Kind',
    width: 'minmax(0,2fr)',
    cell: ({ codec }) => builtIn[codec.kind]?.title ?? codec.kind,
    by: ({ codec }) => codec.kind,
  },
  { name: 'Cases', width: '170px', cell: (row) => <Cases {...row} />, by: ({ codec }) => codec.cases?.length ?? 0 },
  { name: 'Used', width: '110px', cell: ({ id }) => <UsedTimes kind="codecs" name={id} /> },
];

function Cases({ id, codec }: Row): ReactNode {
  const failing = useFailing()?.[id];
  const cases = codec.cases?.length ?? 0;
  if (codec.kind === 'code') return <Verdict kind="unknown">runs on its page</Verdict>;
  if (cases === 0) return <Verdict kind="unknown">no cases</Verdict>;
  const words = cases === 1 ? 'one case' : `${cases} cases`;
  if (failing === undefined) return <Verdict kind="unknown">{words}</Verdict>;
  return failing > 0 ? (
    <Verdict kind="fail">
      {failing} of {cases} fail
    </Verdict>
  ) : (
    <Verdict kind="pass">{words}</Verdict>
  );
}
