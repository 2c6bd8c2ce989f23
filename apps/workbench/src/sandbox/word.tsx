import { useId, useRef, useState, type ReactNode } from 'react';

interface Props {
  readonly label: string;
  /** Empty where nothing is said. */
  readonly value: string;
  /** What stands there, where it is not the value itself. */
  readonly words?: string | undefined;
  /** Texts that offer themselves while one types. */
  readonly offers?: readonly string[] | undefined;
  /** The only values that there are. */
  readonly choices?: readonly string[] | undefined;
  /** It is opened as soon as it stands there. */
  readonly isOpen?: boolean;
  onChange(text: string): void;
  /** It is closed again, taken or not. */
  onClose?(): void;
}

/** A word of a note, edited where it stands: Enter or leaving it takes what was typed, Escape leaves it as it was. */
export function Word(props: Props): ReactNode {
  const { label, value, words, isOpen = false, onClose } = props;
  const [isEdited, setEdited] = useState(isOpen);
  const button = useRef<HTMLButtonElement>(null);
  if (isEdited)
    return (
      <Open
        {...props}
        onClose={(byKey) => {
          setEdited(false);
          onClose?.();
          if (byKey) requestAnimationFrame(() => button.current?.focus());
        }}
      />
    );
  return (
    <button
      ref={button}
      type="button"
      className="edit-word"
      aria-label={`${label}: ${words ?? value}. Change`}
      onClick={() => setEdited(true)}
    >
      {words ?? value}
    </button>
  );
}

function Open({
  label,
  value,
  offers = [],
  choices,
  onChange,
  onClose,
}: Omit<Props, 'onClose'> & { onClose(byKey: boolean): void }): ReactNode {
  const [text, setText] = useState(value);
  const id = useId();
  const isDone = useRef(false);
  const close = (isTaken: boolean, byKey: boolean, taken = text): void => {
    // Taking the box away makes it lose the focus: that is no second end.
    if (isDone.current) return;
    isDone.current = true;
    if (isTaken && taken !== value) onChange(taken);
    onClose(byKey);
  };
  if (choices)
    return (
      <select
        autoFocus
        aria-label={label}
        value={text}
        onChange={({ target }) => close(true, true, target.value)}
        onBlur={() => close(false, false)}
        onKeyDown={({ key }) => {
          if (key === 'Escape') close(false, true);
        }}
      >
        {choices.map((one) => (
          <option key={one} value={one}>
            {one === '' ? 'as usual' : one}
          </option>
        ))}
      </select>
    );
  return (
    <>
      <input
        autoFocus
        aria-label={label}
        list={offers.length > 0 ? id : undefined}
        value={text}
        onFocus={({ target }) => target.select()}
        onChange={({ target }) => setText(target.value)}
        onBlur={() => close(true, false)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') close(true, true);
          else if (event.key === 'Escape') close(false, true);
          else return;
          event.preventDefault();
          event.stopPropagation();
        }}
      />
      {offers.length > 0 && (
        <datalist id={id}>
          {offers.map((one) => (
            <option key={one} value={one} />
          ))}
        </datalist>
      )}
    </>
  );
}
