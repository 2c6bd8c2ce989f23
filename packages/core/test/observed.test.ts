import {
  addStep,
  contract,
  emptiesFor,
  isOpenName,
  faceChanges,
  faceOf,
  fingerprint,
  gestureWords,
  isFlagType,
  pressesIn,
  readingsOf,
  type Heard,
  reportedBy,
  reportsOf,
  samplesFor,
  sheetChanges,
  staleness,
  checkOf,
  tally,
  toTry,
  isKept,
  type CheckVerdict,
  type FoundInput,
  type ScoreSheet,
  type Step,
} from '../src/index.js';

const input: FoundInput = {
  id: 'tide#Box',
  family: 'component',
  package: 'tide',
  version: '1.0.0',
  export: 'Box',
  module: 'tide',
  properties: [
    { name: 'value', type: 'string' },
    { name: 'onChange', type: '(value: string) => void', args: [{ name: 'value', type: 'string' }] },
    { name: 'onSelectCapture', type: '() => void', args: [], inherited: true },
    { name: 'onOld', type: '() => void', args: [], deprecated: true },
    { name: 'title', type: 'string', inherited: true },
  ],
  events: [],
  methods: [],
  css: [],
};

describe('the value in what was reported', () => {
  const event = { type: 'change', target: { value: 'Torsund', checked: false } };
  it('is looked for in the event’s target, under the name of the property first', () => {
    expect(readingsOf([{ name: 'onChange', args: [event] }], 'value', false)[0]).toEqual({
      report: 'onChange',
      path: '/0/target/value',
      value: 'Torsund',
    });
  });
  it('is the flag where a flag is wanted', () => {
    expect(readingsOf([{ name: 'onChange', args: [event] }], 'checked', true)[0]?.path).toBe('/0/target/checked');
  });
  it('are looked for where they are declared to be, too', () => {
    const heard = [{ name: 'onChange', args: [{ hex: '#336699', tone: { h: 210 } }] }];
    const paths = (path?: string): string[] =>
      readingsOf(heard, 'color', false, { report: 'onChange', type: 'string', ...(path ? { path } : {}) }).map(
        (one) => one.path,
      );
    expect(paths('/0/hex')).toEqual(['/0/hex']);
    expect(paths()).toEqual([]);
  });
  it('is the key of a choice that is told as a whole, where the key is held', () => {
    const heard = [{ name: 'onChange', args: [event, { key: 'ALD', text: 'Aldervik' }] }];
    const [first] = readingsOf(heard, 'selectedKey', false, { report: 'onChange', type: 'string | number' });
    expect(first).toMatchObject({ path: '/1/key', value: 'ALD' });
  });
  it('is rather of what told nothing twice, and may lie in one of the members of what was told', () => {
    const said = (name: string, value: string): Heard => ({ name, args: [value] });
    const heard = ['T', 'To'].flatMap((text) => [
      said('place-change', text),
      said('place-change', text),
      said('text-change', text),
    ]);
    expect(readingsOf(heard, 'value', false).map(({ report }) => report)).toEqual(['text-change', 'place-change']);
    const whole = { context: { days: ['2026-10-15'] }, days: undefined };
    expect(readingsOf([{ name: 'onClickDate', args: [whole] }], 'days', false)[0]).toMatchObject({
      path: '/0/context/days',
    });
  });
  it('may be the argument itself, or sit in the detail of an event or in an object', () => {
    const box = { type: 'change', target: { value: 'C:\\fakepath\\manifest.txt' } };
    const files = [new Blob(['Skerry Line'])];
    expect(readingsOf([{ name: 'onChange', args: [box, { files }] }], 'value', false)).toMatchObject([
      { path: '/1/files' },
      { path: '/1' },
    ]);
    expect(readingsOf([{ name: 'onSelect', args: [new Date(0), event] }], 'selected', false)[0]?.path).toBe('/0');
    const custom = { type: 'change', target: {}, detail: { value: 7 } };
    expect(readingsOf([{ name: 'tide-change', args: [custom] }], 'value', false)[0]?.path).toBe('/0/detail/value');
    // The declared report counts whatever it is called; an object is no reading where a text is declared, a list may be.
    const told = { report: 'onRate', type: 'string | undefined' };
    const heard = [{ name: 'onRate', args: [['low'], { mark: 'low' }] }];
    expect(readingsOf(heard, 'rating', false)).toEqual([]);
    expect(readingsOf(heard, 'rating', false, told).map(({ path }) => path)).toEqual(['/0']);
    expect(readingsOf([{ name: 'onValueChange', args: [{ floatValue: 3 }] }], 'value', false)[0]?.value).toEqual({
      floatValue: 3,
    });
  });
  it('is what an object carries under the property’s name before the object itself', () => {
    const paths = (value: unknown): string[] =>
      readingsOf([{ name: 'onChange', args: [value] }], 'value', false).map(({ path }) => path);
    expect(paths({ value: 91 })).toEqual(['/0/value', '/0']);
    expect(paths({ date: new Date(0), view: 'days' })).toEqual(['/0', '/0/date']);
  });
  it('is what stands under the property’s own name, in the object or in its detail', () => {
    const event = { type: 'change', target: {}, detail: { chosenPort: 'TOR', label: 'Torsund' } };
    expect(readingsOf([{ name: 'onChange', args: [event] }], 'chosenPort', false)[0]?.path).toBe(
      '/0/detail/chosenPort',
    );
  });
  it('may be yes or no where nobody knows', () => {
    const heard = [{ name: 'onChange', args: [true, 'on'] }];
    expect(readingsOf(heard, 'value', undefined).map(({ value }) => value)).toEqual([true, 'on']);
    expect(['T', 'TideState<T> | undefined', 'string', 'number | null', 'Date', 'A | B'].map(isOpenName)).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
    ]);
  });
  it('is that of the first where what is chosen is told as a list', () => {
    const readings = readingsOf([{ name: 'onChange', args: [[{ value: 'TOR', text: 'Torsund' }]] }], 'value', false);
    expect(readings.map(({ path, value }) => [path, value])).toEqual([
      ['/0', [{ value: 'TOR', text: 'Torsund' }]],
      ['/0/0/value', 'TOR'],
    ]);
  });
  it('is no number of an event of the pointer, which counts presses', () => {
    const press = { type: 'change', target: {}, view: {}, detail: 1 };
    expect(readingsOf([{ name: 'onChange', args: [press] }], 'value', false)).toEqual([]);
  });
  it('is not taken from reports about something else, nor from events, elements and functions', () => {
    const besides = ['onOpenChange', 'onMonthChange', 'onInputChange', 'onFocus', 'onSearch'];
    expect(
      readingsOf(
        besides.map((name) => ({ name, args: ['x'] })),
        'value',
        false,
      ),
    ).toEqual([]);
    const args = [{ nodeType: 1 }, () => undefined, undefined];
    expect(readingsOf([{ name: 'onChange', args }], 'value', false)).toEqual([]);
  });
  it('may say of a press no more than that it was one', () => {
    const heard = ['onChange', 'onFocus', 'onChange'].map((name) => ({ name, args: [{}, 'hatch'] }));
    expect(readingsOf(heard, 'selected', true)).toEqual([]);
    expect(pressesIn(heard)).toEqual([{ report: 'onChange', path: '/0', value: true, tells: 'press' }]);
    const change = { report: 'onChange', path: '/1' };
    expect(reportedBy(change, [{}, 'hatch'], true)).toBe('hatch');
    expect([undefined, false, true].map((shown) => reportedBy({ ...change, tells: 'press' }, [], shown))).toEqual([
      true,
      true,
      false,
    ]);
  });
  it('survives objects that throw when they are looked into', () => {
    const hostile = Object.defineProperty({}, 'target', {
      get() {
        throw new Error('no');
      },
    });
    expect(() => readingsOf([{ name: 'onChange', args: [hostile] }], 'value', false)).not.toThrow();
  });
});

