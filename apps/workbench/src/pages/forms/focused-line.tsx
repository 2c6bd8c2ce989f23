import type { CodecDescription } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { SendToCodec } from '../../parts/send-to-codec.js';
import { ValueLine } from '../../parts/value-line.js';
import type { FromFrame } from '../../sandbox/checked.js';
import { useKit } from '../../store/kit.js';

export type Line = Extract<FromFrame, { kind: 'line' }>;

interface Step {
  readonly time: Date;
  readonly line: Line;
}
const mostSteps = 20;
const valueOf = ({ at, shown, held, sent }: Line): string => JSON.stringify([at, shown.text, held.text, sent.text]);

/** The value line of the field that has the focus, with the trace of its last changes. */
export function FocusedLine({ traced: { line, steps: trace } }: { readonly traced: Traced }): ReactNode {
  const fields = useKit(({ kit }) => kit.fields);
  const [isOpen, setOpen] = useState(false);
  return (
    <footer aria-label="Value line of the focused field" className="border-t border-hairline bg-ground px-4 py-1.5">
      {line ? (
        <div className="grid items-center gap-3 md:grid-cols-[180px_minmax(0,1fr)]">
          <div className="min-w-0">
            <div className="truncate font-semibold">{line.label}</div>
            <div className="mono truncate text-ink-2">{line.at}</div>
          </div>
          <div>
            {isOpen && <Trace steps={trace} />}
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
              {line.problems[0] && <p className="min-w-0 truncate text-[13px] text-fail">{line.problems[0].message}</p>}
              <span className="ml-auto flex shrink-0 items-baseline gap-2">
                <Button look="quiet" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
                  Trace: {trace.length === 1 ? '1 change' : `${trace.length} changes`}
                </Button>
                {line.codec && line.written !== undefined && (
                  <SendToCodec
                    name={line.field === undefined ? undefined : fields[line.field]?.codec}
                    codec={line.codec as CodecDescription}
                    written={line.written}
                  />
                )}
              </span>
            </div>
          </div>
        </div>
      ) : (
        <p className="py-2 text-ink-2">
          Go into a field, and its value line appears here: what is shown, what is held, what will be sent.
        </p>
      )}
    </footer>
  );
}

/** The focused field's line, and how its values changed, latest first. */
export interface Traced {
  readonly line: Line | undefined;
  readonly steps: readonly Step[];
}
export const untraced: Traced = { line: undefined, steps: [] };

/** What a line adds to the trace; another field begins anew. A reducer: two lines that come at once are two steps. */
export function traced({ line: before, steps }: Traced, line: Line | undefined): Traced {
  if (line === undefined || before?.at !== line.at) return { line, steps: [] };
  if (valueOf(before) === valueOf(line)) return { line, steps };
  return { line, steps: [{ time: new Date(), line }, ...steps].slice(0, mostSteps) };
}

function Trace({ steps }: { readonly steps: readonly Step[] }): ReactNode {
  if (steps.length === 0) return <p className="pb-1 text-[13px] text-ink-2">Nothing has changed here yet.</p>;
  return (
    <div tabIndex={0} role="region" aria-label="Trace of the last changes" className="mb-1 max-h-28 overflow-auto">
      <table className="w-full text-[13px]">
        <thead className="sr-only">
          <tr>
            <th>Time</th>
            <th>Shown</th>
            <th>Held</th>
            <th>Sent</th>
          </tr>
        </thead>
        <tbody>
          {steps.map(({ time, line: { shown, held, sent } }, i) => (
            <tr key={steps.length - i} className="border-b border-hairline">
              <td className="mono pr-3 whitespace-nowrap text-ink-2">
                {time.toLocaleTimeString(undefined, { hour12: false })}.
                {String(time.getMilliseconds()).padStart(3, '0')}
              </td>
              <td className="mono max-w-0 w-1/3 truncate pr-2 text-shown">○ {shown.text}</td>
              <td className="mono max-w-0 w-1/3 truncate pr-2 text-held">● {held.text}</td>
              <td className="mono max-w-0 w-1/3 truncate text-sent">■ {sent.text}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
