import { schemaOfSchemas, type FormDescription } from '@poietra/core';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { FormFrame } from '../../parts/form-frame.js';
import type { Post } from '../../parts/stand-frame.js';
import { useTextCheck } from '../../parts/use-text-check.js';

/** Hidden values are kept: a rule that makes no sense for the kind chosen now may make sense again. */
const form: FormDescription = { title: 'Schema', schema: schemaOfSchemas, hidden: 'keep', skin: 'compact' };

interface Props {
  readonly title: string;
  readonly schema: unknown;
  onChange(schema: unknown): void;
}

/** A schema written in a form that comes from a schema itself. What does not hold yet leaves the last good one standing. */
export function SchemaForm({ title, schema, onChange }: Props): ReactNode {
  const check = useTextCheck();
  const [faults, setFaults] = useState<readonly string[]>([]);
  const [first] = useState(schema);
  const options = useMemo(() => ({ notes: false, copies: 1, submitLabel: '', values: first }), [first]);
  const post = useRef<Post>(undefined);
  /** What the form has, as text: an edit made here comes back as the same, one made elsewhere is taken over. */
  const known = useRef(JSON.stringify(schema));
  useEffect(() => {
    const text = JSON.stringify(schema);
    if (text === known.current) return;
    known.current = text;
    post.current?.({ kind: 'load', values: schema });
  }, [schema]);
  const take = async (value: unknown): Promise<void> => {
    const text = JSON.stringify(value);
    if (text === known.current) return;
    known.current = text;
    const verdict = await check(text, 'schema');
    if (verdict === undefined) return;
    setFaults(verdict.faults.map(({ at = '', message }) => `${at === '' ? 'At the root' : `At ${at}`}: ${message}`));
    if (verdict.faults.length === 0) onChange(value);
  };
  return (
    <div className="flex h-full min-h-0 flex-col gap-1">
      <section
        aria-label="Schema as a form"
        tabIndex={0}
        className="min-h-40 flex-1 overflow-auto border border-hairline"
      >
        <FormFrame
          title={`Schema as a form: ${title}`}
          form={form}
          options={options}
          onReady={(reply) => (post.current = reply)}
          onMessage={(message) => {
            if (message.kind === 'state') void take(message.sent);
          }}
        />
      </section>
      <p role="status" className="max-h-24 min-h-5 overflow-auto text-[13px] whitespace-pre-wrap text-fail">
        {faults.slice(0, 5).join('\n')}
        {faults.length > 0 && ' The last good state stands.'}
      </p>
    </div>
  );
}
