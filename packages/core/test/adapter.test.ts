import {
  componentsBeside,
  changeSlot,
  draftAdapter,
  nativeAdapters,
  propertiesFor,
  reportedBy,
  sentencesFor,
  valueIn,
  type AdapterDescription,
  type FoundInput,
  type InputState,
} from '../src/index.js';

const state: InputState = {
  shown: undefined,
  invalid: false,
  disabled: false,
  readOnly: false,
  required: false,
  id: 'p1-a-input',
  name: '/a',
  labelledBy: 'p1-a-label',
  describedBy: undefined,
};
const found = (face: Partial<FoundInput>): FoundInput => ({
  id: 'tide#Input',
  family: 'component',
  package: 'tide',
  version: '1.0.0',
  export: 'Input',
  module: 'tide',
  properties: [],
  events: [],
  methods: [],
  css: [],
  ...face,
});
const callback = (name: string, ...args: [string, string][]) => ({
  name,
  type: 'function',
  args: args.map(([argument, type]) => ({ name: argument, type })),
});

describe('what an adapter tells its input', () => {
  const text = nativeAdapters['text']!;
  it('is the value where there is one, else the input’s own word for nothing', () => {
    expect(propertiesFor(text, state)).toMatchObject({ value: '', type: 'text' });
    expect(propertiesFor(text, { ...state, shown: 'Torsund' })['value']).toBe('Torsund');
    expect(propertiesFor(text, { ...state, shown: 0 })['value']).toBe(0);
    expect(propertiesFor(nativeAdapters['checkbox']!, { ...state, shown: false })['checked']).toBe(false);
  });
  it('has flags given or absent, never false', () => {
    expect(propertiesFor(text, state)).not.toHaveProperty('disabled');
    expect(propertiesFor(text, { ...state, disabled: true, invalid: true, required: true })).toMatchObject({
      disabled: true,
      'aria-invalid': true,
      'aria-required': true,
    });
  });
  it('is a set of what is listed where it takes one, which it tells as a list again; and nothing of another kind', () => {
    const adapter: AdapterDescription = {
      input: 'x',
      value: { property: 'chosen', kind: 'set' },
      change: { report: 'onChoose', path: '/0' },
      focus: { by: 'element' },
    };
    expect(propertiesFor(adapter, { ...state, shown: ['TOR', 'ALD', 'TOR'] })).toEqual({
      chosen: new Set(['TOR', 'ALD']),
    });
    expect(propertiesFor(adapter, { ...state, shown: 'TOR' })).toEqual({});
    const filled: AdapterDescription = { ...adapter, value: { property: 'day', kind: 'filled text' } };
    expect(['', 4, '4'].map((shown) => propertiesFor(filled, { ...state, shown }))).toEqual([{}, {}, { day: '4' }]);
    expect(reportedBy(adapter.change, [new Set(['TOR', 'ALD'])], undefined)).toEqual(['TOR', 'ALD']);
  });
  it('opens at the first value where the input can', () => {
    const adapter: AdapterDescription = {
      input: 'x',
      value: { property: 'selected', start: 'defaultMonth' },
      change: { report: 'onSelect', path: '/0' },
      focus: { by: 'element' },
    };
    expect(propertiesFor(adapter, { ...state, shown: 5 })).toEqual({ selected: 5, defaultMonth: 5 });
    expect(propertiesFor(adapter, state)).toEqual({});
  });
});

it('finds the value in the arguments of a report, getters included, and gives nothing where the way breaks', () => {
  const event = {
    get target() {
      return { value: 'x' };
    },
  };
  expect(valueIn([event], '/0/target/value')).toBe('x');
  expect(valueIn([null, 7], '/1')).toBe(7);
  expect(valueIn([null], '/0/target/value')).toBeUndefined();
});

