/** Inputs that want values, texts or words of a kind that nothing declares: what they say and show has to tell. */
import { useEffect, useId, useRef, useState, type ComponentProps, type JSX, type ReactNode } from 'react';

type Box = Omit<ComponentProps<'input'>, 'value' | 'type' | 'onChange'> & {
  readonly value?: string;
  onChange?(value: string): void;
};

/** Takes any text, and complains of what it is drawn with, or is left with, that is no day in its own notation. */
export function Logbook({ value = '', onChange, onBlur, ...rest }: Box): JSX.Element {
  const judge = (): void => {
    if (value !== '' && !/^\d{4}\/\d\d\/\d\d$/.test(value)) console.warn(`“${value}” is no day in this logbook.`);
  };
  const first = useRef(judge);
  useEffect(() => first.current(), []);
  return (
    <input
      {...rest}
      value={value}
      onChange={({ target }) => onChange?.(target.value)}
      onBlur={(event) => {
        judge();
        onBlur?.(event);
      }}
    />
  );
}

/** What is typed does something only where nothing stands in it; its button always does. */
export function Tally({ value = '', onChange, ...rest }: Box): JSX.Element {
  return (
    <span>
      <input {...rest} value={value} onChange={({ target }) => value === '' && onChange?.(target.value)} />
      <button type="button" disabled={rest.disabled} onClick={() => onChange?.(`${value}|`)}>
        Count
      </button>
    </span>
  );
}

interface Item {
  readonly value: string;
  readonly label: string;
}
/** A list that opens under a button, for the two below. It is no input: it has no value. */
function Opening(props: {
  readonly says: ReactNode;
  readonly lines: readonly { readonly text: string; readonly isChosen: boolean }[];
  readonly isMany?: boolean;
  readonly disabled?: boolean | undefined;
  choose(index: number): void;
}): JSX.Element {
  const { says, lines, isMany, disabled, choose } = props;
  const [isOpen, open] = useState(false);
  const list = useId();
  const turn = (): void => open(!isOpen);
  return (
    <div>
      <button type="button" aria-expanded={isOpen} aria-controls={list} disabled={disabled} onClick={turn}>
        {says}
      </button>
      <div id={list} role="listbox" aria-multiselectable={isMany} hidden={!isOpen}>
        {lines.map(({ text, isChosen }, i) => (
          <div
            key={text}
            role="option"
            aria-selected={isChosen}
            tabIndex={0}
            onClick={() => {
              choose(i);
              open(false);
            }}
          >
            {text}
          </div>
        ))}
      </div>
    </div>
  );
}

/** Shows how many are chosen and no more, and tells of whole items. */
export function Crew(props: {
  readonly selectedItems?: Item[];
  readonly items?: readonly Item[];
  readonly disabled?: boolean;
  onChange?(items: Item[]): void;
}): JSX.Element {
  const { selectedItems = [], items = [], disabled, onChange } = props;
  const lines = items.map((item) => ({ text: item.label, isChosen: selectedItems.includes(item) }));
  const choose = (index: number): void =>
    onChange?.(items.filter((item, i) => i === index && !selectedItems.includes(item)));
  return <Opening says={`${selectedItems.length} chosen`} {...{ lines, disabled, choose }} isMany />;
}

/** Chooses among texts that stand for themselves, and says what is chosen where it is read out, and nowhere else. */
export function Anchorage(props: {
  readonly value?: string;
  readonly options?: readonly string[];
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { value = '', options = [], disabled, onChange } = props;
  const lines = options.map((text) => ({ text, isChosen: text === value }));
  const choose = (index: number): void => onChange?.(options[index] ?? '');
  return <Opening says={<output>{value || 'No anchorage'}</output>} {...{ lines, disabled, choose }} />;
}

let hasBosunSaid = false;
/** Warns once a page, whatever is done with it. */
export function Bosun(props: {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const { value = '', disabled, onChange } = props;
  useEffect(() => {
    if (!hasBosunSaid) console.warn('The bosun is not on board yet.');
    hasBosunSaid = true;
  }, []);
  return <input value={value} disabled={disabled} onChange={(event) => onChange?.(event.target.value)} />;
}

/** Has to be told which signs fit, and says so as it fails. */
export class Soundings {
  constructor(
    private readonly box: HTMLInputElement,
    private readonly options: { readonly mask?: string; onChange?(value: string): void } = {},
  ) {
    if (options.mask === undefined) throw new TypeError('The mask has to be defined.');
    box.addEventListener('input', () => {
      this.setValue(box.value);
      options.onChange?.(box.value);
    });
  }
  setValue(value: string | null): void {
    this.box.value = value ? this.#fitting(value, this.options.mask ?? '') : '';
  }
  destroy(): void {
    this.box.remove();
  }
  /** A nought stands for a digit, everything else for itself. */
  #fitting(text: string, mask: string): string {
    const digits = [...text.replace(/\D/g, '')];
    return [...mask].map((sign) => (sign === '0' ? (digits.shift() ?? '') : sign)).join('');
  }
}
