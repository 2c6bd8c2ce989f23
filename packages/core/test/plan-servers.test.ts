/** What hints say of servers, what is wrong with hints, and what a browser sends without script: as tables. */
import {
  checksOf,
  compileSchema,
  makePlan,
  openForm,
  readSubmission,
  remoteAddress,
  remoteChoice,
  remoteChoices,
  remoteItemAddress,
  remoteNext,
  templateVariables,
  type HintsBeside,
  type PlacedCheck,
  type PlanRules,
} from '../src/index.js';
import { askServer } from '../src/plan/checks.js';

const hinted = (hints: object, schema: object = { type: 'string' }): object => ({ ...schema, 'x-poietra': hints });
const of = (schema: object): object => ({ properties: { a: schema, harbour: { type: 'string' } } });

describe('what is wrong with hints is told', () => {
  const told = (schema: object, beside?: HintsBeside, rules?: PlanRules): string[] =>
    makePlan(compileSchema(schema), beside, rules).troubles.map(({ says }) => says);
  const rules: PlanRules = {
    fields: { day: { adapter: 'x', codec: 'date' }, odd: { adapter: 'x', codec: 'dates' } },
    ownHints: { tide: { schema: {}, does: 'words' } },
  };
  it.each<[object, RegExp]>([
    [hinted({ lable: 'A' }), /“lable” is no hint\. Did you mean “label”\?/],
    [hinted({ label: 3 }), /“label” has to be a text\. It is left out\./],
    [hinted({ lines: '3' }), /“lines” has to be a number/],
    [hinted({ hidden: 'yes' }), /“hidden” has to be true or false/],
    [hinted({ tells: ['required', 1] }), /“tells” has to be a list of names/],
    [hinted({ rules: [{ holds: 'true' }] }), /“rules” has to be a list of rules, each with “holds” and “message”/],
    [hinted({ words: 'a' }), /“words” has to be an object/],
    [hinted({ normal: 'typed' }), /“normal” cannot be “typed”\./],
    [hinted({ input: 'txt' }), /There is no input “txt” of HTML’s own\. Did you mean “text”\?/],
    [hinted({ input: 'checkbox' }), /“checkbox” cannot take the values that the schema allows here; “text” is drawn\./],
    [
      hinted({ input: 'text' }, { type: 'array', items: { type: 'object', properties: { a: {} } } }),
      /“text” takes no list; it is left out\./,
    ],
    [hinted({ input: 'text' }, { type: 'object', properties: { b: {} } }), /“text” takes no group; it is left out\./],
    [hinted({ field: 'dya' }), /There is no field “dya”\. Did you mean “day”\?/],
    [hinted({ field: 'odd' }), /The field “odd” uses a codec “dates”, which is not there\. Did you mean “date”\?/],
    [hinted({ order: ['b', 'x'] }, { properties: { b: {} } }), /“order” names “x”, which is no member here/],
    [hinted({ order: ['b', 'b'] }, { properties: { b: {} } }), /“order” names a member twice; it is drawn once\./],
    [hinted({ remote: {} }), /“remote” has no address: its member “from” has to be a URI template\./],
    [
      hinted({ remote: { from: '/a{?b}', search: 'q' } }),
      /“remote” searches by “q”, but its address has no such variable\./,
    ],
    [
      hinted({ remote: { from: '/a{?hrabour}' } }),
      /“remote” uses “hrabour”, but no member of that name stands beside it or at the root\. Did you mean “harbour”\?/,
    ],
    [
      hinted({ remote: { from: '/a{?b}', variables: { b: '/nowhere' } } }),
      /“remote” takes “b” from “\/nowhere”, where the form has nothing\./,
    ],
    [hinted({ remote: { from: '/a{?b}', variables: { b: 'a' } } }), /“remote” takes “b” from “a”, where the form has/],
    [
      hinted({ remote: { from: '/a', variables: { c: '/harbour' } } }),
      /“remote” has a place for “c”, which its address does not use\./,
    ],
    [hinted({ remote: { from: '/a', one: '/a/{id}' } }), /its address “one” has no \{key\}\./],
    [hinted({ check: { from: '/a{?value,quay}' } }), /“check” uses “quay”, but no member of that name/],
    [hinted({ check: {} }), /“check” has no address: its member “from” has to be a URI template\./],
    [hinted({ check: { from: '/a{?b}' } }), /“check” asks the same of every value: its address has no \{value\}\./],
    [hinted({ rules: [{ holds: 'true', message: 'm', tells: ['b'] }] }), /A rule is told at “b”, which is no pointer/],
    [
      hinted({ rules: [{ holds: 'true', message: 'm', tells: ['/x'] }] }, { properties: { b: {} } }),
      /A rule is told at “\/x”, but there is nothing below/,
    ],
    [
      hinted({ messages: { requird: 'm' } }),
      /“messages” names the keyword “requird”, which no problem has\. Did you mean “required”\?/,
    ],
    [hinted({ tells: ['minLenght'] }), /“tells” names the keyword “minLenght”.*“minLength”/],
    [
      hinted({ layout: 'table' }, { properties: { b: {} } }),
      /The layout “table” is not for members here: stack, row, grid, tabs are\./,
    ],
    [
      hinted({ layout: 'grid' }, { type: 'array', items: { properties: { a: {} } } }),
      /The layout “grid” is not for entries: stack, table, tabs are\./,
    ],
    [hinted({ layout: 'steps' }, { properties: { b: {} } }), /The layout “steps” is not for members here/],
    [
      hinted({ prefix: '€' }, { properties: { b: {} } }),
      /“prefix” is for one input; this is a group\. It does nothing\./,
    ],
    [
      hinted({ placeholder: 'x' }, { type: 'array', items: { properties: { a: {} } } }),
      /“placeholder” is for one input; this is a list\./,
    ],
    [hinted({ order: ['b'] }), /“order” is for members; this is one input\. It does nothing\./],
    [hinted({ fold: 'open' }), /“fold” is for a section of a form; this is one input\./],
    [hinted({ lines: 3 }, { type: 'integer' }), /“lines” is for a text box of several lines; “number” has none\./],
    [hinted({ words: { a: 'A' } }), /“words” are for values to choose from; the schema has none here\./],
    [
      hinted({ words: { ALD: 'Aldervik', BER: 'Brevik' } }, { enum: ['ALD', 'BRE'] }),
      /“words” has words for “BER”, which is none of the choices\. Did you mean “BRE”\?/,
    ],
    [hinted({ layout: 'stack' }), /“layout” is for members and for entries; this has neither\./],
  ])('%j', (schema, says) => expect(told(of(schema), {}, rules)).toEqual([expect.stringMatching(says)]));
  it.each<[object]>([
    [hinted({ tide: 'low' })],
    [hinted({ label: 'A', hint: 'B', lines: 3, tells: ['required', 'parse', 'rule'], messages: { server: 'm' } })],
    [hinted({ field: 'day' })],
    [hinted({ input: 'listbox' }, { enum: ['a', 'b'] })],
    [hinted({ input: 'search' })],
    [hinted({ order: ['b', 'c'] }, { properties: { b: {}, c: {} } })],
    [hinted({ remote: { from: '/a{?q}', search: 'q' } })],
    [hinted({ remote: { from: '/a' } })],
    [hinted({ check: { from: '/a{?value}' } })],
    [hinted({ check: { from: '/a{?value,harbour}' } })],
    [hinted({ remote: { from: '/a{?b}', one: '/a/{key}', variables: { b: '/harbour' } } })],
    [{ type: 'array', items: { properties: { of: {}, one: hinted({ remote: { from: '/a{?of,harbour}' } }) } } }],
    [
      {
        oneOf: [
          { title: 'A', properties: { of: {} } },
          { title: 'B', properties: { b: hinted({ remote: { from: '/a{?of}' } }) } },
        ],
      },
    ],
    [hinted({ rules: [{ holds: 'true', message: 'm', tells: ['/b', ''] }] }, { properties: { b: {} } })],
    [hinted({ layout: 'tabs' }, { properties: { b: {} } })],
    [hinted({ fold: 'closed', order: ['b'] }, { properties: { b: {} } })],
    [hinted({ lines: 3, placeholder: 'x' })],
    [hinted({ words: { 1: 'one', null: 'none' } }, { enum: [1, null] })],
    [hinted({ words: { a: 'A' } }, { type: 'array', uniqueItems: true, items: { enum: ['a', 'b'] } })],
    [
      hinted(
        { prefix: '€' },
        {
          oneOf: [
            { title: 'A', type: 'string' },
            { title: 'B', type: 'integer' },
          ],
        },
      ),
    ],
    [hinted({ layout: 'table' }, { type: 'array', items: { properties: { a: {} } } })],
    [hinted({ hidden: true })],
  ])('%j is sound', (schema) => expect(told(of(schema), {}, rules)).toEqual([]));
  it('a hidden place that has to have a value and gets none', () => {
    const hidden = (schema: object): string[] => told({ ...of(schema), required: ['a'] });
    expect(hidden(hinted({ hidden: true }))).toEqual([expect.stringMatching(/^It is hidden, but has to have a value/)]);
    expect(hidden(hinted({ hidden: true }, { type: 'string', default: 'x' }))).toEqual([]);
    expect(hidden(hinted({ hidden: true }, { const: 'x' }))).toEqual([]);
    expect(hidden(hinted({ hidden: true, computed: '1' }))).toEqual([]);
  });
  it('hints beside the schema that lead nowhere, or are none; the whole may have pages', () => {
    expect(told(of({ type: 'string' }), { '/properties/b': {}, 'properties/a': {}, '/properties/a~': {} })).toEqual([
      'Hints are given for “/properties/b”, but the schema has nothing there.',
      'Hints are given for “properties/a”, but the schema has nothing there.',
      'Hints are given for “/properties/a~”, but the schema has nothing there.',
    ]);
    expect(told(of({ type: 'string' }), { '/properties/a': 'label' as never })).toEqual([
      'Hints have to be an object.',
    ]);
    expect(told(hinted({ layout: 'steps' }, of({ properties: { b: {} } })))).toEqual([]);
  });
});

