import type { AdapterDescription } from '@poietra/core';
import { createElement, useEffect, useReducer, useRef, type ComponentType, type FocusEvent } from 'react';
import { hiddenValue, joined, type AdaptedInput } from './given.js';

/**
 * A box of several of HTML's own inputs that answer one question: what is said of it stands on the group around them, as
 * properties, also where no script has run yet. `input` draws that group.
 */
export function adaptGroup(input: unknown, description: AdapterDescription): AdaptedInput {
  const Adapted: AdaptedInput = (props) => {
    const box = useRef<HTMLDivElement>(null);
    const isLeft = useRef(true);
    const [, again] = useReducer((count: number) => count + 1, 0);
    const { state, attach, leave } = props;
    useEffect(() => {
      // A group takes no focus itself; what is chosen in it does, or the first.
      const find = (which: string) => box.current?.querySelector<HTMLElement>(`input:not(:disabled)${which}`);
      return attach({ focus: () => (find(':checked') ?? find(''))?.focus() });
    }, [attach, state.id]);
    const report = (raw: unknown): void => {
      // A group has no way to be read only, so what it reports then is not taken; a change that is refused alters no state.
      const isTaken = !state.readOnly && props.report(raw) === true;
      if (!isTaken) again();
    };
    const hidden = hiddenValue(description, state);
    return (
      <div
        ref={box}
        className="poietra-box"
        data-invalid={state.invalid || undefined}
        onFocusCapture={() => (isLeft.current = false)}
        onBlur={({ currentTarget, relatedTarget }: FocusEvent<HTMLElement>) => {
          if (isLeft.current || currentTarget.contains(relatedTarget)) return;
          isLeft.current = true;
          leave();
        }}
      >
        {createElement(input as ComponentType<Record<string, unknown>>, {
          ...joined(description, { ...props, report }),
          id: state.id,
          required: state.required,
          invalid: state.invalid,
          labelledBy: state.labelledBy,
          describedBy: state.describedBy,
        })}
        {hidden !== undefined && <input type="hidden" name={state.name} value={hidden} />}
      </div>
    );
  };
  Adapted.displayName = description.input;
  Adapted.takesLabel = false;
  return Adapted;
}
