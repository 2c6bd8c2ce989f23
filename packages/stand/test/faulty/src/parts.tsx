/** Sound inputs that draw nothing by themselves: they are put together of parts, or leave their look to whoever uses them. */
import { createContext, Fragment, useContext, useState, type JSX, type ReactNode } from 'react';

interface Watch {
  readonly value: string;
  readonly isOpen: boolean;
  readonly disabled: boolean;
  open(isOpen: boolean): void;
  choose(value: string): void;
}
const OfWatch = createContext<Watch | undefined>(undefined);
function useWatch(): Watch {
  const watch = useContext(OfWatch);
  if (!watch) throw new Error('Parts of a watch stand in a WatchRoot.');
  return watch;
}

/** A list that opens from a button. */
export function WatchRoot(props: {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
  readonly children?: ReactNode;
}): JSX.Element {
  const { value = '', disabled = false, onChange, children } = props;
  const [isOpen, open] = useState(false);
  const choose = (next: string): void => {
    open(false);
    onChange?.(next);
  };
  return <OfWatch value={{ value, isOpen, disabled, open, choose }}>{children}</OfWatch>;
}
export function WatchTrigger({ children }: { readonly children?: ReactNode }): JSX.Element {
  const { isOpen, disabled, open } = useWatch();
  return (
    <button type="button" aria-haspopup="listbox" aria-expanded={isOpen} disabled={disabled} onClick={() => open(true)}>
      {children}
    </button>
  );
}
export function WatchPopup({ children }: { readonly children?: ReactNode }): JSX.Element | null {
  return useWatch().isOpen ? <ul role="listbox">{children}</ul> : null;
}
export function WatchItem({ value, children }: { readonly value: string; readonly children?: ReactNode }): JSX.Element {
  const { value: chosen, choose } = useWatch();
  return (
    <li role="option" aria-selected={chosen === value} onClick={() => choose(value)}>
      {children}
    </li>
  );
}

/** Whether it is on is known to its element alone. */
export function Lamp(props: {
  readonly checked?: boolean;
  readonly disabled?: boolean;
  onCheckedChange?(checked: boolean): void;
  readonly children?: ReactNode;
}): JSX.Element {
  const { checked = false, disabled = false, onCheckedChange, children } = props;
  return (
    <button
      type="button"
      role="checkbox"
      aria-checked={checked}
      disabled={disabled}
      onClick={() => onCheckedChange?.(!checked)}
    >
      {children}
    </button>
  );
}

const OfDay = createContext<((part: 'day' | 'month', text: string) => void) | undefined>(undefined);
interface Segment {
  readonly part: 'day' | 'month';
  readonly text: string;
}
/** What stands inside is drawn by a function of what it gives. */
export function DayDate(props: {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
  readonly children?: ReactNode;
}): JSX.Element {
  const { value = '', onChange, children } = props;
  const [day = '', month = ''] = value.split('.');
  const change = (part: 'day' | 'month', text: string): void =>
    onChange?.(part === 'day' ? `${text}.${month}` : `${day}.${text}`);
  return (
    <OfDay value={change}>
      <OfParts
        value={[
          { part: 'day', text: day },
          { part: 'month', text: month },
        ]}
      >
        {children}
      </OfParts>
    </OfDay>
  );
}
const OfParts = createContext<readonly Segment[]>([]);
export function DayInput({ children }: { readonly children: (segment: Segment) => ReactNode }): JSX.Element {
  return (
    <span>
      {useContext(OfParts).map((segment) => (
        <Fragment key={segment.part}>{children(segment)}</Fragment>
      ))}
    </span>
  );
}
export function DaySegment({ segment }: { readonly segment: Segment }): JSX.Element {
  const change = useContext(OfDay);
  return (
    <input
      aria-label={segment.part}
      size={4}
      value={segment.text}
      onChange={(event) => change?.(segment.part, event.target.value)}
    />
  );
}

const OfShift = createContext<
  { readonly value: string; readonly disabled: boolean; choose(id: string): void } | undefined
>(undefined);
/** Of what is chosen it tells the id, which it makes itself where none is given; the value of a choice is any object. */
export function ShiftRoot(props: {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
  readonly children?: ReactNode;
}): JSX.Element {
  const { value = '', disabled = false, onChange, children } = props;
  return (
    <OfShift value={{ value, disabled, choose: (id) => onChange?.(id) }}>
      <div role="radiogroup">{children}</div>
    </OfShift>
  );
}
export function ShiftItem(props: {
  readonly id?: string;
  readonly value?: object;
  readonly children?: ReactNode;
}): JSX.Element {
  const shift = useContext(OfShift);
  if (!shift) throw new Error('A shift’s items stand in a ShiftRoot.');
  const id = props.id ?? `shift-${String(props.children)}`;
  return (
    <label>
      <input type="radio" checked={shift.value === id} disabled={shift.disabled} onChange={() => shift.choose(id)} />
      {props.children}
    </label>
  );
}