describe('values that a server gives', () => {
  it.each([
    ['/a', []],
    ['/a{?q}', ['q']],
    ['/a/{x}{?q,r}{&s}', ['x', 'q', 'r', 's']],
    ['/a{?list*,short:12,}', ['list', 'short']],
    ['/a{/ x }{#y}', ['x', 'y']],
  ])('%s has the variables %j', (template, names) => expect(templateVariables(template)).toEqual(names));

  const form = { port: 'ALD', n: 3, yes: true, none: null, empty: '', list: [1], deep: { er: 'x' } };
  const asked = { form, here: { port: 'BRE' }, typed: '' };
  it.each<[object, string | undefined]>([
    [{ from: '/a{?port}' }, '/a?port=BRE'],
    [{ from: '/a{?n,yes}' }, '/a?n=3&yes=true'],
    [{ from: '/a{?p}', variables: { p: '/port' } }, '/a?p=ALD'],
    [{ from: '/a{?p}', variables: { p: '/deep/er' } }, '/a?p=x'],
    [{ from: '/a{?none}' }, undefined],
    [{ from: '/a{?empty}' }, undefined],
    [{ from: '/a{?list}' }, undefined],
    [{ from: '/a{?gone}' }, undefined],
    [{ from: '/a{?q}', search: 'q' }, '/a?q='],
    [{ from: 'http://skerry.example/a{?n}' }, 'http://skerry.example/a?n=3'],
    [{ from: 'HTTPS://skerry.example/a' }, 'HTTPS://skerry.example/a'],
    [{ from: '//skerry.example/a' }, undefined],
    [{ from: 'file:///a' }, undefined],
  ])('%j is asked at %s', (remote, address) => {
    expect(remoteAddress(remote as { from: string }, asked)).toBe(address);
  });
  it('one item is asked for by its key, where the hint says how', () => {
    const one = { from: '/a', one: '/a/{key}' };
    expect(remoteItemAddress(one, 'x y')).toBe('/a/x%20y');
    expect(remoteItemAddress(one, 7)).toBe('/a/7');
    expect(remoteItemAddress(one, true)).toBeUndefined();
    expect(remoteItemAddress({ from: '/a' }, 'x')).toBeUndefined();
  });
  it('an answer gives the choices that have the shape that the hint tells', () => {
    const remote = { from: '/a', list: '/items', key: '/id', text: '/name' };
    const items = [
      { id: 1, name: 'One' },
      { id: 2, name: 2 },
      { id: 3 },
      { name: 'No key' },
      { id: {}, name: 'x' },
      { id: [], name: 'x' },
    ];
    expect(remoteChoices(remote, { items })).toEqual([
      { value: 1, text: 'One' },
      { value: 2, text: '2' },
      { value: 3, text: '3' },
    ]);
    expect(remoteChoices({ from: '/a' }, ['x', 4])).toEqual([
      { value: 'x', text: 'x' },
      { value: 4, text: '4' },
    ]);
    expect(remoteChoices(remote, { items: 'none' })).toEqual([]);
    expect(remoteChoice({ key: '/id', text: '/name' }, { id: 'a', name: null })).toEqual([{ value: 'a', text: 'a' }]);
  });
});

