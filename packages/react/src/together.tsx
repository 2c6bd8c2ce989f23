import { partOf, withPart, type AdapterDescription } from '@poietra/core';
import { useEffect, useRef, type FocusEvent, type ReactNode } from 'react';
import type { AdaptedInput, Reached } from './given.js';

/**
 * Several adapted inputs as one, in the order of the description's `parts`. They are a group with one label; each part
 * has a label of its own inside.
 */
export function adaptTogether(description: AdapterDescription, inputs: readonly AdaptedInput[]): AdaptedInput {
  const parts = description.parts ?? [];
  const Together: AdaptedInput = ({ state, report, leave, attach, extra }): ReactNode => {
    const first = useRef<Reached>(undefined);
    useEffect(
      () => attach({ focus: () => first.current?.focus(), press: () => first.current?.focus() }),
      [attach, state.id],
    );
    // Two parts may report before either is drawn: both count.
    const shown = useRef(state.shown);
    useEffect(() => {
      shown.current = state.shown;
    });
    const change = (name: string, raw: unknown): void => {
      const next = withPart(shown.current, parts, name, raw);
      shown.current = next;
      report(next);
      const theirs = extra?.[description.change.report];
      if (typeof theirs === 'function') (theirs as (value: unknown) => void)(next);
    };
    return (
      <div
        className="poietra-box poietra-together"
        role="group"
        id={state.id}
        aria-labelledby={state.labelledBy}
        aria-describedby={state.describedBy}
        aria-invalid={state.invalid || undefined}
        aria-disabled={state.disabled || undefined}
        onBlur={(event: FocusEvent<HTMLElement>) => {
          if (!event.currentTarget.contains(event.relatedTarget)) leave();
        }}
      >
        {parts.map(({ name, label }, i) => {
          const Part = inputs[i];
          if (!Part) return null;
          const ids = { input: `${state.id}-${name}`, label: `${state.id}-${name}-label` };
          return (
            <div key={name} className="poietra-part">
              {Part.draws?.label ? null : Part.takesLabel ? (
                <label id={ids.label} htmlFor={ids.input}>
                  {label}
                </label>
              ) : (
                <span id={ids.label}>{label}</span>
              )}
              <Part
                state={{
                  ...state,
                  shown: partOf(state.shown, name),
                  id: ids.input,
                  name: '',
                  labelledBy: Part.draws?.label ? undefined : ids.label,
                  describedBy: undefined,
                  label,
                  description: undefined,
                  hint: undefined,
                  message: undefined,
                  placeholder: undefined,
                  // One hidden input carries the whole.
                  sent: null,
                }}
                report={(raw) => change(name, raw)}
                leave={nothing}
                attach={(reached) => {
                  if (i === 0) first.current = reached;
                  return nothing;
                }}
              />
            </div>
          );
        })}
        {typeof state.sent === 'string' && <input type="hidden" name={state.name} value={state.sent} />}
      </div>
    );
  };
  Together.displayName = `Together(${parts.map(({ name }) => name).join(', ')})`;
  return Together;
}

const nothing = (): void => undefined;
