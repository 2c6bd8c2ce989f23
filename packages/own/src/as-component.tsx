import type { AdaptedInput, OwnWords, Reached } from '@poietra/react';
import {
  forwardRef,
  useCallback,
  useImperativeHandle,
  useRef,
  type ForwardRefExoticComponent,
  type RefAttributes,
} from 'react';

/** What an input is told, in the words of HTML and WAI-ARIA. */
export interface InputProps {
  /** What it shows: what a codec’s `show` gives, or what was typed and could not be parsed. */
  readonly value: unknown;
  /** It was changed; `value` is as the input reports it, for a codec’s `parse`. */
  readonly change: (value: unknown) => void;
  /** The focus has left it. */
  readonly leave?: (() => void) | undefined;
  readonly id: string;
  /** Under this name a form without script submits it; the id where it is left out. */
  readonly name?: string | undefined;
  /** The id of its label. */
  readonly labelledBy?: string | undefined;
  /** The ids of hint and message. */
  readonly describedBy?: string | undefined;
  readonly invalid?: boolean | undefined;
  readonly disabled?: boolean | undefined;
  readonly readOnly?: boolean | undefined;
  readonly required?: boolean | undefined;
  readonly placeholder?: string | undefined;
  /** The words of label and descriptions, for elements that ids cannot reach. */
  readonly label?: string | undefined;
  readonly description?: string | undefined;
  /** The words of hint and message, for inputs that draw them themselves. */
  readonly hint?: string | undefined;
  readonly message?: string | undefined;
  /** The values to choose from, for inputs that take them. */
  readonly choices?: readonly { readonly value: unknown; readonly text: string }[] | undefined;
}
/** What a ref gives. */
export interface InputHandle {
  focus(): void;
  /** What a press on the label’s words does, where a `<label for>` does not reach the input. */
  press(): void;
}
/**
 * `takesLabel`: a `<label for>` with its id reaches it; otherwise it is a group that `labelledBy` names. `draws`: what of
 * `label`, `hint` and `message` it draws itself.
 */
export type InputComponent = ForwardRefExoticComponent<InputProps & RefAttributes<InputHandle>> & {
  readonly takesLabel: boolean;
  readonly draws: OwnWords;
};

/** An adapted input as a plain component, for any state. It shows what it is given: a change that is not taken goes back. */
export function asComponent(Input: AdaptedInput): InputComponent {
  const Plain = forwardRef<InputHandle, InputProps>(function PlainInput(props, ref) {
    const reached = useRef<Reached | undefined>(undefined);
    useImperativeHandle(
      ref,
      () => ({
        focus: () => reached.current?.focus(),
        press: () => (reached.current?.press ?? reached.current?.focus)?.(),
      }),
      [],
    );
    const attach = useCallback((input: Reached) => {
      reached.current = input;
      return () => {
        reached.current = undefined;
      };
    }, []);
    const {
      value,
      change,
      leave,
      id,
      labelledBy,
      describedBy,
      placeholder,
      label,
      description,
      hint,
      message,
      choices,
    } = props;
    const { name = id, invalid = false, disabled = false, readOnly = false, required = false } = props;
    return (
      <Input
        state={{
          shown: value,
          invalid,
          disabled,
          readOnly,
          required,
          id,
          name,
          labelledBy,
          describedBy,
          placeholder,
          label,
          description,
          hint,
          message,
        }}
        choices={choices}
        report={(raw) => void change(raw)}
        leave={() => leave?.()}
        attach={attach}
      />
    );
  });
  return Object.assign(Plain, { takesLabel: Input.takesLabel ?? false, draws: Input.draws ?? {} });
}