describe('an answer that comes in parts', () => {
  const remote = { from: '/a', next: '/page/next' };
  const after = (next: unknown, address = '/a/b?x=1') => remoteNext(remote, { page: { next } }, address);
  it.each<[next: unknown, from: string, to: string]>([
    ['?page=2', '/a/b?x=1', '/a/b?page=2'],
    ['c', '/a/b', '/a/c'],
    ['/d', 'https://tide.example/a', 'https://tide.example/d'],
    ['https://tide.example/d', 'https://TIDE.example/a', 'https://tide.example/d'],
  ])('%s, seen from %s, goes on at %s', (next, from, to) => expect(after(next, from)).toBe(to));
  it.each<[next: unknown, from?: string]>([
    [undefined],
    [null],
    [''],
    [2],
    // The same again would have no end.
    ['?x=1'],
    ['https://other.example/a'],
    ['//other.example/a'],
    ['http://tide.example/d', 'https://tide.example/a'],
    ['javascript:alert(1)'],
    // Without a second one in its row, a second parameter would be the runner's own callback.
  ])('%s leads no further', (next, from = '/a/b?x=1') => expect(after(next, from)).toBeUndefined());
  it('has none where the hint does not say where', () =>
    expect(remoteNext({ from: '/a' }, '/b', '/a')).toBeUndefined());
});
describe('a server is asked about a value', () => {
  const check = (hint: object): PlacedCheck => {
    const [one] = checksOf(makePlan(compileSchema(of(hinted({ check: hint })))).root, (address) => {
      addresses.push(address);
      return Promise.resolve(answer);
    });
    if (!one) throw new Error('There is no check.');
    return one;
  };
  let addresses: string[] = [];
  let answer: unknown;
  beforeEach(() => (addresses = []));
  const around = { form: { port: 'ALD' }, here: {}, at: '/a', signal: { aborted: false } as never };
  it.each<[object, unknown, string | undefined]>([
    [{ from: '/f{?value}' }, true, undefined],
    [{ from: '/f{?value}' }, false, 'Is not accepted.'],
    [{ from: '/f{?value}', message: 'Is taken.' }, false, 'Is taken.'],
    [{ from: '/f{?value}', good: '/ok', reason: '/why' }, { ok: true, why: 'x' }, undefined],
    [{ from: '/f{?value}', good: '/ok', reason: '/why' }, { ok: false, why: 'Too long.' }, 'Too long.'],
    [{ from: '/f{?value}', good: '/ok', reason: '/why', message: 'm' }, { ok: false, why: '' }, 'm'],
    [{ from: '/f{?value}', good: '/ok', reason: '/why', message: 'm' }, { ok: false, why: 3 }, 'm'],
  ])('%j answered with %j says %s', async (hint, given, says) => {
    answer = given;
    expect(await check(hint).ask('x', around)).toBe(says);
    expect(addresses).toEqual(['/f?value=x']);
  });
  it('an answer that says neither is no answer', async () => {
    answer = { ok: 'maybe' };
    await expect(check({ from: '/f{?value}', good: '/ok' }).ask('x', around)).rejects.toThrow(
      'neither true nor false at “/ok”',
    );
  });
  it('what else it depends on is part of the question, and waited for', async () => {
    answer = true;
    const one = check({ from: '/f{?value,port,gone}', failing: 'hold' });
    expect([one.at, one.failing, one.with?.(around)]).toEqual(['/a', 'hold', ['ALD', null]]);
    expect(await one.ask('x', around)).toBeUndefined();
    expect(addresses).toEqual([]);
    expect(check({ from: '/f{?value}' }).with).toBeUndefined();
  });
  it('the platform’s own fetch asks for JSON, and an error of the server is none of the value', async () => {
    const asked = jest.spyOn(globalThis, 'fetch');
    try {
      asked.mockResolvedValueOnce(Response.json({ ok: true })).mockResolvedValueOnce(new Response('', { status: 503 }));
      const { signal } = new AbortController();
      expect(await askServer('/f', signal)).toEqual({ ok: true });
      expect(asked).toHaveBeenCalledWith('/f', { signal, headers: { Accept: 'application/json' } });
      await expect(askServer('/f', signal)).rejects.toThrow('The server answered with 503.');
    } finally {
      asked.mockRestore();
    }
  });
});

