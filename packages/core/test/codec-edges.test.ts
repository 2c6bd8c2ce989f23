/** What each built-in codec makes of what is odd: the edges of its way, value by value, with the reasons word for word. */
import { makeCodec } from '../src/index.js';

const day = new Date(2026, 11, 1);
const broken = new Date(NaN);
const at = (time: string): Date => new Date(time);
const anyFunction = (): number => 1;
/** A refusal, with its reason. */
class Refused {
  constructor(readonly reason: string) {}
}
const no = (reason: string): Refused => new Refused(reason);
type Rows = readonly (readonly [given: unknown, wanted: unknown])[];
type Ways = Partial<Record<'parse' | 'show' | 'serialise' | 'revive', Rows>>;

// prettier-ignore
const edges: readonly (readonly [kind: string, options: Record<string, unknown>, ways: Ways])[] = [
  ['number', {}, {
    parse: [
      [' 12 ', 12], ['+3', 3], ['-.5', -0.5], ['1e3', 1000], ['1e', no('“1e” is not a complete number yet.')],
      ['1e+', no('“1e+” is not a complete number yet.')], ['.', no('“.” is not a complete number yet.')],
      ['-', no('“-” is not a complete number yet.')], ['1.2.3', no('“1.2.3” is no number.')],
      ['12x', no('“12x” is no number: “x” does not belong in one.')], ['1e999', no('“1e999” is too large a number.')],
      ['12345678901234567', no('“12345678901234567” has more digits than can be kept exactly.')],
      ['123456789012345', 123456789012345], ['0.10', 0.1], ['00012', 12], ['1 000', 1000], ['\u22125', -5],
      [NaN, no('Is no number.')], [5, 5], [true, no('A number was expected, but the input gave true.')],
      ['12.x34e', no('“12.x34e” is no number: “x” does not belong in one.')],
      ['1234567890.1234567', 1234567890.1234567], ['12345678901234560000', 12345678901234560000],
    ],
    show: [
      [2.5, '2.5'], [undefined, ''], ['x', ''],
    ],
    serialise: [
      [2.5, 2.5], ['x', undefined],
    ],
    revive: [
      [3, 3], [null, no('A number was expected, but the record has null.')],
      ['3', no('A number was expected, but the record has “3”.')], [undefined, undefined],
    ],
  }],
  ['number', { locale: 'de' }, {
    parse: [
      ['1.234,5', 1234.5], ['1,5x', no('“1,5x” is no number: “x” does not belong in one.')], ['-1.000', -1000],
    ],
    show: [
      [1234.5, '1234,5'],
    ],
  }],
  ['number', { locale: 'nb' }, {
    parse: [
      ['1 234,5', 1234.5], ['1,5', 1.5],
    ],
    show: [
      [0.5, '0,5'],
    ],
  }],
  ['number', { shows: 'number' }, {
    parse: [
      [3, 3],
    ],
    show: [
      [3, 3], [undefined, undefined],
    ],
  }],
  ['integer', {}, {
    parse: [
      ['3', 3], ['3.5', no('“3.5” has decimals, but only whole numbers are possible here.')],
      [3.5, no('“3.5” has decimals, but only whole numbers are possible here.')],
      ['9007199254740993', no('“9007199254740993” has more digits than can be kept exactly.')],
    ],
    show: [
      [3, '3'],
    ],
  }],
  ['money', {}, {
    parse: [
      ['12', 1200], ['12.5', 1250], ['12.345', no('“12.345” has more than 2 decimals.')], ['12.340', 1234], ['-0', 0],
      ['-0.01', -1], ['.5', 50], ['x', no('“x” is no number: “x” does not belong in one.')], ['', undefined],
      ['99999999999999', no('“99999999999999” is too large an amount to be kept exactly.')], [12.5, 1250],
      [null, undefined], [['1'], no('An amount was expected, but the input gave a list.')],
    ],
    show: [
      [1250, '12.50'], [-5, '-0.05'], [0, '0.00'], [undefined, ''],
    ],
    serialise: [
      [1250, 1250], ['x', undefined],
    ],
    revive: [
      [1250, 1250], [12.5, no('A whole number of the smallest unit was expected, but the record has 12.5.')],
      [null, no('A whole number of the smallest unit was expected, but the record has null.')], [undefined, undefined],
    ],
  }],
  ['money', { digits: 0 }, {
    parse: [
      ['12', 12], ['12.5', no('“12.5” has more than 0 decimals.')],
    ],
    show: [
      [12, '12'],
    ],
  }],
  ['money', { digits: 1 }, {
    parse: [
      ['12.34', no('“12.34” has more than 1 decimal.')],
    ],
  }],
  ['money', { digits: 3, locale: 'de' }, {
    parse: [
      ['1.234,567', 1234567],
    ],
    show: [
      [1234567, '1234,567'],
    ],
  }],
  ['quantity', { units: { kg: 1, t: 1000 } }, {
    parse: [
      ['2 t', 2000], ['2', 2], ['2 KG', 2], ['2 lb', no('“2 lb” has a unit that is not known here; known are kg, t.')],
      ['t', no('“t” has no number yet.')], ['0.5t', 500],
      ['x', no('“x” has a unit that is not known here; known are kg, t.')], [3, 3],
      [true, no('A number was expected, but the input gave true.')], ['', undefined],
    ],
    show: [
      [500, '500 kg'], [2500, '2.5 t'], [0, '0 kg'], [undefined, ''],
    ],
    revive: [
      [2, 2],
    ],
  }],
  ['quantity', { unit: 'm' }, {
    parse: [
      ['3 m', 3], ['3', 3],
    ],
    show: [
      [3, '3 m'],
    ],
  }],
  ['text', {}, {
    parse: [
      ['a', 'a'], ['', undefined], [3, no('A text was expected, but the input gave 3.')], [null, undefined],
    ],
    show: [
      ['a', 'a'], [undefined, ''], [3, ''],
    ],
    serialise: [
      ['a', 'a'], [3, undefined],
    ],
    revive: [
      ['a', 'a'], [3, no('A text was expected, but the record has 3.')],
      [null, no('A text was expected, but the record has null.')], [undefined, undefined],
    ],
  }],
  ['text', { empty: 'null' }, {
    parse: [
      ['', null],
    ],
    show: [
      [null, ''],
    ],
  }],
  ['text', { empty: 'text' }, {
    parse: [
      ['', ''],
    ],
    show: [
      ['', ''],
    ],
  }],
  ['trimmed', {}, {
    parse: [
      [' a ', 'a'], ['  ', undefined], [3, no('A text was expected, but the input gave 3.')],
    ],
    show: [
      ['a', 'a'],
    ],
    serialise: [
      ['a', 'a'],
    ],
    revive: [
      ['a', 'a'],
    ],
  }],
  ['boolean', { yes: ['J'], no: ['N'] }, {
    parse: [
      [true, true], ['on', true], ['J', true], ['N', false], ['false', false],
      ['x', no('“x” means neither yes nor no.')], [null, undefined], ['', undefined],
    ],
    show: [
      [true, true], [undefined, undefined],
    ],
    serialise: [
      [false, false], ['x', undefined],
    ],
    revive: [
      [true, true], [1, no('Yes or no was expected, but the record has 1.')],
      [null, no('Yes or no was expected, but the record has null.')], [undefined, undefined],
    ],
  }],
  ['same', {}, {
    parse: [
      [1, 1], ['a', 'a'], [{ a: [1] }, { a: [1] }], [anyFunction, no('a function has no form in JSON.')],
      [undefined, undefined], [at('1970-01-01T00:00:00.000Z'), no('an object has no form in JSON.')],
      [NaN, no('NaN has no form in JSON.')],
    ],
  }],
  ['date', {}, {
    parse: [
      [day, day], [broken, no('This is no valid date.')], [' 2026-12-01 ', day],
      ['2026-02-30', no('“2026-02-30” is no day of the calendar.')],
      ['1.12.2026', no('“1.12.2026” is no date; write it like 2026-11-23.')],
      ['x2026-12-01', no('“x2026-12-01” is no date; write it like 2026-11-23.')],
      ['2026-12-01x', no('“2026-12-01x” is no date; write it like 2026-11-23.')],
      [3, no('A date was expected, but the input gave 3.')],
    ],
    show: [
      [day, day], [undefined, undefined], ['x', undefined],
    ],
    serialise: [
      [day, '2026-12-01'],
    ],
    revive: [
      ['2026-12-01', day], ['2026-13-01', no('A date like 2026-11-23 was expected, but the record has “2026-13-01”.')],
      [null, undefined], [3, no('A date like 2026-11-23 was expected, but the record has 3.')],
    ],
  }],
  ['date', { shows: 'text' }, {
    parse: [
      ['2026-12-01', day],
    ],
    show: [
      [day, '2026-12-01'], [undefined, ''],
    ],
  }],
  ['time', {}, {
    parse: [
      ['9:5', no('“9:5” is no time of day; write it like 09:15.')], ['9:05', '09:05'], ['0905', '09:05'],
      ['9.05', '09:05'], ['24:00', no('“24:00” is no time of day; write it like 09:15.')],
      ['23:60', no('“23:60” is no time of day; write it like 09:15.')], ['9:05:07', '09:05:07'],
      ['9:05:60', no('“9:05:60” is no time of day; write it like 09:15.')],
      ['x9:05', no('“x9:05” is no time of day; write it like 09:15.')], [day, '00:00'], [' 9:05 ', '09:05'],
      [3, no('A time was expected, but the input gave 3.')], ['', undefined],
    ],
    show: [
      ['09:05', '09:05'], [3, ''],
    ],
    serialise: [
      ['09:05', '09:05'], [3, undefined],
    ],
    revive: [
      ['09:05', '09:05'], ['9', no('A time like 09:15 was expected, but the record has “9”.')], [null, undefined],
    ],
  }],
  ['time', { offset: 'Z' }, {
    parse: [
      ['9:05', '09:05'], ['9:05:00', '09:05'], ['9:05:07', '09:05:07'],
    ],
    show: [
      ['09:05', '09:05'],
    ],
    serialise: [
      ['09:05', '09:05:00Z'], ['09:05:07', '09:05:07Z'],
    ],
    revive: [
      ['09:05:00Z', '09:05'], ['09:05:07Z', '09:05:07'], ['10:05:00+01:00', '09:05'],
      ['x', no('A time like 09:15 was expected, but the record has “x”.')],
    ],
  }],
  ['date-time', { zone: 'Europe/Oslo' }, {
    serialise: [
      [at('1970-01-01T00:00:00.000Z'), '1970-01-01T00:00:00.000Z'], [3, undefined],
    ],
    revive: [
      ['2026-11-23T09:15:00Z', at('2026-11-23T09:15:00.000Z')],
      ['2026-11-23', no('A date and time like 2026-11-23T09:15:00Z was expected, but the record has “2026-11-23”.')],
      ['x', no('A date and time like 2026-11-23T09:15:00Z was expected, but the record has “x”.')], [null, undefined],
      [3, no('A date and time like 2026-11-23T09:15:00Z was expected, but the record has 3.')],
    ],
  }],
  ['date-time', { zone: 'Europe/Oslo', shows: 'text' }, {
    parse: [
      ['2026-11-23 09:15', at('2026-11-23T08:15:00.000Z')], [' 2026-11-23 09:15 ', at('2026-11-23T08:15:00.000Z')],
      ['2026-11-23T09:15:30', at('2026-11-23T08:15:30.000Z')],
      ['2026-11-23T09:15:30.5Z', at('2026-11-23T09:15:30.500Z')],
      ['2026-11-23T09:15Z', at('2026-11-23T09:15:00.000Z')],
      ['2026-02-30 09:15', no('“2026-02-30” is no day of the calendar.')],
      ['2026-11-23 25:15', no('“25:15” is no time of day.')],
      ['2026-03-29 02:30', no('“2026-03-29 02:30” does not exist in Europe/Oslo: the clocks are put forward over it.')],
      ['2026-10-25 02:30', at('2026-10-25T00:30:00.000Z')],
      ['x2026-11-23 09:15', no('“x2026-11-23 09:15” is no date and time; write it like 2026-11-23 09:15.')],
      ['23:15', no('“23:15” is no date and time; write it like 2026-11-23 09:15.')],
      [3, no('A date and time was expected, but the input gave 3.')], [broken, no('This is no valid date.')],
    ],
    show: [
      [at('2026-11-23T08:15:00.000Z'), '2026-11-23T09:15'], [at('2026-11-23T08:15:30.000Z'), '2026-11-23T09:15:30'],
      [undefined, ''],
    ],
  }],
  ['epoch', {}, {
    serialise: [
      [at('1970-01-01T00:00:00.005Z'), 5],
    ],
    revive: [
      [5, at('1970-01-01T00:00:00.005Z')], ['5', no('Milliseconds since 1970 were expected, but the record has “5”.')],
      [null, undefined],
    ],
  }],
  ['list', {}, {
    parse: [
      ['a, b', ['a', 'b']], ['a,,b', ['a', 'b']], ['', undefined], ['  ', undefined], [['a'], ['a']],
      [[1], no('A text was expected, but the input gave a list.')],
      [3, no('A text was expected, but the input gave 3.')],
    ],
    show: [
      [['a', 'b'], 'a, b'], [undefined, ''],
    ],
    serialise: [
      [['a'], ['a']], ['x', undefined],
    ],
    revive: [
      [['a'], ['a']], ['a', no('A list of texts was expected, but the record has “a”.')],
      [[1], no('A list of texts was expected, but the record has a list.')], [undefined, undefined],
    ],
  }],
  ['list', { separator: ' ' }, {
    parse: [
      ['a  b c', ['a', 'b', 'c']],
    ],
    show: [
      [['a', 'b'], 'a b'],
    ],
  }],
  ['parts', { names: ['row', 'seatNumber'], separator: '-' }, {
    parse: [
      ['4-7', '4-7'], ['4-', no('Seat number is not there yet.')], ['4', no('Seat number is not there yet.')],
      [{ row: '4', seatNumber: 7 }, '4-7'], [{ row: '4' }, no('Seat number is not there yet.')], [['4', '7'], '4-7'],
      [{ row: '4-1', seatNumber: '7' }, no('Row has “-” in it, which stands between the parts.')], ['', undefined],
      [3, no('Parts were expected, but the input gave 3.')], [{ row: '', seatNumber: '' }, undefined],
    ],
    show: [
      ['4-7', { row: '4', seatNumber: '7' }], ['4', { row: '4', seatNumber: '' }],
      [undefined, { row: '', seatNumber: '' }], [3, { row: '', seatNumber: '' }],
    ],
    serialise: [
      ['4-7', '4-7'], [3, undefined],
    ],
    revive: [
      ['4-7', '4-7'], [3, no('A text was expected, but the record has 3.')],
    ],
  }],
  ['chosen', {}, {
    parse: [
      ['a', 'a'], [{ unchosen: 'x' }, no('“x” is not among the choices: choose one of them.')], [{ a: 1 }, { a: 1 }],
      [null, undefined], [anyFunction, no('a function has no form in JSON.')],
    ],
  }],
  ['choice', { key: 'id', choices: [{ id: 1, text: 'One' }] }, {
    parse: [
      [{ id: 1 }, 1], [{ id: {} }, no('The choice has no “id”.')], [{}, no('The choice has no “id”.')], [1, 1],
      [null, undefined],
    ],
    show: [
      [1, { id: 1, text: 'One' }], [2, { id: 2, label: '2' }], [undefined, null],
    ],
    serialise: [
      [1, 1],
    ],
    revive: [
      [1, 1], [{}, no('A key was expected, but the record has an object.')], [null, null],
    ],
  }],
  ['choice', { key: 'id', many: true }, {
    parse: [
      [[{ id: 1 }, { id: 2 }], [1, 2]], [[{ id: 1 }, {}], no('The choice has no “id”.')],
      [3, no('A list of choices was expected, but the input gave 3.')], [null, undefined],
    ],
    show: [
      [[1], [{ id: 1, label: '1' }]],
    ],
    serialise: [
      [[1], [1]],
    ],
    revive: [
      [[1], [1]], [3, no('A list of keys was expected, but the record has 3.')],
    ],
  }],
  ['file', { mediaType: 'image/png', most: 3 }, {
    parse: [
      ['data:image/png;base64,AAAA', 'data:image/png;base64,AAAA'],
      ['data:image/gif;base64,AAAA', no('The file is of the kind image/gif; image/png is expected.')],
      ['data:image/png;base64,AAAAAAAA', no('The file has 6 bytes; at most 3 are taken.')],
      ['data:image/png;base64,AAA=', 'data:image/png;base64,AAA='], ['data:;base64,AAAA', 'data:;base64,AAAA'],
      ['x', no('A file as data text was expected, but the input gave “x”.')], [null, undefined],
    ],
    show: [
      ['data:image/png;base64,AAAA', 'data:image/png;base64,AAAA'], ['x', undefined],
    ],
    serialise: [
      ['data:image/png;base64,AAAA', 'data:image/png;base64,AAAA'], ['x', undefined],
    ],
    revive: [
      ['data:image/png;base64,AAAA', 'data:image/png;base64,AAAA'],
      ['AAAA', no('A file in base64 was expected, but the record has “AAAA”.')], [null, undefined],
      [3, no('A file in base64 was expected, but the record has 3.')],
    ],
  }],
  ['file', { sends: 'base64' }, {
    serialise: [
      ['data:image/png;base64,AAAA', 'AAAA'],
    ],
    revive: [
      ['AAAA', 'data:application/octet-stream;base64,AAAA'],
      ['!', no('A file in base64 was expected, but the record has “!”.')],
    ],
  }],
  ['json', {}, {
    parse: [
      ['{"a":1}', { a: 1 }], [' ', undefined], ['', undefined], [{ a: 1 }, { a: 1 }],
      [anyFunction, no('a function has no form in JSON.')],
    ],
    show: [
      [{ a: 1 }, '{\n  "a": 1\n}'], [undefined, ''],
    ],
    serialise: [
      [{ a: 1 }, { a: 1 }],
    ],
    revive: [
      [{ a: 1 }, { a: 1 }],
    ],
  }],
  ['slug', {}, {
    parse: [
      ['Ærlig Talt! 2', 'aerlig-talt-2'], ['  ', undefined],
      ['!!!', no('Nothing is left of “!!!”: only letters a to z, figures and hyphens are.')],
      [3, no('A text was expected, but the input gave 3.')],
    ],
    show: [
      ['a', 'a'],
    ],
    serialise: [
      ['a', 'a'],
    ],
    revive: [
      ['a', 'a'],
    ],
  }],
  ['steps', { steps: [{ do: 'trim' }, { do: 'number' }] }, {
    parse: [
      [' 4 ', 4], ['x', no('Step 2: “x” is no number: “x” does not belong in one.')],
      [3, no('Step 1: A text was expected, but came 3.')], [null, undefined],
    ],
    show: [
      [4, '4'], [null, ''],
    ],
    serialise: [
      [4, 4],
    ],
    revive: [
      [4, 4],
    ],
  }],
  ['steps', { steps: [{ do: 'look up', table: { A: '1', B: '2' } }] }, {
    parse: [
      ['A', '1'], ['C', no('“C” is not in the table: A, B.')],
    ],
    show: [
      ['2', 'B'], ['9', '9'],
    ],
  }],
  ['steps', { steps: [{ do: 'date' }] }, {
    parse: [
      ['2026-12-01', day], ['x', no('“x” is no date; write it like 2026-11-23.')],
    ],
    show: [
      [day, '2026-12-01'],
    ],
    serialise: [
      [day, '2026-12-01'],
    ],
    revive: [
      ['2026-12-01', day],
    ],
  }],
  ['steps', { steps: [{ do: 'split', at: ',' }, { do: 'map', steps: [{ do: 'number' }] }] }, {
    parse: [
      ['1,2', [1, 2]], ['1,x', no('Step 2: Item 2: “x” is no number: “x” does not belong in one.')],
      [3, no('Step 1: A text was expected, but came 3.')],
    ],
    show: [
      [[1, 2], '1,2'],
    ],
    serialise: [
      [[1, 2], [1, 2]],
    ],
    revive: [
      [[1, 2], [1, 2]],
    ],
  }],
  // Up to fifteen digits are always kept, more only where the double is the very same.
  ['number', {}, {
    parse: [
      ['.55', 0.55], ['+.5', 0.5], ['.5e2', 50], ['1.', 1], ['1.e2', 100], ['123456789012345.0', 123456789012345],
      ['0000123456789012345', 123456789012345], ['-123456789012345', -123456789012345], ['0.100000000000000000', 0.1],
      ['1234567890123456', 1234567890123456], ['+9007199254740992', 9007199254740992], ['-9007199254740992', -9007199254740992],
      ['1.2345678901234567e10', 12345678901.234567], ['1.5000000000000000e3', 1500], ['0.30000000000000004', 0.30000000000000004],
      ['0.3000000000000000441', no('“0.3000000000000000441” has more digits than can be kept exactly.')],
      ['1234567890123456.5', 1234567890123456.5],
      ['10000000000000000000000', 1e22], ['1 2\u00A03\u202F4', 1234], ['\u2212.5', -0.5], ['+', no('“+” is not a complete number yet.')],
      ['1e5x', no('“1e5x” is no number: “x” does not belong in one.')], ['1e-', no('“1e-” is not a complete number yet.')],
      ['.5E', no('“.5E” is not a complete number yet.')], ['--1', no('“--1” is no number.')], ['1-1', no('“1-1” is no number.')],
    ],
  }],
  ['number', { locale: 'de-CH' }, {
    parse: [
      ['1’234.5', 1234.5], ['1\'234’567', 1234567],
    ],
  }],
  ['number', { language: 'de' }, {
    parse: [
      ['1.234,5', 1234.5],
    ],
    show: [
      [0.5, '0,5'],
    ],
  }],
  ['number', { language: 'de', locale: 'en' }, {
    parse: [
      ['1,234.5', 1234.5],
    ],
  }],
  ['number', { language: 5 }, {
    parse: [
      ['1.5', 1.5],
    ],
  }],
  ['money', {}, {
    parse: [
      ['1.', 100], ['+1.5', 150], ['1e2', no('“1e2” is no amount.')], ['.', no('“.” is not a complete number yet.')], [' ', undefined],
      ['1x', no('“1x” is no number: “x” does not belong in one.')], ['x1', no('“x1” is no number: “x” does not belong in one.')],
      ['\u22121.5', -150], ['1\u00A0000', 100000], ['0.00', 0], ['1.200', 120], ['1.201', no('“1.201” has more than 2 decimals.')],
    ],
    show: [
      [5, '0.05'], [-1250, '-12.50'], ['5', ''],
    ],
    revive: [
      ['5', no('A whole number of the smallest unit was expected, but the record has “5”.')],
    ],
  }],
  ['money', { digits: 12 }, {
    parse: [
      ['0.000000000001', 1],
    ],
  }],
  ['quantity', { units: { kg: 1, t: 1000 } }, {
    parse: [
      ['1 t', 1000], ['-1 t', -1000],
    ],
    show: [
      [1000, '1 t'], [-2000, '-2 t'], [999, '999 kg'],
    ],
  }],
  ['list', { separator: 'a  b' }, {
    show: [
      [['x', 'y'], 'xa  b y'],
    ],
  }],
  ['boolean', { yes: 'J', no: 5 }, {
    parse: [
      ['true', true], ['off', false], ['J', no('“J” means neither yes nor no.')], ['x', no('“x” means neither yes nor no.')],
    ],
    show: [
      [0, undefined], ['x', undefined],
    ],
  }],
  ['same', {}, {
    show: [
      [5, 5],
    ],
    serialise: [
      [5, 5],
    ],
    revive: [
      [5, 5],
    ],
  }],
  ['steps', {}, {
    parse: [
      ['x', 'x'], [5, 5], ['', undefined], [anyFunction, no('The steps leave a function, which has no form in JSON.')],
      [day, no('The steps leave an object, which has no form in JSON.')],
    ],
    show: [
      ['x', 'x'], [5, 5], [null, ''], [undefined, ''],
    ],
    serialise: [
      ['x', 'x'], [day, '2026-12-01'], [anyFunction, undefined],
    ],
    revive: [
      ['x', 'x'], [null, null], [undefined, undefined],
    ],
  }],
  ['steps', { steps: 'no list' }, {
    parse: [
      ['x', 'x'],
    ],
  }],
  ['steps', { steps: [{ do: 'upper' }] }, {
    parse: [
      [' a ', ' A '], [5, no('A text was expected, but came 5.')],
    ],
    show: [
      ['A', 'A'],
    ],
  }],
  ['steps', { steps: [{ do: 'lower' }] }, {
    parse: [
      [' A ', ' a '],
    ],
    show: [
      ['A', 'A'],
    ],
  }],
  ['steps', { steps: [{ do: 'trim' }] }, {
    parse: [
      [' A ', 'A'], ['  ', ''],
    ],
    show: [
      [' A ', ' A '],
    ],
  }],
  ['steps', { steps: [{ do: 'replace', what: '.', with: '-' }] }, {
    parse: [
      ['1.2.3', '1-2-3'],
    ],
    show: [
      ['1-2', '1-2'],
    ],
  }],
  ['steps', { steps: [{ do: 'replace', what: '.' }] }, {
    parse: [
      ['1.2.3', '123'],
    ],
  }],
  ['steps', { steps: [{ do: 'replace', what: '.', with: 5 }] }, {
    parse: [
      ['1.2', '12'],
    ],
  }],
  ['steps', { steps: [{ do: 'before', text: 'SK ' }] }, {
    parse: [
      ['SK 214', '214'], ['214', '214'], ['x SK 2', 'x SK 2'], ['SK SK 2', 'SK 2'], ['SK ', ''],
    ],
    show: [
      ['214', 'SK 214'], [5, 5],
    ],
  }],
  ['steps', { steps: [{ do: 'split', at: ',' }] }, {
    parse: [
      ['a,b', ['a', 'b']], ['a', ['a']],
    ],
    show: [
      [['a', 'b'], 'a,b'], [5, 5], ['a', 'a'],
    ],
  }],
  ['steps', { steps: [{ do: 'join', with: '+' }] }, {
    parse: [
      [['a', 'b'], 'a+b'], [[], ''],
    ],
    show: [
      ['a+b', ['a', 'b']], [5, 5],
    ],
  }],
  ['steps', { steps: [{ do: 'look up', table: { A: 1, B: { of: 2 } } }] }, {
    parse: [
      ['A', 1], ['B', { of: 2 }], [1, no('“1” is not in the table: A, B.')],
    ],
    show: [
      [1, 'A'], [3, 3],
    ],
  }],
  ['steps', { steps: [{ do: 'look up', table: 'A' }] }, {
    parse: [
      ['A', no('“A” is not in the table: .')],
    ],
  }],
  ['steps', { steps: [{ do: 'map', steps: [{ do: 'upper' }] }] }, {
    parse: [
      [['a', 'b'], ['A', 'B']], [[], []], [['a', 5], no('Item 2: A text was expected, but came 5.')],
      [[5, 6], no('Item 1: A text was expected, but came 5.')],
    ],
    show: [
      [['A'], ['A']], [5, 5],
    ],
  }],
  ['steps', { steps: [{ do: 'map', steps: [{ do: 'before', text: '#' }] }] }, {
    show: [
      [['A', 'B'], ['#A', '#B']],
    ],
  }],
  ['steps', { steps: [{ do: 'map' }] }, {
    parse: [
      [['a', 5], ['a', 5]],
    ],
  }],
  ['steps', { steps: [{ do: 'number', locale: 'de' }] }, {
    parse: [
      ['1,5', 1.5],
    ],
    show: [
      [1.5, '1,5'],
    ],
  }],
  ['steps', { steps: [{ do: 'split', at: ' ' }, { do: 'map', steps: [{ do: 'date' }] }] }, {
    parse: [
      ['2026-12-01', no('The steps leave a list, which has no form in JSON.')],
    ],
  }],
  ['steps', { steps: [{ do: 'trim' }, { do: 'date' }] }, {
    parse: [
      [' 2026-12-01 ', day], ['x', no('Step 2: “x” is no date; write it like 2026-11-23.')],
    ],
    show: [
      [day, '2026-12-01'],
    ],
    revive: [
      ['2026-12-01', day], ['x', no('A date like 2026-11-23 was expected, but the record has “x”.')],
    ],
  }],
  ['list', { separator: '; ' }, {
    parse: [
      ['a;b ; c', ['a', 'b', 'c']],
    ],
    show: [
      [['a', 'b'], 'a; b'],
    ],
  }],
  ...[{ separator: '' }, { separator: 5 }].map((options): (typeof edges)[number] => ['list', options, {
    parse: [
      ['a,b', ['a', 'b']], [[' a ', ''], ['a']], [[''], []],
    ],
    show: [
      [['a', 'b'], 'a, b'], [['a'], 'a'],
    ],
  }]),
  ['list', { separator: '\n' }, {
    parse: [
      ['a b\n c', ['a b', 'c']],
    ],
    show: [
      [['a', 'b'], 'a\nb'],
    ],
  }],
  ['parts', {}, {
    parse: [
      ['a b', 'a b'], [['a', 'b'], 'a b'], [['a', ''], no('Part 2 is not there yet.')], [['a b', 'c'], 'a b c'], [[], undefined],
      [[true, 'a'], no('Part 1 is not there yet.')],
    ],
    show: [
      ['a b', 'a b'], [5, ''],
    ],
    revive: [
      [undefined, undefined], [null, no('A text was expected, but the record has null.')],
    ],
  }],
  ['parts', { names: ['first', 'last'], labels: ['Given name'] }, {
    parse: [
      [' Anna Maria Holm ', 'Anna Maria Holm'], ['Anna Maria Holm', 'Anna Maria Holm'],
      [{ first: 'Anna', last: 'Maria Holm' }, 'Anna Maria Holm'], [{ first: ' Anna ', last: 'Holm ' }, 'Anna Holm'],
      [{ first: 'Anna Maria', last: 'Holm' }, no('Given name has “ ” in it, which stands between the parts.')],
      [{ last: 'Holm' }, no('Given name is not there yet.')], [['a', 'b', 'c'], 'a b c'],
      [['a', 'b', ''], no('Part 3 is not there yet.')], [['a'], no('Last is not there yet.')],
    ],
    show: [
      ['Anna Maria Holm', { first: 'Anna', last: 'Maria Holm' }],
    ],
  }],
  ['parts', { names: ['first', 'last'], at: 'last' }, {
    parse: [
      [{ first: 'Anna Maria', last: 'Holm' }, 'Anna Maria Holm'],
      [{ first: 'Anna', last: 'Maria Holm' }, no('Last has “ ” in it, which stands between the parts.')],
    ],
    show: [
      ['Anna Maria Holm', { first: 'Anna Maria', last: 'Holm' }], ['Anna', { first: 'Anna', last: '' }],
    ],
  }],
  ['parts', { names: ['a', 'b', 'c'], separator: '-', at: 'first' }, {
    show: [
      ['1-2-3-4', { a: '1', b: '2', c: '3-4' }], ['1 - 2 - 3 ', { a: '1', b: '2', c: '3' }],
    ],
  }],
  ['parts', { names: ['houseNo2Floor', 'post_code-of', 5] }, {
    parse: [
      [['', '', 'x'], no('House no2 floor is not there yet.')], [['x', '', 'x'], no('Post code of is not there yet.')],
      [['x', 'y', ''], no(' is not there yet.')],
    ],
  }],
  ['chosen', {}, {
    parse: [
      [{ unchosen: 5 }, { unchosen: 5 }], ['', undefined],
    ],
    show: [
      ['a', 'a'], [undefined, undefined],
    ],
    serialise: [
      ['a', 'a'],
    ],
    revive: [
      ['a', 'a'], [null, null],
    ],
  }],
  ['choice', { key: 5, text: 'name', choices: [{ value: 'a', name: 'A' }, 'b', null] }, {
    parse: [
      [{ value: 'a' }, 'a'], [{ value: null }, null], ['b', 'b'], [{ value: [1] }, no('The choice has no “value”.')],
      [{ label: 'x' }, no('The choice has no “value”.')], ['', undefined], [undefined, undefined],
      [anyFunction, no('The choice has no “value”.')],
    ],
    show: [
      ['a', { value: 'a', name: 'A' }], ['b', { value: 'b', name: 'b' }], [null, null], [false, { value: false, name: 'false' }],
    ],
    revive: [
      [undefined, undefined], [['a'], no('A key was expected, but the record has a list.')],
    ],
  }],
  ['choice', { many: true, choices: 'none' }, {
    parse: [
      [[], []], ['', undefined], [[{ value: 'a' }, 'b'], ['a', 'b']],
    ],
    show: [
      [undefined, []], ['x', []], [['a'], [{ value: 'a', label: 'a' }]],
    ],
    revive: [
      [undefined, undefined], [null, no('A list of keys was expected, but the record has null.')],
    ],
  }],
  ['choice', { many: 'yes' }, {
    parse: [
      [{ value: 'a' }, 'a'],
    ],
  }],
  ['file', { most: 4, mediaType: 5 }, {
    parse: [
      ['data:text/plain;base64,AAAAAA==', 'data:text/plain;base64,AAAAAA=='],
      ['data:text/plain;base64,AAAAAAA=', no('The file has 5 bytes; at most 4 are taken.')],
      ['data:text/plain;base64,AAAA', 'data:text/plain;base64,AAAA'],
      ...['xdata:text/plain;base64,AAAA', 'data:a,b;base64,AAAA', 'data:text/plain,AAAA', 'data:text/plain;base64,AAA!',
        'data:text/plain;base64,A===', 'data:text/plain;base64,AAAA x'].map((text): Rows[number] =>
        [text, no(`A file as data text was expected, but the input gave “${text}”.`)]),
    ],
    show: [
      [5, undefined], [undefined, undefined],
    ],
  }],
  ['file', { most: 'few', mediaType: 'text/plain' }, {
    parse: [
      ['data:text/plain;charset=utf-8;base64,AAAAAAAA', 'data:text/plain;charset=utf-8;base64,AAAAAAAA'],
      ['data:text/html;charset=utf-8;base64,AAAA', no('The file is of the kind text/html; text/plain is expected.')],
    ],
  }],
  ['file', { sends: 'base64', mediaType: 'text/plain' }, {
    serialise: [
      ['data:text/plain;charset=utf-8;base64,AA==', 'AA=='], ['AA==', undefined],
    ],
    revive: [
      ['AA==', 'data:text/plain;base64,AA=='], [5, no('A file in base64 was expected, but the record has 5.')],
      [undefined, undefined], [null, undefined],
    ],
  }],
];

describe.each(edges)('%s %j', (kind, options, ways) => {
  const codec = makeCodec({ kind, options });
  const rows = (Object.entries(ways) as [keyof Ways, Rows][]).flatMap(([way, all]) =>
    all.map(([given, wanted]) => [way, given, wanted] as const),
  );
  it.each(rows)('%s %p', (way, given, wanted) => {
    const came: unknown = codec[way](given);
    if (way === 'show' || way === 'serialise') expect(came).toEqual(wanted);
    else if (wanted instanceof Refused) expect(came).toMatchObject({ ok: false, reason: wanted.reason });
    else expect(came).toEqual({ ok: true, held: wanted });
  });
});
