/** Boxes that HTML does not have as one element: radio buttons and check marks as a value, a combo box, a file as text. */
import { useEffect, useId, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { Choices } from './given.js';
import { useWords } from './scope.js';
import { moreWords } from './words/more-words.js';

interface BoxProps {
  readonly value?: unknown;
  readonly choices?: Choices;
  onChange?(value: unknown): void;
  onBlur?(): void;
  readonly disabled?: boolean;
  readonly id?: string;
  /** Given where no script runs: the choices then submit their numbers under it. */
  readonly name?: string;
  readonly [further: string]: unknown;
}

/** What is said of a group of inputs, given as properties to the element around them. */
interface GroupProps extends BoxProps {
  readonly required?: boolean;
  readonly invalid?: boolean;
  readonly labelledBy?: string | undefined;
  readonly describedBy?: string | undefined;
}
const aboutGroup = ({ id, disabled, invalid, labelledBy, describedBy }: GroupProps) => ({
  className: 'poietra-choices',
  id,
  'aria-labelledby': labelledBy,
  'aria-describedby': describedBy,
  'aria-invalid': invalid || undefined,
  'aria-disabled': disabled || undefined,
});

/** One of several, all in view. */
export function Radios(props: GroupProps): ReactNode {
  const { value, choices = [], onChange, disabled, name, required } = props;
  const own = useId();
  return (
    <div role="radiogroup" {...aboutGroup(props)} aria-required={required || undefined}>
      {choices.map((choice, i) => (
        <label key={i}>
          <input
            type="radio"
            name={name ?? own}
            // Where script runs, a hidden input carries the value.
            {...(name === undefined ? { form: '' } : { value: String(i) })}
            checked={same(choice.value, value)}
            disabled={disabled}
            onChange={() => onChange?.(choice.value)}
          />
          {choice.text}
        </label>
      ))}
    </div>
  );
}

/** Any number of several, all in view; the value is a list in the order of the choices. */
export function Checks(props: GroupProps): ReactNode {
  const { value, choices = [], onChange, disabled, name } = props;
  const chosen: readonly unknown[] = Array.isArray(value) ? value : [];
  const has = (one: unknown): boolean => chosen.some((other) => same(other, one));
  return (
    <div {...aboutGroup(props)} role={props.id === undefined ? undefined : 'group'}>
      {choices.map((choice, i) => (
        <label key={i}>
          <input
            type="checkbox"
            {...(name === undefined ? {} : { name, value: String(i) })}
            checked={has(choice.value)}
            disabled={disabled}
            onChange={({ target: { checked } }) => {
              const known = choices.flatMap((one) => ((one === choice ? checked : has(one.value)) ? [one.value] : []));
              const others = chosen.filter((one) => !choices.some((other) => same(other.value, one)));
              onChange?.([...known, ...others]);
            }}
          />
          {choice.text}
        </label>
      ))}
    </div>
  );
}

/** Any number of several in a list that scrolls. */
export function ListBox({ value, choices = [], onChange, ...rest }: BoxProps): ReactNode {
  const chosen: readonly unknown[] = Array.isArray(value) ? value : [];
  return (
    <select
      {...rest}
      multiple
      size={Math.min(8, Math.max(4, choices.length))}
      value={choices.flatMap(({ value: own }, i) => (chosen.some((one) => same(one, own)) ? [String(i)] : []))}
      onChange={({ target }) =>
        onChange?.([...target.selectedOptions].flatMap((option) => choices[Number(option.value)]?.value ?? []))
      }
    >
      {choices.map(({ text }, i) => (
        <option key={i} value={String(i)}>
          {text}
        </option>
      ))}
    </select>
  );
}

/** One of several in a list that stands open. */
export function OpenList({ value, choices = [], onChange, ...rest }: BoxProps): ReactNode {
  const index = choices.findIndex((choice) => same(choice.value, value));
  return (
    <select
      {...rest}
      size={Math.min(8, Math.max(2, choices.length))}
      value={index < 0 ? '' : String(index)}
      onChange={({ target }) => onChange?.(choices[Number(target.value)]?.value)}
    >
      {choices.map(({ text }, i) => (
        <option key={i} value={String(i)}>
          {text}
        </option>
      ))}
    </select>
  );
}

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
  const words = useWords(moreWords);
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

interface FileProps extends BoxProps {
  readonly accept?: string;
}

/** A file as data text (RFC 2397). The value does not carry the file's name; what is there is told by kind and size. */
export function FileBox({ value, onChange, choices: _choices, ...rest }: FileProps): ReactNode {
  const words = useWords(moreWords);
  const [trouble, setTrouble] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  const data = typeof value === 'string' ? /^data:([^;,]*)[^,]*,(.*)$/s.exec(value) : null;
  const read = (file: File | undefined): void => {
    setTrouble(undefined);
    if (!file) return;
    const reader = new FileReader();
    reader.onload = () => onChange?.(reader.result);
    reader.onerror = () => setTrouble(words.fileBroken(reader.error?.message ?? file.name));
    reader.readAsDataURL(file);
    // The browser would go on to name the file, also when the form does not take it.
    if (input.current) input.current.value = '';
  };
  return (
    <div className="poietra-file">
      <input {...rest} ref={input} type="file" onChange={(event) => read(event.target.files?.[0])} />
      {data && (
        <span className="poietra-file-there">
          {data[1]?.startsWith('image/') && <img src={String(value)} alt="" />}
          {data[1] === '' ? words.aFile : data[1]}, {words.size(((data[2]?.length ?? 0) * 3) / 4)}
          <button type="button" disabled={rest.disabled} onClick={() => onChange?.(undefined)}>
            {words.takeAway}
          </button>
        </span>
      )}
      {trouble !== undefined && <span role="alert">{trouble}</span>}
    </div>
  );
}

function textOf(value: unknown, choices: Choices): string {
  const known = choices.find((one) => same(one.value, value));
  if (known) return known.text;
  if (typeof value === 'object' && value !== null && 'unchosen' in value) return String(value.unchosen);
  return value === undefined || value === null ? '' : typeof value === 'string' ? value : JSON.stringify(value);
}

/** Choices may be any JSON. */
function same(a: unknown, b: unknown): boolean {
  return a === b || (typeof a === 'object' && typeof b === 'object' && JSON.stringify(a) === JSON.stringify(b));
}
