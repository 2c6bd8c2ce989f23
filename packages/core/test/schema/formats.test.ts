import fc from 'fast-check';
import { compilePattern, standardFormats } from '../../src/index.js';
import { GuardedPattern } from '../../src/schema/pattern/match.js';
import { parsePattern } from '../../src/schema/pattern/parse.js';

/** By format: texts that have it, and texts that do not. */
const texts: Readonly<Record<string, readonly [readonly string[], readonly string[]]>> = {
  'date-time': [
    ['2026-11-23T08:15:00Z', '2026-11-23t08:15:00.5+01:00', '1998-12-31T23:59:60Z'],
    ['2026-11-23', '2026-11-23T08:15:00', '2026-02-30T08:15:00Z', '2026-11-23T23:59:60+05:00'],
  ],
  date: [
    ['2028-02-29', '0001-01-01'],
    ['2026-02-29', '2026-13-01', '2026-1-1', '26-01-01'],
  ],
  time: [
    ['08:15:00Z', '23:59:60Z', '08:15:00.123-03:30'],
    ['08:15', '24:00:00Z', '08:60:00Z', '12:00:60Z'],
  ],
  duration: [
    ['P3DT12H', 'P1W', 'PT36H', 'P1Y2M3D'],
    ['P', 'P1', 'P1DT', 'P1W2D', '1D', 'PT1D'],
  ],
  email: [
    ['yard@aldervik.example', '"a b"@x.example', 'a.b+c@x.example', 'a@[127.0.0.1]'],
    ['a', '@x.example', 'a@', 'a..b@x.example', '.a@x.example', 'a b@x.example'],
  ],
  'idn-email': [['jörg@hafen.example'], ['jörg']],
  hostname: [
    ['www.skerry.example', 'a', 'xn--4gbwdl.xn--wgbh1c'],
    ['-a', 'a-', 'a..b', 'a_b', 'x'.repeat(64), 'xn--X'],
  ],
  'idn-hostname': [
    ['実例.com', 'skärgård.example'],
    ['a\u302Eb', '-ä', '〮한국'],
  ],
  ipv4: [
    ['192.0.2.1', '0.0.0.0'],
    ['256.1.1.1', '1.1.1', '01.1.1.1', '1.1.1.1.1'],
  ],
  ipv6: [
    ['::1', '2001:db8::8:800:200c:417a', '::ffff:192.0.2.1', '1:2:3:4:5:6:7:8'],
    ['1:2:3', '::1::', '12345::', '1:2:3:4:5:6:7:8:9', '::192.0.2.256'],
  ],
  uri: [
    ['https://skerry.example/a?b#c', 'urn:x:y', 'mailto:a@b.example', 'http://[::1]:80/'],
    ['/a', 'http://a b', 'http://a/%zz', '//a', 'http://[1::2::3]/'],
  ],
  'uri-reference': [
    ['/a', '#b', '', '../c?d'],
    ['\\a', 'a b', '%'],
  ],
  iri: [['https://skärgård.example/ö'], ['/ö', 'http://a b']],
  'iri-reference': [['/ö'], ['\\ö']],
  uuid: [
    ['2eb8aa08-aa98-11ea-b4aa-73b441d16380', '2EB8AA08-AA98-11EA-B4AA-73B441D16380'],
    ['2eb8aa08aa9811eab4aa73b441d16380', '2eb8aa08-aa98-11ea-b4aa-73b441d1638'],
  ],
  'uri-template': [
    ['/crossings{?from,to}', '/{a}/{b*}', '{+path:3}', ''],
    ['/{', '/}', '/{a', '{a:0}'],
  ],
  'json-pointer': [
    ['', '/a/0', '/~0~1'],
    ['a', '/~2', '/~'],
  ],
  'relative-json-pointer': [
    ['0', '1/a', '0#', '0-1/a'],
    ['/a', '01', '-1/a', '1a'],
  ],
  regex: [
    ['^a$', '(?<x>a)\\k<x>'],
    ['(', '\\a', 'a{2,1}'],
  ],
};

it('every standard format has its texts', () =>
  expect(Object.keys(texts).sort()).toEqual(Object.keys(standardFormats).sort()));

describe.each(Object.entries(texts))('%s', (name, [good, bad]) => {
  const format = standardFormats[name] as (text: string) => boolean;
  it.each(good)('takes %j', (text) => expect(format(text)).toBe(true));
  it.each(bad)('refuses %j', (text) => expect(format(text)).toBe(false));
  it('answers for any text', () => {
    fc.assert(fc.property(fc.string({ unit: 'binary' }), (text) => expect(typeof format(text)).toBe('boolean')));
  });
});

/** Small random patterns over a small alphabet, so that they meet their texts often. */
const { pattern } = fc.letrec<{ pattern: string; term: string }>((tie) => ({
  term: fc.oneof(
    { maxDepth: 3 },
    fc.constantFrom('a', 'b', '.', '[ab]', '[^a]', '\\w', '\\d', '^', '$', '\\b', '\\B', '1', '\\u0061', '\\x62'),
    fc
      .tuple(fc.constantFrom('(', '(?:', '(?=', '(?!', '(?<=', '(?<!'), tie('pattern'))
      .map(([open, inner]) => `${open}${inner})`),
    fc
      .tuple(
        fc.constantFrom('a', 'b', '[ab1]', '(?:ab|a)', '(a|b)', '(?:a?b)'),
        fc.constantFrom('*', '+', '?', '{2}', '{1,2}', '{0,}', '*?', '+?', '??'),
      )
      .map(([one, count]) => one + count),
  ),
  pattern: fc.oneof(
    fc.array(tie('term'), { minLength: 1, maxLength: 4 }).map((terms) => terms.join('')),
    fc.tuple(tie('term'), tie('term')).map(([a, b]) => `${a}|${b}`),
  ),
}));

it('the guarded matcher agrees with the platform on random patterns', () => {
  fc.assert(
    fc.property(pattern, fc.string({ unit: fc.constantFrom('a', 'b', '1', ' '), maxLength: 8 }), (source, text) => {
      const native = new RegExp(source, 'u');
      const guarded = new GuardedPattern(parsePattern(source, 'u'), 1_000_000);
      expect([source, text, guarded.test(text)]).toEqual([source, text, native.test(text)]);
      expect(compilePattern(source).test(text)).toBe(native.test(text));
    }),
    { numRuns: 5000 },
  );
});
