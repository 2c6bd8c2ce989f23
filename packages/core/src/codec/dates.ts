/** Calendar dates, times and instants. */
import type { Parsed } from './codec.js';
import { textOption, type CodecKinds } from './kind.js';
import { held, refused, isNothing, unlike, type Maker } from './maker.js';

const isDate = (value: unknown): value is Date => value instanceof Date && !Number.isNaN(value.getTime());
const pad = (value: number, width = 2): string => String(value).padStart(width, '0');

/** A calendar day, read from and written to local fields only, so that no zone can move it. */
function dayText(date: Date): string {
  return `${pad(date.getFullYear(), 4)}-${pad(date.getMonth() + 1)}-${pad(date.getDate())}`;
}
function dayOf(value: string): Date | undefined {
  const match = /^(\d{4})-(\d\d)-(\d\d)$/.exec(value);
  if (!match) return undefined;
  const date = new Date(Number(match[1]), Number(match[2]) - 1, Number(match[3]));
  date.setFullYear(Number(match[1]));
  return dayText(date) === value ? date : undefined;
}

/**
 * A calendar date: the input shows a `Date`, or with `shows: "text"` an ISO date text; a `Date` at local midnight is
 * held; an ISO 8601 date text is sent.
 */
export const date: Maker = (options) => {
  const asText = options['shows'] === 'text';
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      if (isDate(shown)) return held(new Date(shown.getFullYear(), shown.getMonth(), shown.getDate()));
      if (typeof shown !== 'string')
        return shown instanceof Date ? brokenDate() : unlike('date', 'A date was', shown, 'input');
      const day = dayOf(shown.trim());
      return day
        ? held(day)
        : /^\d{4}-\d\d-\d\d$/.test(shown.trim())
          ? refused(`“${shown}” is no day of the calendar.`, 'noDay', { typed: shown })
          : refused(`“${shown}” is no date; write it like 2026-11-23.`, 'noDate', { typed: shown });
    },
    show: (kept) => (isDate(kept) ? (asText ? dayText(kept) : kept) : asText ? '' : undefined),
    serialise: (kept) => (isDate(kept) ? dayText(kept) : undefined),
    revive(sent) {
      if (sent === undefined || sent === null) return held(undefined);
      const day = typeof sent === 'string' ? dayOf(sent) : undefined;
      return day ? held(day) : unlike('date', 'A date like 2026-11-23 was', sent, 'record');
    },
  };
};

function brokenDate(): ReturnType<typeof refused> {
  return refused('This is no valid date.', 'brokenDate', {});
}

/**
 * A time of day as text, 09:05 or 09:05:30. With `offset` (`Z`, `+01:00`) it is sent as RFC 3339 has a time, with seconds
 * and that offset: the kind that `format: "time"` asks for. A time with another offset is turned into this one.
 */
