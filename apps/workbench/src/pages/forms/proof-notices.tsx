import type { ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { Verdict } from '../../parts/verdict.js';
import type { FromFrame } from '../../sandbox/checked.js';

type State = Extract<FromFrame, { kind: 'state' }>;

interface Props {
  readonly state: State | undefined;
  /** Has a value that no schema speaks of sent all the same, or taken away. */
  onLeftOver(at: string, keep: boolean): void;
  onShow(schemaAt: string): void;
}

/** What is wrong with the description, and which values no schema speaks of: for the developer, above the sheet. */
export function ProofNotices({ state, onLeftOver, onShow }: Props): ReactNode {
  const { troubles = [], leftOver = [] } = state ?? {};
  if (troubles.length === 0 && leftOver.length === 0) return null;
  return (
    <div className="grid gap-1 border-b border-hairline bg-ground px-4 py-2 text-[13px]">
      {troubles.length > 0 && (
        <details open={troubles.length < 8}>
          <summary>
            <Verdict kind="warning">
              {troubles.length === 1
                ? 'One trouble in the description'
                : `${troubles.length} troubles in the description`}
            </Verdict>
          </summary>
          <ul className="mt-1 grid gap-1 pl-6">
            {troubles.map(({ at, says }) => (
              <li key={at + says}>
                {at.startsWith('#') ? (
                  <Button look="quiet" onClick={() => onShow(at.slice(1))}>
                    <span className="mono">{at === '#' ? 'the root' : at.slice(1)}</span>
                  </Button>
                ) : (
                  <span className="mono">{at === '' ? 'the form' : at}</span>
                )}{' '}
                {says}
              </li>
            ))}
          </ul>
        </details>
      )}
      {leftOver.length > 0 && (
        <details open={leftOver.length < 8}>
          <summary>
            <Verdict kind="warning">
              {leftOver.length === 1
                ? 'One value is left over: no schema speaks of it, so it is not sent'
                : `${leftOver.length} values are left over: no schema speaks of them, so they are not sent`}
            </Verdict>
          </summary>
          <ul className="mt-1 grid gap-1 pl-6">
            {leftOver.map(({ at, isAllowed }) => (
              <li key={at} className="flex flex-wrap items-baseline gap-2">
                <span className="mono">{at}</span>
                {!isAllowed && <span className="text-ink-2">the schema does not allow it</span>}
                <Button look="quiet" onClick={() => onLeftOver(at, true)}>
                  Send it all the same
                </Button>
                <Button look="quiet" onClick={() => onLeftOver(at, false)}>
                  Take it away
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
