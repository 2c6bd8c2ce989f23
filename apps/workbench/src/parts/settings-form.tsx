import { codecsOf, compileSchema, makePlan, openForm } from '@poietra/core';
import { PlannedForm } from '@poietra/react';
import { effect } from '@preact/signals-core';
import { useEffect, useMemo, useRef, type ReactNode } from 'react';

interface Props {
  readonly schema: unknown;
  readonly value: unknown;
  /** Called with every valid state that differs from the last. */
  onChange(value: unknown): void;
}

/** The workbench's own forms run on the libraries: a schema in, a live form out, every valid change taken at once. */
export function SettingsForm({ schema, value, onChange }: Props): ReactNode {
  const text = JSON.stringify(value);
  const { plan, form } = useMemo(() => {
    const compiled = compileSchema(schema, { assertFormats: true });
    const made = makePlan(compiled);
    return {
      plan: made,
      form: openForm({
        schema,
        compiled,
        codecs: codecsOf(made.root),
        values: JSON.parse(text) as unknown,
        tell: 'change',
      }),
    };
    // The value counts at the opening; later ones are loaded below.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [schema]);
  // As this form would send it: members that it does not speak of, and their order, are no change made here.
  const known = useRef(JSON.stringify(form.sent()));
  const latest = useRef(text);
  const changed = useRef(onChange);
  useEffect(() => {
    changed.current = onChange;
  });
  useEffect(() => {
    // A value from elsewhere (an undo, another tab) replaces what stands here; our own comes back and changes nothing.
    const next = JSON.parse(text) as unknown;
    if (latest.current === text) return;
    latest.current = text;
    if (known.current === text) return;
    form.load(next);
    known.current = JSON.stringify(form.sent());
  }, [form, text]);
  useEffect(
    () =>
      effect(() => {
        void form.version.value;
        // Compared with what is known elsewhere, not with where this form began: a value may go back to what it was.
        if (form.problems().length > 0) return;
        const now = JSON.stringify(form.sent());
        if (now === known.current) return;
        known.current = now;
        changed.current(JSON.parse(now));
      }),
    [form],
  );
  return (
    <div className="dense">
      <PlannedForm form={form} plan={plan} />
    </div>
  );
}
