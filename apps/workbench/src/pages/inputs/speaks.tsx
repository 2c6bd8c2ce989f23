import { sentencesFor, type AdapterDescription, type Finding, type FoundInput } from '@poietra/core';
import { useMemo, type ReactNode } from 'react';
import { SlotText } from '../../parts/slot.js';

interface Props {
  readonly adapter: AdapterDescription;
  readonly input: FoundInput | undefined;
  readonly findings: readonly Finding[];
  /** Takes a new word at a place of the description. */
  onChange(at: string, value: string): void;
}

/** How an input speaks: sentences whose words are edited where they stand, each with what it rests on. */
export function Speaks({ adapter, input, findings, onChange }: Props): ReactNode {
  const sentences = useMemo(() => sentencesFor(adapter, input), [adapter, input]);
  const said = new Set(sentences.map(({ about }) => about));
  const others = findings.filter(({ about }) => !said.has(about));
  return (
    <>
      <ul className="grid grid-cols-[minmax(0,1fr)] gap-1">
        {sentences.map(({ about, parts }, i) => (
          <li key={`${about} ${i}`}>
            {parts.map((part, j) =>
              typeof part === 'string' ? (
                // Its first mark stands with the word before it.
                part.slice(j > 0 && typeof parts[j - 1] !== 'string' ? markAt(part).length : 0)
              ) : (
                <span key={j} className="whitespace-nowrap [&>button]:whitespace-normal">
                  <SlotText
                    label={about}
                    value={part.value}
                    words={part.words}
                    choices={part.choices}
                    onChange={(value) => onChange(part.at, value)}
                  />
                  {markAt(parts[j + 1])}
                </span>
              ),
            )}
            <Evidence findings={findings.filter((finding) => finding.about === about)} />
          </li>
        ))}
      </ul>
      {others.length > 0 && (
        <details>
          <summary className="min-h-6 cursor-pointer py-0.5 text-ink-2">Also found: {others.length}</summary>
          <ul className="grid gap-1">
            {others.map((finding) => (
              <li key={finding.from + finding.says}>
                {finding.says} <Evidence findings={[finding]} />
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

/** A full stop or a comma that a line must not begin with. */
function markAt(part: unknown): string {
  return typeof part === 'string' ? (/^[.,;:]/.exec(part)?.[0] ?? '') : '';
}

/** What a sentence rests on, on demand; where declaration and behaviour differ it says so at once. */
function Evidence({ findings }: { readonly findings: readonly Finding[] }): ReactNode {
  const [best] = [...findings].sort((a, b) => b.certainty - a.certainty);
  if (!best) return null;
  const differs = findings.some(({ evidence }) => evidence.startsWith('Declaration and behaviour differ'));
  return (
    <details className="text-[12px] text-ink-2">
      <summary className="min-h-6 cursor-pointer py-1">
        {best.from}, <span className="mono">{Math.round(best.certainty * 100)} %</span>
        {differs && <span className="text-warn"> ! declared and observed differ</span>}
      </summary>
      <ul className="grid gap-1 border-l border-hairline pl-2">
        {findings.map(({ says, evidence, certainty, from }) => (
          <li key={from + says}>
            {says}{' '}
            <span className="whitespace-nowrap">
              ({from}, <span className="mono">{Math.round(certainty * 100)} %</span>)
            </span>
            <p>{evidence}</p>
          </li>
        ))}
      </ul>
    </details>
  );
}
