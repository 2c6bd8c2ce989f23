import {
  emptyForm,
  formFromOperation,
  formFromSamples,
  formFromSchema,
  freeName,
  joinPointer,
  kindOfBeginning,
  kitDocuments,
  missingDocuments,
  operationsOf,
  type BeginningKind,
  type BegunForm,
} from '@poietra/core';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { AddressBox } from '../../parts/address-box.js';
import { Button } from '../../parts/button.js';
import { pathOf } from '../../parts/kit-part.js';
import { SlotText } from '../../parts/slot.js';
import { Toggle } from '../../parts/toggle.js';
import { useKit } from '../../store/kit.js';
import { schemasOf, textBehind, type Documents } from '../../parts/fetch-documents.js';
import { MissingDocuments } from '../../parts/missing-documents.js';
import { readTyped } from '../../parts/read-typed.js';
import { FromType } from './from-type.js';
import { Sketch } from './sketch.js';

const kinds: Readonly<Record<BeginningKind, string>> = {
  schema: 'a JSON Schema',
  openapi: 'an OpenAPI document',
  samples: 'sample data',
};
const largest = 20_000_000;

/** Where a form begins: with nothing, or with whatever one has, pasted or as a file. It is said what it is taken for. */
export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const [documents, setDocuments] = useState<Documents>({});
  /** Where the text was fetched, which is the base of what it refers to. */
  const [base, setBase] = useState<string>();
  /** What JSON has no word for in the type that the text was made from. */
  const [typeNotes, setTypeNotes] = useState<readonly string[]>([]);
  const [fileTrouble, setFileTrouble] = useState<string>();
  const [said, setSaid] = useState<BeginningKind>();
  const [operation, setOperation] = useState(0);
  const [title, setTitle] = useState<string>();
  const picker = useRef<HTMLInputElement>(null);
  const read = useMemo(() => readTyped(text), [text]);
  const kind = said ?? (read.ok ? kindOfBeginning(read.value) : undefined);
  const begun = useMemo(
    () => (read.ok && kind ? begin(read.value, read.several, kind, operation, base) : undefined),
    [read, kind, operation, base],
  );
  const known = useMemo(() => ({ ...kitDocuments(kit), ...schemasOf(documents) }), [kit, documents]);
  const missing = useMemo(
    () => (begun && 'form' in begun ? missingDocuments(begun.form.schema, known) : []),
    [begun, known],
  );
  const take = (begunForm: BegunForm, words: string | undefined): void => {
    const form = words === undefined ? begunForm.form : { ...begunForm.form, title: words };
    const name = freeName(form.title, kit.forms);
    edit(`Begin the form ${form.title}`, {
      ...Object.fromEntries(Object.entries(documents).map(([uri, one]) => [joinPointer('/documents', uri), one])),
      [joinPointer('/forms', name)]: form,
    });
    void navigate(pathOf('forms', name));
  };
  const put = (next: string, from?: string, said: readonly string[] = []): void => {
    setTypeNotes(said);
    setText(next);
    setBase(from);
    setDocuments({});
    setSaid(undefined);
    setOperation(0);
    setTitle(undefined);
    setFileTrouble(undefined);
  };
  const open = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > largest) {
      setFileTrouble(`“${file.name}” is larger than 20 MB; such documents are not read here.`);
      return;
    }
    put(await file.text());
  };
  return (
    <div className="grid max-w-5xl content-start gap-3 p-4">
      <h1>Begin a form</h1>
      <p className="flex flex-wrap items-center gap-2">
        <Button look="main" onClick={() => take({ form: emptyForm('New form'), notes: [] }, undefined)}>
          Begin with nothing
        </Button>
        or with what you have: a JSON Schema, an OpenAPI 3.1 document, samples of the data (JSON or YAML), or a type of
        the project.
      </p>
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <div className="grid content-start gap-1">
          <label className="grid gap-1" htmlFor="beginning">
            What you have
          </label>
          <textarea
            id="beginning"
            spellCheck={false}
            rows={18}
            className="mono w-full rounded-sm border border-edge bg-sheet p-2"
            placeholder={'{ "port": "ALD", "arrival": "2026-11-25", "pieces": 12 }'}
            value={text}
            onChange={({ target }) => put(target.value)}
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => {
              const [file] = event.dataTransfer.files;
              if (!file) return;
              event.preventDefault();
              void open(file);
            }}
          />
          <div className="flex items-center gap-2">
            <Button onClick={() => picker.current?.click()}>Open a file …</Button>
            <input
              ref={picker}
              type="file"
              accept=".json,.jsonl,.yaml,.yml,application/json"
              className="sr-only"
              tabIndex={-1}
              aria-label="File to begin with"
              onChange={({ target }) => {
                void open(target.files?.[0]);
                target.value = '';
              }}
            />
            <span className="text-[13px] text-ink-2">or drop it on the text</span>
          </div>
          <AddressBox
            label="Address to begin with"
            onFetch={async (address) => put(await textBehind(address, 'address'), address)}
          />
          <FromType onHave={(text, said) => put(text, undefined, said)} />
          {fileTrouble !== undefined && (
            <p role="alert" className="text-fail">
              {fileTrouble}
            </p>
          )}
        </div>
        <section aria-label="What it becomes" aria-live="polite" className="grid content-start gap-2">
          {text.trim() === '' && (
            <p className="text-ink-2">What the form would be stands here as soon as there is something to read.</p>
          )}
          {text.trim() !== '' && !read.ok && (
            <p role="alert" className="text-fail">
              It cannot be read: {read.reason}
            </p>
          )}
          {read.ok && kind && (
            <div role="group" aria-label="Taken for" className="flex flex-wrap items-center gap-1">
              <span>Taken for</span>
              {(Object.keys(kinds) as BeginningKind[]).map((one) => (
                <Toggle key={one} isOn={one === kind} onChange={() => setSaid(one)}>
                  {kinds[one]}
                </Toggle>
              ))}
            </div>
          )}
          {begun && 'trouble' in begun && (
            <p role="alert" className="text-fail">
              {begun.trouble}
            </p>
          )}
          {begun && 'form' in begun && (
            <>
              {begun.operations.length > 0 && (
                <label className="flex items-center gap-2">
                  Operation
                  <select
                    className="min-w-0 rounded-sm border border-edge bg-sheet px-1 py-0.5"
                    value={operation}
                    onChange={({ target }) => {
                      setOperation(Number(target.value));
                      setTitle(undefined);
                    }}
                  >
                    {begun.operations.map((words, i) => (
                      <option key={i} value={i}>
                        {words}
                      </option>
                    ))}
                  </select>
                </label>
              )}
              <p>
                It is called{' '}
                <SlotText
                  label="Title"
                  mono={false}
                  value={title ?? begun.form.title}
                  onChange={(words) => {
                    if (words.trim() === '') throw new TypeError('A title has at least one letter.');
                    setTitle(words.trim());
                  }}
                />{' '}
                and sends {begun.form.send ? <>to {<code>{begun.form.send.path}</code>}</> : 'nowhere yet'}.
              </p>
              {missing.length === 0 && <Sketch schema={begun.form.schema} documents={documents} height={150} />}
              {[...begun.notes, ...typeNotes].map((note) => (
                <p key={note} className="text-ink-2">
                  {note}
                </p>
              ))}
              {missing.length > 0 && (
                <MissingDocuments
                  missing={missing}
                  schema={begun.form.schema}
                  known={known}
                  onHave={(had) => setDocuments((before) => ({ ...before, ...had }))}
                />
              )}
              {Object.keys(documents).length > 0 && (
                <p className="text-ink-2">Comes along: {Object.keys(documents).join(', ')}.</p>
              )}
              <div>
                <Button
                  look="main"
                  aria-disabled={missing.length > 0}
                  onClick={() => missing.length > 0 || take(begun, title)}
                >
                  Make the form
                </Button>
                {missing.length > 0 && ' It can be made as soon as it has what it refers to.'}
              </div>
              {begun.reasons && begun.reasons.length > 0 && (
                <details open={begun.reasons.length < 12}>
                  <summary className="min-h-6 cursor-pointer py-0.5">Why the schema says what it says</summary>
                  <ul className="max-h-64 overflow-auto text-[13px]">
                    {begun.reasons.map(({ at, keyword, says }, i) => (
                      <li key={i}>
                        <code>
                          {at === '' ? 'the whole' : at} {keyword}
                        </code>{' '}
                        <span className="text-ink-2">{says}</span>
                      </li>
                    ))}
                  </ul>
                </details>
              )}
            </>
          )}
        </section>
      </div>
    </div>
  );
}

type Begun = (BegunForm & { readonly operations: readonly string[] }) | { readonly trouble: string };

function begin(
  value: unknown,
  several: readonly unknown[] | undefined,
  kind: BeginningKind,
  index: number,
  base: string | undefined,
): Begun {
  try {
    if (kind === 'schema') return { ...formFromSchema(value, { base }), operations: [] };
    if (kind === 'samples') {
      // A list of objects is one sample each: what a server lists is seldom itself filled in.
      const isList = Array.isArray(value) && value.length > 0 && value.every((one) => typeof one === 'object');
      return { ...formFromSamples(several ?? (isList ? (value as unknown[]) : [value]), 'New form'), operations: [] };
    }
    const operations = operationsOf(value);
    const operation = operations[index];
    if (!operation) return { trouble: 'The document has no operation for which something is filled in.' };
    return {
      ...formFromOperation(value, operation, { base }),
      operations: operations.map(({ title, method, path }) => `${method} ${path}: ${title}`),
    };
  } catch (error) {
    return { trouble: error instanceof Error ? error.message : String(error) };
  }
}
