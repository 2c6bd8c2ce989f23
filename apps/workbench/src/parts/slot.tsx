import { useId, useRef, useState, type ReactNode } from 'react';

interface Props {
  readonly label: string;
  readonly value: string;
  /** What stands there while it is not edited. */
  readonly words?: string | undefined;
  readonly choices?: readonly string[];
  readonly mono?: boolean;
  /** A title keeps the ink of a heading. */
  readonly look?: 'word' | 'title';
  /** Takes the new text; what it throws is shown and the text stays open. */
  onChange(value: string): void;
}

/** A word in a sentence that can be edited where it stands: Enter takes it, Escape leaves it as it was. */
export function SlotText({
  label,
  value,
  words,
  choices = [],
  mono = true,
  look = 'word',
  onChange,
}: Props): ReactNode {
  const [typed, setTyped] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const button = useRef<HTMLButtonElement>(null);
  const id = useId();
  const close = (): void => {
    setTyped(undefined);
    setTrouble(undefined);
    requestAnimationFrame(() => button.current?.focus());
  };
  const take = (): void => {
    if (typed === undefined) return;
    try {
      if (typed !== value) onChange(typed);
      close();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error));
    }
  };
  if (typed === undefined) {
    return (
      <button
        ref={button}
        type="button"
        aria-label={`${label}: ${words ?? value}. Change`}
        onClick={() => setTyped(value)}
        className={`${mono && words === undefined ? 'mono' : ''} rounded-sm border-b border-dashed border-edge max-w-full px-0.5 text-left wrap-anywhere hover:bg-mark ${look === 'word' ? 'text-held' : ''}`}
      >
        {words ?? (value === '' ? 'nothing' : value)}
      </button>
    );
  }
  return (
    <span className="inline-grid align-baseline">
      <input
        autoFocus
        aria-label={label}
        aria-invalid={trouble !== undefined}
        aria-describedby={trouble === undefined ? undefined : `${id}-trouble`}
        list={choices.length > 0 ? id : undefined}
        className={`${mono ? 'mono' : ''} min-w-32 rounded-sm border border-focus bg-sheet px-1`}
        size={Math.max(12, typed.length + 2)}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          if (event.key === 'Escape') close();
        }}
      />
      {choices.length > 0 && (
        <datalist id={id}>
          {choices.map((choice) => (
            <option key={choice} value={choice} />
          ))}
        </datalist>
      )}
      {trouble !== undefined && (
        <span id={`${id}-trouble`} role="alert" className="text-[13px] text-fail">
          {trouble}
        </span>
      )}
    </span>
  );
}
