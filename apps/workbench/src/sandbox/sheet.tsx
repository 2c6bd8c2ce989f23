import {
  asksExpressions,
  canBeWritten,
  compileSchemaInTurns,
  describeValue,
  loadExpressions,
  lookUp,
  makePlan,
  openPlan,
  parsePointer,
  isSecret,
  ownHintsOf,
  planAt,
  secretsOf,
  withoutSecretPlaces,
  withoutSecrets,
  write,
  type CodecCode,
  type CompiledSchema,
  type Described,
  type Expressions,
  type Form,
  type Kit,
  type Outcome,
  type Plan,
} from '@poietra/core';
import {
  compact,
  drawingTroubles,
  drawOwnHints,
  nativeInputs,
  plain,
  PlannedForm,
  suiteSkin,
  type AdaptedInput,
  type FetchChoices,
  type Skin,
} from '@poietra/react';
import { effect } from '@preact/signals-core';
import {
  useCallback,
  useEffect,
  useImperativeHandle,
  useMemo,
  useRef,
  useState,
  type ElementType,
  type ReactNode,
  type Ref,
} from 'react';
import { liveInput, type BundledInputs } from '@poietra/stand';
import type { FromFrame } from './checked.js';
import { tell } from './tell.js';
import { LinkOverlay } from './link-overlay.js';
import type { FormToOpen } from './messages.js';
import { EditMargin } from './edit-margin.js';
import { Notes } from './notes.js';
import { turns } from './turns.js';

export interface SheetHandle {
  load(values: unknown): void;
  restart(): void;
  /** Sends a value that no schema speaks of all the same, or takes it away. */
  leftOver(at: string, keep: boolean): void;
  focus(at: string): void;
  /** Lights what stands at a place of the schema, and brings it into view. */
  light(schemaAt: string): void;
}
interface SheetProps {
  readonly inputs: BundledInputs;
  /** Codecs that are code, by name. */
  readonly codes: Readonly<Record<string, CodecCode>>;
  readonly compiled: CompiledSchema;
  /** The language of expressions, where the form has some. */
  readonly language: Expressions | undefined;
  readonly open: FormToOpen;
  readonly send: (sent: unknown) => Promise<Outcome>;
  /** The frame itself has no network; the workbench asks for it. */
  readonly fetchChoices: FetchChoices;
  readonly handle: Ref<SheetHandle>;
}

/** A form as it will be printed, with the notes of the person who checks it in its margins; in one copy or several. */
export function Sheet({ inputs, codes, compiled, language, open, send, fetchChoices, handle }: SheetProps): ReactNode {
  return (
    <div
      className="sheet"
      data-notes={open.notes || undefined}
      data-editing={open.editing || undefined}
      dir={open.rightToLeft ? 'rtl' : undefined}
      style={open.width === undefined ? undefined : { ['--sheet-width' as string]: `${open.width}px` }}
    >
      {Array.from({ length: open.copies }, (_, i) => (
        <Copy
          key={i}
          inputs={inputs}
          codes={codes}
          compiled={compiled}
          language={language}
          open={open}
          send={send}
          fetchChoices={fetchChoices}
          handle={i === 0 ? handle : null}
        />
      ))}
      {open.links && <LinkOverlay served={open.served} />}
    </div>
  );
}

