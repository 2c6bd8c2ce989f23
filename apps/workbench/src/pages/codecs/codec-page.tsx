import {
  builtIn,
  describeValue,
  joinPointer,
  readWritten,
  write,
  type Case,
  type CaseResult,
  type CodecDescription,
} from '@poietra/core';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { partOf } from '../../parts/part-of.js';
import { useLocation, useParams } from 'react-router';
import { PartHead } from '../../parts/part-head.js';
import { NoSuch } from '../../parts/no-such.js';
import { Button } from '../../parts/button.js';
import { CodeView } from '../../parts/code-view.js';
import { cellText, readCell } from '../../parts/cell-text.js';
import { SlotText } from '../../parts/slot.js';
import { ValueLine, type LineValue } from '../../parts/value-line.js';
import { Verdict } from '../../parts/verdict.js';
import { useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';
import { CodecOptions } from './codec-options.js';
import { useCaseResults } from './case-results.js';
import { CodeFrame, type RunCode } from './code-frame.js';
import { LawsPanel } from './laws-panel.js';

/** The value line of a codec, live, and its table of cases. */
export function Component(): ReactNode {
  const { name = '' } = useParams();
  // A value that was sent here from a form or a stand.
  const { state, key } = useLocation() as { state: unknown; key: string };
  const codec = useKit(({ kit }) => partOf(kit.codecs, name));
  if (!codec) {
    return <NoSuch what="codec" name={name} board="/codecs" />;
  }
  return (
    <CodecView key={`${name} ${key}`} name={name} codec={codec} sent={(state as { shown?: unknown } | null)?.shown} />
  );
}

function CodecView({
  name,
  codec,
  sent,
}: {
  readonly name: string;
  readonly codec: CodecDescription;
  readonly sent: unknown;
}): ReactNode {
  const edit = useKit((store) => store.edit);
  const at = joinPointer('/codecs', name);
  const isCode = codec.kind === 'code';
  const [run, setRun] = useState<RunCode>();
  const [trouble, setTrouble] = useState<string>();
  // Another code is another worker; until it is ready there is none to run.
  const source = codec.options?.['source'];
  useEffect(() => setRun(undefined), [source]);
  const [typed, setTyped] = useState(() => cellText(sent ?? codec.cases?.[0]?.shown ?? '12'));
  const cases = codec.cases ?? [];
  const read = readCell(typed);
  const written = read.ok ? read.written : typed;
  const asked = JSON.stringify([written, cases]);
  const rows = useMemo((): Case[] => {
    const [shown, kept] = JSON.parse(asked) as [unknown, Case[]];
    return [{ shown }, ...kept];
  }, [asked]);
  const { results, trouble: failed } = useCaseResults(codec, rows, run);
  const line = lineOf(results[0], written);
  const setCase = (index: number, row: Case | undefined): void =>
    edit(row ? `Case ${index + 1} of ${name}` : `Remove case ${index + 1} of ${name}`, {
      [`${at}/cases`]: row ? cases.map((old, i) => (i === index ? row : old)) : cases.filter((_, i) => i !== index),
    });
  const keep = (): void => {
    const [result] = results;
    if (!read.ok || !result) return;
    const row: Case =
      result.refused !== undefined
        ? { shown: read.written, refused: result.refused }
        : {
            shown: read.written,
            ...Object.fromEntries(
              result.stations
                .filter(({ name: station }) => station === 'held' || station === 'sent')
                .map(({ name: station, seen }) => [station, write(seen)]),
            ),
          };
    edit(`Keep a case of ${name}`, { [`${at}/cases`]: [...cases, row] });
  };
  return (
    <div>
      <PartHead kind="codecs" name={name} />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 p-4">
        <p>
          <span className="text-ink-2">
            It is the built-in codec{' '}
            <SlotText
              label="Kind"
              value={codec.kind}
              choices={Object.keys(builtIn)}
              onChange={(kind) => {
                if (!Object.hasOwn(builtIn, kind))
                  throw new TypeError(`There is no such codec. There are: ${Object.keys(builtIn).join(', ')}.`);
                const { options, dropped } = optionsFor(kind, codec.options);
                edit(`Kind of ${name}`, { [`${at}/kind`]: kind, [`${at}/options`]: options });
                if (dropped.length > 0)
                  useView
                    .getState()
                    .say(
                      `Options that this kind does not have are gone: ${dropped.join(', ')}. Undo brings them back.`,
                    );
              }}
            />
            . {builtIn[codec.kind]?.says}
          </span>
        </p>
        {!isCode && (
          <details>
            <summary className="min-h-6 cursor-pointer py-0.5">
              Options{' '}
              <span className="mono text-ink-2">{codec.options ? JSON.stringify(codec.options) : 'none are set'}</span>
            </summary>
            <CodecOptions name={name} codec={codec} />
          </details>
        )}
        {isCode && (
          <Code
            name={name}
            source={typeof codec.options?.['source'] === 'string' ? codec.options['source'] : ''}
            trouble={trouble ?? failed}
            onReady={(next) => setRun(() => next)}
            onTrouble={setTrouble}
          />
        )}
        <section aria-label="Try a value" className="grid gap-2 border border-hairline bg-sheet p-3">
          <ValueLine value={line} />
          <form
            className="flex flex-wrap items-center gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              keep();
            }}
          >
            <label className="flex items-center gap-2">
              The input gives
              <input
                className="mono w-64 rounded-sm border border-edge bg-sheet px-2 py-1"
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
              />
            </label>
            <button
              type="submit"
              className="rounded-sm border border-edge bg-sheet px-2.5 py-1 hover:bg-mark"
              aria-disabled={!read.ok}
            >
              Keep as a case
            </button>
            <span className="text-fail">{!read.ok ? read.reason : line.broken}</span>
          </form>
        </section>
        <section aria-label="Cases">
          <h2 className="mb-1">Cases</h2>
          {cases.length === 0 ? (
            <p className="text-ink-2">
              None yet. Write above what the input gives, look at what becomes of it, and keep it.
            </p>
          ) : (
            <div className="relative overflow-x-auto">
              <table className="w-full border-collapse text-left">
                <thead>
                  <tr className="border-b border-edge text-[13px] text-ink-2">
                    <th className="py-1 pr-3 font-semibold">Verdict</th>
                    <th className="pr-3 font-semibold text-shown">○ shown</th>
                    <th className="pr-3 font-semibold text-held">● held</th>
                    <th className="pr-3 font-semibold text-sent">■ sent</th>
                    <th className="pr-3 font-semibold text-held">● back</th>
                    <th className="pr-3 font-semibold">Note</th>
                    <th>
                      <span className="sr-only">Remove</span>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {cases.map((row, i) => (
                    <CaseRow
                      key={i}
                      row={row}
                      index={i}
                      result={results[i + 1]}
                      onChange={(next) => setCase(i, next)}
                    />
                  ))}
                </tbody>
              </table>
            </div>
          )}
        </section>
        <LawsPanel
          codec={codec}
          run={run}
          onKeep={(row) => edit(`Keep a counterexample of ${name}`, { [`${at}/cases`]: [...cases, row] })}
        />
      </div>
    </div>
  );
}

