import {
  formatPointer,
  joinPointer,
  parsePointer,
  planAt,
  type Form,
  type Outcome,
  type Plan,
  type PlanField,
  type PlanGroup,
  type PlanList,
  type PlanNode,
  type Problem,
} from '@poietra/core';
import { createContext, useContext, useEffect, useRef, useState, type CSSProperties, type ReactNode } from 'react';
import type { AdaptedInput } from './adapt.js';
import { Field } from './field.js';
import { useFollowed } from './follow.js';
import { partId } from './ids.js';
import { nativeInputs } from './native.js';
import { FormScope, useScope } from './scope.js';
import { compact, plain, type Skin } from './skin.js';

interface Drawing {
  readonly inputs: Readonly<Record<string, AdaptedInput>>;
  readonly skins: Readonly<Record<string, Skin>>;
  readonly skin: Skin;
}
const DrawingContext = createContext<Drawing | undefined>(undefined);
function useDrawing(): Drawing {
  const drawing = useContext(DrawingContext);
  if (!drawing) throw new Error('Planned parts have to stand inside <PlannedForm>.');
  return drawing;
}

export interface PlannedFormProps {
  readonly form: Form;
  readonly plan: Plan;
  /** Adapted inputs by the names that the plan uses, beside HTML's own. */
  readonly inputs?: Readonly<Record<string, AdaptedInput>>;
  readonly skins?: Readonly<Record<string, Skin>>;
  readonly skin?: Skin;
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
    if (at !== undefined) form.field(at).focus();
    else summary.current?.focus();
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
  return (
    <FormScope form={form}>
      <DrawingContext.Provider
        value={{ inputs: { ...nativeInputs, ...inputs }, skins: { plain, compact, ...skins }, skin }}
      >
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

/** What is wrong after an attempt to send, each with a way to its field. */
function Summary({ plan, ref }: { readonly plan: Plan; readonly ref: React.Ref<HTMLDivElement> }): ReactNode {
  const { form, baseId } = useScope();
  const { problems, message, status } = useFollowed(() => {
    const refused = form.status === 'refused' || form.status === 'failed';
    return {
      problems: form.submittedOnce ? form.problems() : [],
      message: refused ? form.message : undefined,
      status: form.status,
    };
  }, [form]);
  const isBad = problems.length > 0 || message !== undefined;
  return (
    <div ref={ref} tabIndex={-1} role="status" className={isBad ? 'poietra-summary' : undefined} data-status={status}>
      {message !== undefined && <p>{message}</p>}
      {problems.length > 0 && (
        <>
          <p>
            {problems.length === 1 ? 'One thing has to be mended:' : `${problems.length} things have to be mended:`}
          </p>
          <ul>
            {problems.slice(0, 20).map((problem) => (
              <li key={`${problem.at} ${problem.keyword} ${problem.message}`}>
                <a
                  href={`#${partId(baseId, problem.at, 'input')}`}
                  onClick={(event) => {
                    event.preventDefault();
                    form.field(problem.at).focus();
                  }}
                >
                  {labelAt(plan.root, problem.at)}
                </a>
                : {problem.message}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** The label of a place, with those of the groups around it. */
export function labelAt(root: PlanNode, at: string): string {
  const tokens = parsePointer(at);
  const labels = tokens.map((token, i) => {
    const node = planAt(root, formatPointer(tokens.slice(0, i + 1)));
    return node?.name === '*' ? `Entry ${Number(token) + 1}` : (node?.label ?? token);
  });
  return labels.length > 0 ? labels.join(', ') : 'The form';
}

export function Planned({ node, at }: { readonly node: PlanNode; readonly at: string }): ReactNode {
  const { form } = useScope();
  const isThere = useFollowed(() => node.when.some((conditions) => form.holds(at, conditions)), [form, node, at]);
  if (!isThere || node.hints.hidden === true) return null;
  if (node.kind === 'field') return <PlannedField node={node} at={at} />;
  return node.kind === 'group' ? <PlannedGroup node={node} at={at} /> : <PlannedList node={node} at={at} />;
}

function PlannedField({ node, at }: { readonly node: PlanField; readonly at: string }): ReactNode {
  const { inputs, skins, skin } = useDrawing();
  const text = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined);
  const example = node.facts.examples[0];
  return (
    <Field
      at={at}
      label={node.label}
      hint={node.hint}
      choices={node.choices}
      placeholder={node.hints.placeholder ?? (example === undefined ? undefined : String(example))}
      prefix={text(node.hints.prefix)}
      suffix={text(node.hints.suffix)}
      inline={node.codec.kind === 'boolean' && node.use.adapter === 'native:checkbox'}
      input={inputs[node.use.adapter] ?? inputs['native:text']}
      skin={node.hints.skin === undefined ? skin : (skins[node.hints.skin] ?? skin)}
    />
  );
}

function PlannedGroup({ node, at }: { readonly node: PlanGroup; readonly at: string }): ReactNode {
  const children = node.children.map((child) => {
    const span: CSSProperties | undefined =
      child.hints.span === undefined ? undefined : { gridColumn: `span ${child.hints.span}` };
    return (
      <div key={child.name} className="poietra-cell" style={span}>
        <Planned node={child} at={joinPointer(at, child.name)} />
      </div>
    );
  });
  const body = (
    <div className="poietra-members" data-layout={node.hints.layout ?? 'stack'}>
      {children}
    </div>
  );
  if (at === '') return body;
  return (
    <fieldset className="poietra-group" data-at={at}>
      <legend>{node.label}</legend>
      {node.hint !== undefined && <p className="poietra-hint">{node.hint}</p>}
      {body}
    </fieldset>
  );
}

function PlannedList({ node, at }: { readonly node: PlanList; readonly at: string }): ReactNode {
  const { form } = useScope();
  const list = form.list(at);
  const length = useFollowed(() => list.length, [form, at]);
  return (
    <fieldset className="poietra-group" data-at={at}>
      <legend>{node.label}</legend>
      {node.hint !== undefined && <p className="poietra-hint">{node.hint}</p>}
      {Array.from({ length }, (_, i) => (
        <div key={i} className="poietra-item">
          <Planned node={node.item} at={joinPointer(at, i)} />
          <div className="poietra-actions">
            {i > 0 && (
              <button type="button" aria-label={`Move entry ${i + 1} up`} onClick={() => list.move(i, i - 1)}>
                Up
              </button>
            )}
            <button type="button" aria-label={`Remove entry ${i + 1}`} onClick={() => list.remove(i)}>
              Remove
            </button>
          </div>
        </div>
      ))}
      {length < node.most && (
        <button type="button" onClick={() => list.add(node.item.kind === 'field' ? '' : {})}>
          Add {node.item.label === '*' || node.item.label === '' ? 'an entry' : node.item.label.toLowerCase()}
        </button>
      )}
    </fieldset>
  );
}