export const time: Maker = (options) => {
  const { offset } = options;
  const own = typeof offset === 'string' ? minutesOf(offset) : undefined;
  const read = (text: string): string | undefined => {
    const [, hours = '', minutes = '', seconds, zone] =
      /^(\d{1,2})[:.]?(\d\d)(?:[:.](\d\d))?(Z|[+-]\d\d:\d\d)?$/i.exec(text.trim()) ?? [];
    if (hours === '' || Number(hours) > 23 || Number(minutes) > 59 || Number(seconds ?? 0) > 59) return undefined;
    if (zone !== undefined && own === undefined) return undefined;
    const moved = zone === undefined ? 0 : (own ?? 0) - (minutesOf(zone) ?? 0);
    const clock = (Number(hours) * 60 + Number(minutes) + moved + 2880) % 1440;
    return `${pad(Math.floor(clock / 60))}:${pad(clock % 60)}${seconds === undefined ? '' : `:${seconds}`}`;
  };
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      if (isDate(shown)) return held(`${pad(shown.getHours())}:${pad(shown.getMinutes())}`);
      if (typeof shown !== 'string') return unlike('time', 'A time was', shown, 'input');
      const clock = read(shown);
      return clock === undefined
        ? refused(`“${shown}” is no time of day; write it like 09:15.`, 'noTime', { typed: shown })
        : held(own === undefined ? clock : withoutZero(clock));
    },
    show: (kept) => (typeof kept === 'string' ? kept : ''),
    serialise(kept) {
      if (typeof kept !== 'string' || own === undefined) return typeof kept === 'string' ? kept : undefined;
      return `${kept}${kept.length === 5 ? ':00' : ''}${String(offset)}`;
    },
    revive(sent) {
      if (sent === undefined || sent === null) return held(undefined);
      const clock = typeof sent === 'string' ? read(sent) : undefined;
      return clock === undefined
        ? unlike('time', 'A time like 09:15 was', sent, 'record')
        : held(own === undefined ? clock : withoutZero(clock));
    },
  };
};
/** Seconds that only the sending asks for are not shown. */
const withoutZero = (clock: string): string => clock.replace(/^(\d\d:\d\d):00$/, '$1');
/** An offset from UTC in minutes. */
function minutesOf(offset: string): number | undefined {
  const [, sign = '+', hours = '0', minutes = '0'] = /^(?:Z|([+-])(\d\d):(\d\d))$/i.exec(offset) ?? [];
  return /^(?:Z|[+-]\d\d:\d\d)$/i.test(offset)
    ? Number(`${sign}1`) * (Number(hours) * 60 + Number(minutes))
    : undefined;
}

interface Wall {
  readonly date: string;
  readonly time: string;
}
/** What a clock in a zone shows at an instant. */
function wallOf(instant: number, zone: string | undefined): Wall {
  const parts = new Intl.DateTimeFormat('en-CA', {
    ...(zone === undefined ? {} : { timeZone: zone }),
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
  }).formatToParts(instant);
  const get = (type: string): string => parts.find((part) => part.type === type)?.value ?? '';
  return {
    date: `${get('year').padStart(4, '0')}-${get('month')}-${get('day')}`,
    time: `${get('hour')}:${get('minute')}:${get('second')}`,
  };
}

/** The instant at which a clock in a zone shows this; `undefined` where it never does (the hour that is skipped in spring). */
function instantOf(wall: Wall, zone: string | undefined): number | undefined {
  const wanted = Date.parse(`${wall.date}T${wall.time}Z`);
  if (Number.isNaN(wanted)) return undefined;
  const offsetAt = (instant: number): number => {
    const seen = wallOf(instant, zone);
    return Date.parse(`${seen.date}T${seen.time}Z`) - Math.floor(instant / 1000) * 1000;
  };
  // The offsets before and after a change of the clock; the earlier instant wins where both fit.
  const candidates = [wanted - offsetAt(wanted - 86_400_000), wanted - offsetAt(wanted + 86_400_000)].sort(
    (a, b) => a - b,
  );
  return candidates.find((instant) => {
    const seen = wallOf(instant, zone);
    return seen.date === wall.date && seen.time === wall.time;
  });
}

function zoneOf(options: Readonly<Record<string, unknown>>): string | undefined {
  const zone = options['zone'];
  if (typeof zone !== 'string') return undefined;
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return zone;
  } catch {
    throw new TypeError(`“${zone}” is no time zone; write it like Europe/Oslo.`);
  }
}

