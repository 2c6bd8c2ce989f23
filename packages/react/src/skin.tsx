import type { Problem } from '@poietra/core';
import type { ReactNode } from 'react';

/** What a skin draws: the parts of a field with the ids that link them. */
export interface SkinProps {
  readonly at: string;
  readonly label: string;
  readonly hint: string | undefined;
  readonly prefix: string | undefined;
  readonly suffix: string | undefined;
  readonly required: boolean;
  readonly told: readonly Problem[];
  readonly ids: { readonly input: string; readonly label: string; readonly hint: string; readonly error: string };
  /** Whether `<label for>` reaches the input; otherwise the input's box is a group that the label names. */
  readonly takesLabel: boolean;
  /** A check mark has its label behind it. */
  readonly inline: boolean;
  readonly input: ReactNode;
  focus(): void;
}
export type Skin = (props: SkinProps) => ReactNode;

/** The plain skin: label, hint, input, message, one under the other. */
export const plain: Skin = ({
  at,
  label,
  hint,
  prefix,
  suffix,
  required,
  told,
  ids,
  takesLabel,
  inline,
  input,
  focus,
}) => {
  const words = (
    <>
      {label}
      {required && <span className="poietra-required"> (required)</span>}
    </>
  );
  return (
    <div
      className="poietra-field"
      data-at={at}
      data-inline={inline || undefined}
      data-invalid={told.length > 0 || undefined}
    >
      {takesLabel ? (
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
        {told[0] && <p>{told[0].message}</p>}
      </div>
    </div>
  );
};
