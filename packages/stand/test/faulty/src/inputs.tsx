/** Each input is sound but for one fault, which its name tells. */
import { createContext, useContext, useEffect, useId, useState, type JSX } from 'react';

interface Props {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}

export function Sound({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const id = useId();
  return <input id={id} value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

export function FirstValueOnly({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const [own, setOwn] = useState(value);
  return (
    <input
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

export function KnowsTheWindow({ value = '', disabled = false, onChange }: Props): JSX.Element {
  const [copy] = useState(() => String(Math.random()));
  return <input title={copy} value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

export function Warns({ value = '', disabled = false, onChange }: Props): JSX.Element {
  useEffect(() => {
    console.warn('This input is getting old.');
  }, []);
  return <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

const Tide = createContext<string | undefined>(undefined);
export function TideProvider({ children }: { readonly children?: JSX.Element }): JSX.Element {
  return <Tide.Provider value="high">{children}</Tide.Provider>;
}
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
