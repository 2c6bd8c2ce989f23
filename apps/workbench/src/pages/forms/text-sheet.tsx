import type { FormDescription } from '@poietra/core';
import { useMemo, useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { Toggle } from '../../parts/toggle.js';
import { CodeView } from '../../parts/code-view.js';
import { CopyButton } from '../../parts/copy-button.js';
import { hintsOffers, schemaOffers } from '../../parts/json-offers.js';
import { JsonText } from '../../parts/json-text.js';
import type { FromFrame } from '../../sandbox/checked.js';
import { SchemaForm } from './schema-form.js';
import { useKit } from '../../store/kit.js';
import { plainText, textOf } from '../../store/written.js';

export type TextName = 'schema' | 'hints' | 'data';

interface Props {
  readonly which: TextName;
  /** The form's place in the kit. */
  readonly name: string;
  readonly form: FormDescription;
  readonly state: Extract<FromFrame, { kind: 'state' }> | undefined;
  /** The place of the focused field: in the value, and in the schema. */
  readonly focused: { readonly at: string; readonly schemaAt: string } | undefined;
  /** The caret stands in a place of the schema. */
  onCaret(schemaAt: string): void;
  onClose(): void;
}

const noHints = {};

/** What is kept while its place is out of force stands apart: it is not sent. */
function Aside({ values }: { readonly values: Readonly<Record<string, unknown>> }): ReactNode {
  if (Object.keys(values).length === 0) return null;
  return (
    <section aria-label="Kept aside" className="border-t border-hairline pt-1 text-[13px] text-ink-2">
      <h3>Kept aside: out of force, and not sent</h3>
      <dl className="mono">
        {Object.entries(values).map(([at, value]) => (
          <div key={at} className="flex gap-2">
            <dt>{at}</dt>
            <dd className="truncate">{JSON.stringify(value)}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

/** One of the form's texts beside the sheet, in step with it. */
export function TextSheet({ which, name, form, state, focused, onCaret, onClose }: Props): ReactNode {
  const { edit } = useKit.getState();
  const [asForm, setAsForm] = useState(false);
  const kit = useKit((store) => store.kit);
  const { schema, hints = noHints, written } = form;
  const value = state?.sent ?? noHints;
  const text = useMemo(
    () =>
      which === 'data'
        ? plainText(value)
        : which === 'schema'
          ? textOf(schema, written?.schema)
          : textOf(hints, written?.hints),
    [which, value, schema, hints, written],
  );
  const offers = useMemo(
    () => (which === 'hints' ? hintsOffers(kit, schema) : schemaOffers(kit)),
    [which, kit, schema],
  );
  const put =
    (member: 'schema' | 'hints') =>
    (next: unknown, ...text: [text: string | undefined] | []): void =>
      edit(
        `${member === 'schema' ? 'Schema' : 'Hints'} of ${form.title}`,
        // Without a text the one that stands is mended.
        { [`${name}/${member}`]: next, ...(text.length > 0 ? { [`${name}/written/${member}`]: text[0] } : {}) },
        `${member} ${name}`,
      );
  return (
    <section
      aria-label={`Text: ${which}`}
      className="flex min-h-64 flex-1 flex-col gap-1 border-b border-l border-hairline p-2 last:border-b-0 lg:min-h-0"
    >
      <div className="flex items-center justify-between">
        <h2>
          {which === 'data' ? 'Data, as it would be sent' : which === 'schema' ? 'Schema' : 'Hints beside the schema'}
        </h2>
        <span className="flex">
          {which === 'schema' && (
            <Toggle isOn={asForm} onChange={() => setAsForm(!asForm)}>
              As a form
            </Toggle>
          )}
          <CopyButton text={text} what={`the ${which}`} />
          <Button look="quiet" onClick={onClose}>
            Close
          </Button>
        </span>
      </div>
      <div className="min-h-0 flex-1">
        {which === 'data' ? (
          <>
            <CodeView label="Data" text={text} language="json" lit={focused?.at} />
            <Aside values={state?.aside ?? noHints} />
          </>
        ) : which === 'schema' && asForm ? (
          <SchemaForm title={form.title} schema={schema} onChange={(next) => put('schema')(next)} />
        ) : which === 'schema' ? (
          <JsonText
            label={`Schema of ${form.title}`}
            value={schema}
            written={written?.schema}
            lit={focused?.schemaAt}
            onCaret={onCaret}
            offers={offers}
            onChange={put('schema')}
          />
        ) : (
          <JsonText
            label={`Hints of ${form.title}`}
            is="hints"
            value={hints}
            written={written?.hints}
            offers={offers}
            onChange={put('hints')}
          />
        )}
      </div>
    </section>
  );
}