/** One copy, with a form of its own. The first one speaks to the workbench. */
function Copy({
  inputs,
  codes,
  compiled,
  language,
  open,
  send,
  fetchChoices,
  handle,
}: Omit<SheetProps, 'handle'> & { readonly handle: Ref<SheetHandle> | null }): ReactNode {
  const { plan, form, live } = useOpened(inputs, codes, compiled, language, open, fetchChoices);
  const skins = useMemo(() => livingSkins(inputs, open.kit.skins), [inputs, open.kit.skins]);
  const ownHints = useMemo(() => drawOwnHints(ownHintsOf(open.kit)), [open.kit]);
  const skinName = open.skin ?? open.form.skin ?? 'plain';
  const isFirst = handle !== null;
  const [page, setPage] = useState(open.page);
  useEffect(() => setPage(open.page), [open.page]);
  const showPage = useCallback(
    (next: string) => {
      setPage(next);
      if (isFirst) tell({ kind: 'page', page: next });
    },
    [isFirst],
  );
  const accepted = useRef(0);
  const secrets = useMemo(() => secretsIn(plan, open), [plan, open]);
  const troubles = useMemo(
    () =>
      [
        ...plan.troubles,
        ...drawingTroubles(plan, form, { inputs: { ...nativeInputs, ...live }, skins: { plain, compact, ...skins } }),
      ].map(({ schemaAt, says }) => ({ at: `#${schemaAt}`, says })),
    [plan, form, live, skins],
  );
  const sendCounted = useMemo(
    () => async (sent: unknown) => {
      const outcome = await send(sent);
      if (outcome.kind === 'accepted') accepted.current++;
      return outcome;
    },
    [send],
  );
  useImperativeHandle(
    handle,
    () => ({
      load: (values) => form.load(values),
      restart: () => form.restart(),
      leftOver: (at, keep) => (keep ? form.keep(at) : form.put(at, undefined)),
      focus: (at) => form.field(at).focus(),
      light: (schemaAt) => {
        for (const lit of document.querySelectorAll('.lit')) lit.classList.remove('lit');
        const places = [...document.querySelectorAll<HTMLElement>('[data-at]')];
        const chosen = (where: string, chooser: Parameters<Form['chosen']>[1]): number => form.chosen(where, chooser);
        // The innermost place whose schema the caret is in.
        const found = places
          .map((place) => ({ place, own: planAt(plan.root, place.dataset['at'] ?? '', chosen)?.schemaAt ?? '#' }))
          .filter(({ own }) => schemaAt === own || schemaAt.startsWith(`${own}/`))
          .sort((a, b) => b.own.length - a.own.length)[0]?.place;
        found?.classList.add('lit');
        found?.scrollIntoView({ block: 'nearest' });
      },
    }),
    [form, plan],
  );
  useEffect(() => {
    if (!isFirst) return undefined;
    let due = 0;
    // Every key press changes the state; once a frame is often enough to save it.
    const stop = effect(() => {
      void form.version.value;
      void form.status;
      cancelAnimationFrame(due);
      due = requestAnimationFrame(() =>
        tell({
          kind: 'state',
          snapshot: snapshotOf(form, secrets),
          sent: withoutSecrets(form.sent(), secrets),
          accepted: accepted.current,
          aside: asideOf(form, secrets),
          leftOver: form.leftOver.slice(0, 100).map(({ at, isAllowed }) => ({ at, isAllowed })),
          troubles: [...form.troubles, ...troubles]
            .slice(0, 100)
            .map(({ at, says }) => ({ at, says: says.slice(0, 2000) })),
          changed: form.changed,
          problems: form.problems().length,
          status: form.status,
        }),
      );
    });
    tell({ kind: 'mounted' });
    return () => {
      stop();
      cancelAnimationFrame(due);
    };
  }, [form, isFirst, secrets, troubles]);
  const followed = useFocusedLine(form, plan);
  return (
    <div className="copy" onFocus={followed}>
      <PlannedForm
        form={form}
        plan={plan}
        inputs={live}
        skins={skins}
        skin={skins[skinName] ?? (skinName === 'compact' ? compact : plain)}
        ownHints={ownHints}
        fetchChoices={fetchChoices}
        step={page}
        onStep={showPage}
        submitLabel={open.submitLabel}
        {...(open.native ? { native: open.native } : {})}
        {...(open.submitLabel === '' ? {} : { send: sendCounted })}
      />
      {open.notes && <Notes form={form} plan={plan} isEdited={open.editing ?? false} />}
      {open.editing && <EditMargin form={form} plan={plan} open={open} />}
    </div>
  );
}

/** What is kept while its place is out of force, without secrets: those may lie deep in it. */
function asideOf(form: Form, secrets: readonly string[]): Record<string, unknown> {
  return Object.fromEntries(
    form.aside.slice(0, 100).map(({ at, value }) => {
      const tokens = parsePointer(at);
      const whole = tokens.reduceRight<unknown>((inner, token) => ({ [token]: inner }), value);
      return [at, lookUp(withoutSecrets(whole, secrets), at)];
    }),
  );
}