describe('what a browser sends without script', () => {
  const plan = makePlan(
    compileSchema({
      properties: {
        name: { type: 'string' },
        mass: { type: 'number' },
        cooled: { type: 'boolean' },
        kind: { enum: ['box', 'pallet'] },
        port: { enum: Array.from({ length: 20 }, (_, i) => `P${i}`) },
        tags: { type: 'array', uniqueItems: true, items: { enum: ['a', 'b', 'c'] } },
        lines: { type: 'array', items: { type: 'string' } },
        pair: { prefixItems: [{ type: 'string' }, { type: 'integer' }] },
      },
    }),
  );
  const read = (...pairs: [string, unknown][]) => readSubmission(plan, pairs);
  const shown: [string, string] = ['as', 'shown'];
  it('as it is sent, where a script ran: texts as they are, all else as JSON', () => {
    expect(read(['/name', '12'], ['/mass', '2.5'], ['/kind', 'box'], ['/cooled', 'true']).value).toEqual({
      name: '12',
      mass: 2.5,
      kind: 'box',
      cooled: true,
    });
    expect(read(['/mass', '2,5']).typed).toEqual({ '/mass': '2,5' });
  });
  it('as it was shown, where none did: choices by their number, marks by being there', () => {
    const { value, typed, visited } = read(
      shown,
      ['/name', 'a'],
      ['/mass', '2x'],
      ['/kind', '1'],
      ['/port', 'P7'],
      ['/tags', '2'],
      ['/tags', '0'],
      ['/tags', 'x'],
    );
    expect(value).toEqual({ name: 'a', cooled: false, kind: 'pallet', port: 'P7', tags: ['c', 'a'] });
    expect(typed).toEqual({ '/mass': '2x' });
    expect(visited).toContain('/cooled');
    expect(read(shown, ['/cooled', 'on']).value).toEqual({ cooled: true });
  });
  it('lists in the order of their numbers, without gaps, and tuples where they stand', () => {
    expect(read(shown, ['/lines/10', 'k'], ['/lines/2', 'c'], ['/pair/1', '4']).value).toMatchObject({
      lines: ['c', 'k'],
    });
    expect(read(['/pair/0', 'a'], ['/pair/1', '4']).value).toEqual({ pair: ['a', 4] });
  });
  it('what is no place of the plan, no pointer or no text is left alone; the form opens on the rest', () => {
    const snapshot = read(['other', 'x'], ['/gone', 'x'], ['/name', new Blob()], ['/mass', '3'], ['/lines', 'x']);
    expect(snapshot.value).toEqual({ mass: 3 });
    expect(openForm({ schema: {}, compiled: plan.compiled, restore: snapshot }).sent()).toEqual({ mass: 3 });
    expect(read().value).toEqual({});
  });
});
