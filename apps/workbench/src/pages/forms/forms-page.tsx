import { lookUp, type FormDescription } from '@poietra/core';
import { GearIcon, PlusIcon } from '@phosphor-icons/react';
import { useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { Board, type Column } from '../../parts/board.js';
import { pathOf } from '../../parts/kit-part.js';
import { RemovePart } from '../../parts/remove-part.js';
import { partKey } from '../../parts/use-attention.js';
import { usePlanned } from '../../parts/use-planned.js';
import { Verdict } from '../../parts/verdict.js';
import { followDrafts } from '../../store/drafts.js';
import { useKit } from '../../store/kit.js';
import { KitDrawing } from './kit-drawing.js';
import { Sketch } from './sketch.js';

interface Row {
  readonly id: string;
  readonly form: FormDescription;
}

/** The kit's forms: a small drawing of each, where it sends, what is open there. */
export function Component(): ReactNode {
  const kit = useKit((store) => store.kit);
  return (
    <div className="flex h-full flex-col">
      <div className="min-h-0 flex-1">
        <Board
          name="Forms"
          rows={Object.entries(kit.forms).map(([id, form]): Row => ({ id, form }))}
          columns={columns}
          rowHeight={76}
          idOf={({ id }) => id}
          titleOf={({ form }) => form.title}
          to={({ id }) => pathOf('forms', id)}
          words={({ id, form }) => `${id} ${form.title} ${form.send?.path ?? ''} ${form.skin ?? ''}`}
          actions={
            <>
              <Link
                to="/begin"
                className="inline-flex min-h-7 items-center gap-1.5 rounded-sm border border-edge bg-sheet px-2.5 no-underline hover:bg-mark"
              >
                <PlusIcon size={16} aria-hidden="true" />
                New form
              </Link>
              <Link to="/shelf">The shelf of examples</Link>
              <Link to="/skins">Skins</Link>
              <Link to="/look">Look</Link>
              <Link to="/documents">Documents</Link>
              <Link to="/map">Map</Link>
            </>
          }
          rowActions={({ id, form }) => (
            <>
              <Link
                to={`/form-settings/${encodeURIComponent(id)}`}
                aria-label={`Settings of ${form.title}`}
                title="Settings"
                className="inline-flex min-h-7 items-center rounded-sm px-2 hover:bg-mark"
              >
                <GearIcon size={16} aria-hidden="true" />
              </Link>
              <RemovePart kind="forms" name={id} />
            </>
          )}
          example="form"
          teach={
            <p>
              A form comes from a JSON Schema: every place gets a field by its type, and hints say how it is presented.{' '}
              <Link to="/begin">Begin one</Link> from nothing, a schema, an OpenAPI document or sample data.
            </p>
          }
        />
      </div>
      <KitDrawing />
    </div>
  );
}

const columns: readonly Column<Row>[] = [
  {
    name: 'Form',
    width: 'minmax(0,1.6fr)',
    cell: ({ id }) => <span className="mono block text-ink-2">{id}</span>,
    by: ({ form }) => form.title,
  },
  {
    name: 'Drawn small',
    width: '216px',
    cell: ({ form }) => <Sketch schema={form.schema} hints={form.hints} height={66} />,
  },
  {
    name: 'Made of',
    width: 'minmax(0,1.4fr)',
    cell: ({ id, form }) => <MadeOf id={id} form={form} />,
  },
  {
    name: 'Sends to',
    width: 'minmax(0,1.2fr)',
    cell: ({ id, form }) =>
      form.send ? (
        <span className="mono">{form.send.path}</span>
      ) : (
        <Link to={`/form-settings/${encodeURIComponent(id)}`}>nowhere yet: say where</Link>
      ),
    by: ({ form }) => form.send?.path ?? '\uffff',
  },
  { name: 'Open', width: '150px', cell: ({ id, form }) => <Open id={id} form={form} /> },
];

/** Its groups and fields of the kit, and how many members it has itself. */
function MadeOf({ id, form }: Row): ReactNode {
  const text = JSON.stringify([form.schema, form.hints]);
  const groups = new Set([...text.matchAll(/"urn:poietra:group:([\w.-]+)/g)].map(([, name]) => name ?? ''));
  const fields = new Set([...text.matchAll(/"field":"([\w.-]+)"/g)].map(([, name]) => name ?? ''));
  const members = Object.keys((lookUp(form.schema, '/properties') as object | undefined) ?? {}).length;
  return (
    <span className="line-clamp-3 text-[13px] whitespace-normal text-ink-2">
      <Link to={`/map?at=${encodeURIComponent(partKey('forms', id))}`} aria-label={`${form.title} on the map`}>
        map
      </Link>{' '}
      {members === 1 ? 'one member' : `${members} members`}
      {groups.size > 0 && `; groups ${[...groups].join(', ')}`}
      {fields.size > 0 && `; ${fields.size === 1 ? 'one field' : `${fields.size} fields`} of the kit`}
    </span>
  );
}

function Open({ id, form }: Row): ReactNode {
  const planned = usePlanned(form.schema, form.hints);
  const kitId = useKit((store) => store.id);
  const [drafts, setDrafts] = useState(0);
  useEffect(() => followDrafts(`${kitId}/${id}`, (records) => setDrafts(records.length)), [kitId, id]);
  const troubles = planned && 'plan' in planned ? troublesOf(planned.plan) : planned ? 1 : 0;
  return (
    <span className="grid gap-0.5">
      {troubles > 0 && <Verdict kind="warning">{troubles === 1 ? 'one trouble' : `${troubles} troubles`}</Verdict>}
      {drafts > 0 && <span className="text-warn">{drafts === 1 ? 'one draft' : `${drafts} drafts`}</span>}
    </span>
  );
}

function troublesOf(plan: { readonly troubles: readonly unknown[] }): number {
  try {
    return plan.troubles.length;
  } catch {
    return 1;
  }
}
