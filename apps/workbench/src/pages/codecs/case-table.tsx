import { toNotation, type Case, type CaseResult } from '@poietra/core';
import type { ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { cellText, readCell } from '../../parts/cell-text.js';
import { SlotText } from '../../parts/slot.js';
import { Verdict } from '../../parts/verdict.js';

/** A codec's cases, each with its verdict, to be changed in place. */
export function CaseTable({
  cases,
  results,
  onChange,
}: {
  readonly cases: readonly Case[];
  /** Of each case; missing while its code has not answered. */
  readonly results: readonly (CaseResult | undefined)[];
  onChange(index: number, row: Case | undefined): void;
}): ReactNode {
  return (
    <section aria-label="Cases">
      <h2 className="mb-1">Cases</h2>
      {cases.length === 0 ? (
        <p className="text-ink-2">
          None yet. Write above what the input gives, look at what becomes of it, and keep it.
        </p>
      ) : (
        <div className="relative overflow-x-auto">
          <table className="w-full min-w-[680px] border-collapse text-left">
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
                <CaseRow key={i} row={row} index={i} result={results[i]} onChange={(next) => onChange(i, next)} />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
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
          value={cellText(row[name] ?? toNotation(seen.seen))}
          onChange={(text) => set(name, text)}
        />
        {!seen.fits && (
          <span className="mono block text-[13px] text-fail">came: {cellText(toNotation(seen.seen))}</span>
        )}
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
            {back && cellText(toNotation(back.seen))}
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
