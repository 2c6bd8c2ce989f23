/** What people read, in each language: complete, with plurals and numbers of the language, and changed while a form stands. */
import fc from 'fast-check';
import {
  builtIn,
  english,
  loadWords,
  makeCodec,
  makePlan,
  compileSchema,
  openForm,
  openPlan,
  type Words,
} from '../src/index.js';
import { de } from '../src/words/de.js';
import { nb } from '../src/words/nb.js';

describe.each([de, nb])('$lang', (words: Words) => {
  it('has words for every keyword that has English ones, and for what cannot be parsed', () => {
    expect(Object.keys(words.messages).sort()).toEqual([...Object.keys(english), 'parse'].sort());
  });
  it('has none that is empty, English, or leaves a parameter open', () => {
    const params = {
      ...{ limit: 2, seen: 1, expected: 'string', allowed: ['a', 'b'], typed: 'x', reason: 'why', items: [0, 1] },
      ...{ pattern: '^[A-Z]{2}$', format: 'date', name: 'a', contentEncoding: 'base64', contentMediaType: 'image/png' },
    };
    for (const [keyword, message] of Object.entries(words.messages)) {
      const text = typeof message === 'string' ? message : message(params);
      expect([keyword, text]).toEqual([keyword, expect.not.stringMatching(/undefined|\{\w+\}|Has to|Must|^$/)]);
    }
  });
  it('refuses in its own words whatever a built-in codec refuses', () => {
    const options: Readonly<Record<string, Record<string, unknown>>> = {
      quantity: { units: { kg: 1, t: 1000 } },
      parts: { names: ['row', 'seat'], separator: '-' },
      steps: { steps: [{ do: 'trim' }, { do: 'split', at: ',' }, { do: 'map', steps: [{ do: 'number' }] }] },
      file: { most: 10, mediaType: 'image/png' },
      key: { key: 'id' },
      slug: {},
      'date-time': { shows: 'text' },
    };
    const raw = fc.oneof(
      fc.anything({ withDate: true }),
      fc.string(),
      fc.constantFrom(
        '12x',
        '1.',
        '2026-02-30',
        '25:00',
        '1 mi',
        'data:text/plain;base64,AAAAAAAAAAAAAAAAAAAAAA==',
        '1,x',
        '1e999',
      ),
    );
    for (const kind of Object.keys(builtIn).filter((one) => one !== 'code')) {
      const codec = makeCodec({ kind, options: options[kind] ?? {} });
      fc.assert(
        fc.property(raw, fc.constantFrom('parse' as const, 'revive' as const), (value, way) => {
          const parsed = codec[way](value);
          if (parsed.ok) return;
          expect([kind, parsed.reason, parsed.refusal]).toEqual([kind, parsed.reason, expect.anything()]);
          const { parse } = words.messages;
          const text = typeof parse === 'function' ? parse({ ...parsed, typed: value }) : parse;
          expect(text).not.toBe(parsed.reason);
          expect(text).not.toMatch(/undefined|\[object/);
        }),
      );
    }
  });
});

describe('numbers and plurals', () => {
  const told = (words: Words, schema: object, value: unknown): string => {
    const form = openForm({ schema, values: value, words });
    return form.problems()[0]?.message ?? '';
  };
  it('are written in the way of the language', () => {
    expect(told(de, { maximum: 1234.5 }, 2000)).toBe('Darf höchstens 1.234,5 sein.');
    expect(told(nb, { maximum: 0.5 }, 2)).toBe('Kan være høyst 0,5.');
    expect(told(de, { minItems: 1, type: 'array' }, [])).toBe('Muss mindestens 1 Eintrag haben, hat aber 0.');
    expect(told(de, { minItems: 2, type: 'array' }, ['a'])).toBe('Muss mindestens 2 Einträge haben, hat aber 1.');
  });
  it('a text box shows and takes numbers so, too, and goes on as the language changes', () => {
    const plan = makePlan(compileSchema({ properties: { mass: { type: 'number' } } }));
    const form = openPlan(plan, { values: { mass: 1.5 }, words: de });
    const mass = form.field('/mass');
    expect(mass.shown).toBe('1,5');
    mass.report('2,25');
    expect(form.sent()).toEqual({ mass: 2.25 });
    form.speak(undefined);
    expect([mass.held, mass.problems]).toEqual([2.25, []]);
  });
});

describe('a form that goes on in another language', () => {
  const form = openForm({ schema: { required: ['name'], properties: { name: {}, pieces: { type: 'integer' } } } });
  it('tells the same problems in the other words, and keeps what was typed', () => {
    form.field('/pieces').report('12x');
    const said = (): string[] => form.problems().map(({ message }) => message);
    expect(said()).toEqual(['Is needed.', '“12x” is no number: “x” does not belong in one.']);
    form.speak(nb);
    expect(said()).toEqual(['Må fylles ut.', '«12x» er ikke et tall: «x» hører ikke hjemme i et.']);
    expect([form.field('/name').problems[0]?.message, form.words?.lang]).toEqual(['Må fylles ut.', 'nb']);
    expect(form.field('/pieces').shown).toBe('12x');
    form.speak(undefined);
    expect(said()[0]).toBe('Is needed.');
  });
  it('its own messages go before those of the language', () => {
    const own = openForm({ schema: { required: ['a'] }, messages: { required: 'Bitte!' }, words: de });
    expect(own.problems()[0]?.message).toBe('Bitte!');
  });
});

describe('loadWords', () => {
  it('takes a language by its tag, with the numbers of the region', async () => {
    expect((await loadWords('de-AT'))?.lang).toBe('de-AT');
    expect((await loadWords('no'))?.lang).toBe('nb');
    expect(await loadWords('en-GB')).toBeUndefined();
  });
  it('says which there are where there is none', async () => {
    await expect(loadWords('fr')).rejects.toThrow('There are no words for “fr”');
  });
});
