import type { FormDescription } from '@poietra/core';
import { DrawnForm, prepareForm } from '@poietra/react';
import { useEffect, useState, type ReactNode } from 'react';
import { askCompany } from '../store/ask.js';
import { Boundary } from './boundary.js';
import { Busy, Failed } from './states.js';

type Living = Awaited<ReturnType<typeof prepared>>;

/** A form of our own, alive on the page itself. Foreign ones are drawn in a frame (`FormFrame`). */
export function LiveForm({ form }: { readonly form: FormDescription }): ReactNode {
  const [living, setLiving] = useState<Living | { readonly trouble: string }>();
  useEffect(() => {
    let isCurrent = true;
    prepared(form).then(
      (next) => isCurrent && setLiving(next),
      (error: unknown) => isCurrent && setLiving({ trouble: error instanceof Error ? error.message : String(error) }),
    );
    return () => {
      isCurrent = false;
    };
  }, [form]);
  if (!living) return <Busy>Opening …</Busy>;
  if ('trouble' in living) return <Failed title="The form cannot be drawn" message={living.trouble} />;
  return (
    <div className="dense">
      <Boundary title="The form broke">
        <DrawnForm {...living} fetchChoices={askCompany} />
      </Boundary>
    </div>
  );
}

async function prepared({ schema, hints, hidden, tell }: FormDescription) {
  const { plan, drawings, open } = await prepareForm({ schema, ask: askCompany, ...(hints ? { hints } : {}) });
  return { plan, drawings, form: open({ ...(hidden ? { hidden } : {}), ...(tell ? { tell } : {}) }) };
}
