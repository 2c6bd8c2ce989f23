/** What has to hold of single codecs for every value, each over its own options. */
import fc from 'fast-check';
import { makeCodec, type Codec } from '../src/index.js';

const back = (codec: Codec, held: unknown): unknown => {
  const parsed = codec.parse(codec.show(held));
  return parsed.ok ? parsed.held : parsed.reason;
};
const through = (codec: Codec, held: unknown): unknown => {
  const revived = codec.revive(JSON.parse(JSON.stringify(codec.serialise(held))));
  return revived.ok ? revived.held : revived.reason;
};

describe('money', () => {
  const amount = fc.integer({ min: -999_999_999_999, max: 999_999_999_999 });
  it.each([
    [0, undefined],
    [2, undefined],
    [3, undefined],
    [2, 'de'],
    [2, 'nb'],
    [2, 'en-IN'],
  ])('comes back to the smallest unit, with %s decimals in %s', (digits, locale) => {
    const codec = makeCodec({ kind: 'money', options: { digits, ...(locale ? { locale } : {}) } });
    fc.assert(
      fc.property(amount, (minor) => {
        expect(back(codec, minor)).toBe(minor);
        expect(through(codec, minor)).toBe(minor);
      }),
    );
  });
  it('is never rounded: what is typed too finely is refused', () => {
    const codec = makeCodec({ kind: 'money' });
    fc.assert(
      fc.property(fc.nat(99_999), fc.integer({ min: 1, max: 9 }), (whole, fine) =>
        expect(codec.parse(`${whole}.00${fine}`)).toMatchObject({ ok: false }),
      ),
    );
  });
  it('adds up as whole numbers where fractions would not', () => {
    const codec = makeCodec({ kind: 'money' });
    const held = (text: string): number => {
      const parsed = codec.parse(text);
      if (!parsed.ok || typeof parsed.held !== 'number') throw new Error(text);
      return parsed.held;
    };
    expect(held('0.10') + held('0.20')).toBe(held('0.30'));
  });
});

describe('a quantity', () => {
  it.each([[{ kg: 1, t: 1000 }], [{ m: 1, km: 1000, cm: 0.01 }], [{ l: 1, hl: 100 }]])(
    'comes back in the first of %j, in whichever unit it is shown',
    (units) => {
      const codec = makeCodec({ kind: 'quantity', options: { units } });
      fc.assert(
        fc.property(fc.integer({ min: -1e9, max: 1e9 }), fc.constantFrom(1, 10, 1000), (value, divisor) => {
          const held = value === 0 ? 0 : value / divisor;
          expect(back(codec, held)).toBe(held);
        }),
      );
    },
  );
  it('means the same in every unit and however the unit is written', () => {
    const codec = makeCodec({ kind: 'quantity', options: { units: { kg: 1, t: 1000 } } });
    for (const text of ['1500', '1500kg', '1500 KG', '1.5 t', ' 1.5T '])
      expect(codec.parse(text)).toEqual({ ok: true, held: 1500 });
  });
});

describe('an instant', () => {
  const minutes = fc
    .integer({ min: 0, max: 4_000_000_000 })
    .map((seconds) => new Date(Math.floor(seconds / 60) * 60_000));
  it.each(['UTC', 'Europe/Oslo', 'America/St_Johns', 'Asia/Kathmandu', 'Australia/Lord_Howe', 'Pacific/Apia'])(
    'shown as the wall time of %s is the same again, but for the hour that comes twice',
    (zone) => {
      const codec = makeCodec({ kind: 'date-time', options: { zone, shows: 'text' } });
      fc.assert(
        fc.property(minutes, (instant) => {
          const again = back(codec, instant);
          if (!(again instanceof Date)) throw new Error(String(again));
          const apart = instant.getTime() - again.getTime();
          // In the hour that comes twice the first of the two is meant.
          if (apart === 0) return;
          expect(codec.show(again)).toBe(codec.show(instant));
          expect(apart).toBeGreaterThan(0);
        }),
        { numRuns: 300 },
      );
    },
  );
  it('is sent as the same instant, as text and as a number', () => {
    fc.assert(
      fc.property(minutes, (instant) => {
        expect(through(makeCodec({ kind: 'date-time' }), instant)).toEqual(instant);
        expect(through(makeCodec({ kind: 'epoch' }), instant)).toEqual(instant);
      }),
    );
  });
});

