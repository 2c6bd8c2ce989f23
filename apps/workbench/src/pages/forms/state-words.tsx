import type { FormDescription } from '@poietra/core';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Verdict } from '../../parts/verdict.js';
import type { FromFrame } from '../../sandbox/checked.js';

/** Only a form that can be sent is ready to be sent. */
export function StateWords({
  state,
  form,
  name,
}: {
  readonly state: Extract<FromFrame, { kind: 'state' }> | undefined;
  readonly form: FormDescription;
  readonly name: string;
}): ReactNode {
  if (!state) return null;
  return (
    <span className="flex gap-3 text-[13px]">
      {state.problems > 0 ? (
        <Verdict kind="unknown">{state.problems === 1 ? 'one thing open' : `${state.problems} things open`}</Verdict>
      ) : form.send ? (
        <Verdict kind="pass">ready to send</Verdict>
      ) : (
        <Verdict kind="warning">
          nothing open, but <Link to={`/form-settings/${encodeURIComponent(name)}`}>no address</Link>
        </Verdict>
      )}
      {state.changed && (
        <span className="text-ink-2" title="Kept in this browser until it is sent or taken back">
          draft kept
        </span>
      )}
    </span>
  );
}
