import { asShownName, type DrawnWords, type Form, type Outcome, type PlanTree } from '@poietra/core';
import { useEffect, useMemo, useRef, useState, useSyncExternalStore, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import type { drawingTroubles } from './check-drawing.js';
import type { AdaptedInput } from './given.js';
import { DrawingContext, drawingFor, type Drawing, type Drawings, type FetchChoices } from './drawing.js';
import { useFollowed } from './follow.js';
import { plainInputs } from './plain-inputs.js';
import { Planned } from './planned.js';
import { FormScope } from './scope.js';
import type { Skin } from './skin.js';
import { fetchMending, Summary } from './summary.js';
import { fieldWords } from './words/field-words.js';
import { Button, PartsContext } from './part.js';
import { inTurns, TurnsContext } from './turns.js';

declare const process: { readonly env: { readonly NODE_ENV?: string } };

/** What a whole form is drawn from and with. */
export interface DrawnFormProps {
  readonly form: Form;
  readonly plan: PlanTree;
  /** What this plan is drawn with. */
  readonly drawings: Drawings;
  /** Adapted inputs by the names that the plan uses, beside HTML's own. */
  readonly inputs?: Readonly<Record<string, AdaptedInput>>;
  readonly skins?: Readonly<Record<string, Skin>>;
  readonly skin?: Skin;
  /** What the kit's own hints do to the drawing. */
  readonly ownHints?: Drawing['ownHints'];
  /** How values to choose from are fetched; by default by the browser, as JSON. */
  readonly fetchChoices?: FetchChoices;
  readonly send?: (sent: unknown) => Promise<Outcome>;
  readonly submitLabel?: string;
  /**
   * Where the browser itself sends the form while no script runs: pairs of place and text, which `readSubmission` of the
   * core reads. Once a script runs, `send` does it.
   */
  readonly native?: NativeSubmission;
  /** Further buttons beside the one that sends. */
  readonly actions?: ReactNode;
  /** Of a form of several pages, the one that is shown: the place of its first member (`/consignor`), empty for the overview. */
  readonly step?: string | undefined;
  /** Another page is wanted. Where it is given, `step` says which one is shown: it can stand in the address. */
  readonly onStep?: ((step: string) => void) | undefined;
}

/** Where a browser sends the form while no script runs. */
export interface NativeSubmission {
  readonly action: string;
  readonly method?: 'get' | 'post';
  /** Sent along, like a token against forged requests. */
  readonly hidden?: Readonly<Record<string, string>>;
}

/** A whole form from a plan and its drawings: fields, groups, lists, the summary of what is wrong, and sending. */
export function DrawnForm({
  form,
  plan,
  drawings,
  inputs,
  skins,
  skin,
  ownHints,
  fetchChoices,
  send,
  submitLabel,
  native,
  actions,
  step,
  onStep,
}: DrawnFormProps): ReactNode {
  const element = useRef<HTMLFormElement>(null);
  const summary = useRef<HTMLDivElement>(null);
  const status = useFollowed(() => form.status, [form]);
  const [turns] = useState(inTurns);
  const language = useFollowed(() => form.words, [form]);
  const { send: sends, sending }: Pick<DrawnWords, 'send' | 'sending'> = language?.drawn ?? fieldWords;
  const isScripted = useSyncExternalStore(never, yes, no);

  // The button is listened to as well as the form: Enter in a field presses it, too, and a frame that may not send
  // forms never tells of a submission.
  const submit = async (event: { preventDefault(): void }): Promise<void> => {
    if (!send && native) return;
    event.preventDefault();
    if (!send) return;
    const done = await form.submit(send);
    if (done.kind === 'accepted') return;
    // The fields have first to be drawn with their messages; then the first of them on the page gets the focus.
    flushSync(() => undefined);
    const mending = drawings.mending ?? (await fetchMending());
    const problems = done.kind === 'failed' ? [] : done.problems;
    if (!(await mending?.focusFirst(element.current, form, problems, turns))) summary.current?.focus();
  };
  const drawing = useMemo(
    (): Drawing => ({
      drawings,
      inputs: { ...plainInputs, ...drawings.inputs, ...inputs },
      skins: { ...drawings.skins, ...skins },
      skin: skin ?? drawings.skins.plain,
      ownHints,
      fetchChoices,
      draw: (node, at, how) => <Planned node={node} at={at} bare={how?.bare} />,
    }),
    [drawings, inputs, skins, skin, ownHints, fetchChoices],
  );
  useEffect(() => {
    void checkDrawing().then(
      (troubles) => {
        for (const { schemaAt, says } of troubles?.(plan, form, drawing) ?? []) form.trouble(`#${schemaAt}`, says);
      },
      () => undefined,
    );
  }, [form, plan, drawing]);
  const Steps = plan.root.hints.layout === 'steps' ? drawingFor(drawings, 'Steps') : undefined;
  const closing = (
    <div className="poietra-actions">
      {(send ?? native) && (
        <Button type="submit" aria-disabled={status === 'sending' || undefined} onClick={(event) => void submit(event)}>
          {status === 'sending' ? sending : (submitLabel ?? sends)}
        </Button>
      )}
      {actions}
    </div>
  );
  return (
    <FormScope form={form} asShown={native !== undefined && !isScripted}>
      <DrawingContext.Provider value={drawing}>
        <PartsContext.Provider value={drawing.skin.parts}>
          <TurnsContext.Provider value={turns}>
            <form
              ref={element}
              className="poietra-form"
              noValidate
              onFocus={keepNames}
              lang={language?.lang}
              dir={language?.dir}
              {...(native ? { action: native.action, method: native.method ?? 'post' } : {})}
              onSubmit={(event) => void submit(event)}
            >
              {native && !isScripted && <input type="hidden" name={asShownName} value="shown" />}
              {Object.entries(native?.hidden ?? {}).map(([name, value]) => (
                <input key={name} type="hidden" name={name} value={value} />
              ))}
              <Summary plan={plan} box={summary} />
              {Steps && plan.root.kind === 'group' ? (
                <Steps node={plan.root} at="" closing={closing} step={step} onStep={onStep} />
              ) : (
                <>
                  <Planned node={plan.root} at="" />
                  {closing}
                </>
              )}
            </form>
          </TurnsContext.Provider>
        </PartsContext.Provider>
      </DrawingContext.Provider>
    </FormScope>
  );
}

/**
 * What checks drawings, in development. It is asked in these words, and outside of any `try`, so that a bundler for
 * production leaves it out. Without Node and without a bundler nobody has said whose build it is, and asking fails.
 */
async function checkDrawing(): Promise<typeof drawingTroubles | undefined> {
  return process.env.NODE_ENV === 'production' ? undefined : (await import('./check-drawing.js')).drawingTroubles;
}

/** What makes typing cheap is fetched once someone goes to a field. */
const keepNames = ({ target }: { readonly target: EventTarget }): void =>
  void import('./keep-name.js').then(({ keepName }) => keepName(target), never);

/** On the server, and until the page has taken its drawing over, no script runs. */
const never = () => () => undefined;
const yes = () => true;
const no = () => false;
