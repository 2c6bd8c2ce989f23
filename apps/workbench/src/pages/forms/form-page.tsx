import {
  editForm,
  isObject,
  joinPointer,
  type CodecDescription,
  type FormDescription,
  type Outcome,
  type Snapshot,
} from '@poietra/core';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { NoSuch } from '../../parts/no-such.js';
import { Button } from '../../parts/button.js';
import { SendToCodec } from '../../parts/send-to-codec.js';
import { FormFrame } from '../../parts/form-frame.js';
import type { Post } from '../../parts/stand-frame.js';
import { Busy, Failed } from '../../parts/states.js';
import { ValueLine } from '../../parts/value-line.js';
import { Verdict } from '../../parts/verdict.js';
import type { FromFrame } from '../../stand/checked.js';
import { ask, sendForm } from '../../store/ask.js';
import { draftOf, dropDraft, keepDraft } from '../../store/drafts.js';
import { useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';
import { CompanySettings } from './company-settings.js';
import { DeleteRecord } from './delete-record.js';
import { Records } from './records.js';
import { TextSheet, type TextName } from './text-sheet.js';

/** The proof of a form: the sheet with its notes, the records it made, and its texts beside it. */
export function Component(): ReactNode {
  const { name = '', record } = useParams();
  const form = useKit(({ kit }) => kit.forms[name]);
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
const widths = [
  ['Phone', 375],
  ['Tablet', 600],
  ['Desktop', 720],
] as const;
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
  const kitSkins = useKit(({ kit }) => kit.skins);
  const skins = Object.keys(kitSkins ?? {});
  const [beginning, setBeginning] = useState<Beginning>();
  const [round, setRound] = useState(0);
  const [width, setWidth] = useState<number>(600);
  const [text, setText] = useState<TextName>();
  const [line, setLine] = useState<Extract<FromFrame, { kind: 'line' }>>();
  const [state, setState] = useState<State>();
  const [broken, setBroken] = useState<string>();
  const [saved, setSaved] = useState(0);
  const post = useRef<Post>(undefined);

  useEffect(() => {
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
      await dropDraft(id);
      const made = isObject(outcome.answer) ? outcome.answer[key] : undefined;
      say(record === undefined ? `Saved as ${String(made)}.` : `${record} replaced.`);
      setSaved((count) => count + 1);
      if (record === undefined && (typeof made === 'string' || typeof made === 'number'))
        void navigate(`/forms/${name}/${encodeURIComponent(String(made))}`);
    }
    return outcome;
  };
  const onMessage = (message: FromFrame, reply: Post): void => {
    if (message.kind === 'edit') {
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
      if (message.changed) keepDraft(id, message.snapshot);
      else void dropDraft(id);
    } else if (message.kind === 'send')
      void send(message.sent).then((outcome) => reply({ kind: 'answer', id: message.id, outcome }));
  };
  const options = useMemo(() => {
    if (!beginning) return undefined;
    const { values, restore } = beginning;
    return {
      notes: true,
      editing: isEditing,
      palette: { fields: Object.keys(fields), groups },
      copies: 1,
      submitLabel: record === undefined ? 'Send' : 'Replace',
      width,
      ...(values === undefined ? {} : { values }),
      ...(restore ? { restore } : {}),
    };
  }, [beginning, record, width, isEditing, fields, groups]);
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
        <div role="group" aria-label="Width of the sheet" className="flex">
          {widths.map(([title, pixels]) => (
            <Button
              key={title}
              look="quiet"
              aria-pressed={width === pixels}
              className={width === pixels ? 'bg-mark font-semibold' : ''}
              onClick={() => setWidth(pixels)}
            >
              {title}
            </Button>
          ))}
        </div>
        <Button
          look="quiet"
          aria-pressed={isEditing}
          className={isEditing ? 'bg-mark font-semibold' : ''}
          onClick={() => setEditing(!isEditing)}
        >
          Edit the sheet
        </Button>
        <div role="group" aria-label="Texts" className="flex">
          {(['schema', 'hints', 'data'] as const).map((which) => (
            <Button
              key={which}
              look="quiet"
              aria-pressed={text === which}
              className={text === which ? 'bg-mark font-semibold' : ''}
              onClick={() => setText(text === which ? undefined : which)}
            >
              {which.charAt(0).toUpperCase() + which.slice(1)}
            </Button>
          ))}
        </div>
        <CompanySettings />
      </header>
      <div
        className={`grid flex-1 grid-cols-1 content-start lg:min-h-0 lg:content-stretch ${text ? 'lg:grid-cols-[150px_minmax(0,1fr)_minmax(0,460px)]' : 'lg:grid-cols-[150px_minmax(0,1fr)]'}`}
      >
        <Records name={name} form={form} current={record} stamp={saved} />
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
      <footer aria-label="Value line of the focused field" className="border-t border-hairline bg-ground px-4 py-1.5">
        {line ? (
          <div className="grid items-center gap-3 md:grid-cols-[180px_minmax(0,1fr)]">
            <div className="min-w-0">
              <div className="truncate font-semibold">{line.label}</div>
              <div className="mono truncate text-ink-2">{line.at}</div>
            </div>
            <div>
              <ValueLine
                strip
                value={{
                  shown: line.shown,
                  held: line.held,
                  sent: line.sent,
                  broken: line.problems.find(({ keyword }) => keyword === 'parse')?.message,
                }}
              />
              <div className="flex items-baseline gap-3">
                {line.problems[0] && (
                  <p className="min-w-0 truncate text-[13px] text-fail">{line.problems[0].message}</p>
                )}
                {line.codec && line.written !== undefined && (
                  <span className="ml-auto shrink-0">
                    <SendToCodec
                      name={line.field === undefined ? undefined : fields[line.field]?.codec}
                      codec={line.codec as CodecDescription}
                      written={line.written}
                    />
                  </span>
                )}
              </div>
            </div>
          </div>
        ) : (
          <p className="py-2 text-ink-2">
            Go into a field, and its value line appears here: what is shown, what is held, what will be sent.
          </p>
        )}
      </footer>
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
      {state.changed && <span className="text-ink-2">kept in this browser</span>}
    </span>
  );
}
