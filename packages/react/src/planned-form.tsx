import type { Form, Outcome, Plan, Problem } from '@poietra/core';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { AdaptedInput } from './adapt.js';
import { DrawingContext, type Drawing, type FetchChoices, type OwnHint } from './drawing.js';
import { useFollowed } from './follow.js';
import { nativeInputs } from './native.js';
import { Planned } from './planned.js';
import { reveal } from './reveal.js';
import { FormScope } from './scope.js';
import { compact, plain, type Skin } from './skin.js';
import { Summary } from './summary.js';

export interface PlannedFormProps {
  readonly form: Form;
  readonly plan: Plan;
  /** Adapted inputs by the names that the plan uses, beside HTML's own. */
  readonly inputs?: Readonly<Record<string, AdaptedInput>>;
  readonly skins?: Readonly<Record<string, Skin>>;
  readonly skin?: Skin;
  /** What the kit's own hints do to the drawing. */
  readonly ownHints?: Readonly<Record<string, OwnHint>>;
  /** How values to choose from are fetched; by default by the browser, as JSON. */
  readonly fetchChoices?: FetchChoices;
  readonly send?: (sent: unknown) => Promise<Outcome>;
  readonly submitLabel?: string;
  /** Further buttons beside the one that sends. */
  readonly actions?: ReactNode;
}

/** A whole form from a plan: fields, groups, lists, the summary of what is wrong, and sending. */
export function PlannedForm({
  form,
  plan,
  inputs,
  skins,
  skin = plain,
  ownHints = noHints,
  fetchChoices = fetchJson,
  send,
  submitLabel = 'Send',
  actions,
}: PlannedFormProps): ReactNode {
  const element = useRef<HTMLFormElement>(null);
  const summary = useRef<HTMLDivElement>(null);
  const [focusWanted, setFocusWanted] = useState<readonly Problem[]>();
  const status = useFollowed(() => form.status, [form]);

  // After a refusal the fields have first to be drawn with their messages; then the first of them on the page gets the focus.
  useEffect(() => {
    if (!focusWanted || !element.current) return;
    const bad = new Set(focusWanted.map(({ at }) => at));
    const first = [...element.current.querySelectorAll<HTMLElement>('[data-at]')].find(({ dataset }) =>
      bad.has(dataset['at'] ?? ''),
    );
    const at = first?.dataset['at'];
    if (at !== undefined) {
      reveal(element.current, at);
      form.field(at).focus();
    } else summary.current?.focus();
  }, [focusWanted, form]);

  // The button is listened to as well as the form: Enter in a field presses it, too, and a frame that may not send
  // forms never tells of a submission.
  const submit = async (event: { preventDefault(): void }): Promise<void> => {
    event.preventDefault();
    if (!send) return;
    const done = await form.submit(send);
    if (done.kind === 'invalid' || done.kind === 'refused') setFocusWanted([...done.problems]);
    else if (done.kind === 'failed') setFocusWanted([]);
  };
  const drawing = useMemo(
    (): Drawing => ({
      inputs: { ...nativeInputs, ...inputs },
      skins: { plain, compact, ...skins },
      skin,
      ownHints,
      fetchChoices,
      draw: (node, at, how) => <Planned node={node} at={at} bare={how?.bare} />,
    }),
    [inputs, skins, skin, ownHints, fetchChoices],
  );
  return (
    <FormScope form={form}>
      <DrawingContext.Provider value={drawing}>
        <form ref={element} className="poietra-form" noValidate onSubmit={(event) => void submit(event)}>
          <Summary plan={plan} ref={summary} />
          <Planned node={plan.root} at="" />
          <div className="poietra-actions">
            {send && (
              <button
                type="submit"
                aria-disabled={status === 'sending' || undefined}
                onClick={(event) => void submit(event)}
              >
                {status === 'sending' ? 'Sending …' : submitLabel}
              </button>
            )}
            {actions}
          </div>
        </form>
      </DrawingContext.Provider>
    </FormScope>
  );
}

const noHints = {};
async function fetchJson(address: string, signal: AbortSignal): Promise<unknown> {
  const response = await fetch(address, { signal, headers: { Accept: 'application/json' } });
  if (!response.ok) throw new Error(`The server answered with ${response.status}.`);
  return response.json();
}
