import type { Finding } from '@poietra/core';
import type { ReactNode } from 'react';
import { Busy, Failed } from '../../parts/states.js';
import { Button } from '../../parts/button.js';

interface Props {
  readonly declared: readonly Finding[];
  /** Absent while the input is being tried. */
  readonly observed: readonly Finding[] | undefined;
  readonly failed: string | undefined;
  /** A person works on the stand; trying goes on when they are done. */
  readonly isWaiting: boolean;
  onTryAgain(): void;
}

/** What is known of an input, each statement with what it rests on. Where behaviour spoke, it stands first. */
export function Findings({ declared, observed, failed, isWaiting, onTryAgain }: Props): ReactNode {
  const all = [...(observed ?? []), ...declared];
  const abouts = [...new Set(all.map(({ about }) => about))];
  return (
    <section aria-label="Findings" className="grid content-start gap-1">
      {failed !== undefined && (
        <Failed title="It could not be tried" message={`${failed}${advice(failed)}`}>
          <span>
            <Button onClick={onTryAgain}>Try it again</Button>
          </span>
        </Failed>
      )}
      {observed === undefined &&
        failed === undefined &&
        (isWaiting ? (
          <p className="text-ink-2">It will be tried when you are done on the stand: trying needs the focus.</p>
        ) : (
          <Busy>It is being tried: values, gestures, focus, states …</Busy>
        ))}
      <ul className="text-[13px]">
        {abouts.map((about) => {
          const own = all.filter((finding) => finding.about === about);
          const differs = own.some(({ evidence }) => evidence.startsWith('Declaration and behaviour differ'));
          return (
            <li key={about} className="border-b border-hairline py-0.5">
              <span className="mono text-ink-2">{about}</span>
              {differs && <span className="text-warn"> ! declared and observed differ</span>}
              <ul>
                {own.map(({ says, evidence, certainty, from }) => (
                  <li key={from + says}>
                    <details>
                      <summary className="min-h-6 cursor-pointer py-0.5">
                        {says}{' '}
                        <span className="whitespace-nowrap text-ink-2">
                          {from}, <span className="mono">{Math.round(certainty * 100)} %</span>
                        </span>
                      </summary>
                      <p className="pl-4 text-ink-2">{evidence}</p>
                    </details>
                  </li>
                ))}
              </ul>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What to do about the usual reasons for which an input cannot be drawn alone. */
function advice(message: string): string {
  if (/context|provider|must be used|within|wrapped/i.test(message))
    return '\n\nIt asks for something around it. If that is a provider, name it below as a wrapper (package#Export) and try again; if it is a part of another component, adapt that one.';
  if (/is not (a function|defined)|undefined|null|required/i.test(message))
    return '\n\nIt asks for a property. Give it on the left among the properties, and try again.';
  return '';
}
