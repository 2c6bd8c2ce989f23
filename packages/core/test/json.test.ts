import fc from 'fast-check';
import {
  canonical,
  copyJson,
  describeValue,
  equalJson,
  formatPointer,
  isWithin,
  LimitReached,
  lookUp,
  parentPointer,
  parsePointer,
  removeAt,
  replaceAt,
  resolveUri,
} from '../src/index.js';

describe('a JSON Pointer', () => {
  it('survives being written and read, whatever the names', () => {
    fc.assert(fc.property(fc.array(fc.string()), (names) => expect(parsePointer(formatPointer(names))).toEqual(names)));
  });
  it('finds own members only, and list items by their number only', () => {
    expect(lookUp({ a: [{ 'x/y': 1 }] }, '/a/0/x~1y')).toBe(1);
    expect(lookUp({}, '/constructor')).toBeUndefined();
    expect(lookUp([1], '/length')).toBeUndefined();
    expect(lookUp([1], '/00')).toBeUndefined();
  });
  it('says what is wrong with a text that is none', () => {
    expect(() => parsePointer('a')).toThrow('it starts with "/"');
    expect(() => parsePointer('/~2')).toThrow('0 or 1 follow each "~"');
  });
  it('knows its parent and what lies within it', () => {
    expect([parentPointer('/a/b'), parentPointer('/a'), parentPointer('')]).toEqual(['/a', '', '']);
    expect([isWithin('/a/b', '/a'), isWithin('/ab', '/a'), isWithin('/a', '/a')]).toEqual([true, false, true]);
  });
});

describe('an edit', () => {
  it('shares what it does not touch', () => {
    const before = { a: { b: 1 }, c: { d: 2 } };
    const after = replaceAt(before, '/a/b', 3);
    expect(after).toEqual({ a: { b: 3 }, c: { d: 2 } });
    expect(after.c).toBe(before.c);
    expect(before.a.b).toBe(1);
  });
  it('closes the gap in a list, and appends at "-"', () => {
    expect(removeAt([1, 2, 3], '/1')).toEqual([1, 3]);
    expect(replaceAt([1], '/-', 2)).toEqual([1, 2]);
  });
  it('takes __proto__ for a plain name', () => {
    const after: object = replaceAt<object>({}, '/__proto__/polluted', true);
    expect(Object.keys(after)).toEqual(['__proto__']);
    expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
  });
});

it('two values have the same canonical text exactly when they are equal', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => expect(canonical(a) === canonical(b)).toBe(equalJson(a, b))),
  );
  fc.assert(fc.property(fc.jsonValue(), (a) => expect(equalJson(a, JSON.parse(JSON.stringify(a)))).toBe(true)));
});

it('a copy of foreign JSON is equal, shares nothing, and has limits', () => {
  fc.assert(fc.property(fc.jsonValue(), (value) => expect(equalJson(copyJson(value), value)).toBe(true)));
  const circle: Record<string, unknown> = {};
  circle['again'] = circle;
  expect(() => copyJson(circle)).toThrow(LimitReached);
  expect(() =>
    copyJson(
      Array.from({ length: 11 }, () => 0),
      { documentDepth: 5, documentSize: 10, references: 1, patternSteps: 1 },
    ),
  ).toThrow('more than 10 members');
});

/** RFC 3986, section 5.4. */
it.each([
  ['g', 'http://a/b/c/g'],
  ['./g', 'http://a/b/c/g'],
  ['g/', 'http://a/b/c/g/'],
  ['/g', 'http://a/g'],
  ['//g', 'http://g'],
  ['?y', 'http://a/b/c/d;p?y'],
  ['g?y', 'http://a/b/c/g?y'],
  ['#s', 'http://a/b/c/d;p?q#s'],
  ['g#s', 'http://a/b/c/g#s'],
  ['', 'http://a/b/c/d;p?q'],
  ['.', 'http://a/b/c/'],
  ['..', 'http://a/b/'],
  ['../g', 'http://a/b/g'],
  ['../..', 'http://a/'],
  ['../../g', 'http://a/g'],
  ['../../../g', 'http://a/g'],
  ['g:h', 'g:h'],
  ['/./g', 'http://a/g'],
  ['g.', 'http://a/b/c/g.'],
  ['..g', 'http://a/b/c/..g'],
  ['./g/.', 'http://a/b/c/g/'],
  ['g;x=1/../y', 'http://a/b/c/y'],
])('resolves %s as the standard has it', (reference, expected) =>
  expect(resolveUri('http://a/b/c/d;p?q', reference)).toBe(expected),
);

describe('a value described', () => {
  it('is told in short, with what is inside', () => {
    class Picker {
      a = 1;
      get broken(): never {
        throw new Error('no');
      }
    }
    expect(describeValue(new Date(2026, 10, 23)).text).toBe('Date 2026-11-23 00:00');
    expect(describeValue(new Picker()).text).toBe('Picker with 1 property');
    expect(describeValue([1, 'x']).members?.map(([, { text }]) => text)).toEqual(['1', '"x"']);
    expect(describeValue(undefined).kind).toBe('undefined');
    expect(describeValue(new Date(NaN)).text).toBe('Invalid Date');
    expect(
      describeValue(
        new Proxy(
          {},
          {
            ownKeys: () => {
              throw new Error('not readable');
            },
          },
        ),
      ).text,
    ).toBe('cannot be read: not readable');
  });
  it('ends at a depth, also where a value holds itself', () => {
    const circle: Record<string, unknown> = {};
    circle['me'] = circle;
    expect(JSON.stringify(describeValue(circle)).length).toBeLessThan(1000);
  });
});
