import type { AdapterDescription } from '@poietra/core';
import { createElement, useEffect, useLayoutEffect, useReducer, useRef, type ComponentType } from 'react';
import { hiddenValue, joined, type AdaptedInput } from './given.js';

/**
 * One of HTML's own inputs, or a box made like one: its properties carry the whole line, so nothing has to be linked
 * by hand, watched or made anew. `input` is the name of the element or the component of the box.
 */
export function adaptNative(input: unknown, description: AdapterDescription): AdaptedInput {
  const { value, change } = description;
  const keepsText = typeof input === 'string' && value.property === 'value' && change.path === '/0/target/value';
  const Adapted: AdaptedInput = (props) => {
    const box = useRef<HTMLDivElement>(null);
    const element = useRef<HTMLInputElement>(null);
    const isNew = useRef(true);
    const [, again] = useReducer((count: number) => count + 1, 0);
    const { state, attach } = props;
    const { id, readOnly } = state;
    useEffect(
      () => attach({ focus: () => box.current?.querySelector<HTMLElement>(`[id="${id}"]`)?.focus() }),
      [attach, id],
    );
    const report = (raw: unknown): void => {
      // Where the input has no way to be read only, what it reports is not taken.
      const isTaken = (!readOnly || description.readOnly !== undefined) && props.report(raw) === true;
      // A change that is refused alters no state, so nobody else would tell the input to go back.
      if (!isTaken) again();
    };
    const properties = joined(description, { ...props, report });
    const text = String(properties['value'] ?? '');
    if (keepsText) {
      properties['defaultValue'] = text;
      properties['ref'] = element;
      delete properties['value'];
    }
    useLayoutEffect(() => {
      const node = element.current;
      const isFirst = isNew.current;
      isNew.current = false;
      // Writing the text that is there already would move the caret.
      if (!keepsText || !node || node.value === text) return;
      // What the server drew may have been typed into before any script ran.
      if (isFirst && node.value !== asTaken(node, node.defaultValue)) report(node.value);
      else node.value = text;
    });
    const hidden = hiddenValue(description, state);
    return (
      <div ref={box} className="poietra-box">
        {createElement(input as ComponentType<Record<string, unknown>>, properties)}
        {hidden !== undefined && <input type="hidden" name={state.name} value={hidden} />}
      </div>
    );
  };
  Adapted.displayName = description.input;
  Adapted.takesLabel = true;
  Adapted.keepsText = keepsText;
  return Adapted;
}

/** What an element like this one makes of a text: a line has no breaks, a colour is never empty. */
function asTaken(node: HTMLInputElement, text: string): string {
  const other = node.cloneNode() as HTMLInputElement;
  other.value = text;
  return other.value;
}
