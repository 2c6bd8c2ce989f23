/** Watching a person at an input, and writing down what they do as steps on roles and names. */
import type { Step } from '@poietra/core';
import { roleOf, targetOf } from './targets.js';

const typed = /^(textbox|searchbox|spinbutton|password|combobox)$/;
const set = /^(slider|color|date|time|datetime-local|month|week)$/;
const keys = /^(Arrow(Left|Right|Up|Down)|Enter|Escape|Home|End|PageUp|PageDown| )$/;

/** Tells each step as it happens; `stop` ends it. Only what a person does counts, not what is done by script. */
export function record(box: () => Element | null, tell: (step: Step) => void): () => void {
  const place = (event: Event): HTMLElement | undefined => {
    if (!event.isTrusted) return undefined;
    const [target] = event.composedPath();
    return target instanceof HTMLElement ? (worked(target) ?? target) : undefined;
  };
  const tellOf = (event: Event, make: (on: Step['on'], element: HTMLElement) => Step | undefined): void => {
    const [element, around] = [place(event), box()];
    if (!element || !around) return;
    const step = make(targetOf(around, element), element);
    if (step) tell(step);
  };
  const onClick = (event: Event): void =>
    tellOf(event, (on, element) =>
      // Typing and setting are told by what they lead to.
      set.test(roleOf(element)) && element instanceof HTMLInputElement ? undefined : { do: 'press', on },
    );
  const onInput = (event: Event): void =>
    tellOf(event, (on, element) => {
      if (element instanceof HTMLInputElement && element.files)
        return { do: 'files', on, names: [...element.files].map(({ name }) => name) };
      if (element instanceof HTMLSelectElement) {
        const option = element.selectedOptions[0];
        return option && { do: 'press', on: { role: 'option', name: option.text } };
      }
      if (!('value' in element) || typeof element.value !== 'string') return undefined;
      const role = roleOf(element);
      if (set.test(role)) return { do: 'set', on, value: element.value };
      return typed.test(role) ? { do: 'type', on, text: element.value } : undefined;
    });
  const onKey = (event: Event): void =>
    tellOf(event, (on, element) => {
      const { key } = event as KeyboardEvent;
      const isTyping = typed.test(roleOf(element)) && !/^(Enter|Escape|ArrowUp|ArrowDown)$/.test(key);
      const isSet = element instanceof HTMLInputElement && set.test(roleOf(element));
      // The browser turns a key on a button or a check mark into a press, which is told by itself.
      const isPress = /^(button|checkbox|radio|switch)$/.test(roleOf(element)) && /^(Enter| )$/.test(key);
      return keys.test(key) && !isTyping && !isSet && !isPress ? { do: 'key', on, key } : undefined;
    });
  const onPointer = (event: Event): void =>
    tellOf(event, (on, element) => (element instanceof HTMLCanvasElement ? { do: 'draw', on } : undefined));
  const pairs = [
    ['click', onClick],
    ['input', onInput],
    ['keydown', onKey],
    ['pointerup', onPointer],
  ] as const;
  for (const [name, listener] of pairs) document.addEventListener(name, listener, true);
  return () => {
    for (const [name, listener] of pairs) document.removeEventListener(name, listener, true);
  };
}

/** A press on a mark inside a button is a press on the button. */
function worked(element: HTMLElement): HTMLElement | undefined {
  const around = element.closest<HTMLElement>(
    'button, a[href], input, select, textarea, canvas, [role]:not([role=presentation], [role=none], [role=group], [role=listbox], [role=grid], [role=row], [role=radiogroup], [role=dialog])',
  );
  return around && roleOf(around) !== '' ? around : undefined;
}
