import type { Described } from '@poietra/core';
import type { ReactNode } from 'react';

export interface LineValue {
  readonly shown: Described;
  readonly held: Described;
  readonly sent: Described;
  /** Why the way breaks off at parse. */
  readonly broken?: string | undefined;
}

const stations = [
  { key: 'shown', sign: '○', words: 'in the input' },
  { key: 'held', sign: '●', words: 'in the form' },
  { key: 'sent', sign: '■', words: 'in the JSON' },
] as const;
const colours = {
  shown: 'text-shown border-shown',
  held: 'text-held border-held',
  sent: 'text-sent border-sent',
} as const;

/**
 * The value line: one value at its three stations, joined by the codec's two legs. Large on a codec's page, a strip
 * below a form.
 */
export function ValueLine({
  value,
  strip = false,
}: {
  readonly value: LineValue;
  readonly strip?: boolean;
}): ReactNode {
  return (
    <ol
      aria-label="Value line"
      className={`grid grid-cols-[1fr_auto_1fr_auto_1fr] items-stretch ${strip ? 'gap-1' : 'gap-2'}`}
    >
      {stations.map(({ key, sign, words }, i) => (
        <li key={key} className="contents">
          {i > 0 && (
            <Leg
              forth={i === 1 ? 'parse' : 'serialise'}
              back={i === 1 ? 'show' : 'revive'}
              broken={i === 1 ? value.broken : undefined}
            />
          )}
          <div data-testid={`station-${key}`} className={`min-w-0 border-t-2 pt-1 ${colours[key]}`}>
            <div className="flex items-baseline gap-1.5 text-[13px]">
              <span aria-hidden="true">{sign}</span>
              <b className="font-semibold">{key}</b>
              {!strip && <span className="text-ink-2">{words}</span>}
            </div>
            <div className={`mono truncate text-ink ${strip ? '' : 'text-[17px]! leading-7'}`} title={value[key].text}>
              {value[key].text}
            </div>
          </div>
        </li>
      ))}
    </ol>
  );
}

function Leg({
  forth,
  back,
  broken,
}: {
  readonly forth: string;
  readonly back: string;
  readonly broken: string | undefined;
}): ReactNode {
  return (
    <div className="grid content-start px-1 text-center text-[12px] leading-tight text-ink-2">
      <span className={broken === undefined ? '' : 'font-semibold text-fail'}>
        {broken === undefined ? `${forth} →` : `${forth} ✕`}
      </span>
      <span>← {back}</span>
    </div>
  );
}