/** An instant: what `parse` and `show` of date-time and epoch have in common. */
function instants(options: Readonly<Record<string, unknown>>): {
  parse(shown: unknown): Parsed<Date | undefined>;
  show(kept: unknown): unknown;
} {
  const zone = zoneOf(options);
  const asText = options['shows'] === 'text';
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      if (isDate(shown)) return held(new Date(shown));
      if (shown instanceof Date) return brokenDate();
      if (typeof shown !== 'string') return unlike('instant', 'A date and time was', shown, 'input');
      const text = shown.trim();
      const [, day, hours, seconds, offset] =
        /^(\d{4}-\d\d-\d\d)[T ](\d\d:\d\d)(:\d\d(?:\.\d+)?)?(Z|[+-]\d\d:\d\d)?$/i.exec(text) ?? [];
      if (day === undefined || hours === undefined)
        return refused(`“${shown}” is no date and time; write it like 2026-11-23 09:15.`, 'noInstant', {
          typed: shown,
        });
      if (!dayOf(day)) return refused(`“${day}” is no day of the calendar.`, 'noDay', { typed: day });
      const whole = `${hours}${seconds ?? ':00'}`;
      if (!/^([01]\d|2[0-3]):[0-5]\d:[0-5]\d/.test(whole))
        return refused(`“${hours}” is no time of day.`, 'noTime', { typed: hours });
      if (offset !== undefined) return held(new Date(`${day}T${whole}${offset}`));
      const instant = instantOf({ date: day, time: whole.slice(0, 8) }, zone);
      if (instant === undefined)
        return refused(
          `“${text}” does not exist${zone === undefined ? '' : ` in ${zone}`}: the clocks are put forward over it.`,
          'skipped',
          { typed: text, zone },
        );
      return held(new Date(instant));
    },
    show(kept) {
      if (!isDate(kept)) return asText ? '' : undefined;
      if (!asText) return kept;
      const { date: day, time: clock } = wallOf(kept.getTime(), zone);
      return `${day}T${clock.endsWith(':00') ? clock.slice(0, 5) : clock}`;
    },
  };
}

/**
 * An instant: the input shows a `Date`, or with `shows: "text"` the wall time of `zone` (the person's own, if none is
 * said); a `Date` is held; RFC 3339 text in UTC is sent.
 */
export const dateTime: Maker = (options) => ({
  ...instants(options),
  serialise: (kept) => (isDate(kept) ? kept.toISOString() : undefined),
  revive(sent) {
    if (sent === undefined || sent === null) return held(undefined);
    const isText = typeof sent === 'string' && /^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(sent);
    const read = new Date(isText ? sent : NaN);
    return isDate(read)
      ? held(read)
      : unlike('instant', 'A date and time like 2026-11-23T09:15:00Z was', sent, 'record');
  },
});

/** An instant that is sent as milliseconds since the beginning of 1970, UTC. */
export const epoch: Maker = (options) => ({
  ...instants(options),
  serialise: (kept) => (isDate(kept) ? kept.getTime() : undefined),
  revive(sent) {
    if (sent === undefined || sent === null) return held(undefined);
    const read = new Date(typeof sent === 'number' ? sent : NaN);
    return isDate(read) ? held(read) : unlike('epoch', 'Milliseconds since 1970 were', sent, 'record');
  },
});

const zone = textOption('Time zone', { format: 'time-zone', examples: ['Europe/Oslo'] });
const shows = {
  title: 'The input shows',
  oneOf: [
    { const: 'date', title: 'A Date' },
    { const: 'text', title: 'A text' },
  ],
};
const offset = textOption('Offset from UTC that is sent', {
  pattern: '^(Z|[+-]\\d\\d:\\d\\d)$',
  examples: ['Z', '+01:00'],
});

export const dateKinds = {
  date: {
    title: 'Calendar date',
    says: 'A Date or an ISO date text; sent as 2026-11-23, never moved by a zone.',
    options: { shows },
    make: date,
  },
  'date-time': {
    title: 'Date and time',
    says: 'An instant as a Date, or as the wall time of a zone; sent as 2026-11-23T09:15:00.000Z.',
    options: { zone, shows },
    make: dateTime,
  },
  time: {
    title: 'Time of day',
    says: 'A time without date, as 09:15; sent with an offset where one is said.',
    options: { offset },
    make: time,
  },
  epoch: {
    title: 'Milliseconds since 1970',
    says: 'An instant as a Date, or as the wall time of a zone; sent as a number.',
    options: { zone, shows },
    make: epoch,
  },
} as const satisfies CodecKinds;