describe('a draft', () => {
  it('takes the callback whose argument has the type of the value', () => {
    const drafted = draftAdapter(
      found({
        properties: [
          { name: 'selected', type: 'Date | undefined' },
          callback('onSelect', ['event', 'MouseEvent'], ['day', 'Date']),
        ],
      }),
    );
    expect(drafted?.adapter).toMatchObject({
      value: { property: 'selected' },
      change: { report: 'onSelect', path: '/1' },
    });
    expect(drafted?.findings.find(({ about }) => about === 'change')?.evidence).toBe(
      'onSelect gives the value as argument 2: its type is Date.',
    );
  });
  it('opens at a value that is one date, and at no other', () => {
    const startOf = (type: string): string | undefined =>
      draftAdapter(
        found({
          properties: [
            { name: 'value', type },
            { name: 'initialMonth', type: 'Date | undefined' },
            callback('onChange', ['value', type]),
          ],
        }),
      )?.adapter.value.start;
    expect(['Date | null', 'string | Date', 'any'].map(startOf)).toEqual(Array(3).fill('initialMonth'));
    expect(['string | null', 'Span', '[Date | null, Date | null]', 'Date[]'].map(startOf)).toEqual(
      Array(4).fill(undefined),
    );
  });
  it('looks into an event for the value', () => {
    const drafted = draftAdapter(
      found({
        properties: [
          { name: 'value', type: 'string' },
          callback('onChange', ['event', 'ChangeEvent<HTMLInputElement>']),
        ],
      }),
    );
    expect(drafted?.adapter.change).toEqual({ report: 'onChange', path: '/0/target/value' });
  });
  it('believes what a package declares itself before what every element has', () => {
    const drafted = draftAdapter(
      found({
        properties: [
          { name: 'checked', type: 'boolean', inherited: true },
          { name: 'color', type: 'string' },
          callback('onChange', ['color', 'string']),
        ],
      }),
    );
    expect(drafted?.adapter.value.property).toBe('color');
  });
  it('takes the value of a custom element from the element, and its own events', () => {
    const drafted = draftAdapter(
      found({
        family: 'element',
        tag: 'tide-box',
        properties: [
          { name: 'value', type: 'string' },
          { name: 'readonly', type: 'boolean' },
        ],
        events: [{ name: 'tide-change' }, { name: 'tide-blur' }],
        methods: ['focus'],
      }),
    );
    expect(drafted?.adapter).toMatchObject({
      change: { report: 'tide-change', path: '/0/target/value' },
      leave: { report: 'tide-blur' },
      focus: { by: 'handle', method: 'focus' },
      readOnly: { property: 'readonly' },
    });
  });
  it('gives the constant that the type of the value depends on', () => {
    const drafted = draftAdapter(
      found({
        properties: [
          { name: 'selected', type: 'Date | undefined where mode = "single"' },
          callback('onSelect', ['day', 'Date | undefined']),
        ],
      }),
    );
    expect(drafted?.adapter.constants).toEqual({ mode: 'single' });
  });
  it('is not made where nothing speaks for a value and a report', () => {
    expect(draftAdapter(found({ properties: [{ name: 'title', type: 'string' }] }))).toBeUndefined();
    expect(draftAdapter(found({ properties: [{ name: 'value', type: 'string' }] }))).toBeUndefined();
  });
});

