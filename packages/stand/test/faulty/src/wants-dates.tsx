/** Sound inputs of dates and times that anybody may misuse: by words, by half of a range, by a list where one date is meant. */
import { useState, type JSX, type KeyboardEvent } from 'react';

type DateSpan = readonly [Date | null, Date | null];

const written = (day: Date | null | undefined): string =>
  day
    ? [day.getFullYear(), day.getMonth() + 1, day.getDate()].map((one) => String(one).padStart(2, '0')).join('-')
    : '';
function read(text: string): Date | null {
  const [, year, month, day] = /^(\d{4})-(\d\d)-(\d\d)$/.exec(text) ?? [];
  return year === undefined ? null : new Date(Number(year), Number(month) - 1, Number(day));
}

/** Tells both ends at once, by a key in the second box. What it opens at is one day, and anything else makes it fail. */
export function Voyage({
  value,
  defaultMonth,
  disabled,
  onChange,
}: {
  readonly value?: DateSpan;
  /** The month that is shown first. */
  readonly defaultMonth?: Date;
  readonly disabled?: boolean;
  onChange?(value: DateSpan): void;
}): JSX.Element {
  const [typed, setTyped] = useState<readonly [string, string] | undefined>();
  defaultMonth?.getTime();
  const shown: readonly [string, string] = typed ?? [written(value?.[0]), written(value?.[1])];
  const take = ({ key }: KeyboardEvent): void => {
    const [from, to] = shown.map(read);
    if (key !== 'Enter' || !from || !to) return;
    setTyped(undefined);
    onChange?.([from, to]);
  };
  return (
    <span onKeyDown={take}>
      {([0, 1] as const).map((end) => (
        <input
          key={end}
          type="text"
          aria-label={end === 0 ? 'From' : 'To'}
          disabled={disabled}
          value={shown[end]}
          onChange={({ target }) => setTyped(end === 0 ? [target.value, shown[1]] : [shown[0], target.value])}
        />
      ))}
    </span>
  );
}

/** Tells whatever is typed, and complains of its own value where that is no hour, in words that do not name it. */
export function Chronometer({
  value = '',
  disabled,
  onChange,
}: {
  readonly value?: string;
  readonly disabled?: boolean;
  onChange?(value: string): void;
}): JSX.Element {
  const [typed, setTyped] = useState<string | undefined>();
  if (value !== '' && !/^\d\d:\d\d$/.test(value)) console.error('Chronometer: an hour is wanted.');
  const take = (text: string): void => {
    const isWhole = text === '' || text.length > 4;
    setTyped(isWhole ? undefined : text);
    if (isWhole) onChange?.(text);
  };
  return <input type="text" value={typed ?? value} disabled={disabled} onChange={({ target }) => take(target.value)} />;
}
