/** Each input is sound but for one fault, which its name tells. */
import { createContext, useContext, useEffect, useId, useLayoutEffect, useRef, useState, type JSX } from 'react';

interface Props {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}

export function Sound({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const id = useId();
  return <input id={id} value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

/**
 * Sound: its sheet stands between its elements as a server draws it, and in the head of a page that its script has
 * loaded. (Without a document there is no page.)
 */
export function SheetsBetween({ value = '', disabled = false, onChange }: Props): JSX.Element {
  return (
    <>
      {typeof document === 'undefined' && <style data-own="">{'.own { color: inherit; }'}</style>}
      <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />
    </>
  );
}

const firstIn = new WeakMap<Node, string>();
/** Remembers what stood first in its place, nothing too, also when it is made anew there. */
export function FirstValueOnly({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const [own, setOwn] = useState(value);
  const element = useRef<HTMLInputElement>(null);
  useLayoutEffect(() => {
    const place = element.current?.parentNode;
    if (!place) return;
    if (!firstIn.has(place)) firstIn.set(place, own);
    setOwn(firstIn.get(place) ?? '');
  }, []);
  return (
    <input
      ref={element}
      value={own}
      disabled={disabled}
      onChange={(event) => {
        setOwn(event.target.value);
        onChange?.(event.target.value);
      }}
    />
  );
}

export function TellsTwice({ value = '', disabled = false, onChange }: Props): JSX.Element {
  return (
    <input
      value={value}
      disabled={disabled}
      onChange={({ target }) => {
        onChange?.(target.value);
        onChange?.(target.value);
      }}
    />
  );
}

export function ConstantId({ value = '', disabled = false, onChange }: Props): JSX.Element {
  return (
    <input id="the-input" value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />
  );
}

export function ListensForEver({ value = '', disabled = false, onChange }: Props): JSX.Element {
  useEffect(() => {
    window.addEventListener('resize', () => undefined);
  }, []);
  return <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

/** Sound: a signal takes its listener away, and nothing leads to what its drawing calls a path. */
export function ListensByASignal({ value = '', disabled = false, onChange }: Props): JSX.Element {
  useEffect(() => {
    const until = new AbortController();
    window.addEventListener('resize', () => undefined, { signal: until.signal });
    return () => until.abort();
  }, []);
  return (
    <>
      <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />
      <svg aria-hidden="true" width="8" height="8">
        <path id="stroke1" d="M0 0h8" />
      </svg>
    </>
  );
}

export function KnowsTheWindow({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const [copy] = useState(() => String(Math.random()));
  return <input title={copy} value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

export function Warns({ value = '', disabled = false, onChange }: Props): JSX.Element {
  useEffect(() => {
    if (value !== '') console.warn('This input is getting old.');
  }, [value]);
  return <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

const Tide = createContext<string | undefined>(undefined);
export function TideProvider({ children }: { readonly children?: JSX.Element }): JSX.Element {
  return <Tide.Provider value="high">{children}</Tide.Provider>;
}
const Harbour = createContext<string | undefined>(undefined);
/** Its provider is nowhere to be had. */
export function NeedsHarbour({ value = '', disabled = false, onChange }: Props): JSX.Element {
  if (useContext(Harbour) === undefined) throw new Error('NeedsHarbour must be used within a HarbourProvider.');
  return <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

/** Sound inside its provider, which its module has. */
export function NeedsTide({ value = '', disabled = false, onChange }: Props): JSX.Element {
  if (useContext(Tide) === undefined) throw new Error('NeedsTide must be used within a TideProvider.');
  return <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

/** Loops as soon as it is given the word. */
export function Loops({ value = '', disabled = false, onChange }: Props): JSX.Element {
  // The end never comes.
  while (value === 'for ever') if (value.length === 0) break;
  return <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

/** Reports without end as soon as it is given the word. */
export function Floods({ value = '', disabled = false, onChange }: Props): JSX.Element {
  useEffect(() => {
    if (value !== 'flood') return undefined;
    const timer = setInterval(() => {
      for (let i = 0; i < 50; i++) onChange?.('flood');
    }, 1);
    return () => clearInterval(timer);
  });
  return <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

/** Draws what it is given only as a title, which nobody sees. */
export function ShowsNothing({ value = '', disabled = false, onChange }: Props): JSX.Element {
  return (
    <input title={value} defaultValue="" disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />
  );
}

/** Nobody outside hears that it is left. */
export function KeepsLeaving({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const element = input.current;
    const stop = (event: Event): void => event.stopPropagation();
    element?.addEventListener('focusout', stop);
    return () => element?.removeEventListener('focusout', stop);
  }, []);
  return <input ref={input} value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

/** Takes the focus with the box around it, where it is of no use. */
export function FocusOnItsBox({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const box = useRef<HTMLDivElement>(null);
  return (
    <div ref={box} tabIndex={-1}>
      <input
        value={value}
        disabled={disabled}
        onFocus={() => box.current?.focus()}
        onChange={(event) => onChange?.(event.target.value)}
      />
    </div>
  );
}

export function GivesFocusAway({ value = '', disabled = false, onChange }: Props): JSX.Element {
  return (
    <input
      value={value}
      disabled={disabled}
      onFocus={(event) => event.target.blur()}
      onChange={(event) => onChange?.(event.target.value)}
    />
  );
}

/** Takes off whatever somebody writes onto its element for those who cannot see. */
export function RefusesWords({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const element = input.current;
    if (!element) return undefined;
    const clean = (): void => {
      for (const name of element.getAttributeNames()) if (/^(aria-|id$)/.test(name)) element.removeAttribute(name);
    };
    clean();
    const observer = new MutationObserver(clean);
    observer.observe(element, { attributes: true });
    return () => observer.disconnect();
  }, []);
  return <input ref={input} value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

/** Breaks when its effects are run a second time. */
export function OnlyOnce({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const runs = useRef(0);
  const [isBroken, setBroken] = useState(false);
  useEffect(() => {
    runs.current++;
    if (runs.current > 1) setBroken(true);
  }, []);
  return (
    <input value={isBroken ? '' : value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />
  );
}

/** Nothing is left of what the form around would submit. */
export function EmptiesTheForm({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const form = input.current?.form;
    const empty = ({ formData }: FormDataEvent): void => {
      for (const name of [...formData.keys()]) formData.delete(name);
    };
    form?.addEventListener('formdata', empty);
    return () => form?.removeEventListener('formdata', empty);
  }, []);
  return <input ref={input} value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

interface ToggleProps {
  readonly checked?: boolean;
  readonly disabled?: boolean;
  readonly error?: boolean;
  onChange?(checked: boolean): void;
}

/** Its elements know everything; nobody sees one of them. */
export function DrawsNothing({ value = '', disabled = false, onChange }: Props): JSX.Element {
  return (
    <input
      value={value}
      disabled={disabled}
      style={{ opacity: 0 }}
      onChange={(event) => onChange?.(event.target.value)}
    />
  );
}

/** Says by a class alone whether it is on, and no sheet speaks of the class. */
export function OnInItsClassAlone({ checked = false, disabled = false, onChange }: ToggleProps): JSX.Element {
  return (
    <button type="button" className={checked ? 'on' : 'off'} disabled={disabled} onClick={() => onChange?.(!checked)}>
      Watch
    </button>
  );
}

/** Says in ARIA alone that it is invalid. */
export function InvalidUnseen({ checked = false, disabled = false, error, onChange }: ToggleProps): JSX.Element {
  return (
    <button
      type="button"
      role="switch"
      aria-checked={checked}
      aria-invalid={error}
      disabled={disabled}
      onClick={() => onChange?.(!checked)}
    >
      {checked ? 'On' : 'Off'}
    </button>
  );
}

/** Is there for those who see, and for nobody else. */
export function HiddenFromReaders({ value = '', disabled = false, onChange }: Props): JSX.Element {
  return (
    <div aria-hidden="true">
      <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />
    </div>
  );
}

/** Is there for all, until it has been emptied once. */
export function HiddenOnceEmptied({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const wasFilled = useRef(false);
  if (value !== '') wasFilled.current = true;
  return (
    <div aria-hidden={value === '' && wasFilled.current ? 'true' : undefined}>
      <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />
    </div>
  );
}

/** Answers to what a script does, and to nobody’s hand. */
export function HearsScriptsAlone({ checked = false, disabled = false, onChange }: ToggleProps): JSX.Element {
  return (
    <button
      type="button"
      role="switch"
      aria-checked={checked}
      disabled={disabled}
      onClick={({ nativeEvent }) => {
        if (!nativeEvent.isTrusted) onChange?.(!checked);
      }}
    >
      {checked ? 'On' : 'Off'}
    </button>
  );
}

/** Tells at which place a choice stands, and shows it again by that: whoever looks only at this sees nothing wrong. */
export function TellsPlaces(props: {
  readonly value?: string;
  readonly options?: readonly { readonly value: string; readonly label: string }[];
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { value = '', options = [], disabled = false, onChange } = props;
  return (
    <div role="radiogroup">
      {options.map(({ label }, i) => (
        <label key={label}>
          <input
            type="radio"
            checked={value === `place-${i}`}
            disabled={disabled}
            onChange={() => onChange?.(`place-${i}`)}
          />
          {label}
        </label>
      ))}
    </div>
  );
}

/** Sound once it is made anew: a page of a calendar that is turned by hand alone shows nothing of a later day elsewhere. */
export function TurnedByHand(props: {
  readonly value?: Date | null;
  readonly disabled?: boolean;
  onChange?(value: Date): void;
}): JSX.Element {
  const { value, disabled = false, onChange } = props;
  const [page] = useState(value ?? new Date());
  const days = Array.from({ length: 28 }, (_, i) => new Date(page.getFullYear(), page.getMonth(), i + 1));
  return (
    <div role="grid">
      {days.map((day) => (
        <button
          key={day.getDate()}
          type="button"
          disabled={disabled}
          aria-pressed={value?.toDateString() === day.toDateString()}
          style={{ fontWeight: value?.toDateString() === day.toDateString() ? 'bold' : 'normal' }}
          onClick={() => onChange?.(day)}
        >
          {day.toLocaleDateString('en', { day: 'numeric', month: 'long' })}
        </button>
      ))}
    </div>
  );
}
