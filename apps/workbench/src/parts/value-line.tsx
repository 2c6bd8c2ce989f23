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
  column = false,
}: {
  readonly value: LineValue;
  readonly strip?: boolean;
  /** One under the other, for a margin. */
  readonly column?: boolean;
}): ReactNode {
  return (
    <ol
      aria-label="Value line"
      className={`grid items-stretch ${column ? 'grid-cols-1' : 'grid-cols-[1fr_auto_1fr_auto_1fr]'} ${strip || column ? 'gap-1' : 'gap-2'}`}
    >
      {stations.map(({ key, sign, words }, i) => (
        <li key={key} className="contents">
          {i > 0 && (
            <Leg
              forth={i === 1 ? 'parse' : 'serialise'}
              back={i === 1 ? 'show' : 'revive'}
              broken={i === 1 ? value.broken : undefined}
              column={column}
            />
          )}
          <div data-testid={`station-${key}`} className={`min-w-0 border-t-2 pt-1 ${colours[key]}`}>
            <div className="flex items-baseline gap-1.5 text-[13px]">
              <span aria-hidden="true">{sign}</span>
              <b className="font-semibold">{key}</b>
              {!strip && <span className={`text-ink-2 ${column ? '' : 'max-sm:hidden'}`}>{words}</span>}
            </div>
            <div
              className={`mono truncate text-ink ${strip || column ? '' : 'text-[17px]! leading-7'}`}
              title={value[key].text}
            >
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
  column,
}: {
  readonly forth: string;
  readonly back: string;
  readonly broken: string | undefined;
  readonly column: boolean;
}): ReactNode {
  const [down, up] = column ? ['↓', '↑'] : ['→', '←'];
  return (
    <div
      className={`px-1 text-center text-[12px] leading-tight text-ink-2 ${column ? 'flex justify-center gap-4' : 'grid content-start'}`}
    >
      <span className={broken === undefined ? '' : 'font-semibold text-fail'}>
        {broken === undefined ? `${forth} ${down}` : `${forth} ✕`}
      </span>
      <span>
        {up} {back}
      </span>
    </div>
  );
}