/** The options that go over to another kind, and the names of those that do not. */
function optionsFor(
  kind: string,
  options: CodecDescription['options'] = {},
): { readonly options: CodecDescription['options']; readonly dropped: readonly string[] } {
  const known = builtIn[kind]?.options ?? {};
  const isKnown = ([option]: readonly [string, unknown]): boolean => Object.hasOwn(known, option);
  const kept = Object.fromEntries(Object.entries(options).filter(isKnown));
  if (kind === 'code' && kept['source'] === undefined) kept['source'] = firstCode;
  return {
    options: Object.keys(kept).length > 0 ? kept : undefined,
    dropped: Object.keys(options).filter((option) => !Object.hasOwn(known, option)),
  };
}

/** What a codec of code starts with. */
const firstCode = `/** What the input shows becomes what is held; an Error says why it cannot. */
export function parse(shown: unknown): string {
  if (typeof shown !== 'string') throw new Error('A text was expected.');
  return shown.trim();
}

/** What is held becomes what the input shows. */
export function show(held: string): string {
  return held;
}
`;

/** The code itself. It is kept as it is typed, also while it cannot be taken. */
function Code({
  name,
  source,
  trouble,
  onReady,
  onTrouble,
}: {
  readonly name: string;
  readonly source: string;
  readonly trouble: string | undefined;
  onReady(run: RunCode): void;
  onTrouble(reason: string | undefined): void;
}): ReactNode {
  const edit = useKit(({ edit: change }) => change);
  return (
    <section aria-label="Code" className="grid gap-1">
      <div className="h-64 border border-hairline">
        <CodeView
          label={`Code of ${name}`}
          text={source}
          language="typescript"
          onChange={(text) =>
            edit(`Code of ${name}`, { [`${joinPointer('/codecs', name)}/options/source`]: text }, `code ${name}`)
          }
        />
      </div>
      <p role="status" className="min-h-5 text-[13px] text-fail">
        {trouble}
      </p>
      <CodeFrame source={source} onReady={onReady} onTrouble={onTrouble} />
    </section>
  );
}

