import { editForm, isObject, joinPointer, type FormDescription, type Outcome, type Snapshot } from '@poietra/core';
import { useEffect, useMemo, useReducer, useRef, useState, type ReactNode } from 'react';
import { partOf } from '../../parts/part-of.js';
import { Link, useNavigate, useParams } from 'react-router';
import { NoSuch } from '../../parts/no-such.js';
import { Button } from '../../parts/button.js';
import { Toggle } from '../../parts/toggle.js';
import { FormFrame } from '../../parts/form-frame.js';
import type { Post } from '../../parts/stand-frame.js';
import { Busy, Failed } from '../../parts/states.js';
import { Verdict } from '../../parts/verdict.js';
import type { FromFrame } from '../../stand/checked.js';
import { ask, sendForm } from '../../store/ask.js';
import { draftOf, dropDraft, keepDraft, onDraftTrouble } from '../../store/drafts.js';
import { useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';
import { CompanySettings } from './company-settings.js';
import { DeleteRecord } from './delete-record.js';
import { FocusedLine, traced, untraced } from './focused-line.js';
import { ProofNotices } from './proof-notices.js';
import { Records } from './records.js';
import { SheetWidth } from './sheet-width.js';
import { TextSheet, type TextName } from './text-sheet.js';
import { WithoutScript } from './without-script.js';

/** The proof of a form: the sheet with its notes, the records it made, and its texts beside it. */
export function Component(): ReactNode {
  const { name = '', record } = useParams();
  const form = useKit(({ kit }) => partOf(kit.forms, name));
  if (!form) {
    return (
      <NoSuch what="form" name={name}>
        <Link to="/forms">Here are those there are.</Link>
      </NoSuch>
    );
  }
  return <Proof key={name} name={name} form={form} record={record} />;
}

interface Beginning {
  readonly id: string;
  readonly values?: unknown;
  readonly restore?: Snapshot;
  readonly trouble?: string;
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
  const id = `${name}/${record ?? 'new'}`;
  const navigate = useNavigate();
  const say = useView((view) => view.say);
  const fields = useKit(({ kit }) => kit.fields);
  const kitGroups = useKit(({ kit }) => kit.groups);
  const groups = useMemo(() => Object.keys(kitGroups), [kitGroups]);
  const [isEditing, setEditing] = useState(false);
  const [hasNotes, setNotes] = useState(true);
  const kitSkins = useKit(({ kit }) => kit.skins);
  const skins = Object.keys(kitSkins ?? {});
  const [beginning, setBeginning] = useState<Beginning>();
  const [round, setRound] = useState(0);
  const [width, setWidth] = useState<number>(600);
  const [text, setText] = useState<TextName>();
  const [lineTrace, setLine] = useReducer(traced, untraced);
  const { line } = lineTrace;
  const [state, setState] = useState<State>();
  const [broken, setBroken] = useState<string>();
  const [saved, setSaved] = useState(0);
  useEffect(() => onDraftTrouble(say), [say]);
  const post = useRef<Post>(undefined);
  /** How often what this opening holds was accepted. */
  const accepted = useRef(0);

  useEffect(() => {
    accepted.current = 0;
    let isCurrent = true;
    setLine(undefined);
    setState(undefined);
    const start = async (): Promise<Beginning> => {
      const restore = await draftOf(id);
      try {
        const values =
          record !== undefined && form.send ? await ask(`${form.send.path}/${encodeURIComponent(record)}`) : undefined;
        return { id, ...(values === undefined ? {} : { values }), ...(restore ? { restore } : {}) };
      } catch (error) {
        return { id, trouble: error instanceof Error ? error.message : String(error) };
      }
    };
    void start().then((next) => isCurrent && setBeginning(next));
    return () => {
      isCurrent = false;
    };
    // The record is fetched once for each opening, not whenever the form's description changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, round]);

  const send = async (sent: unknown): Promise<Outcome> => {
    if (!form.send) return { kind: 'failed', message: 'This form has no address to send to yet.' };
    const { key } = form.send;
    const outcome = await sendForm(form.send, record === undefined ? 'create' : 'replace', record, sent);
    if (outcome.kind === 'accepted') {
      const made = isObject(outcome.answer) ? outcome.answer[key] : undefined;
      accepted.current++;
      say(
        record !== undefined
          ? `${record} replaced.`
          : made === undefined
            ? `Saved. The answer has no “${key}”, so it is not known under which key.`
            : `Saved as ${String(made)}.`,
      );
      await dropDraft(id);
      setSaved((count) => count + 1);
      if (record === undefined && (typeof made === 'string' || typeof made === 'number'))
        void navigate(`/forms/${name}/${encodeURIComponent(String(made))}`);
    }
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
    if (message.kind === 'line') setLine(message);
    else if (message.kind === 'failed') setBroken(message.message);
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
      submitLabel: record === undefined ? 'Send' : 'Replace',
      width,
      ...(values === undefined ? {} : { values }),
      ...(restore ? { restore } : {}),
    };
  }, [beginning, record, width, isEditing, hasNotes, fields, groups]);
  const ready = beginning?.id === id ? beginning : undefined;

  return (
    <div className="flex min-h-full flex-col lg:h-full">
      <header className="flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-hairline px-4 py-1.5">
        <h1>
          {form.title}
          {record !== undefined && <span className="mono font-normal text-ink-2"> {record}</span>}
        </h1>
        <StateWords state={state} />
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
              void navigate(`/forms/${name}`);
            }}
          />
        )}
        <label className="ml-auto flex items-center gap-1">
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
        <SheetWidth width={width} onChange={setWidth} />
        <Toggle isOn={isEditing} onChange={() => setEditing(!isEditing)}>
          Edit the sheet
        </Toggle>
        <div role="group" aria-label="Texts" className="flex">
          {(['schema', 'hints', 'data'] as const).map((which) => (
            <Toggle key={which} isOn={text === which} onChange={() => setText(text === which ? undefined : which)}>
              {which.charAt(0).toUpperCase() + which.slice(1)}
            </Toggle>
          ))}
        </div>
        <CompanySettings />
      </header>
      <ProofNotices
        state={state}
        onLeftOver={(at, keep) => post.current?.({ kind: 'left over', at, keep })}
        onShow={(schemaAt) => {
          setText('schema');
          post.current?.({ kind: 'light', schemaAt });
        }}
      />
      <div
        className={`grid flex-1 grid-cols-1 content-start lg:min-h-0 lg:content-stretch ${text ? 'lg:grid-cols-[150px_minmax(0,1fr)_minmax(0,460px)]' : 'lg:grid-cols-[150px_minmax(0,1fr)]'}`}
      >
        <Records name={name} form={form} current={record} stamp={saved}>
          <div className="mt-2 grid justify-items-start gap-1 border-t border-hairline pt-2">
            <Toggle isOn={!hasNotes} onChange={() => setNotes(!hasNotes)}>
              Fold the notes
            </Toggle>
            <WithoutScript form={form} />
          </div>
        </Records>
        <section aria-label="Sheet" tabIndex={0} className="min-h-0 overflow-auto border-hairline bg-sheet lg:border-l">
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
        {text && (
          <TextSheet
            which={text}
            name={joinPointer('/forms', name)}
            form={form}
            state={state}
            focused={line}
            onCaret={(schemaAt) => post.current?.({ kind: 'light', schemaAt })}
            onClose={() => setText(undefined)}
          />
        )}
      </div>
      <FocusedLine traced={lineTrace} />
    </div>
  );
}

function StateWords({ state }: { readonly state: State | undefined }): ReactNode {
  if (!state) return null;
  return (
    <span className="flex gap-3 text-[13px]">
      {state.problems === 0 ? (
        <Verdict kind="pass">ready to send</Verdict>
      ) : (
        <Verdict kind="unknown">{state.problems === 1 ? 'one thing open' : `${state.problems} things open`}</Verdict>
      )}
      {state.changed && (
        <span className="text-ink-2" title="Kept in this browser until it is sent or taken back">
          draft kept
        </span>
      )}
    </span>
  );
}
