import { useCallback, useMemo, useRef, type ReactNode } from 'react';
import type { AdaptedInput, Reached } from './adapt.js';
import { partId } from './ids.js';
import { afterPress } from './press.js';
import { nativeInputs } from './native.js';
import { useScope } from './scope.js';
import { plain, type Skin } from './skin.js';
import { useField } from './use-field.js';

export interface FieldProps {
  /** The place in the form. */
  readonly at: string;
  readonly label: string;
  readonly hint?: string | undefined;
  readonly placeholder?: string | undefined;
  readonly prefix?: string | undefined;
  readonly suffix?: string | undefined;
  readonly input?: AdaptedInput | undefined;
  readonly choices?: readonly { readonly value: unknown; readonly text: string }[] | undefined;
  readonly inline?: boolean;
  /** The label is heard, not seen. */
  readonly quiet?: boolean;
  readonly skin?: Skin | undefined;
  /** Goes through to the input. */
  readonly extra?: Readonly<Record<string, unknown>> | undefined;
}

/** One field: an adapted input with label, hint, required mark and message, all linked. */
export function Field({
  at,
  label,
  hint,
  placeholder,
  prefix,
  suffix,
  input: Input = nativeInputs['native:text'],
  choices,
  inline = false,
  quiet = false,
  skin: draw = plain,
  extra,
}: FieldProps): ReactNode {
  const { baseId, asShown } = useScope();
  const { field, shown, sent, told, required, disabled, readOnly } = useField(at);
  const ids = useMemo(
    () => ({
      input: partId(baseId, at, 'input'),
      label: partId(baseId, at, 'label'),
      hint: partId(baseId, at, 'hint'),
      error: partId(baseId, at, 'error'),
    }),
    [baseId, at],
  );
  const invalid = told.length > 0;
  const describedBy = [hint !== undefined && ids.hint, invalid && ids.error].filter(Boolean).join(' ');
  const report = useCallback((raw: unknown) => field.report(raw), [field]);
  const leave = useCallback(() => afterPress(() => field.leave()), [field]);
  const reached = useRef<Reached>(undefined);
  const attach = useCallback(
    (one: Reached) => {
      reached.current = one;
      return field.attach(one);
    },
    [field],
  );
  if (!Input) return null;
  return draw({
    at,
    label,
    hint,
    prefix,
    suffix,
    required,
    told,
    ids,
    inline,
    quiet,
    takesLabel: Input.takesLabel ?? false,
    focus: () => (reached.current?.press ?? (() => field.focus()))(),
    input: (
      <Input
        state={{
          shown,
          invalid,
          disabled,
          required,
          readOnly,
          id: ids.input,
          name: at,
          labelledBy: ids.label,
          describedBy: describedBy === '' ? undefined : describedBy,
          placeholder,
          label,
          description: [hint, told[0]?.message].filter(Boolean).join(' '),
          sent: asShown ? undefined : sentText(sent),
        }}
        choices={choices}
        report={report}
        leave={leave}
        attach={attach}
        extra={extra}
      />
    ),
  });
}

/** What a native submission carries: texts as they are, everything else as JSON. */
function sentText(sent: unknown): string | null {
  if (sent === undefined) return null;
  return typeof sent === 'string' ? sent : JSON.stringify(sent);
}
