import type { FormField, Pointer, Problem } from '@poietra/core';
import { useScope } from './scope.js';
import { useFollowed } from './follow.js';

/** A field as it stands now. A new object only when something of it has changed. */
export interface FieldView {
  readonly field: FormField;
  readonly shown: unknown;
  readonly held: unknown;
  readonly sent: unknown;
  readonly told: readonly Problem[];
  readonly required: boolean;
  readonly disabled: boolean;
  readonly readOnly: boolean;
}

/** Follows one field; another field's change does not draw this one. */
export function useField(at: Pointer): FieldView {
  const { form } = useScope();
  return useFollowed(() => {
    const field = form.field(at);
    const { shown, held, sent, told, required, disabled, readOnly } = field;
    return { field, shown, held, sent, told, required, disabled, readOnly };
  }, [form, at]);
}
