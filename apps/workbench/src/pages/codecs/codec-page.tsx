import {
  builtIn,
  describeValue,
  joinPointer,
  fromNotation,
  toNotation,
  type Case,
  type CaseResult,
  type CodecDescription,
} from '@poietra/core';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { partOf } from '../../parts/part-of.js';
import { useLocation, useParams } from 'react-router';
import { PartHead } from '../../parts/part-head.js';
import { NoSuch } from '../../parts/no-such.js';
import { cellText, readCell } from '../../parts/cell-text.js';
import { SlotText } from '../../parts/slot.js';
import { ValueLine, type LineValue } from '../../parts/value-line.js';
import { useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';
import { AsCode } from './as-code.js';
import { CodecOptions } from './codec-options.js';
import { useCaseResults } from './case-results.js';
import { CaseTable } from './case-table.js';
import type { RunCode } from './code-frame.js';
import { CodecSource, firstCode } from './codec-source.js';
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
                .map(({ name: station, seen }) => [station, toNotation(seen)]),
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
          {!isCode && <AsCode name={name} codec={codec} />}
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
          <CodecSource
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
        <CaseTable cases={cases} results={results.slice(1)} onChange={setCase} />
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

function lineOf(result: CaseResult | undefined, written: unknown): LineValue {
  const seen = (station: string): unknown => result?.stations.find(({ name }) => name === station)?.seen;
  return {
    shown: describeValue(fromNotation(written), 0),
    held: describeValue(seen('held'), 0),
    sent: describeValue(seen('sent'), 0),
    broken: result?.refused,
  };
}
