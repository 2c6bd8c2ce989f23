/** What is said of a codec with a fault: by the laws, by the guard around it, and by the code of a module. Word for word. */
import { codecFromCode, guarded, laws, makeCodec, type Codec, type CodecCode, type Law } from '../src/index.js';

const refusal = { ok: false, reason: 'Not this.' } as const;
const fail = (error: unknown) => (): never => {
  throw error;
};
/** Whole numbers as text; nothing is no value, and everything else is refused. */
const sound: Codec = {
  parse: (shown) =>
    shown === undefined || shown === null || shown === ''
      ? { ok: true, held: undefined }
      : /^-?\d+$/.test(String(shown))
        ? { ok: true, held: Number(shown) }
        : refusal,
  show: (held) => (held === undefined ? '' : String(held)),
  serialise: (held) => held as number | undefined,
  revive: (sent) => ({ ok: true, held: sent }),
};
const holds = (held: unknown): Codec['parse'] => {
  return () => ({ ok: true, held });
};
type Fault = readonly [says: string, id: Law['id'], changed: Partial<Codec>, shown: unknown, told: string | undefined];

const faults: readonly Fault[] = [
  ['reading throws', 'throws', { parse: fail(new Error('Broken.')) }, '12', 'Broken.'],
  ['reading throws what is no Error', 'throws', { parse: fail('a word') }, '12', 'a word'],
  ['showing throws', 'throws', { show: fail(new TypeError('no show')) }, '12', 'no show'],
  ['nothing to show', 'throws', { show: fail(new Error('Never asked.')) }, 'x', undefined],
  ['reviving throws', 'throws', { revive: fail(new RangeError('too far')) }, 'x', 'too far'],

  ['not sent as it is', 'json', { serialise: () => 13 }, '12', 'Held 12 was sent as 13 and came back as 13.'],
  ['sent as nought', 'json', { serialise: () => 0 }, '12', 'Held 12 was sent as 0 and came back as 0.'],
  ['nought sent as more', 'json', { serialise: () => 5 }, '0', 'Held 0 was sent as 5 and came back as 5.'],
  ['a sign that JSON has not', 'json', {}, '-0', undefined],
  [
    'sent as an object that JSON makes a text of',
    'json',
    { serialise: () => ({ toJSON: () => 'text' }) as never },
    '12',
    'Held 12 was sent as "text" and came back as "text".',
  ],
  [
    'not sent',
    'json',
    { serialise: () => undefined },
    '12',
    'Held 12 was sent as undefined and came back as {"$is":"undefined"}.',
  ],
  [
    'not sent, and missed',
    'json',
    { serialise: () => undefined, revive: (sent) => (sent === undefined ? refusal : { ok: true, held: sent }) },
    '12',
    'Held 12 was sent as undefined and is refused on the way back: Not this.',
  ],
  ['not read', 'json', { serialise: fail(new Error('Never asked.')) }, 'x', undefined],

  ['shown as another', 'shown', { show: () => '13' }, '12', 'Held 12 is shown as "13", which is held as 13.'],
  [
    'shown as what is refused',
    'shown',
    { show: () => 'x' },
    '12',
    'Held 12 is shown as "x", which is refused: Not this.',
  ],
  ['not read', 'shown', { show: fail(new Error('Never asked.')) }, 'x', undefined],
  ['nought with a sign', 'shown', { show: () => '0' }, '-0', undefined],

  ['growing', 'stable', { show: (held) => `${String(held)}0` }, '12', 'It is shown as "120", then as "1200".'],
  ['shown as what is refused', 'stable', { show: () => 'x' }, '12', undefined],
  ['not read', 'stable', { show: fail(new Error('Never asked.')) }, 'x', undefined],

  ['nothing held as something', 'empty', { parse: holds(5) }, '', '"" is held as 5.'],
  ['null held as something', 'empty', { parse: holds(5) }, null, 'null is held as 5.'],
  ['no value held as something', 'empty', { parse: holds(0) }, undefined, '{"$is":"undefined"} is held as 0.'],
  ['nothing held as nothing', 'empty', { parse: holds('') }, '', undefined],
  ['nothing held as null', 'empty', { parse: holds(null) }, '', undefined],
  ['nothing held as no value, but sent', 'empty', { serialise: () => 5 }, '', undefined],
  ['something not sent', 'empty', { serialise: () => undefined }, '12', 'Held 12 is not sent at all.'],
  ['something that means nothing', 'empty', { parse: holds(undefined) }, ' ', undefined],
  [
    'something that means nothing, as null',
    'empty',
    { parse: holds(null), serialise: () => undefined },
    ' ',
    undefined,
  ],
  ['something that means an empty text', 'empty', { parse: holds(''), serialise: () => undefined }, ' ', undefined],
  ['not read', 'empty', { serialise: fail(new Error('Never asked.')) }, 'x', undefined],
];

it.each(faults)('%s: the law “%s” tells it', (_, id, changed, shown, told) => {
  expect(laws.find((law) => law.id === id)?.broken({ ...sound, ...changed }, shown)).toBe(told);
});
it.each(laws)('“$id” holds of a sound codec', (law) => {
  for (const shown of ['12', '0', '-3', 'x', '', null, undefined]) expect(law.broken(sound, shown)).toBeUndefined();
});

