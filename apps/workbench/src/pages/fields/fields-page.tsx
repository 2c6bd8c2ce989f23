import { freeName, type FieldDescription } from '@poietra/core';
import { PlusIcon } from '@phosphor-icons/react';
import type { ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { Board, type Column } from '../../parts/board.js';
import { Button } from '../../parts/button.js';
import { RemovePart } from '../../parts/remove-part.js';
import { UsedTimes } from '../../parts/used-times.js';
import { useKit } from '../../store/kit.js';

interface Row {
  readonly id: string;
  readonly field: FieldDescription;
}

/** The kit's fields: what each is made of, and how often it is used. */
export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const add = (): void => {
    const name = freeName('text-field', kit.fields);
    edit(`Add the field ${name}`, { [`/fields/${name}`]: { adapter: 'native:text', codec: 'text' } });
    void navigate(`/fields/${name}`);
  };
  return (
    <Board
      name="Fields"
      rows={Object.entries(kit.fields).map(([id, field]): Row => ({ id, field }))}
      columns={columns}
      idOf={({ id }) => id}
      titleOf={({ id, field }) => field.title ?? field.label ?? id}
      to={({ id }) => `/fields/${encodeURIComponent(id)}`}
      words={({ id, field }) => `${id} ${Object.values(field).join(' ')}`}
      actions={
        <Button onClick={add}>
          <PlusIcon size={16} aria-hidden="true" />
          New field
        </Button>
      }
      rowActions={({ id }) => <RemovePart kind="fields" name={id} />}
      example="field"
      teach={
        <p>
          A field is an adapter and a codec with a label, a hint, a required mark and a message, all linked by ids of
          one base for each form on the page. It can also be begun from an input: draft its adapter, then make a field
          of it.
        </p>
      }
    />
  );
}

const columns: readonly Column<Row>[] = [
  {
    name: 'Field',
    width: 'minmax(0,2fr)',
    cell: ({ id }) => <span className="mono text-ink-2">{id}</span>,
    by: ({ id, field }) => field.title ?? field.label ?? id,
  },
  {
    name: 'Adapter',
    width: 'minmax(0,1.5fr)',
    cell: ({ field: { adapter } }) =>
      adapter.startsWith('native:') ? (
        <span className="mono text-ink-2">{adapter}</span>
      ) : (
        <Link to={`/adapters/${adapter}`}>{adapter}</Link>
      ),
    by: ({ field }) => field.adapter,
  },
  {
    name: 'Codec',
    width: 'minmax(0,1.5fr)',
    cell: ({ field }) => <CodecName name={field.codec} />,
    by: ({ field }) => field.codec,
  },
  { name: 'Used', width: '110px', cell: ({ id }) => <UsedTimes kind="fields" name={id} /> },
];

function CodecName({ name }: { readonly name: string }): ReactNode {
  const isOwn = useKit(({ kit }) => Object.hasOwn(kit.codecs, name));
  return isOwn ? <Link to={`/codecs/${name}`}>{name}</Link> : <span className="mono text-ink-2">{name}</span>;
}
