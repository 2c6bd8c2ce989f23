import {
  dissolveGroup,
  groupUri,
  joinPointer,
  placesOfGroup,
  type FormDescription,
  type GroupDescription,
} from '@poietra/core';
import { useEffect, useMemo, useRef, type ReactNode } from 'react';
import { partOf } from '../../parts/part-of.js';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../../parts/button.js';
import { PartHead } from '../../parts/part-head.js';
import { NoSuch } from '../../parts/no-such.js';
import { FormFrame } from '../../parts/form-frame.js';
import { schemaOffers } from '../../parts/json-offers.js';
import { JsonText } from '../../parts/json-text.js';
import { useGroupEdits, type GroupEdit } from '../../store/group-edits.js';
import { useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';
import { Effects } from './effects.js';

/** A group: its fields, and every place that uses it. */
export function Component(): ReactNode {
  const { name = '' } = useParams();
  const group = useKit(({ kit }) => partOf(kit.groups, name));
  if (!group) {
    return <NoSuch what="group" name={name} board="/groups" />;
  }
  return <GroupView key={name} name={name} group={group} />;
}

const options = { notes: false, copies: 1, submitLabel: '', width: 560 } as const;

function GroupView({ name, group }: { readonly name: string; readonly group: GroupDescription }): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  // An edit is looked at before it is made: it reaches every form that uses the group, and what was saved with them.
  const draft = useGroupEdits(({ edits }) => edits[name]);
  const setDraft = (next: GroupEdit | undefined): void => useGroupEdits.getState().keep(name, next);
  const isDraft =
    draft !== undefined &&
    draft.of === group.schema &&
    (draft.written !== group.written?.schema || JSON.stringify(draft.schema) !== JSON.stringify(group.schema));
  const waits = useRef(false);
  useEffect(() => {
    waits.current = isDraft;
  });
  useEffect(
    () => () => {
      if (waits.current) useView.getState().say(`The edit of ${group.title} is not made yet; it waits on its page.`);
    },
    [group.title],
  );
  const schema = isDraft ? draft.schema : group.schema;
  const form = useMemo((): FormDescription => ({ title: group.title, schema }), [group.title, schema]);
  const places = placesOfGroup(kit, name);
  const offers = useMemo(() => schemaOffers(kit), [kit]);
  const dissolve = (): void => {
    edit(`Dissolve the group ${group.title}`, dissolveGroup(kit, name));
    void navigate('/groups');
  };
  return (
    <div>
      <PartHead
        kind="groups"
        name={name}
        tools={
          <Button look="quiet" onClick={dissolve}>
            Dissolve: put its fields where it is used
          </Button>
        }
      >
        <span className="text-[13px] text-ink-2">
          used by <code>{`"$ref": "${groupUri(name)}"`}</code>
        </span>
      </PartHead>
      <div className="grid gap-4 p-4 lg:grid-cols-2">
        <section aria-label="Drawn" className="grid content-start gap-2">
          <div className="border border-hairline">
            <FormFrame title={`Group: ${group.title}`} form={form} options={options} />
          </div>
          <h2>
            Used in <span className="mono font-normal text-ink-2">{places.length}</span>{' '}
            {places.length === 1 ? 'place' : 'places'}
          </h2>
          {places.length === 0 && <p className="text-ink-2">No form uses it yet.</p>}
          <ul>
            {places.map(({ in: kind, name: place, title, at }) => (
              <li key={kind + place + at}>
                <Link to={`/${kind}/${place}`}>{title}</Link> <span className="mono text-ink-2">{at}</span>
              </li>
            ))}
          </ul>
        </section>
        <section aria-label="Schema" className="grid min-h-80 content-stretch gap-1">
          <h2>Schema</h2>
          <JsonText
            label={`Schema of the group ${group.title}`}
            value={schema}
            written={isDraft ? draft.written : group.written?.schema}
            offers={offers}
            onChange={(next, written) => setDraft({ schema: next, written, of: group.schema })}
          />
          {isDraft && (
            <Effects
              name={name}
              schema={schema}
              onMake={() => {
                const at = joinPointer('/groups', name);
                edit(`Schema of ${group.title}`, {
                  [`${at}/schema`]: schema,
                  [`${at}/written/schema`]: draft.written,
                });
                setDraft(undefined);
              }}
              onLeave={() => setDraft(undefined)}
            />
          )}
        </section>
      </div>
    </div>
  );
}