/** The form is opened anew when its description changes; what was typed so far goes over into the new one. */
function useOpened(
  inputs: BundledInputs,
  codes: Readonly<Record<string, CodecCode>>,
  compiled: CompiledSchema,
  language: Expressions | undefined,
  open: FormToOpen,
  ask: FetchChoices,
): { plan: Plan; form: Form; live: Readonly<Record<string, AdaptedInput>> } {
  const { form: description, kit } = open;
  // What the compiled schema does not tell: a change of it opens the form anew, too.
  const { schema: _, ...rest } = description;
  const shape = JSON.stringify([rest, kit, open.disabled]);
  const last = useRef<Form>(undefined);
  return useMemo(() => {
    const plan = makePlan(compiled, description.hints, {
      fields: kit.fields,
      codecs: kit.codecs,
      ...(kit.rules ? { choose: kit.rules } : {}),
      ...(kit.hints ? { ownHints: kit.hints } : {}),
    });
    const messages = description.language === undefined ? undefined : description.messages?.[description.language];
    // Nothing that was typed may be lost, and nothing that was not typed counts as a change.
    const restore = last.current?.changed ? last.current.snapshot() : open.restore;
    const form = openPlan(plan, {
      codes,
      ask,
      ...(open.values === undefined ? {} : { values: open.values }),
      ...(restore ? { restore } : {}),
      ...(language ? { expressions: language } : {}),
      ...(messages ? { messages } : {}),
      ...(open.disabled ? { disabled: true } : {}),
      ...(description.tell ? { tell: description.tell } : {}),
      ...(description.hidden ? { hidden: description.hidden } : {}),
      ...(description.accepted === undefined ? {} : { accepted: description.accepted }),
    });
    last.current = form;
    if (open.allTold) void form.submit(() => Promise.resolve({ kind: 'accepted', answer: undefined }));
    const live: Record<string, AdaptedInput> = {};
    for (const [name, adapter] of Object.entries(kit.adapters)) {
      const input = liveInput(inputs, adapter);
      if (input) live[name] = input;
    }
    return { plan, form, live };
    // Values and what is restored count at the opening only; later ones come as messages of their own.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [inputs, codes, compiled, shape, language, ask]);
}

/** What a sheet needs beside its description: the schema made ready, and the language of its expressions. */
export type Prepared = Pick<SheetProps, 'compiled' | 'language'>;

let last: { readonly key: string; readonly compiled: Promise<CompiledSchema> } | undefined;

/**
 * Makes a form ready to be drawn, in turns with whatever else the page does. A schema that did not change is kept; one
 * that is not the latest any more is given up.
 */
export async function prepare({ form, documents }: FormToOpen): Promise<Prepared> {
  const key = JSON.stringify([form.schema, documents]);
  if (last?.key !== key) {
    const turn = turns(() => last?.key === key);
    last = { key, compiled: compileSchemaInTurns(form.schema, turn, { documents, assertFormats: true }) };
  }
  const { compiled } = last;
  // One that failed is no use to the next.
  compiled.catch(() => (last = last?.compiled === compiled ? undefined : last));
  const asks = asksExpressions(key + JSON.stringify(form.hints ?? {}));
  return { compiled: await compiled, language: asks ? await loadExpressions() : undefined };
}

/** The kit's skins, drawn with the bundled components. */
function livingSkins(inputs: BundledInputs, skins: Kit['skins'] = {}): Readonly<Record<string, Skin>> {
  return Object.fromEntries(
    Object.entries(skins).flatMap(([name, { component, properties = {}, invalid = {}, ...names }]) => {
      const bundled = Object.hasOwn(inputs, component) ? inputs[component] : undefined;
      if (!bundled) return [];
      const box = bundled.value as ElementType;
      return [
        [
          name,
          suiteSkin({
            box,
            ...names,
            properties: (state) => (state.invalid ? { ...properties, ...invalid } : properties),
          }),
        ],
      ];
    }),
  );
}

/** Tells the workbench about the field that has the focus, and goes on telling while its value changes. */
function useFocusedLine(form: Form, plan: Plan): (event: { target: EventTarget }) => void {
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
      written: canBeWritten(shown) && !isHidden ? write(shown) : undefined,
      shown: seen(shown),
      held: seen(held),
      sent: seen(sent),
      problems: problems.map((problem) => ({ ...problem, params: {} })),
    });
  });
}

/** The snapshot as the message wants it: lists that may be written to. */
function snapshotOf(form: Form, secrets: readonly string[]): FromSheet['snapshot'] {
  const { value, typed, visited, chosen = {} } = form.snapshot();
  return {
    value: withoutSecrets(value, secrets),
    typed: withoutSecretPlaces(typed, secrets),
    visited: [...visited],
    chosen: Object.fromEntries(Object.entries(chosen).map(([at, options]) => [at, { ...options }])),
  };
}
type FromSheet = Extract<FromFrame, { kind: 'state' }>;

/** The places of secrets. Most forms have none, and a plan of thousands of parts is not walked for that. */
function secretsIn(plan: Plan, { form, kit, documents }: FormToOpen): string[] {
  const mayHave = /"writeOnly"|password/.test(
    JSON.stringify([form.schema, form.hints, documents, kit.fields, kit.rules]),
  );
  return mayHave ? secretsOf(plan.root) : [];
}