describe('a guarded codec', () => {
  it('that cannot be made refuses everything, and says why', () => {
    const codec = guarded(fail(new Error('There is no such thing.')));
    const told = { ok: false, reason: 'There is no such thing.', refusal: undefined };
    expect(codec.trouble).toBe('There is no such thing.');
    expect(codec.parse('x')).toEqual(told);
    expect(codec.revive('x')).toEqual(told);
    expect(codec.show('x')).toBe('');
    expect(codec.serialise('x')).toBeUndefined();
  });
  it('refuses what throws in reading, shows nothing where showing throws, and lets sending throw', () => {
    const broken = fail(new Error('Broken.'));
    const codec = guarded(() => ({ parse: broken, show: broken, serialise: broken, revive: broken }));
    expect(codec.trouble).toBeUndefined();
    expect(codec.parse('x')).toMatchObject({ ok: false, reason: 'Broken.' });
    expect(codec.revive('x')).toMatchObject({ ok: false, reason: 'Broken.' });
    expect(codec.show('x')).toBe('');
    expect(() => codec.serialise('x')).toThrow('Broken.');
  });
  it('does the same as the codec itself', () => {
    const codec = guarded(() => sound);
    expect(codec.parse('12')).toEqual({ ok: true, held: 12 });
    expect(codec.show(12)).toBe('12');
    expect(codec.serialise(12)).toBe(12);
    expect(codec.revive(12)).toEqual({ ok: true, held: 12 });
  });
});

describe('a codec made of code', () => {
  const plain: CodecCode = { parse: Number, show: String };
  /** A fault of code, at this place of its stack. */
  const at = (place: string | undefined): TypeError =>
    Object.assign(new TypeError('no'), { stack: place && `TypeError: no\n    at parse (${place}:2)` });
  const reasons: readonly (readonly [thrown: unknown, reason: string])[] = [
    [new Error('Write it so.'), 'Write it so.'],
    ['a word', 'parse threw a word.'],
    [undefined, 'parse threw undefined.'],
    [new RangeError('too far'), 'parse fails: too far'],
    [at('file:///kit/codecs/crossing-2.code.ts:31'), 'parse fails in line 31: no'],
    [at('http://127.0.0.1/stand/code/0a1b.js:7'), 'parse fails in line 7: no'],
    [at(undefined), 'parse fails: no'],
    ...[
      'xcode/a.js:7',
      'codex/a.js:7',
      'code/a b.js:7',
      'code/a.cs:7',
      'code/a.jx:7',
      'code/a.js:x',
      'code/a_js:7',
    ].map((place) => [at(place), 'parse fails: no'] as const),
  ];

  it.each(reasons)('that throws %p refuses: %s', (thrown, reason) => {
    const code = { ...plain, parse: fail(thrown) };
    expect(codecFromCode(code).parse('x')).toEqual({ ok: false, reason, refusal: undefined });
    const strict = codecFromCode(code, { faults: true });
    if (thrown instanceof Error && thrown.constructor === Error) expect(strict.parse('x')).toMatchObject({ reason });
    else expect(() => strict.parse('x')).toThrow(new Error(reason));
  });
  it('tells which of its functions fails', () => {
    const broken = fail(new TypeError('no'));
    const code = { parse: broken, show: broken, serialise: broken, revive: broken };
    const strict = codecFromCode(code, { faults: true });
    for (const name of ['parse', 'show', 'serialise', 'revive'] as const)
      expect(() => strict[name](5)).toThrow(`${name} fails: no`);
    const codec = codecFromCode(code);
    expect(codec.revive(5)).toMatchObject({ ok: false, reason: 'revive fails: no' });
    expect([codec.show(5), codec.serialise(5)]).toEqual(['', undefined]);
  });
  it('asks the code for nothing where there is nothing', () => {
    const never = fail(new Error('Never asked.'));
    const codec = codecFromCode({ parse: never, show: never, serialise: never, revive: never }, { faults: true });
    for (const nothing of ['', null, undefined]) expect(codec.parse(nothing)).toEqual({ ok: true, held: undefined });
    expect(codec.show(undefined)).toBe('');
    expect(codec.serialise(undefined)).toBeUndefined();
    expect(codec.revive(undefined)).toEqual({ ok: true, held: undefined });
  });
  it('sends and revives what is held as it is, where the code says nothing of it', () => {
    const codec = codecFromCode(plain);
    expect(codec.serialise(5)).toBe(5);
    expect(codec.revive(5)).toEqual({ ok: true, held: 5 });
    expect(codecFromCode({ ...plain, serialise: () => undefined }).parse('5')).toEqual({ ok: true, held: 5 });
  });
  it('refuses at once what could not be sent', () => {
    const codec = codecFromCode({ ...plain, parse: () => new Map() });
    const reason = 'parse fails: an object has no form in JSON; serialise has to give one.';
    expect(codec.parse('x')).toMatchObject({ ok: false, reason });
    expect(codec.serialise(new Map())).toBeUndefined();
  });
  it('is looked up by its name alone; elsewhere everything is refused', () => {
    const codes = { twice: { parse: (shown: unknown) => Number(shown) * 2, show: String } };
    expect(makeCodec({ kind: 'code', options: { code: 'twice' } }, codes).parse('4')).toEqual({ ok: true, held: 8 });
    const reason = 'This codec is code, which is not at hand here; open its page to run it.';
    for (const code of ['thrice', 'toString', undefined, ['twice']]) {
      const codec = makeCodec({ kind: 'code', options: { code } }, codes);
      expect(codec.parse('4')).toMatchObject({ ok: false, reason });
      expect(codec.revive(4)).toMatchObject({ ok: false, reason });
      expect([codec.show(4), codec.serialise(4)]).toEqual(['', undefined]);
    }
  });
});
