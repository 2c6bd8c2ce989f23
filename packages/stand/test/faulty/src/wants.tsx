/** Sound inputs that ask for something that nobody would give unasked, say no to something, or take another kind than they tell. */
import {
  createElement,
  useId,
  useState,
  type ChangeEvent,
  type ComponentProps,
  type JSX,
  type KeyboardEvent,
  type MouseEvent,
  type ReactNode,
} from 'react';

const told = new Set<string>();
/** As the framework does with what was given and should not have been: said once for all copies. */
function once(text: string): void {
  if (!told.has(text)) console.error(text);
  told.add(text);
}

interface Ticked {
  readonly checked?: boolean;
  readonly disabled?: boolean;
  onChange?(event: ChangeEvent<HTMLInputElement>): void;
}

/** Without an id it complains, at the first of its copies alone. */
export function Cleat({ id, checked = false, disabled, onChange }: Ticked & { readonly id: string }): JSX.Element {
  if (typeof id !== 'string') once('Cleat: the id has to be given.');
  return (
    <span id={id}>
      <input type="checkbox" checked={checked} disabled={disabled} onChange={(event) => onChange?.(event)} />
    </span>
  );
}

/** Is against saying that something is required, each time anew. */
export function Fender({
  checked = false,
  disabled,
  required,
  onChange,
}: Ticked & { readonly required?: boolean }): JSX.Element {
  if (required) console.warn('Fender: better say what may be left out.');
  return <input type="checkbox" checked={checked} disabled={disabled} onChange={(event) => onChange?.(event)} />;
}

/** Nothing can be chosen unless it is told how much may be; and where somebody listens to presses, they are no choice. */
export function Moorings(props: {
  readonly selectedKeys?: Iterable<string>;
  readonly options?: readonly { readonly key: string; readonly text: string }[];
  readonly selectionMode?: 'none' | 'single' | 'multiple';
  readonly isDisabled?: boolean;
  onSelectionChange?(keys: Set<string>): void;
  onAction?(key: string): void;
}): JSX.Element {
  const { selectedKeys, options = [], selectionMode = 'none', isDisabled, onSelectionChange, onAction } = props;
  const chosen = new Set(selectedKeys ?? []);
  const name = useId();
  return (
    <div role="radiogroup">
      {options.map(({ key, text }) => (
        <label key={key}>
          <input
            type="radio"
            name={name}
            checked={chosen.has(key)}
            disabled={isDisabled}
            onChange={() => {
              if (onAction) onAction(key);
              else if (selectionMode !== 'none') onSelectionChange?.(new Set([key]));
            }}
          />
          {text}
        </label>
      ))}
    </div>
  );
}

/** Takes a set of its own making, and tells one. */
export function Anchors(props: {
  readonly value?: ReadonlySet<string>;
  readonly disabled?: boolean;
  onChange?(value: ReadonlySet<string>): void;
}): JSX.Element {
  const { value = new Set<string>(), disabled, onChange } = props;
  const turn = (name: string): void => {
    const others = [...value].filter((one) => one !== name);
    onChange?.(new Set(value.has(name) ? others : [...others, name]));
  };
  return (
    <div>
      {['bow', 'stern'].map((name) => (
        <label key={name}>
          <input type="checkbox" checked={value.has(name)} disabled={disabled} onChange={() => turn(name)} />
          {name}
        </label>
      ))}
    </div>
  );
}

/** Takes a number, and tells what its buttons bear, which is text. */
export function Knots(props: {
  readonly value?: number;
  readonly disabled?: boolean;
  onChange?(event: MouseEvent<HTMLButtonElement>): void;
}): JSX.Element {
  const { value, disabled, onChange } = props;
  const buttons = [1, 2, 3].map((one) => (
    <button key={one} value={one} type="button" aria-pressed={one === value} disabled={disabled} onClick={onChange}>
      {one === value ? `${one} knots` : one}
    </button>
  ));
  return <div>{buttons}</div>;
}

/** Gives the id that it is given to its box and to what it draws around that. */
export function Hawser(props: {
  readonly id?: string;
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(event: ChangeEvent<HTMLInputElement>): void;
}): JSX.Element {
  const { id, value = '', disabled, onChange } = props;
  return (
    <div id={id}>
      <input id={id} value={value} disabled={disabled} onChange={(event) => onChange?.(event)} />
    </div>
  );
}

