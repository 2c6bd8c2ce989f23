import { changeSlot, draftAdapter, sentencesFor, type AdapterDescription, type FoundInput } from '../src/index.js';

const input = (face: Partial<FoundInput>): FoundInput => ({
  id: 'tide#Box',
  family: 'component',
  package: 'tide',
  version: '1.0.0',
  export: 'Box',
  module: 'tide',
  properties: [],
  events: [],
  methods: [],
  css: [],
  ...face,
});
const change = (type: string) => ({ name: 'onChange', type: 'function', args: [{ name: 'value', type }] });
const adapterOf = (found: FoundInput): AdapterDescription | undefined => draftAdapter(found)?.adapter;

describe('a draft from what is declared', () => {
  it('takes the value whose type the report tells', () => {
    const found = input({
      properties: [{ name: 'value', type: 'string' }, { name: 'selected', type: 'Date | null' }, change('Date | null')],
    });
    expect(adapterOf(found)?.value.property).toBe('selected');
  });
  it('takes of an element the event that turns its value over, and HTML’s own where a box of forms declares none', () => {
    const element = (tag: string, face: Partial<FoundInput>) => input({ family: 'element', tag, ...face });
    const text = (name: string) => ({ name, type: 'string' });
    const flag = { name: 'checked', type: 'boolean' };
    const toggle = element('xy-flip', { properties: [flag], events: [{ name: 'xyToggleChecked' }] });
    expect(adapterOf(toggle)?.change).toEqual({ report: 'xyToggleChecked', path: '/0/target/checked' });
    const box = { properties: [text('value'), text('name')] };
    expect(adapterOf(element('xy-datepicker', box))?.change).toEqual({ report: 'change', path: '/0/target/value' });
    expect(adapterOf(element('xy-card', box))).toBeUndefined();
  });
  it('takes a value whose report says that it changes it', () => {
    const found = input({
      properties: [
        { name: 'rating', type: 'number' },
        { name: 'changeRating', type: 'function', args: [{ name: 'rating', type: 'number' }] },
      ],
    });
    expect(adapterOf(found)).toMatchObject({
      value: { property: 'rating' },
      change: { report: 'changeRating', path: '/0' },
    });
  });
  it('hears what has to be listened to before what HTML tells of every element', () => {
    const counted = { name: 'onCountChange', type: 'function', args: [{ name: 'count', type: 'number' }] };
    const html = { ...change('ChangeEvent<HTMLInputElement>'), inherited: true as const };
    const heard = (required: boolean): string | undefined =>
      adapterOf(input({ properties: [{ name: 'value', type: 'number' }, html, { ...counted, required }] }))?.change
        .report;
    expect([heard(true), heard(false)]).toEqual(['onCountChange', 'onChange']);
  });
  it('gives choices the words that their type has, under a name of general use', () => {
    const options = { name: 'options', type: 'Port[]', members: ['content', 'value'] };
    const found = input({ properties: [{ name: 'value', type: 'string' }, change('string'), options] });
    expect(adapterOf(found)?.choices).toEqual({ property: 'options', value: 'value', text: 'content' });
    const old = { ...options, name: 'dataSource', deprecated: true as const };
    expect(adapterOf({ ...found, properties: [old, ...found.properties] })?.choices).toMatchObject({
      property: 'options',
    });
  });
  it('takes what is chosen under another name than what it is chosen from', () => {
    const holds = [{ path: '/selectedItems', type: 'T[]' }] as const;
    const found = input({
      properties: [
        { name: 'options', type: 'readonly T[]' },
        { name: 'selectedOptions', type: 'T[] | undefined' },
        { name: 'onOptionsChange', type: 'function', args: [{ name: 'changes', type: 'Changes<T>', holds }] },
      ],
    });
    expect(adapterOf(found)).toMatchObject({
      value: { property: 'selectedOptions' },
      change: { report: 'onOptionsChange', path: '/0/selectedItems' },
    });
  });
  it('takes a press for the change of what is on or off, and of nothing else', () => {
    const element = (type: string, tag = 'tide-checkbox'): FoundInput =>
      input({
        family: 'element',
        tag,
        properties: [{ name: 'checked', type }],
        events: [{ name: 'boxClick' }],
      });
    expect(adapterOf(element('boolean'))?.change.report).toBe('boxClick');
    expect(adapterOf(element('string'))).toBeUndefined();
    expect(adapterOf(element('boolean', 'tide-row'))).toBeUndefined();
  });
  it('takes what says that it is what was chosen, also where it is told as another type', () => {
    const found = input({
      properties: [
        { name: 'selectedTime', type: 'TimeType | null' },
        { name: 'onChange', type: 'function', args: [{ name: 'value', type: 'Mapped<TimeType> | null' }] },
      ],
    });
    expect(adapterOf(found)).toMatchObject({ value: { property: 'selectedTime' }, change: { path: '/0' } });
  });
  it('takes a month that is picked for the value, and a list of what is out of reach for no flag', () => {
    const found = input({
      properties: [
        { name: 'selected', type: 'Date | undefined' },
        { name: 'disabled', type: 'Matcher[] | undefined' },
        { name: 'onMonthSelect', type: 'function', args: [{ name: 'month', type: 'Date | undefined' }] },
      ],
    });
    expect(adapterOf(found)).toMatchObject({ change: { report: 'onMonthSelect', path: '/0' } });
    expect(adapterOf(found)).not.toHaveProperty('disabled');
  });
  it('takes an event of the package’s own by what it holds', () => {
    const found = input({
      properties: [
        { name: 'value', type: '(string | number) & BoxValue' },
        {
          name: 'onChange',
          type: 'function',
          args: [{ name: 'event', type: 'BoxChangeEvent', holds: [{ path: '/value', type: 'string' }] }],
        },
      ],
    });
    expect(adapterOf(found)?.change.path).toBe('/0/value');
  });
  it.each([
    ['a list that a choice tells under its name', 'values', 'onOptionSelected', 'values'],
    ['what is ticked, by what ticks', 'checked', 'onCheck', 'ticked'],
  ])('takes %s', (_what, property, report, argument) => {
    const found = input({
      properties: [
        { name: property, type: 'string[]' },
        { name: report, type: 'function', args: [{ name: argument, type: 'string[]' }] },
      ],
    });
    expect(adapterOf(found)).toMatchObject({ value: { property }, change: { report, path: '/0' } });
  });
  it('hears an event that is called after what is ticked', () => {
    const found = input({
      family: 'element',
      tag: 'tide-check',
      properties: [{ name: 'checked', type: 'boolean' }],
      events: [{ name: 'tideFocus' }, { name: 'tideCheck' }],
    });
    expect(adapterOf(found)?.change).toEqual({ report: 'tideCheck', path: '/0/target/checked' });
  });
  it('gives a value at the start where it takes none later', () => {
    const found = input({ properties: [{ name: 'defaultValue', type: 'string' }, change('string')] });
    expect(adapterOf(found)).toMatchObject({ value: { property: 'defaultValue' }, change: { path: '/0' } });
  });
  it('passes over reports that their maker advises against', () => {
    const found = input({
      properties: [
        { name: 'value', type: 'string' },
        { ...change('string'), deprecated: true },
        { name: 'onUpdate', type: 'function', args: [{ name: 'value', type: 'string' }] },
      ],
    });
    expect(adapterOf(found)?.change.report).toBe('onUpdate');
  });
  it.each([
    [
      'by what its items have',
      { name: 'items', type: 'Item[]', members: ['id', 'title'] },
      { property: 'items', value: 'id', text: 'title' },
    ],
    [
      'by a name of general use where the items are open',
      { name: 'options', type: 'T[]' },
      { property: 'options', value: 'value', text: 'label' },
    ],
    [
      'as their words alone where the items are texts',
      { name: 'options', type: 'readonly string[] | undefined' },
      { property: 'options', value: 'value', text: 'label', takes: 'words' },
    ],
    ['not by any other list', { name: 'rows', type: 'Row[]', members: ['value', 'label'] }, undefined],
  ])('finds where choices go %s', (_, property, wanted) =>
    expect(
      adapterOf(input({ properties: [{ name: 'value', type: 'string' }, change('string'), property] }))?.choices,
    ).toEqual(wanted),
  );
  it('gives an element the elements that its package has for choices', () => {
    const found = input({
      family: 'element',
      tag: 'tide-select',
      properties: [{ name: 'value', type: 'string' }],
      events: [{ name: 'tide-change' }],
      item: { tag: 'tide-option', module: 'tide/option.js' },
    });
    expect(draftAdapter(found)).toMatchObject({
      adapter: { choices: { tag: 'tide-option', value: 'value' }, change: { report: 'tide-change' } },
      findings: expect.arrayContaining([expect.objectContaining({ about: 'choices' })]) as unknown,
    });
  });
  it('gives what has to be given the plainest value, but not to what the adapter sets itself', () => {
    const found = input({
      properties: [
        { name: 'value', type: 'string', required: true, sample: '' },
        change('string'),
        { name: 'range', type: 'Range', required: true, sample: { min: 0, max: 100 } },
        { name: 'dir', type: 'string', inherited: true, sample: 'ltr' },
      ],
    });
    expect(adapterOf(found)?.constants).toEqual({ range: { min: 0, max: 100 } });
  });
});