describe('sentences', () => {
  const adapter = nativeAdapters['text']!;
  it('read the description aloud', () => {
    const read = sentencesFor(adapter).map(({ parts }) =>
      parts.map((part) => (typeof part === 'string' ? part : (part.words ?? part.value))).join(''),
    );
    expect(read).toContain('Reports changes through onChange, value in first argument → target → value.');
    expect(read).toContain('Takes the focus by its element.');
  });
  it('change the description where they are edited', () => {
    expect(changeSlot(adapter, '/change/report', 'onInput').change.report).toBe('onInput');
    expect(changeSlot(adapter, '/focus/by', 'inner').focus).toMatchObject({ by: 'inner' });
    expect(changeSlot(adapter, '/leave/report', '')).not.toHaveProperty('leave');
    const widget = { start: 'new', update: 'setValue', reports: 'on', element: 'div' } as const;
    const made = { ...adapter, widget };
    const told = sentencesFor(made).find(({ about }) => about === 'reports')?.parts;
    expect(told).toContainEqual(expect.objectContaining({ at: '/widget/on', words: 'on' }));
    for (const flag of ['startsEmpty', 'leavesTraces'])
      expect(changeSlot(made, `/widget/${flag}`, 'true').widget).toEqual({ ...widget, [flag]: true });
    expect(changeSlot(changeSlot(made, '/widget/place', 'field'), '/widget/place', '')).toEqual(made);
    expect(changeSlot(made, '/change/asks', 'getValue').change.asks).toBe('getValue');
    expect(() => changeSlot(made, '/widget/reports', 'signals')).toThrow('Here stands options, on, methods, events.');
    expect(() => changeSlot(made, '/widget/update', '')).toThrow('later value');
    expect(changeSlot(adapter, '/constants', '{"mode":"single"}').constants).toEqual({ mode: 'single' });
  });
  it('say where choices go: a property, elements, or components', () => {
    const choices = (...words: readonly string[]) =>
      words.reduce(
        (one, word) =>
          changeSlot(one, one.choices && 'tag' in one.choices ? '/choices/tag' : '/choices/property', word),
        adapter,
      ).choices;
    expect(choices('options')).toEqual({ property: 'options', value: 'value', text: 'label' });
    expect(choices('<li-item>')).toEqual({ tag: 'li-item', value: 'value' });
    expect(choices('<li-item>', 'tide#Item')).toEqual({ component: 'tide#Item', value: 'value', text: 'children' });
    expect(choices('options', '')).toBeUndefined();
  });
  it('say what a server draws of it', () => {
    const words = (of: AdapterDescription): string =>
      (sentencesFor(of).find(({ about }) => about === 'onServer')?.parts ?? [])
        .map((part) => (typeof part === 'string' ? part : (part.words ?? part.value)))
        .join('');
    const alone = changeSlot(adapter, '/onServer', 'nothing');
    expect(alone.onServer).toBe('nothing');
    expect(words(alone)).toBe('Draws nothing on a server, and stands once its page is there.');
    expect(changeSlot(alone, '/onServer', '')).toEqual(adapter);
    expect(words(adapter)).toBe('Draws itself on a server.');
    expect(() => changeSlot(adapter, '/onServer', 'something')).toThrow('nothing, or nothing');
  });
  it('say where the words of elements for choices go: inside, or in a property', () => {
    const elements = changeSlot(adapter, '/choices/property', '<tide-radio>');
    const named = changeSlot(elements, '/choices/text', 'label');
    expect(named.choices).toEqual({ tag: 'tide-radio', value: 'value', text: 'label' });
    expect(changeSlot(named, '/choices/tag', '<tide-mark>').choices).toEqual({ ...named.choices, tag: 'tide-mark' });
    expect(changeSlot(named, '/choices/text', '').choices).toEqual(elements.choices);
    const parts = sentencesFor(elements).find(({ about }) => about === 'choices')?.parts;
    expect(parts).toContainEqual(expect.objectContaining({ at: '/choices/text', words: 'the text inside' }));
  });
  it('say of a list of choices what its items are to the value, what makes it, and which part stands for one', () => {
    const told = (...changes: readonly (readonly [at: string, word: string])[]) =>
      changes.reduce(
        (one, [at, word]) => changeSlot(one, `/choices/${at}`, word),
        changeSlot(adapter, '/choices/property', 'ports'),
      );
    const list = { property: 'ports', value: 'value', text: 'label' };
    const all = told(['takes', 'item'], ['made/by', 'tide#listOf'], ['each/component', 'tide#Port']);
    const made = { by: 'tide#listOf', under: 'items' };
    const each = { component: 'tide#Port', property: 'item' };
    expect(all.choices).toEqual({ ...list, takes: 'item', made, each });
    expect(changeSlot(all, '/choices/property', 'quays').choices).toMatchObject({ property: 'quays', made, each });
    expect(changeSlot(all, '/choices/made/under', 'data').choices).toMatchObject({ made: { under: 'data' } });
    expect(componentsBeside(all)).toEqual(['tide#Port', 'tide#listOf']);
    const ofWords = sentencesFor(told(['takes', 'words'])).find(({ about }) => about === 'choices')?.parts;
    expect(ofWords).toContain(', as their words alone');
    const back = told(['takes', 'item'], ['takes', ''], ['made/by', 'a#b'], ['made/by', ''], ['each/component', 'a#b']);
    expect(changeSlot(back, '/choices/each/component', '').choices).toEqual(list);
    expect(changeSlot(all, '/choices/value', '').choices).toBeUndefined();
    expect(() => told(['takes', 'value'])).toThrow('item or words, or nothing');
    expect(() => told(['made/by', 'listOf'])).toThrow('package#export');
    const words = sentencesFor(all)
      .filter(({ about }) => about === 'choices' || about === 'list')
      .map(({ parts }) => parts.map((part) => (typeof part === 'string' ? part : (part.words ?? part.value))).join(''));
    expect(words).toEqual([
      'Takes its choices through ports, as value and label; its value is the choice itself.',
      'The list of choices is made by tide#listOf, under items, and each of them goes to tide#Port as item.',
    ]);
  });
  it('say what “invalid” is told by, and what links it', () => {
    expect(changeSlot(adapter, '/invalid/value', '"error"').invalid).toEqual({
      property: 'aria-invalid',
      value: 'error',
    });
    expect(changeSlot(adapter, '/labelledBy/property', 'aria-labelledby').labelledBy).toEqual({
      property: 'aria-labelledby',
    });
    expect(changeSlot(adapter, '/placeholder/property', '')).not.toHaveProperty('placeholder');
  });
  it('say which of a field’s words it draws itself, with properties of such names offered first', () => {
    expect(changeSlot(adapter, '/message/property', 'helpText').message).toEqual({ property: 'helpText' });
    expect(changeSlot(adapter, '/label/property', '')).not.toHaveProperty('label');
    const property = (name: string) => ({ name, type: 'string' });
    const suite = found({ properties: ['size', 'caption', 'helpText', 'placeholder'].map(property) });
    const offered = (about: string): readonly string[] =>
      sentencesFor(adapter, suite)
        .filter((one) => one.about === about)
        .flatMap(({ parts }) => parts.flatMap((part) => (typeof part === 'string' ? [] : part.choices)));
    expect(offered('label').slice(0, 2)).toEqual(['caption', 'size']);
    expect(offered('message')[0]).toBe('helpText');
    expect(offered('placeholder')[0]).toBe('placeholder');
  });
  it('refuse what would break the line', () => {
    expect(() => changeSlot(adapter, '/value/property', ' ')).toThrow('without it the line is broken');
    expect(() => changeSlot(adapter, '/constants', '[1]')).toThrow('Constant properties are an object');
  });
});
