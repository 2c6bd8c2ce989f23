import type { Problem } from '@poietra/core';
import { createElement, type ElementType, type ReactNode } from 'react';
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
/** Draws a field from its parts; the ids link them. */
export type Skin = (props: SkinProps) => ReactNode;

/** The words of a label with the mark of a required field. */
export function LabelWords({ label, required }: Pick<SkinProps, 'label' | 'required'>): ReactNode {
  const words = useWords(fieldWords);
  return (
    <>
      {label}
      {required && (
        <>
          {' '}
          <span className="poietra-required">{words.required}</span>
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

/** Elements of a component suite that a skin draws with: its field box, which has its own label, hint and message. */
export interface SuiteParts {
  /** The tag or component of the box around a field. */
  readonly box: ElementType;
  /** Under which names the box takes what it draws; names that it does not have are left out. */
  readonly label?: string;
  readonly hint?: string;
  readonly error?: string;
  readonly required?: string;
  /** What it gets besides; `invalid` where the field has a problem. */
  readonly properties?: (state: { readonly invalid: boolean }) => Readonly<Record<string, unknown>>;
}

/** A skin drawn with the parts of a component suite. Ids and links stay those of the field: the words are given as elements. */
export function suiteSkin({ box, label, hint, error, required, properties }: SuiteParts): Skin {
  return function Suite(props) {
    const { ids, shownProblems, pending, takesLabel, focus, at } = props;
    const words = <LabelWords label={props.label} required={props.required && required === undefined} />;
    const given: Record<string, unknown> = { ...properties?.({ invalid: props.invalid }) };
    const labelElement = props.drawsLabel ? undefined : takesLabel ? (
      <label id={ids.label} htmlFor={ids.input}>
        {words}
      </label>
    ) : (
      <span id={ids.label} onClick={focus}>
        {words}
      </span>
    );
    const hintElement =
      props.hint === undefined ? undefined : (
        <p className="poietra-hint" id={ids.hint}>
          {props.hint}
        </p>
      );
    const errorElement = (
      <div className="poietra-error" id={ids.error} aria-live="polite">
        <Told shownProblems={shownProblems} pending={pending} />
      </div>
    );
    if (label !== undefined && labelElement) given[label] = labelElement;
    if (hint !== undefined && hintElement) given[hint] = hintElement;
    if (error !== undefined && (shownProblems.length > 0 || pending)) given[error] = errorElement;
    if (required !== undefined) given[required] = props.required;
    return createElement(
      box,
      { ...given, className: 'poietra-suite poietra-field', 'data-at': at },
      <div className="poietra-line">
        {props.prefix !== undefined && <span className="poietra-beside">{props.prefix}</span>}
        {props.input}
        {props.suffix !== undefined && <span className="poietra-beside">{props.suffix}</span>}
      </div>,
      label === undefined ? labelElement : undefined,
      hint === undefined ? hintElement : undefined,
      error === undefined || given[error] === undefined ? errorElement : undefined,
    );
  };
}