describe('what is tried on an input', () => {
  it('is listened to through every callback that is not deprecated, and every event', () => {
    expect(reportsOf(input)).toEqual(['onChange']);
    expect(reportsOf({ ...input, family: 'element', events: [{ name: 'tide-change' }] })).toEqual([
      'tide-change',
      'input',
      'change',
    ]);
  });
  it('is not listened to where it would have to answer', () => {
    const onBeforeMove = { name: 'onBeforeMove', type: 'Guard', args: [{ name: 'to', type: 'number' }] };
    expect(reportsOf({ ...input, properties: [onBeforeMove] })).toEqual(['onBeforeMove']);
    expect(reportsOf({ ...input, properties: [{ ...onBeforeMove, asked: true }] })).toEqual([]);
  });
  it('are values of the kinds that its type names', () => {
    const now = new Date(2026, 10, 23);
    expect(samplesFor('boolean', now)).toEqual([[true, false]]);
    expect(samplesFor('Date | undefined', now)[0]).toEqual([new Date(2026, 10, 10), new Date(2026, 10, 20)]);
    expect(samplesFor('string', now, ['ALD', 'BRE'])[0]).toEqual(['ALD', 'BRE']);
    expect(samplesFor('string[]', now)).toContainEqual([['Aldervik'], ['Brennholm']]);
    for (const type of ['number[]', '[number, number] | undefined'])
      expect(samplesFor(type, now)).toContainEqual([
        [20, 40],
        [30, 70],
      ]);
  });
  it('are empty values in the order of their likelihood', () => {
    expect(emptiesFor(true, 'boolean')).toEqual([false]);
    expect(emptiesFor([], 'string[]')[0]).toEqual([]);
    expect(emptiesFor(3, 'number')).toEqual([undefined, null, '', 0]);
    expect(emptiesFor('x', 'string')[0]).toBe('');
    expect(emptiesFor([20, 40], 'number[]').slice(-2)).toEqual([
      [0, 100],
      [0, 0],
    ]);
    expect(emptiesFor({ h: 210, s: 1, a: 0.5 }, 'Colour').at(-1)).toEqual({ h: 0, s: 0, a: 1 });
    expect(emptiesFor({ name: 'quay', size: 1 }, 'File')).toEqual([undefined, null, '']);
    expect(emptiesFor('x', 'string | null')).toEqual([undefined, null, '']);
  });
});