/** The browser's own box for files lies unseen over it; what was chosen comes beside the event. */
export function Crate(props: {
  readonly value?: readonly File[];
  readonly disabled?: boolean;
  onChange?(event: ChangeEvent<HTMLInputElement>, more: { readonly files: readonly File[] }): void;
}): JSX.Element {
  const { value = [], disabled, onChange } = props;
  return (
    <div style={{ position: 'relative', border: '1px solid', opacity: disabled ? 0.5 : 1 }}>
      <input
        type="file"
        disabled={disabled}
        style={{ position: 'absolute', inset: 0, opacity: 0 }}
        onChange={(event) => onChange?.(event, { files: [...(event.target.files ?? [])] })}
      />
      <span>{value.map(({ name }) => name).join() || 'Put a file here'}</span>
    </div>
  );
}

/** Draws its label itself, and insists on that and on an id, in the words of the framework. */
export function Davit(props: {
  readonly id: string;
  readonly label?: string;
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(event: ChangeEvent<HTMLInputElement>): void;
}): JSX.Element {
  const { id, label, value = '', disabled, onChange } = props;
  for (const name of ['id', 'label'] as const)
    if (props[name] === undefined)
      once(
        `Failed prop type: The prop \`${name}\` is marked as required in \`Davit\`, but its value is \`undefined\`.`,
      );
  return (
    <div>
      <label htmlFor={id}>{label}</label>
      <input id={id} value={value} disabled={disabled} onChange={(event) => onChange?.(event)} />
    </div>
  );
}

interface MastBox {
  readonly id: string;
  readonly value: string;
  readonly disabled: boolean;
  onInput(event: { readonly currentTarget: HTMLInputElement }): void;
}

/** Draws nothing by itself: what is typed into has to be drawn by a function, of all that this is given. */
export function Mast(props: {
  readonly id?: string;
  readonly value?: string;
  readonly disabled?: boolean;
  readonly drawBox: (given: MastBox) => JSX.Element;
  onChange?(value: string): void;
}): JSX.Element {
  const { id = '', value = '', disabled = false, drawBox, onChange } = props;
  return <div>{drawBox({ id, value, disabled, onInput: (event) => onChange?.(event.currentTarget.value) })}</div>;
}

/** What may be drawn so. */
export function MastInput({ wide, ...props }: MastBox & { readonly wide?: boolean }): JSX.Element {
  return <input {...props} size={wide ? 40 : 20} onChange={() => undefined} />;
}

