/** What a sheet tells the workbench of its form; secrets stay in the frame. */
import {
  describeValue,
  hasNotation,
  isSecret,
  lookUp,
  parsePointer,
  planAt,
  secretsOf,
  toNotation,
  withoutSecretPlaces,
  withoutSecrets,
  type Described,
  type Form,
  type Plan,
} from '@poietra/core';
import { effect } from '@preact/signals-core';
import { useEffect, useRef } from 'react';
import type { FromFrame } from './checked.js';
import type { FormToOpen } from './messages.js';
import { tell } from './tell.js';

/** What is kept while its place is out of force, without secrets: those may lie deep in it. */
export function asideOf(form: Form, secrets: readonly string[]): Record<string, unknown> {
  return Object.fromEntries(
    form.aside.slice(0, 100).map(({ at, value }) => {
      const tokens = parsePointer(at);
      const whole = tokens.reduceRight<unknown>((inner, token) => ({ [token]: inner }), value);
      return [at, lookUp(withoutSecrets(whole, secrets), at)];
    }),
  );
}

/** The snapshot as the message wants it: lists that may be written to. */
export function snapshotOf(form: Form, secrets: readonly string[]): FromSheet['snapshot'] {
  const { value, typed, visited, chosen = {} } = form.snapshot();
  return {
    value: withoutSecrets(value, secrets),
    typed: withoutSecretPlaces(notedOnly(typed), secrets),
    visited: [...visited],
    chosen: Object.fromEntries(Object.entries(chosen).map(([at, options]) => [at, { ...options }])),
  };
}
/** A text that was refused is kept; a file or an object of a package that was refused cannot be typed again by us. */
const notedOnly = (typed: Readonly<Record<string, unknown>>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(typed).flatMap(([at, raw]) => (hasNotation(raw) ? [[at, toNotation(raw)] as const] : [])),
  );
type FromSheet = Extract<FromFrame, { kind: 'state' }>;

/** The places of secrets. Most forms have none, and a plan of thousands of parts is not walked for that. */
export function secretsIn(plan: Plan, { form, kit, documents }: FormToOpen): string[] {
  const mayHave = /"writeOnly"|password/.test(
    JSON.stringify([form.schema, form.hints, documents, kit.fields, kit.rules]),
  );
  return mayHave ? secretsOf(plan.root) : [];
}
/** Tells the workbench about the field that has the focus, and goes on telling while its value changes. */
export function useFocusedLine(form: Form, plan: Plan): (event: { target: EventTarget }) => void {
  const stop = useRef<() => void>(undefined);
  const at = useRef<string>(undefined);
  useEffect(() => {
    if (at.current !== undefined) stop.current = followLine(form, plan, at.current);
    return () => stop.current?.();
  }, [form, plan]);
  return ({ target }) => {
    const place = target instanceof Element ? target.closest<HTMLElement>('.poietra-field')?.dataset['at'] : undefined;
    if (place === undefined) return;
    stop.current?.();
    at.current = place;
    stop.current = followLine(form, plan, place);
  };
}

/** A secret is only told to be there. */
const secret = (value: unknown): Described => ({
  kind: 'text',
  text: value === undefined || value === '' ? 'nothing' : 'a secret',
});

function followLine(form: Form, plan: Plan, at: string): () => void {
  return effect(() => {
    const { shown, held, sent, problems } = form.field(at);
    const node = planAt(plan.root, at, (where, chooser) => form.chosen(where, chooser));
    const isHidden = isSecret(node);
    const seen = (value: unknown): Described => (isHidden ? secret(value) : describeValue(value, 1));
    tell({
      kind: 'line',
      at,
      label: node?.label ?? at,
      schemaAt: node?.schemaAt ?? '',
      ...(node?.kind === 'field' ? { codec: { ...node.codec }, field: node.use.field } : {}),
      written: hasNotation(shown) && !isHidden ? toNotation(shown) : undefined,
      shown: seen(shown),
      held: seen(held),
      sent: seen(sent),
      problems: problems.map((problem) => ({ ...problem, params: {} })),
    });
  });
}