describe('a gesture', () => {
  const box = { role: 'textbox' };
  it('gathers typing in one step and drops the press that began it', () => {
    const done: Step[] = [
      { do: 'press', on: box },
      { do: 'type', on: box, text: 'T' },
      { do: 'type', on: box, text: 'To' },
      { do: 'press', on: { role: 'option', name: 'Torsund' } },
    ];
    const steps = done.reduce<readonly Step[]>(addStep, []);
    expect(steps).toEqual([done[2], done[3]]);
    expect(gestureWords({ name: 'choose', steps })).toBe('type “To” into the textbox, then press the option “Torsund”');
  });
});

describe('a score sheet', () => {
  const sheet: ScoreSheet = {
    version: '1.0.0',
    time: '2026-11-23T09:00:00Z',
    adapter: fingerprint({ a: 1 }),
    face: faceOf(input),
    verdicts: [
      { check: 'held', state: 'pass', seen: '' },
      { check: 'late', state: 'fail', seen: '' },
    ],
  };
  it('counts, and has a title and an advice for every check', () => {
    expect(tally(sheet.verdicts)).toEqual({ pass: 1, fail: 1, none: 0, open: 0 });
    expect(new Set(contract.map(({ id }) => id)).size).toBe(contract.length);
    expect(contract.every(({ expects, advice }) => expects.endsWith('.') && advice.endsWith('.'))).toBe(true);
  });
  it('is kept where every check that applies was decided, and passed', () => {
    const of = (...states: CheckVerdict['state'][]) =>
      isKept(states.map((state) => ({ check: 'late', state, seen: '' })));
    expect([of('pass', 'none'), of('pass', 'fail'), of('pass', 'open'), of('none'), of()]).toEqual([
      true,
      false,
      false,
      false,
      false,
    ]);
  });
  it('says what to try: about what failed by its check, about what was not decided to prove it again', () => {
    const about = (state: CheckVerdict['state']) => toTry({ check: 'late', state, seen: '' });
    expect(about('fail')).toBe(checkOf('late')?.advice);
    expect(about('open')).toMatch(/^Prove it again/);
  });
  it('is stale when the package or the adapter is another', () => {
    expect(staleness(sheet, { a: 1 }, '1.0.0')).toBeUndefined();
    expect(staleness(sheet, { a: 1 }, '2.0.0')).toContain('at 2.0.0');
    expect(staleness(sheet, { a: 2 }, '1.0.0')).toContain('was changed');
  });
  it('tells what changed since, in verdicts and in what is declared', () => {
    const after: ScoreSheet = { ...sheet, verdicts: [{ check: 'late', state: 'pass', seen: '' }] };
    expect(sheetChanges(sheet, after)).toEqual([{ check: 'late', before: 'fail', after: 'pass' }]);
    const face = faceOf({ ...input, properties: [{ name: 'value', type: 'number' }] });
    expect(faceChanges(sheet.face ?? {}, face)).toEqual([
      'onChange is gone; it was (value: string) => void',
      'onOld is gone; it was () => void',
      'value was string, is number',
    ]);
  });
});

it.each([
  ['boolean | undefined', true],
  ['false | true', true],
  ['boolean | "mixed"', true],
  ['string | number | boolean', false],
  ['"on" | "off"', false],
  ['Flag', false],
])('%s is of what is on or off: %s', (type, isSo) => expect(isFlagType(type)).toBe(isSo));

it('what may be on or off as well as a text is tried as a text first', () => {
  const pairs = samplesFor('string | boolean', new Date(2026, 10, 1));
  expect(pairs[0]).toEqual(['Aldervik', 'Torsund']);
  expect(pairs).toContainEqual([true, false]);
});
