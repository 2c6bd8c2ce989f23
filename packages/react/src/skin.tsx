import type { Problem } from '@poietra/core';
import type { ElementType, ReactNode } from 'react';
import { useWords } from './scope.js';
import { fieldWords } from './words/field-words.js';

/** What a skin draws: the parts of a field with the ids that link them. */
export interface SkinProps {
  readonly at: string;
  readonly label: string;
  readonly hint: string | undefined;
  readonly prefix: string | undefined;
  readonly suffix: string | undefined;
  readonly required: boolean;
  /** What is to be told of it; empty where the input tells it itself. */
  readonly shownProblems: readonly Problem[];
  /** Whether something is to be mended, whoever tells it. */
  readonly invalid: boolean;
  /** Somebody is being asked about its value. */
  readonly pending: boolean;
  readonly ids: { readonly input: string; readonly label: string; readonly hint: string; readonly error: string };
  /** Whether `<label for>` reaches the input; otherwise the input's box is a group that the label names. */
  readonly takesLabel: boolean;
  /** The input draws its label itself: a skin leaves it out. A hint that it draws is not given. */
  readonly drawsLabel?: boolean | undefined;
  /** The label is heard, not seen: the head of a table's column says it already. */
  readonly quiet?: boolean | undefined;
  /** A check mark has its label behind it. */
  readonly inline: boolean;
  readonly input: ReactNode;
  focus(): void;
}
/** What a skin draws around fields. Each takes the properties of the HTML element in whose place it stands. */
export interface SkinParts {
  /** In place of `<button>`: adding, moving, taking away, turning pages, sending. */
  readonly button?: ElementType;
  /** The button that sends, or goes on; `button` where it is not given. */
  readonly submit?: ElementType;
  /** In place of a tab's `<button>`. */
  readonly tab?: ElementType;
  /** Around a group of fields; it gets the label as an element, as `title`. */
  readonly group?: ElementType;
  /** Around a list; `group` where it is not given. */
  readonly list?: ElementType;
  /** Around what is to be mended, and what came of sending. */
  readonly summary?: ElementType;
}

/** Draws a field from its parts; the ids link them. What it draws around fields hangs on the function. */
export interface Skin {
  (props: SkinProps): ReactNode;
  readonly parts?: SkinParts;
}

/** The words of a label with the mark of a required field. */
export function LabelWords({
  label,
  required,
  mark: Mark = 'span',
}: Pick<SkinProps, 'label' | 'required'> & { readonly mark?: ElementType | undefined }): ReactNode {
  const words = useWords(fieldWords);
  return (
    <>
      {label}
      {required && (
        <>
          {' '}
          <Mark className="poietra-required">{words.required}</Mark>
        </>
      )}
    </>
  );
}

/** The problem that a person would mend first; the others on demand. */
export function Told({ shownProblems, pending }: Pick<SkinProps, 'shownProblems' | 'pending'>): ReactNode {
  const words = useWords(fieldWords);
  const [first, ...others] = shownProblems;
  if (!first) return pending ? <p className="poietra-hint">{words.checking}</p> : null;
  return (
    <>
      <p>{first.message}</p>
      {others.length > 0 && (
        <details>
          <summary>{words.more(others.length)}</summary>
          {others.map(({ keyword, message }) => (
            <p key={keyword + message}>{message}</p>
          ))}
        </details>
      )}
    </>
  );
}

/** The plain skin: label, hint, input, message, one under the other. */
export const plain: Skin = ({
  at,
  label,
  hint,
  prefix,
  suffix,
  required,
  shownProblems,
  invalid,
  pending,
  ids,
  takesLabel,
  drawsLabel,
  inline,
  quiet,
  input,
  focus,
}) => {
  const words = <LabelWords label={label} required={required} />;
  return (
    <div
      className="poietra-field"
      data-at={at}
      data-inline={inline || undefined}
      data-quiet={quiet || undefined}
      data-invalid={invalid || undefined}
    >
      {drawsLabel ? null : takesLabel ? (
        <label className="poietra-label" id={ids.label} htmlFor={ids.input}>
          {words}
        </label>
      ) : (
        // A click on the words reaches the real input here, too; by keyboard the input is reached directly.
        <span className="poietra-label" id={ids.label} onClick={focus}>
          {words}
        </span>
      )}
      {hint !== undefined && (
        <p className="poietra-hint" id={ids.hint}>
          {hint}
        </p>
      )}
      <div className="poietra-line">
        {prefix !== undefined && <span className="poietra-beside">{prefix}</span>}
        {input}
        {suffix !== undefined && <span className="poietra-beside">{suffix}</span>}
      </div>
      <div className="poietra-error" id={ids.error} aria-live="polite">
        <Told shownProblems={shownProblems} pending={pending} />
      </div>
    </div>
  );
};

/** The compact skin: the label beside the input, hint and message below; for forms that have to be seen at once. */
export const compact: Skin = (props) => <div className="poietra-compact">{plain(props)}</div>;