describe('a calendar date', () => {
  it('is never moved: every day comes back as itself, in this zone, too', () => {
    const codec = makeCodec({ kind: 'date', options: { shows: 'text' } });
    fc.assert(
      fc.property(
        fc.integer({ min: 1900, max: 2199 }),
        fc.integer({ min: 0, max: 11 }),
        fc.integer({ min: 1, max: 28 }),
        (year, month, day) => {
          const date = new Date(year, month, day);
          expect(back(codec, date)).toEqual(date);
          expect(through(codec, date)).toEqual(date);
        },
      ),
    );
  });
});

describe('texts made of several', () => {
  const word = fc.stringMatching(/^[A-Za-z0-9]{1,8}$/);
  it('a list comes back as it was, whatever stands between', () => {
    for (const separator of [',', ';', '|', ' ', '\n']) {
      const codec = makeCodec({ kind: 'list', options: { separator } });
      fc.assert(
        fc.property(fc.array(word, { minLength: 1, maxLength: 6 }), (items) =>
          expect(back(codec, items)).toEqual(items),
        ),
        { numRuns: 60 },
      );
    }
  });
  it('parts come back each in its place, and the last takes what is left', () => {
    const codec = makeCodec({ kind: 'parts', options: { names: ['first', 'last'] } });
    fc.assert(
      fc.property(word, word, word, (first, middle, last) => {
        const shown = codec.show(`${first} ${middle} ${last}`);
        expect(shown).toEqual({ first, last: `${middle} ${last}` });
        expect(codec.parse(shown)).toEqual({ ok: true, held: `${first} ${middle} ${last}` });
      }),
    );
  });
  it('a short name is its own short name', () => {
    const codec = makeCodec({ kind: 'slug' });
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (typed) => {
        const parsed = codec.parse(typed);
        if (!parsed.ok || parsed.held === undefined) return;
        expect(parsed.held).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/);
        expect(back(codec, parsed.held)).toBe(parsed.held);
      }),
    );
  });
});

describe('a choice', () => {
  it('is held by its key and shown as the object that is known, else as one made of the key', () => {
    const codec = makeCodec({
      kind: 'choice',
      options: { choices: [{ value: 'TOR', label: 'Torsund', ferry: true }], many: true },
    });
    expect(codec.show(['TOR', 'HAR'])).toEqual([
      { value: 'TOR', label: 'Torsund', ferry: true },
      { value: 'HAR', label: 'HAR' },
    ]);
    expect(back(codec, ['TOR', 'HAR'])).toEqual(['TOR', 'HAR']);
    expect(codec.parse([{ label: 'no key' }])).toMatchObject({ ok: false });
    expect(codec.parse('TOR')).toMatchObject({ ok: false });
    expect(codec.revive('TOR')).toMatchObject({ ok: false });
  });
});

describe('steps', () => {
  it('that can all be gone back lead back', () => {
    const codec = makeCodec({
      kind: 'steps',
      options: {
        steps: [
          { do: 'before', text: 'SK ' },
          { do: 'split', at: '-' },
          { do: 'map', steps: [{ do: 'number' }] },
        ],
      },
    });
    fc.assert(
      fc.property(fc.array(fc.nat(9999), { minLength: 1, maxLength: 5 }), (numbers) =>
        expect(back(codec, numbers)).toEqual(numbers),
      ),
    );
    expect(codec.show([214, 7])).toBe('SK 214-7');
    expect(codec.parse('SK 214-x')).toMatchObject({
      ok: false,
      reason: expect.stringContaining('Item 2') as string,
    });
  });
});
