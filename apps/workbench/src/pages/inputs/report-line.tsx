import type { ReactNode } from 'react';
import type { Described } from '@poietra/core';
import { DescribedTree } from '../../parts/described-tree.js';

export interface Report {
  readonly id: number;
  /** Milliseconds since the input was mounted. */
  readonly time: number;
  readonly name: string;
  readonly args: readonly Described[];
  readonly isChange: boolean;
}
export interface Warning {
  readonly id: number;
  readonly time: number;
  readonly text: string;
}

/** What the input told, newest first: when, through what, with which arguments. */
export function ReportLine({
  reports,
  onClear,
}: {
  readonly reports: readonly (Report | Warning)[];
  onClear(): void;
}): ReactNode {
  return (
    <section aria-label="Reports" className="flex min-h-0 flex-col">
      <div className="flex items-center justify-between border-b border-hairline px-3 py-1">
        <h2>
          Reports <span className="mono font-normal text-ink-2">{reports.length}</span>
        </h2>
        {reports.length > 0 && (
          <button type="button" className="rounded-sm px-2 text-[13px] hover:bg-mark" onClick={onClear}>
            Clear
          </button>
        )}
      </div>
      {reports.length === 0 ? (
        <p className="p-3 text-ink-2">
          Nothing yet. Use the input: each callback and event appears here with its arguments.
        </p>
      ) : (
        <ol className="min-h-0 flex-1 overflow-auto text-[13px]">
          {reports.map((report) => (
            <li key={report.id} className="border-b border-hairline px-3 py-1.5">
              {'text' in report ? (
                <p className="text-warn">
                  <span aria-hidden="true">! </span>
                  {report.text}
                </p>
              ) : (
                <>
                  <div className="flex justify-between gap-2">
                    <b className={`mono ${report.isChange ? 'text-held' : ''}`}>{report.name}</b>
                    <span className="mono text-ink-2">{(report.time / 1000).toFixed(2)} s</span>
                  </div>
                  {report.args.length === 0 && <span className="text-ink-2">no arguments</span>}
                  {report.args.map((arg, i) => (
                    <DescribedTree key={i} name={String(i + 1)} value={arg} />
                  ))}
                </>
              )}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
