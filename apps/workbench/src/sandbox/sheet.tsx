import {
  isSpoken,
  lookCss,
  ownHintsOf,
  planAt,
  spokenLanguages,
  withoutSecrets,
  type CodecCode,
  type CompiledSchema,
  type Expressions,
  type Form,
  type LookDescription,
  type Outcome,
  type Words,
} from '@poietra/core';
import {
  compact,
  drawingTroubles,
  drawOwnHints,
  nativeInputs,
  plain,
  PlannedForm,
  type FetchChoices,
} from '@poietra/react';
import { effect } from '@preact/signals-core';
import type { BundledInputs } from '@poietra/stand';
import {
  useCallback,
  useEffect,
  useImperativeHandle,
  useMemo,
  useRef,
  useState,
  type ReactNode,
  type Ref,
} from 'react';
import { tell } from './tell.js';
import { LinkOverlay } from './link-overlay.js';
import type { FormToOpen } from './messages.js';
import { EditMargin } from './edit-margin.js';
import { Notes } from './notes.js';
import { livingSkins, useOpened } from './open-form.js';
import { asideOf, secretsIn, snapshotOf, useFocusedLine } from './told.js';

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
  readonly words: Words | undefined;
  readonly open: FormToOpen;
  readonly send: (sent: unknown) => Promise<Outcome>;
  /** The frame itself has no network; the workbench asks for it. */
  readonly fetchChoices: FetchChoices;
  readonly handle: Ref<SheetHandle>;
}

/** A form as it will be printed, with the notes of the person who checks it in its margins; in one copy or several. */
export function Sheet({
  inputs,
  codes,
  compiled,
  language,
  words,
  open,
  send,
  fetchChoices,
  handle,
}: SheetProps): ReactNode {
  return (
    <div
      className="sheet"
      data-notes={open.notes || undefined}
      data-editing={open.editing || undefined}
      dir={open.rightToLeft ? 'rtl' : undefined}
      style={open.width === undefined ? undefined : { ['--sheet-width' as string]: `${open.width}px` }}
    >
      <Look look={open.kit.look} />
      {Array.from({ length: open.copies }, (_, i) => (
        <Copy
          key={i}
          inputs={inputs}
          codes={codes}
          compiled={compiled}
          language={language}
          words={words}
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
  words,
  open,
  send,
  fetchChoices,
  handle,
}: Omit<SheetProps, 'handle'> & { readonly handle: Ref<SheetHandle> | null }): ReactNode {
  const { plan, form, live } = useOpened(inputs, codes, compiled, language, words, open, fetchChoices);
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
        ...languageTroubles(open.form.language),
        ...drawingTroubles(plan, form, { inputs: { ...nativeInputs, ...live }, skins: { plain, compact, ...skins } }),
      ].map(({ schemaAt, says }) => ({ at: `#${schemaAt}`, says })),
    [plan, form, live, skins, open.form.language],
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
    let toldAt = -Infinity;
    const tellState = (): void =>
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
      });
    // Every key press changes the state, and once a frame is often enough to save it. The first of them is told at once:
    // whoever types and goes on elsewhere loses nothing, however late the page comes to its next frame.
    const stop = effect(() => {
      void form.version.value;
      void form.status;
      cancelAnimationFrame(due);
      if (performance.now() - toldAt < 16) due = requestAnimationFrame(tellState);
      else queueMicrotask(tellState);
      toldAt = performance.now();
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
        {...(open.submitLabel ? { submitLabel: open.submitLabel } : {})}
        {...(open.native ? { native: open.native } : {})}
        {...(open.submitLabel === '' ? {} : { send: sendCounted })}
      />
      {open.notes && <Notes form={form} plan={plan} isEdited={open.editing ?? false} />}
      {open.editing && <EditMargin form={form} plan={plan} open={open} />}
    </div>
  );
}

/** A language without words speaks English but for the messages that the form has of its own. */
function languageTroubles(language = 'en'): readonly { readonly schemaAt: string; readonly says: string }[] {
  if (isSpoken(language)) return [];
  const says = `There are no words for the language “${language}”: what the form has no messages of its own for is said in English. There are: ${spokenLanguages.join(', ')}.`;
  return [{ schemaAt: '', says }];
}

/** What the kit sets of the skin's variables; the reader of kits has seen to it that nothing else can stand there. */
function Look({ look }: { readonly look: LookDescription | undefined }): ReactNode {
  const css =
    look && lookCss(look, { light: '.copy .poietra-form', dark: ":root[data-theme='dark'] .copy .poietra-form" });
  return css ? <style>{css}</style> : null;
}
