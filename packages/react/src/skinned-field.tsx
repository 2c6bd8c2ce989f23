import { useCallback, useLayoutEffect, useMemo, useRef, type ReactNode } from 'react';
import { BrokenField } from './broken-field.js';
import { sentText, type AdaptedInput, type AdaptedProps, type Reached } from './given.js';
import { partId } from './ids.js';
import { keepCaret } from './caret.js';
import { afterPress } from './press.js';
import { plainInputs } from './plain-inputs.js';
import { useScope, useWords } from './scope.js';
import { fieldWords } from './words/field-words.js';
import type { Skin, SkinProps } from './skin.js';
import { useFrame, useLivingValue, type PlaceFrame } from './use-place.js';

const none: SkinProps['shownProblems'] = [];

/** One field on markup of one's own: its place, its words, and its input where it is not a text box. */
export interface PlaceProps {
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
  /** Goes through to the input. */
  readonly extra?: Readonly<Record<string, unknown>> | undefined;
}

export interface SkinnedFieldProps extends PlaceProps {
  readonly skin: Skin;
}

/** One field: an adapted input with label, hint, required mark and message, all linked; drawn by a skin. */
export function SkinnedField({
  at,
  label,
  hint,
  placeholder,
  prefix,
  suffix,
  input = plainInputs['native:text'],
  choices,
  inline = false,
  quiet = false,
  skin: draw,
  extra,
}: SkinnedFieldProps): ReactNode {
  const { baseId } = useScope();
  const words = useWords(fieldWords);
  const frame = useFrame(at);
  const { field, shownProblems, pending, required } = frame;
  const ids = useMemo(
    () => ({
      input: partId(baseId, at, 'input'),
      label: partId(baseId, at, 'label'),
      hint: partId(baseId, at, 'hint'),
      error: partId(baseId, at, 'error'),
    }),
    [baseId, at],
  );
  const reached = useRef<Reached>(undefined);
  const attach = useCallback(
    (one: Reached) => {
      reached.current = one;
      return field.attach(one);
    },
    [field],
  );
  if (!input) return null;
  const { draws = {} } = input;
  const outside = { hint: draws.hint ? undefined : hint, shownProblems: draws.message ? none : shownProblems };
  const isTold = outside.shownProblems.length > 0 || pending;
  const describedBy = [outside.hint !== undefined && ids.hint, isTold && ids.error].filter(Boolean).join(' ');
  return draw({
    at,
    label,
    ...outside,
    invalid: shownProblems.length > 0,
    prefix,
    suffix,
    required,
    pending,
    ids,
    inline,
    quiet,
    takesLabel: input.takesLabel ?? false,
    drawsLabel: draws.label,
    focus: () => (reached.current?.press ?? (() => field.focus()))(),
    input: (
      <BrokenField label={label} words={words}>
        <Living
          frame={frame}
          input={input}
          id={ids.input}
          labelledBy={draws.label ? undefined : ids.label}
          describedBy={describedBy || undefined}
          placeholder={placeholder}
          label={required && !(draws.label && draws.required) ? `${label} ${words.required}` : label}
          hint={hint}
          outside={outside}
          choices={choices}
          attach={attach}
          extra={extra}
        />
      </BrokenField>
    ),
  });
}

interface LivingProps extends Pick<AdaptedProps, 'choices' | 'attach' | 'extra'> {
  readonly frame: PlaceFrame;
  readonly input: AdaptedInput;
  readonly id: string;
  readonly labelledBy: string | undefined;
  readonly describedBy: string | undefined;
  readonly placeholder: string | undefined;
  readonly label: string;
  readonly hint: string | undefined;
  /** What of hint and problems is drawn around it. */
  readonly outside: Pick<SkinProps, 'hint' | 'shownProblems'>;
}

/** The input with its value. A new value draws this, and nothing that stands around it. */
function Living({
  frame: { field, shownProblems, required, disabled, readOnly },
  input: Input,
  id,
  labelledBy,
  describedBy,
  placeholder,
  label,
  hint,
  outside,
  choices,
  attach,
  extra,
}: LivingProps): ReactNode {
  const { asShown } = useScope();
  const { shown, sent, report: tell } = useLivingValue(field, Input.keepsText ?? false);
  const caret = useRef<() => void>(undefined);
  const report = useCallback(
    (raw: unknown) => {
      caret.current = typeof raw === 'string' ? keepCaret() : undefined;
      return tell(raw);
    },
    [tell],
  );
  // What is shown may be another text than was typed; by now the input has it.
  useLayoutEffect(() => {
    caret.current?.();
    caret.current = undefined;
  });
  const leave = useCallback(() => afterPress(() => field.leave()), [field]);
  return (
    <Input
      state={{
        shown,
        invalid: shownProblems.length > 0,
        disabled,
        required,
        readOnly,
        id,
        name: field.at,
        labelledBy,
        describedBy,
        placeholder,
        label,
        description: [outside.hint, outside.shownProblems[0]?.message].filter(Boolean).join(' '),
        hint,
        message: shownProblems.map(({ message }) => message).join(' ') || undefined,
        sent: asShown ? undefined : sentText(sent),
      }}
      choices={choices}
      report={report}
      leave={leave}
      attach={attach}
      extra={extra}
    />
  );
}