/** Knows its value from the beginning only, and tells what is made of it. */
export function Keel(props: {
  readonly id?: string;
  readonly defaultValue?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { id, defaultValue = '', disabled, onChange } = props;
  const [own, setOwn] = useState(defaultValue);
  return (
    <input
      id={id}
      value={own}
      disabled={disabled}
      onChange={(event) => {
        setOwn(event.target.value);
        onChange?.(event.target.value);
      }}
    />
  );
}

/** Unless they get a name, the radios of all its copies are one group. */
export function Rudders(props: {
  readonly value?: string;
  readonly name?: string;
  readonly disabled?: boolean;
  readonly options?: readonly { readonly value: string; readonly label: string }[];
  onChange?(value: string): void;
}): JSX.Element {
  const { value, name = 'rudder', disabled, options = [], onChange } = props;
  return (
    <div role="radiogroup">
      {options.map((one) => (
        <label key={one.value}>
          <input
            type="radio"
            name={name}
            checked={one.value === value}
            disabled={disabled}
            onChange={() => onChange?.(one.value)}
          />
          {one.label}
        </label>
      ))}
    </div>
  );
}

/** Nothing happens where it is pressed, unless it is told that it may be chosen. */
export function Capstan(props: {
  readonly selected?: boolean;
  readonly selectable?: boolean;
  readonly disabled?: boolean;
  onSelectedChange?(selected: boolean): void;
}): JSX.Element {
  const { selected = false, selectable = false, disabled, onSelectedChange } = props;
  const turn = selectable ? () => onSelectedChange?.(!selected) : undefined;
  return (
    <button type="button" aria-pressed={selected} disabled={disabled} onClick={turn}>
      {selected ? '■ held' : '□ free'}
    </button>
  );
}

/** Names its slider after itself, and wants to know its label all the same. */
export function Stay(props: {
  readonly value?: number;
  readonly disabled?: boolean;
  readonly 'aria-labelledby'?: string;
  onChange?(value: number): void;
}): JSX.Element {
  const { value = 0, disabled, 'aria-labelledby': labelledBy, onChange } = props;
  const id = useId();
  if (labelledBy === undefined) console.warn('Stay: you must specify an aria-label or aria-labelledby.');
  return (
    <div role="group" id={id} aria-labelledby={labelledBy}>
      <input
        type="range"
        aria-labelledby={id}
        value={value}
        disabled={disabled}
        onChange={(event) => onChange?.(Number(event.target.value))}
      />
    </div>
  );
}

/** Draws nothing on its element before it is told to begin. */
export class Windlass {
  readonly #box = document.createElement('input');

  constructor(
    private readonly element: HTMLElement,
    private readonly options: { readonly value?: string; onChange?(value: string): void } = {},
  ) {}

  init(): void {
    this.setValue(this.options.value ?? '');
    this.#box.addEventListener('input', this.#tell);
    this.element.append(this.#box);
  }
  /** Nothing is no value for it: what was typed stays. */
  setValue(value: string | null): void {
    if (value) this.#box.value = value;
  }
  destroy(): void {
    this.#box.removeEventListener('input', this.#tell);
    this.#box.remove();
  }
  readonly #tell = (): void => this.options.onChange?.(this.#box.value);
}

/**
 * Leaves a listener on the window each time that it is made, and tells of every value, by whomever it was set. It says that
 * it needs marks, has some of its own, and can do nothing where it is given none.
 */
export class Bollard {
  readonly #box = document.createElement('input');

  constructor(
    element: HTMLElement,
    private readonly options: { readonly value?: string; marks: readonly string[]; onChange?(value: string): void },
  ) {
    const { marks = ['quay'], value = '' } = options as Partial<typeof options>;
    this.#box.disabled = marks.length === 0;
    this.#box.addEventListener('input', () => options.onChange?.(this.#box.value));
    window.addEventListener('resize', () => this.#box.blur());
    element.append(this.#box);
    this.setValue(value);
  }
  setValue(value: string | null): void {
    this.#box.value = value ?? '';
    this.options.onChange?.(`${this.#box.value}\n`);
  }
  destroy(): void {
    this.#box.remove();
  }
}

/** Tells that it changed and nothing more; what it has, it says when it is asked. */
export class Sounder {
  readonly #box = document.createElement('textarea');
  readonly #heard: (() => void)[] = [];

  constructor(private readonly element: HTMLElement) {
    this.#box.addEventListener('input', () => this.#heard.forEach((listener) => listener()));
    element.append(this.#box);
  }

  onChange(listener: () => void): void {
    this.#heard.push(listener);
  }
  getText(): string {
    return this.#box.value;
  }
  setText(text: string | null): void {
    this.#box.value = text ?? '';
  }
  destroy(): void {
    this.element.replaceChildren();
  }
}

/** Begins empty whatever its option says, and asks before it changes. */
export class Telegraph {
  readonly #box = document.createElement('input');

  constructor(
    private readonly element: HTMLElement,
    private readonly options: {
      readonly value?: string;
      onBeforeChange?(value: string): boolean;
      onChange?(value: string): void;
    } = {},
  ) {
    this.#box.addEventListener('input', this.#tell);
    element.append(this.#box);
  }

  setValue(value: string | null): void {
    this.#box.value = value ?? '';
  }
  destroy(): void {
    this.#box.removeEventListener('input', this.#tell);
    this.element.replaceChildren();
  }
  readonly #tell = (): void => {
    const { onBeforeChange = () => true, onChange } = this.options;
    if (onBeforeChange(this.#box.value)) onChange?.(this.#box.value);
  };
}

/** What is to be mended may be anything that can be drawn, it declares, and complains of a mere yes. */
export function Bilge({
  value = '',
  error,
  ...rest
}: ComponentProps<'textarea'> & { readonly value?: string; readonly error?: ReactNode }): JSX.Element {
  if (error === true) once('Bilge: error must be a text.');
  return <textarea {...rest} value={value} />;
}

/** Reads a day out of its text as it is drawn; there is none in an empty one. */
export function Almanac({
  value,
  onValueChange,
  ...rest
}: Omit<ComponentProps<'input'>, 'value' | 'type'> & {
  readonly value?: string;
  onValueChange(value: string): void;
}): JSX.Element {
  if (value === '') throw new RangeError('There is no day.');
  return <input {...rest} value={value ?? ''} onChange={({ target }) => onValueChange(target.value)} />;
}

/** Files go in by nobody but a person; it lists what was chosen. */
export function Chest({
  onChange,
  ...rest
}: Omit<ComponentProps<'input'>, 'type' | 'onChange'> & { onChange?(files: File[]): void }): JSX.Element {
  const [names, list] = useState<string[]>([]);
  const take = ({ target }: ChangeEvent<HTMLInputElement>): void => {
    const files = [...(target.files ?? [])];
    list(files.map(({ name }) => name));
    onChange?.(files);
  };
  return (
    <span>
      <input {...rest} type="file" onChange={take} />
      {names.join(', ')}
    </span>
  );
}

/** What it passes on takes the place of what it would hear itself. */
export function Halyard({
  value = '',
  onValueChange,
  ...rest
}: Omit<ComponentProps<'input'>, 'value'> & {
  readonly value?: string;
  onValueChange?(value: string): void;
}): JSX.Element {
  return <input value={value} onChange={({ target }) => onValueChange?.(target.value)} {...rest} />;
}

/** What describes it is given to what stands beside it, and what is to be mended bears an id made of its own. */
export function Bulwark({
  id,
  invalid = false,
  ariaDescribedby,
  ...rest
}: Omit<ComponentProps<'input'>, 'aria-describedby'> & {
  readonly invalid?: boolean;
  readonly ariaDescribedby?: string;
}): JSX.Element {
  return (
    <span aria-describedby={ariaDescribedby}>
      <input {...rest} />
      {invalid && <b id={`${id}-mend`}>To be mended</b>}
    </span>
  );
}

/** Offers what fits the words in it; a person who wants another types over them. */
export function Lashing({
  value = '',
  options = [],
  onPick,
  ...rest
}: Omit<ComponentProps<'input'>, 'value' | 'onChange'> & {
  readonly value?: string;
  readonly options?: readonly { readonly value: string; readonly label: string }[];
  onPick?(value: string): void;
}): JSX.Element {
  const words = options.find((one) => one.value === value)?.label ?? '';
  const [typed, type] = useState<string>();
  const [isOpen, open] = useState(false);
  const shut = (): void => {
    open(false);
    type(undefined);
  };
  const fitting = options.filter(({ label }) => label.startsWith(typed ?? words));
  return (
    <span onBlur={shut}>
      <input
        {...rest}
        role="combobox"
        aria-expanded={isOpen}
        value={typed ?? words}
        onClick={() => open(true)}
        onChange={({ target }) => {
          open(true);
          type(target.value);
        }}
      />
      {isOpen && (
        <span role="listbox">
          {fitting.map((one) => (
            <span
              key={one.value}
              role="option"
              aria-selected={one.value === value}
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => {
                onPick?.(one.value);
                shut();
              }}
            >
              {one.label}
            </span>
          ))}
        </span>
      )}
    </span>
  );
}

/** What is on stands in its internals alone (HTML, `ElementInternals.states`), where its sheet sees it. */
function definePennant(): void {
  customElements.define(
    'planted-pennant',
    class extends HTMLElement {
      readonly #internals = this.attachInternals();

      constructor() {
        super();
        this.#internals.role = 'checkbox';
        const sheet = ':host { display: block; width: 2rem; height: 1rem; border: 1px solid }';
        this.attachShadow({ mode: 'open' }).innerHTML =
          `<style>${sheet} :host(:state(checked)) { background: currentColor }</style>`;
      }
      get checked(): boolean {
        return this.#internals.states.has('checked');
      }
      set checked(checked: boolean) {
        if (checked) this.#internals.states.add('checked');
        else this.#internals.states.delete('checked');
        this.#internals.ariaChecked = String(checked);
      }
    },
  );
}
if (typeof window !== 'undefined' && !customElements.get('planted-pennant')) definePennant();

export function Pennant({
  checked = false,
  onChange,
}: Pick<Ticked, 'checked'> & { onChange?(checked: boolean): void }): JSX.Element {
  const turn = (): void => onChange?.(!checked);
  return createElement('planted-pennant', {
    checked,
    tabIndex: 0,
    onClick: turn,
    onKeyDown: ({ key }: KeyboardEvent) => key === ' ' && turn(),
  });
}
