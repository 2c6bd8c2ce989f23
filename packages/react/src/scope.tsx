import type { Form } from '@poietra/core';
import { createContext, useContext, useId, useMemo, type ReactNode } from 'react';
import { baseIdFrom } from './ids.js';

interface Scope {
  readonly form: Form;
  readonly baseId: string;
  /** Inputs submit what they show, under their place: nothing runs that could turn it into what is sent. */
  readonly asShown: boolean;
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
  const scope = useMemo(() => ({ form, baseId: baseIdFrom(id), asShown }), [form, id, asShown]);
  return <ScopeContext.Provider value={scope}>{children}</ScopeContext.Provider>;
}

export function useScope(): Scope {
  const scope = useContext(ScopeContext);
  if (!scope) throw new Error('This has to stand inside <FormScope form={…}>: it belongs to no form.');
  return scope;
}

/** The form around. */
export function useFormAround(): Form {
  return useScope().form;
}
