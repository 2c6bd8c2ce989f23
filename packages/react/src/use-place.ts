import type { FormField, Pointer, Problem } from '@poietra/core';
import { effect } from '@preact/signals-core';
import { useMemo, useSyncExternalStore } from 'react';
import { sameMembers, useFollowed } from './follow.js';
import { sentText } from './given.js';
import { useScope } from './scope.js';

/** What stands around an input: all of a field that a key press mostly leaves as it is. */
export interface PlaceFrame {
  readonly field: FormField;
  readonly shownProblems: readonly Problem[];
  readonly pending: boolean;
  readonly required: boolean;
  readonly disabled: boolean;
  readonly readOnly: boolean;
}
/** A field as it stands now. A new object only when something of it has changed. */
export interface PlaceView extends PlaceFrame {
  readonly shown: unknown;
  readonly held: unknown;
  readonly sent: unknown;
}

/** Follows one field; another field's change does not draw this one. */
export function usePlace(at: Pointer): PlaceView {
  const { form } = useScope();
  return useFollowed(() => {
    const field = form.field(at);
    const { shown, held, sent } = field;
    return { ...frameOf(field), shown, held, sent };
  }, [form, at]);
}

/** Follows a field but for its value. */
export function useFrame(at: Pointer): PlaceFrame {
  const { form } = useScope();
  return useFollowed(() => frameOf(form.field(at)), [form, at], sameMembers);
}

/** What an input has to show and what it has to submit, and the way in which it reports. */
export interface LivingValue {
  readonly shown: unknown;
  readonly sent: unknown;
  /** Gives back whether what was reported is what is now shown. */
  report(raw: unknown): boolean;
}

/** Follows a field's value. Where the input keeps the text that it reports, its own report does not draw it. */
export function useLivingValue(field: FormField, keepsText: boolean): LivingValue {
  const living = useMemo(() => follow(field, keepsText), [field, keepsText]);
  useSyncExternalStore(living.subscribe, living.version, living.version);
  return { shown: field.shown, sent: field.sent, report: living.report };
}

function follow(field: FormField, keepsText: boolean) {
  let version = 0;
  let last = { shown: field.shown, sent: field.sent };
  let reported: unknown = nothing;
  return {
    version: () => version,
    subscribe: (tell: () => void) =>
      effect(() => {
        const next = { shown: field.shown, sent: field.sent };
        const before = last;
        last = next;
        if (sameMembers(before, next)) return;
        if (next.shown === reported && isSentAsShown(before) && isSentAsShown(next)) return;
        version++;
        tell();
      }),
    // What comes of a report comes before it returns.
    report: (raw: unknown) => {
      if (keepsText) reported = raw;
      field.report(raw);
      reported = nothing;
      return field.shown === raw;
    },
  };
}
const nothing = Symbol('nothing reported');
const isSentAsShown = ({ shown, sent }: { readonly shown: unknown; readonly sent: unknown }): boolean =>
  typeof shown === 'string' && shown === sentText(sent);

function frameOf(field: FormField): PlaceFrame {
  const { shownProblems, pending, required, disabled, readOnly } = field;
  return { field, shownProblems, pending, required, disabled, readOnly };
}
