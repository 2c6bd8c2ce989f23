import { acceptedWords, editForm, isObject, joinPointer, type FormDescription, type Outcome } from '@poietra/core';
import { GearIcon } from '@phosphor-icons/react';
import { useEffect, useMemo, useReducer, useRef, useState, type ReactNode } from 'react';
import { partOf } from '../../parts/part-of.js';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { pathOf } from '../../parts/kit-part.js';
import { PartHead } from '../../parts/part-head.js';
import { NoSuch } from '../../parts/no-such.js';
import { Button } from '../../parts/button.js';
import { Toggle } from '../../parts/toggle.js';
import { FormFrame } from '../../parts/form-frame.js';
import type { Post } from '../../parts/stand-frame.js';
import { Busy, Failed } from '../../parts/states.js';
import { useShown } from '../../parts/use-shown.js';
import type { FromFrame } from '../../sandbox/checked.js';
import { sendForm } from '../../store/ask.js';
import { dropDraft, keepDraft, onDraftTrouble } from '../../store/drafts.js';
import { useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';
import { CompanySettings } from './company-settings.js';
import { DeleteRecord } from './delete-record.js';
import { FocusedLine, traced, untraced } from './focused-line.js';
import { ProofNotices } from './proof-notices.js';
import { Records } from './records.js';
import { SheetWidth } from './sheet-width.js';
import { StateWords } from './state-words.js';
import { TextSheet, type TextName } from './text-sheet.js';
import { useBeginning } from './use-beginning.js';
import { useSending } from './use-sending.js';
import { WithoutScript } from './without-script.js';

/** The proof of a form: the sheet with its notes, the records it made, and its texts beside it. */
export function Component(): ReactNode {
  const { name = '', record } = useParams();
  const form = useKit(({ kit }) => partOf(kit.forms, name));
  if (!form) {
    return <NoSuch what="form" name={name} board="/forms" />;
  }
  return <Proof key={name} name={name} form={form} record={record} />;
}

const texts: readonly TextName[] = ['schema', 'hints', 'data'];
/** So many stand beside the sheet; one more takes the place of the one that was opened first. */
const mostTexts = 2;
/** From an address, so it may be anything. */
const textsIn = (shown: string | undefined): TextName[] =>
  [...new Set((shown ?? '').split(','))].flatMap((one) => texts.filter((text) => text === one)).slice(-mostTexts);
const usualWidth = 600;
/** From an address, so it may be anything. In pixels. */
function widthOf(text: string | undefined): number {
  const width = Number(text);
  return Number.isInteger(width) && width >= 200 && width <= 4000 ? width : usualWidth;
}

type State = Extract<FromFrame, { kind: 'state' }>;

function Proof({
  name,
  form,
  record,
}: {
  readonly name: string;
  readonly form: FormDescription;
  readonly record: string | undefined;
}): ReactNode {
  const kitId = useKit((kit) => kit.id);
  const id = `${kitId}/${name}/${record ?? 'new'}`;
  const navigate = useNavigate();
  const { search } = useLocation();
  const say = useView((view) => view.say);
  const fields = useKit(({ kit }) => kit.fields);
  const kitGroups = useKit(({ kit }) => kit.groups);
  const groups = useMemo(() => Object.keys(kitGroups), [kitGroups]);
  const [edits, setEdits] = useShown('edit');
  const isEditing = edits !== undefined;
  const [notes, setNotes] = useShown('notes');
  const hasNotes = notes !== 'folded';
  const kitSkins = useKit(({ kit }) => kit.skins);
  const skins = Object.keys(kitSkins ?? {});
  const [round, setRound] = useState(0);
  const { beginning, tag } = useBeginning(id, form.send, record, round);
  const [wide, setWide] = useShown('width');
  const width = widthOf(wide);
  const [shown, setShown] = useShown('text');
  const [page, setPage] = useShown('page');
  const opened = textsIn(shown);
  const showText = (which: TextName, is: boolean): void => {
    const others = textsIn(shown).filter((one) => one !== which);
    const next = is ? [...others, which].slice(-mostTexts) : others;
    setShown(next.length > 0 ? next.join(',') : undefined);
  };
  const [lineTrace, setLine] = useReducer(traced, untraced);
  const { line } = lineTrace;
  /** A place of the schema that was asked for as text. */
  const [lookedAt, setLookedAt] = useState<string>();
  const [state, setState] = useState<State>();
  const [broken, setBroken] = useState<string>();
  const [saved, setSaved] = useState(0);
  useEffect(() => onDraftTrouble(say), [say]);
  const post = useRef<Post>(undefined);
  /** How often what this opening holds was accepted. */
  const accepted = useRef(0);
  useEffect(() => {
    accepted.current = 0;
    setLine(undefined);
    setState(undefined);
  }, [id, round]);
  const sendRecord = useSending(form, record, tag);
  const send = async (sent: unknown): Promise<Outcome> => {
    const outcome = await sendRecord(sent);
    if (outcome.kind !== 'accepted') return outcome;
    accepted.current++;
    const made = form.send && isObject(outcome.answer) ? outcome.answer[form.send.key] : undefined;
    say(acceptedAs(form, outcome.answer, made, record));
    await dropDraft(id);
    setSaved((count) => count + 1);
    if (record === undefined && (typeof made === 'string' || typeof made === 'number'))
      void navigate(`${pathOf('forms', name)}/${encodeURIComponent(String(made))}${search}`);
    return outcome;
  };

  const onMessage = (message: FromFrame, reply: Post): void => {
    if (message.kind === 'edit') {
      if (!isEditing) return;
      try {
        useKit
          .getState()
          .edit(
            `${message.label}: ${message.edit.do}`,
            editForm(useKit.getState().kit, name, message.schemaAt, message.edit),
          );
      } catch (error) {
        say(error instanceof Error ? error.message : String(error));
      }
      return;
    }
    if (message.kind === 'text') {
      const group = /^urn:poietra:group:([^#]+)#/.exec(message.schemaAt)?.[1];
      if (group !== undefined) void navigate(pathOf('groups', group));
      else {
        showText('schema', true);
        setLookedAt(message.schemaAt);
      }
    } else if (message.kind === 'page') setPage(message.page);
    else if (message.kind === 'line') {
      setLine(message);
      setLookedAt(undefined);
    } else if (message.kind === 'failed') setBroken(message.message);
    else if (message.kind === 'mounted') setBroken(undefined);
    else if (message.kind === 'state') {
      setState(message);
      // A state that was on its way while it was accepted tells of what has been sent by now.
      if (message.accepted < accepted.current) return;
      if (message.changed) keepDraft(id, message.snapshot);
      else void dropDraft(id);
    } else if (message.kind === 'send')
      void send(message.sent).then((outcome) => reply({ kind: 'answer', id: message.id, outcome }));
  };
  const options = useMemo(() => {
    if (!beginning) return undefined;
    const { values, restore } = beginning;
    return {
      notes: hasNotes,
      editing: isEditing,
      palette: { fields: Object.keys(fields), groups },
      copies: 1,
      ...(record === undefined ? {} : { submitLabel: 'Replace' }),
      width,
      ...(values === undefined ? {} : { values }),
      ...(restore ? { restore } : {}),
      ...(page === undefined ? {} : { page }),
    };
  }, [beginning, record, width, isEditing, hasNotes, fields, groups, page]);
  const ready = beginning?.id === id ? beginning : undefined;

  return (
    <div className="flex min-h-full flex-col lg:h-full">
      <PartHead
        kind="forms"
        name={name}
        behind={record !== undefined && <span className="mono font-normal text-ink-2"> {record}</span>}
        tools={
          <>
            <label className="flex items-center gap-1">
              <span className="sr-only">Skin</span>
              <select
                className="rounded-sm border border-edge bg-sheet px-1 py-0.5"
                value={form.skin ?? 'plain'}
                onChange={(event) =>
                  useKit
                    .getState()
                    .edit(`Skin of ${form.title}`, { [`${joinPointer('/forms', name)}/skin`]: event.target.value })
                }
              >
                {['plain', 'compact', ...skins].map((one) => (
                  <option key={one}>{one}</option>
                ))}
              </select>
            </label>
            <SheetWidth width={width} onChange={(next) => setWide(next === usualWidth ? undefined : String(next))} />
            <Toggle isOn={isEditing} onChange={() => setEdits(isEditing ? undefined : '')}>
              Edit the sheet
            </Toggle>
            <Toggle isOn={!hasNotes} onChange={() => setNotes(hasNotes ? 'folded' : undefined)}>
              Fold the notes
            </Toggle>
            <div role="group" aria-label="Texts" className="flex">
              {texts.map((which) => (
                <Toggle
                  key={which}
                  isOn={opened.includes(which)}
                  onChange={() => showText(which, !opened.includes(which))}
                >
                  {which.charAt(0).toUpperCase() + which.slice(1)}
                </Toggle>
              ))}
            </div>
            <Link
              to={`/form-settings/${encodeURIComponent(name)}`}
              aria-label="Settings of the form"
              title="Settings: where it sends, when it tells problems, its language"
              className="inline-flex min-h-7 items-center rounded-sm px-2 hover:bg-mark"
            >
              <GearIcon size={16} aria-hidden="true" />
            </Link>
            <WithoutScript form={form} />
            <CompanySettings />
          </>
        }
      >
        <Records name={name} form={form} current={record} stamp={saved} />
        <StateWords state={state} form={form} name={name} />
        <Button
          look="quiet"
          aria-disabled={!state?.changed}
          onClick={() => {
            if (state?.changed) post.current?.({ kind: 'restart' });
          }}
        >
          Take back changes
        </Button>
        {record !== undefined && form.send && (
          <DeleteRecord
            record={record}
            onDelete={async () => {
              if (!form.send) return;
              const outcome = await sendForm(form.send, 'delete', record);
              if (outcome.kind !== 'accepted') {
                say('message' in outcome && outcome.message ? outcome.message : `${record} could not be deleted.`);
                return;
              }
              await dropDraft(id);
              say(`${record} deleted.`);
              void navigate(pathOf('forms', name));
            }}
          />
        )}
      </PartHead>
      <ProofNotices
        state={state}
        onLeftOver={(at, keep) => post.current?.({ kind: 'left over', at, keep })}
        onShow={(schemaAt) => {
          showText('schema', true);
          post.current?.({ kind: 'light', schemaAt });
        }}
      />
      <div
        className={`grid flex-1 grid-cols-1 content-start lg:min-h-0 lg:content-stretch ${opened.length > 0 ? 'lg:grid-cols-[minmax(0,1fr)_minmax(0,460px)]' : ''}`}
      >
        <section aria-label="Sheet" tabIndex={0} className="min-h-0 overflow-auto bg-sheet">
          {broken !== undefined && <Failed title="The form cannot be drawn" message={broken} />}
          {!ready && <Busy>Opening …</Busy>}
          {ready?.trouble !== undefined && (
            <Failed title={`${record ?? 'The record'} cannot be opened`} message={ready.trouble}>
              <Button onClick={() => setRound((count) => count + 1)}>Try again</Button>
            </Failed>
          )}
          {ready && ready.trouble === undefined && options && (
            <FormFrame
              key={`${id} ${round}`}
              title={`Form: ${form.title}`}
              form={form}
              options={options}
              onMessage={onMessage}
              onReady={(reply) => (post.current = reply)}
            />
          )}
        </section>
        {opened.length > 0 && (
          <div className="flex flex-col lg:min-h-0">
            {opened.map((which) => (
              <TextSheet
                key={which}
                which={which}
                name={joinPointer('/forms', name)}
                form={form}
                state={state}
                focused={lookedAt === undefined ? line : { at: '', schemaAt: lookedAt }}
                onCaret={(schemaAt) => post.current?.({ kind: 'light', schemaAt })}
                onClose={() => showText(which, false)}
              />
            ))}
          </div>
        )}
      </div>
      <FocusedLine traced={lineTrace} />
    </div>
  );
}

/** What a person is told of what was accepted. */
function acceptedAs(form: FormDescription, answer: unknown, made: unknown, record: string | undefined): string {
  if (form.accepted !== undefined) return acceptedWords(form.accepted, answer);
  if (record !== undefined) return `${record} replaced.`;
  return made === undefined
    ? `Saved. The answer has no “${form.send?.key ?? ''}”, so it is not known under which key.`
    : `Saved as ${String(made)}.`;
}