describe('sentences about an adapter', () => {
  const adapter: AdapterDescription = {
    input: 'tide#Box',
    value: { property: 'value' },
    change: { report: 'onChange', path: '/0' },
    focus: { by: 'element' },
  };
  const said = (of: AdapterDescription, about: string): string =>
    (sentencesFor(of).find((sentence) => sentence.about === about)?.parts ?? [])
      .map((part) => (typeof part === 'string' ? part : (part.words ?? part.value)))
      .join('');
  it('say what holds where nothing is said', () => {
    expect(said(adapter, 'no value')).toBe(
      'For “no value” it takes the property left out, and bears every kind of value.',
    );
    expect(said(adapter, 'disabled')).toBe('Is disabled through its box, which is put out of reach.');
    expect(said(adapter, 'refusal')).toBe('When a change is refused, it goes back by itself.');
    expect(said(adapter, 'later')).toBe('A later value it follows.');
    expect(said(adapter, 'choices')).toBe('Takes its choices through nothing: it has none.');
    expect(said(adapter, 'real')).toBe('The real element is none: it is a group.');
  });
  it('change the description, and leave it again', () => {
    let next = changeSlot(adapter, '/value/empty', 'null');
    next = changeSlot(next, '/value/kind', 'text');
    next = changeSlot(next, '/change/refused', 'anew');
    next = changeSlot(next, '/value/later', 'anew');
    next = changeSlot(next, '/choices/property', 'items');
    next = changeSlot(next, '/choices/value', 'id');
    next = changeSlot(next, '/real/selector', 'input');
    expect(next).toEqual({
      ...adapter,
      value: { property: 'value', empty: null, kind: 'text', later: 'anew' },
      change: { ...adapter.change, refused: 'anew' },
      choices: { property: 'items', value: 'id', text: 'label' },
      real: { selector: 'input' },
    });
    expect(said(next, 'choices')).toBe(
      'Takes its choices through items, as id and label; its value is the value of one.',
    );
    for (const at of [
      '/value/empty',
      '/value/kind',
      '/value/later',
      '/change/refused',
      '/choices/property',
      '/real/selector',
    ])
      next = changeSlot(next, at, '');
    expect(next).toEqual(adapter);
  });
  it('say of what is on or off whether it tells that, or only that it was pressed', () => {
    const flag = changeSlot(adapter, '/value/kind', 'boolean');
    expect(said(changeSlot(adapter, '/value/empty', 'false'), 'change')).toBe(said(flag, 'change'));
    expect(said(flag, 'change')).toBe('Reports changes through onChange, value in first argument, telling the value.');
    const pressed = changeSlot(flag, '/change/tells', 'press');
    expect(pressed.change).toEqual({ ...adapter.change, tells: 'press' });
    expect(said(pressed, 'change')).toBe(
      'Reports changes through onChange, telling only that it was pressed: the value turns over.',
    );
    expect(changeSlot(pressed, '/change/tells', '')).toEqual(flag);
    expect(() => changeSlot(flag, '/change/tells', 'value')).toThrow('Here stands press');
  });
  it('say how values that are objects of a library are made', () => {
    expect(said(adapter, 'made')).toBe('Takes its values as they are.');
    let next = changeSlot(adapter, '/value/made/by', 'days#Day.from');
    expect(said(next, 'made')).toBe(
      'Its values are made of texts by days#Day.from, which is called, and read as texts by their toString, which is given nothing.',
    );
    next = changeSlot(next, '/value/made/by', 'days#Day');
    next = changeSlot(next, '/value/made/start', 'new');
    next = changeSlot(next, '/value/made/read', 'format');
    next = changeSlot(next, '/value/made/given', '["YYYY-MM-DD"]');
    expect(next.value).toMatchObject({
      made: { by: 'days#Day', start: 'new', read: 'format', given: ['YYYY-MM-DD'] },
    });
    expect(said(next, 'made')).toBe(
      'Its values are made of texts by days#Day, with new, and read as texts by their format, which is given ["YYYY-MM-DD"].',
    );
    for (const at of ['start', 'read', 'given']) next = changeSlot(next, `/value/made/${at}`, '');
    expect(next.value).toEqual({ ...adapter.value, made: { by: 'days#Day' } });
    expect(changeSlot(next, '/value/made/given', '[]')).toEqual(next);
    expect(changeSlot(next, '/value/made/by', '')).toEqual(adapter);
    expect(() => changeSlot(next, '/value/made/by', 'parseDay')).toThrow('package#export');
    expect(() => changeSlot(next, '/value/made/start', 'call')).toThrow('new, or nothing');
    expect(() => changeSlot(next, '/value/made/given', '"YYYY"')).toThrow('is a list');
  });
  it('refuse what means nothing', () => {
    expect(() => changeSlot(adapter, '/value/kind', 'tide')).toThrow('Here stands text, filled text, number');
    expect(() => changeSlot(adapter, '/change/refused', 'always')).toThrow('Here stands anew');
    expect(() => changeSlot(adapter, '/value/empty', '{')).toThrow();
  });
});
