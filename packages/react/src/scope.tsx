import type { DrawnWords, Form } from '@poietra/core';
import { createContext, useContext, useId, useMemo, type ReactNode } from 'react';
import { useFollowed } from './follow.js';
import { baseIdFrom } from './ids.js';

interface Scope {
  readonly form: Form;
  readonly baseId: string;
  /** Inputs submit what they show, under their place: nothing runs that could turn it into what is sent. */
  readonly asShown: boolean;
  /** The words of the form's language. */
  readonly words: DrawnWords | undefined;
}
const ScopeContext = createContext<Scope | undefined>(undefined);

/** Everything inside belongs to this form; all ids inside are derived from one base. */
export function FormScope({
  form,
  asShown = false,
  children,
}: {
  readonly form: Form;
  readonly asShown?: boolean;
  readonly children: ReactNode;
}): ReactNode {
  const id = useId();
  const words = useFollowed(() => form.words?.drawn, [form]);
  const scope = useMemo(() => ({ form, baseId: baseIdFrom(id), asShown, words }), [form, id, asShown, words]);
  return <ScopeContext.Provider value={scope}>{children}</ScopeContext.Provider>;
}

/** The form around, and the base of its ids. Throws outside of `FormScope`. */
export function useScope(): Scope {
  const scope = useContext(ScopeContext);
  if (!scope) throw new Error('Put this inside <FormScope form={…}>.');
  return scope;
}

/** The form around. */
export function useFormAround(): Form {
  return useScope().form;
}

/** The words of the form around, in its language; `english` where it has none, and outside of a form. */
export function useWords<Some extends Partial<DrawnWords>>(
  english: Some,
): Pick<DrawnWords, keyof Some & keyof DrawnWords> {
  return useContext(ScopeContext)?.words ?? (english as Some & DrawnWords);
}