function lineOf(result: CaseResult | undefined, written: unknown): LineValue {
  const seen = (station: string): unknown => result?.stations.find(({ name }) => name === station)?.seen;
  return {
    shown: describeValue(readWritten(written), 0),
    held: describeValue(seen('held'), 0),
    sent: describeValue(seen('sent'), 0),
    broken: result?.refused,
  };
}

interface RowProps {
  readonly row: Case;
  readonly index: number;
  /** Missing while its code has not answered. */
  readonly result: CaseResult | undefined;
  onChange(row: Case | undefined): void;
}

function CaseRow({ row, index, result, onChange }: RowProps): ReactNode {
  const set = (member: 'shown' | 'held' | 'sent', text: string): void => {
    const read = readCell(text);
    if (!read.ok) throw new TypeError(read.reason);
    const { refused: _refused, ...rest } = row;
    onChange(member === 'shown' ? { ...row, shown: read.written } : { ...rest, [member]: read.written });
  };
  const station = (name: 'held' | 'sent' | 'back') => result?.stations.find((one) => one.name === name);
  const cell = (name: 'held' | 'sent'): ReactNode => {
    const seen = station(name);
    if (!seen) return <span className="text-ink-2">—</span>;
    return (
      <>
        <SlotText
          label={`Case ${index + 1}, ${name}`}
          value={cellText(row[name] ?? write(seen.seen))}
          onChange={(text) => set(name, text)}
        />
        {!seen.fits && <span className="mono block text-[13px] text-fail">came: {cellText(write(seen.seen))}</span>}
      </>
    );
  };
  const back = station('back');
  return (
    <tr className="border-b border-hairline align-top">
      <td className="py-1.5 pr-3">
        {result ? (
          <Verdict kind={result.passed ? 'pass' : 'fail'}>{result.passed ? 'passes' : 'fails'}</Verdict>
        ) : (
          <Verdict kind="unknown">not yet run</Verdict>
        )}
      </td>
      <td className="py-1.5 pr-3">
        <SlotText
          label={`Case ${index + 1}, shown`}
          value={cellText(row.shown)}
          onChange={(text) => set('shown', text)}
        />
      </td>
      {result?.refused !== undefined ? (
        <td colSpan={3} className="py-1.5 pr-3">
          <span className="text-ink-2">refused: </span>
          {result.refused}
          {!result.passed && (
            <span className="block text-fail">
              {row.refused === undefined
                ? 'A held value was expected.'
                : `The reason was expected to say “${row.refused}”.`}
            </span>
          )}
        </td>
      ) : (
        <>
          <td className="py-1.5 pr-3">{cell('held')}</td>
          <td className="py-1.5 pr-3">{cell('sent')}</td>
          <td className="mono py-1.5 pr-3">
            {back && cellText(write(back.seen))}
            {back && !back.fits && <span className="block text-[13px] text-fail">is not what was held</span>}
            {row.refused !== undefined && <span className="block text-[13px] text-fail">a refusal was expected</span>}
          </td>
        </>
      )}
      <td className="py-1.5 pr-3 text-ink-2">
        <SlotText
          label={`Case ${index + 1}, note`}
          mono={false}
          value={row.note ?? ''}
          words={row.note ?? '…'}
          onChange={(note) => onChange({ ...row, note })}
        />
      </td>
      <td className="py-1">
        <Button look="quiet" onClick={() => onChange(undefined)} aria-label={`Remove case ${index + 1}`}>
          ×
        </Button>
      </td>
    </tr>
  );
}
