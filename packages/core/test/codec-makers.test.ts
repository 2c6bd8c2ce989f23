/** How a codec is made of its description: which kinds are fetched for it, and what every kind may be told. */
import { builtIn, codecBy, loadMakers, makeCodec, plainMakers } from '../src/index.js';

const plain = ['text', 'boolean', 'same'];
const all = Object.keys(builtIn);
const fetched = async (kinds?: readonly string[]): Promise<string[]> =>
  Object.keys(await loadMakers(kinds && new Set(kinds))).sort();

it.each([
  [[], plain],
  [['text', 'boolean'], plain],
  [['number'], all],
  [['text', 'date'], all],
  [['steps'], all],
  [['code'], all],
  [['constructor'], all],
])('for %j are fetched %j', async (kinds, wanted) => expect(await fetched(kinds)).toEqual([...wanted].sort()));
it('where it is not said which, all are', async () => expect(await fetched()).toEqual([...all].sort()));
it('code is looked up among the modules that were given', async () => {
  const makers = await loadMakers(new Set(['code']), { twice: { parse: (shown) => Number(shown) * 2, show: String } });
  const codec = codecBy(makers, { kind: 'code', options: { code: 'twice' } });
  expect(codec.parse('4')).toEqual({ ok: true, held: 8 });
  expect(codecBy(await loadMakers(new Set(['code'])), { kind: 'code', options: { code: 'twice' } }).show(4)).toBe('');
});
it('a kind that is not among the makers is named, with those that are; what every object has is none', () => {
  const known = 'Known are: text, boolean, same.';
  expect(() => codecBy(plainMakers, { kind: 'number' })).toThrow(`No codec of the kind “number” is known. ${known}`);
  expect(() => codecBy(plainMakers, { kind: 'toString' })).toThrow(
    `No codec of the kind “toString” is known. ${known}`,
  );
});

describe('what an emptied input means', () => {
  const made = (kind: string, empty: unknown) => makeCodec({ kind, options: { empty } });
  const nothings = ['', null, undefined];
  it.each([
    ['null', null],
    ['text', ''],
  ])('with “%s” it is held, shown, sent and read as %p', (empty, value) => {
    const codec = made('number', empty);
    for (const nothing of nothings) expect(codec.parse(nothing)).toEqual({ ok: true, held: value });
    expect(codec.show(value)).toBe('');
    expect(codec.serialise(value)).toBe(value);
    expect(codec.revive(value)).toEqual({ ok: true, held: value });
    // And all else as ever.
    expect(codec.parse('4')).toEqual({ ok: true, held: 4 });
    expect(codec.show(4)).toBe('4');
    expect(codec.serialise(4)).toBe(4);
    expect(codec.revive(4)).toEqual({ ok: true, held: 4 });
    expect(codec.show(undefined)).toBe('');
    expect(codec.serialise(undefined)).toBeUndefined();
    expect(codec.revive(undefined)).toEqual({ ok: true, held: undefined });
    expect(codec.revive('x')).toMatchObject({ ok: false });
  });
  it.each([undefined, 'absent', 'nothing', 5])('with %p the member is left out', (empty) => {
    const codec = made('number', empty);
    for (const nothing of nothings) expect(codec.parse(nothing)).toEqual({ ok: true, held: undefined });
    expect(codec.revive(null)).toMatchObject({ ok: false });
    expect(codec.serialise(null)).toBeUndefined();
  });
  it('is asked for by every kind', () => {
    for (const kind of Object.values(builtIn)) expect(kind.options).toHaveProperty('empty');
  });
});
