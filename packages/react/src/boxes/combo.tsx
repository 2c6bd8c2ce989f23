/** A text box with choices, also such as a server gives. */
import { comboAdapters } from '@poietra/core';
import { useEffect, useId, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { adaptNative } from '../adapt-native.js';
import type { Choices } from '../given.js';
import { useWords } from '../scope.js';
import { choiceWords } from '../words/choice-words.js';
import { adaptedBoxes, same, type BoxProps, type Boxes } from './box.js';

/** So many are drawn at once; whoever looks for another one goes on typing. */
const mostDrawn = 60;

interface ComboProps extends BoxProps {
  /** Called with what is typed, where the choices come from elsewhere; they are then not filtered here. */
  onSearch?(text: string): void;
  /** What is to be said of the choices: that they are being fetched, that they failed. */
  readonly status?: string | undefined;
  /** Whether what was typed counts as a value though no choice has it; otherwise it is reported as `{ unchosen }`. */
  readonly free?: boolean;
}

/** A text box that offers choices while one types (WAI-ARIA, combobox with list autocomplete). */
export function Combo({
  value,
  choices = [],
  onChange,
  onBlur,
  onSearch,
  status,
  free = true,
  ...rest
}: ComboProps): ReactNode {
  const words = useWords(choiceWords);
  const [text, setText] = useState<string>();
  const [active, setActive] = useState(-1);
  const [isOpen, setOpen] = useState(false);
  const listId = useId();
  const box = useRef<HTMLDivElement>(null);
  const shown = text ?? textOf(value, choices);
  const wanted = (text ?? '').toLowerCase();
  const offered = (
    onSearch || wanted === '' ? choices : choices.filter((one) => one.text.toLowerCase().includes(wanted))
  ).slice(0, mostDrawn);
  const open = (): void => {
    if (rest.disabled || rest['readOnly']) return;
    setOpen(true);
    onSearch?.(text ?? '');
  };
  const close = (): void => {
    setOpen(false);
    setActive(-1);
  };
  const pick = (one: Choices[number]): void => {
    setText(undefined);
    close();
    onChange?.(one.value);
  };
  /** What is typed to the end is a choice where it names one; otherwise it is kept, and the form says what is wrong with it. */
  const settle = (): void => {
    close();
    if (text === undefined) return;
    const exact = choices.find((one) => one.text.toLowerCase() === text.trim().toLowerCase());
    onChange?.(text.trim() === '' ? undefined : exact ? exact.value : free ? text : { unchosen: text });
    setText(undefined);
  };
  const press = (event: KeyboardEvent): void => {
    const move = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (move !== undefined) {
      event.preventDefault();
      if (!isOpen) open();
      setActive((at) =>
        offered.length === 0 ? -1 : (at + move + offered.length + (at < 0 && move < 0 ? 1 : 0)) % offered.length,
      );
    } else if (event.key === 'Enter' && isOpen) {
      const one = offered[active];
      event.preventDefault();
      if (one) pick(one);
      else settle();
    } else if (event.key === 'Escape' && isOpen) {
      event.stopPropagation();
      setText(undefined);
      close();
    }
  };
  useEffect(() => {
    if (active >= 0) box.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
  }, [active]);
  return (
    <div ref={box} className="poietra-combo">
      <input
        {...rest}
        type="text"
        role="combobox"
        autoComplete="off"
        aria-autocomplete="list"
        aria-expanded={isOpen}
        aria-controls={isOpen ? listId : undefined}
        aria-activedescendant={isOpen && active >= 0 ? `${listId}-${active}` : undefined}
        value={shown}
        onChange={(event) => {
          setText(event.target.value);
          setActive(-1);
          setOpen(true);
          onSearch?.(event.target.value);
        }}
        onClick={open}
        onKeyDown={press}
        onBlur={() => {
          settle();
          onBlur?.();
        }}
      />
      {isOpen && (
        <ul id={listId} role="listbox" aria-label={words.choices} className="poietra-offers">
          {offered.map((one, i) => (
            <li
              key={i}
              id={`${listId}-${i}`}
              role="option"
              aria-selected={i === active}
              // The box keeps the focus, so it is not left by the press.
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => pick(one)}
            >
              {one.text}
            </li>
          ))}
        </ul>
      )}
      {isOpen && (status !== undefined || offered.length === 0) && (
        <p className="poietra-hint" role="status">
          {status ?? words.nothingFits}
        </p>
      )}
    </div>
  );
}

function textOf(value: unknown, choices: Choices): string {
  const known = choices.find((one) => same(one.value, value));
  if (known) return known.text;
  if (typeof value === 'object' && value !== null && 'unchosen' in value) return String(value.unchosen);
  return value === undefined || value === null ? '' : typeof value === 'string' ? value : JSON.stringify(value);
}

export const comboBoxes: Boxes = { combobox: Combo };
/** A text box with choices as an adapted input. */
export const comboInputs = adaptedBoxes(comboBoxes, comboAdapters, adaptNative);
