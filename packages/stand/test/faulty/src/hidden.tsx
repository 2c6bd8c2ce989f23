/** Sound inputs that hide how they speak: what is declared alone would not lead to a right adapter. */
import {
  createContext,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ChangeEvent,
  type JSX,
  type ReactNode,
} from 'react';

/** Drawn by hand: nothing in it has a role. */
export function Stars(props: {
  readonly value?: number;
  readonly disabled?: boolean;
  onChange?(value: number): void;
}): JSX.Element {
  const { value = 0, disabled = false, onChange } = props;
  return (
    <div>
      {[1, 2, 3, 4, 5].map((star) => (
        <span
          key={star}
          style={{ cursor: 'pointer', padding: 4 }}
          onClick={disabled ? undefined : () => onChange?.(star)}
        >
          {star <= value ? '★' : '☆'}
        </span>
      ))}
    </div>
  );
}

/** It has a value, as HTML's own switches do, and yet its state is another property. */
export function Berth(props: {
  readonly value?: string;
  readonly selected?: boolean;
  readonly disabled?: boolean;
  onChange?(selected: boolean): void;
}): JSX.Element {
  const { value = 'on', selected = false, disabled = false, onChange } = props;
  return (
    <button
      type="button"
      role="switch"
      value={value}
      aria-checked={selected}
      disabled={disabled}
      onClick={() => onChange?.(!selected)}
    >
      {selected ? 'Taken' : 'Free'}
    </button>
  );
}

/** What a press opens says nothing of itself. It shuts when somebody presses elsewhere, and not before. */
export function Paint(props: {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { value = '', disabled = false, onChange } = props;
  const [isOpen, setOpen] = useState(false);
  useEffect(() => {
    const shut = (event: MouseEvent): void => {
      if (event.target instanceof Element && !event.target.closest('[data-paint]')) setOpen(false);
    };
    document.addEventListener('mousedown', shut);
    return () => document.removeEventListener('mousedown', shut);
  }, []);
  return (
    <div data-paint="">
      <button type="button" disabled={disabled} onClick={() => setOpen(true)}>
        {value === '' ? 'No colour' : value}
      </button>
      {isOpen && (
        <div style={{ width: 120, height: 60, background: 'linear-gradient(90deg, white, teal)' }}>
          <div
            style={{ width: 120, height: 60 }}
            onMouseDown={(event) =>
              onChange?.(`#${(Math.round(event.clientX) % 256).toString(16).padStart(2, '0')}8080`)
            }
          />
        </div>
      )}
    </div>
  );
}

export interface SeaTheme {
  readonly ink: string;
}
export const darkTheme: SeaTheme = { ink: 'white' };
export const lightTheme: SeaTheme = { ink: 'black' };
const Sea = createContext<SeaTheme>({ ink: 'transparent' });
export function SeaProvider(props: { readonly children?: JSX.Element; readonly theme: SeaTheme }): JSX.Element {
  return <Sea.Provider value={props.theme}>{props.children}</Sea.Provider>;
}
/** Without a theme there is nothing of it to be seen. */
export function Pale(props: {
  readonly checked?: boolean;
  readonly disabled?: boolean;
  onChange?(checked: boolean): void;
}): JSX.Element {
  const { checked = false, disabled = false, onChange } = props;
  const { ink } = useContext(Sea);
  return (
    <button
      type="button"
      role="switch"
      aria-checked={checked}
      disabled={disabled}
      style={{ color: ink, border: 'none', background: 'none', opacity: disabled ? 0.4 : 1 }}
      onClick={() => onChange?.(!checked)}
    >
      {checked ? 'On' : 'Off'}
    </button>
  );
}

interface Port {
  readonly value: string;
  readonly label: string;
}
/** Its value is one of the objects that it lists, and of anything else it shows nothing. */
export function Ports(props: {
  readonly options?: readonly Port[];
  readonly value?: Port | null;
  readonly disabled?: boolean;
  onChange?(value: Port | null): void;
}): JSX.Element {
  const { options = [], value, disabled = false, onChange } = props;
  return (
    <div>
      <output>{value?.label ?? 'No port'}</output>
      {options.map((one) => (
        <button key={one.value} type="button" disabled={disabled} onClick={() => onChange?.(one)}>
          {one.label}
        </button>
      ))}
    </div>
  );
}

/** The ids inside are made of one that it is given; without it two copies have the same. */
export function Numbered(props: {
  readonly uid?: string;
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { uid = 'numbered', value = '', disabled = false, onChange } = props;
  return (
    <>
      <input
        id={`${uid}-input`}
        aria-controls={`${uid}-count`}
        value={value}
        disabled={disabled}
        onChange={(event) => onChange?.(event.target.value)}
      />
      <span id={`${uid}-count`}>{value.length}</span>
    </>
  );
}

/** A box in a shadow tree that says itself what is to be mended; that would win over every hint that it is given. */
export function Hulled(props: {
  readonly value?: string;
  readonly error?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { value = '', error = '', disabled = false, onChange } = props;
  const [host, setHost] = useState<HTMLElement | null>(null);
  const box = useMemo(() => host && (host.shadowRoot ?? hullOf(host)).querySelector('input'), [host]);
  useEffect(() => {
    if (!box) return;
    Object.assign(box, { value, disabled, oninput: () => onChange?.(box.value) });
    const wrong = box.nextElementSibling;
    if (wrong) wrong.textContent = error;
    if (error === '') box.removeAttribute('aria-describedby');
    else box.setAttribute('aria-describedby', 'wrong');
  }, [box, value, error, disabled, onChange]);
  return <span ref={setHost} />;
}
function hullOf(host: HTMLElement): ShadowRoot {
  const root = host.attachShadow({ mode: 'open' });
  root.append(document.createElement('input'), Object.assign(document.createElement('em'), { id: 'wrong' }));
  return root;
}

/** What is chosen has another colour, by a mark of its own that no reader of attributes and classes knows. */
export function Tides(props: {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { value, disabled = false, onChange } = props;
  return (
    <div>
      <style>{'button[data-on] { background: navy; color: white }'}</style>
      {['Ebb', 'Flood'].map((tide) => (
        <button
          key={tide}
          type="button"
          data-on={tide === value || undefined}
          disabled={disabled}
          onClick={() => onChange?.(tide)}
        >
          {tide}
        </button>
      ))}
    </div>
  );
}

/** Draws a handle for each number of its list: of an empty list there is none that a person could move. */
export function Handles(props: {
  readonly value?: number[];
  readonly disabled?: boolean;
  onChange?(value: number[]): void;
}): JSX.Element {
  const { value = [], disabled = false, onChange } = props;
  const move = (at: number, by: number): void => onChange?.(value.map((one, i) => (i === at ? one + by : one)));
  return (
    <div role="group" style={{ position: 'relative', width: 220, height: 24, background: '#ddd' }}>
      {value.map((one, i) => (
        <span
          key={i}
          role="slider"
          tabIndex={disabled ? -1 : 0}
          aria-label={`Handle ${i + 1}`}
          aria-valuenow={one}
          aria-valuemin={0}
          aria-valuemax={100}
          aria-disabled={disabled}
          style={{ position: 'absolute', left: one * 2, opacity: disabled ? 0.4 : 1 }}
          onKeyDown={({ key }) => !disabled && (key === 'ArrowRight' || key === 'ArrowUp') && move(i, 1)}
        >
          ●
        </span>
      ))}
    </div>
  );
}

/** Draws HTML's own list, and says nothing of what stands in it. */
export function Quay(props: {
  readonly value?: string;
  readonly disabled?: boolean;
  readonly children?: ReactNode;
  onChange?(value: string): void;
}): JSX.Element {
  const { value, disabled, children, onChange } = props;
  return (
    <select value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)}>
      {children}
    </select>
  );
}

/** Stays down when it is pressed, and tells what it stands for: not whether it is down. */
export function Hatch(props: {
  readonly selected?: boolean;
  readonly disabled?: boolean;
  readonly children?: ReactNode;
  onChange?(event: unknown, value: string): void;
}): JSX.Element {
  const { selected = false, disabled, children = 'Hatch', onChange } = props;
  return (
    <button
      type="button"
      aria-pressed={selected}
      disabled={disabled}
      style={{ background: selected ? '#368' : '#eee' }}
      onClick={(event) => onChange?.(event, 'hatch')}
    >
      {children}
    </button>
  );
}

/** The Tab key leads to what is chosen, or to the first where nothing is; where something unknown is, it leads past all. */
export function Tack(props: {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { value, disabled, onChange } = props;
  return (
    <div role="radiogroup">
      {['Port', 'Starboard'].map((side, i) => (
        <button
          key={side}
          type="button"
          role="radio"
          aria-checked={side === value}
          tabIndex={side === value || (value === undefined && i === 0) ? 0 : -1}
          disabled={disabled}
          style={{ background: side === value ? '#368' : '#eee' }}
          onClick={() => onChange?.(side)}
        >
          {side}
        </button>
      ))}
    </div>
  );
}

/** What is written in can be edited, and says no role. */
export function Slate(props: {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { value = '', disabled = false, onChange } = props;
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (place.current && place.current.textContent !== value) place.current.textContent = value;
  });
  return (
    <div
      ref={place}
      contentEditable={!disabled}
      suppressContentEditableWarning
      style={{ minHeight: 24, border: '1px solid #666' }}
      onInput={(event) => onChange?.(event.currentTarget.textContent)}
    />
  );
}

/** On, where nobody says anything; and it passes on to an element of HTML what that does not know. */
export function Beacon(props: {
  readonly isChecked?: boolean;
  readonly disabled?: boolean;
  readonly ariaDescribedBy?: string;
  onChange?(event: unknown, isChecked: boolean): void;
}): JSX.Element {
  const { isChecked = true, disabled, ariaDescribedBy, onChange } = props;
  return (
    <input
      type="checkbox"
      checked={isChecked}
      disabled={disabled}
      {...(ariaDescribedBy === undefined ? {} : { ariaDescribedBy })}
      onChange={(event) => onChange?.(event, event.currentTarget.checked)}
    />
  );
}

/** Its choices may be anything plain, whether something is on or off among it. */
export function Course(props: {
  readonly value?: string | number | boolean;
  readonly name?: string;
  readonly disabled?: boolean;
  onChange?(event: ChangeEvent<HTMLInputElement>): void;
}): JSX.Element {
  const { value, name, disabled, onChange } = props;
  return (
    <div role="radiogroup">
      {['north', 'south'].map((side) => (
        <label key={side}>
          <input
            type="radio"
            name={name}
            value={side}
            checked={side === value}
            disabled={disabled}
            onChange={(event) => onChange?.(event)}
          />
          {side}
        </label>
      ))}
    </div>
  );
}
