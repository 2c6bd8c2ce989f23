import { effect } from '@preact/signals-core';
import { compileSchema, makeCodec, openForm, readProblemDetails } from '../src/index.js';

const booking = {
  type: 'object',
  required: ['consignor', 'pieces'],
  properties: {
    consignor: { $ref: '#/$defs/party' },
    consignee: { $ref: '#/$defs/party' },
    pieces: { type: 'integer', minimum: 1 },
    collection: { type: 'string', format: 'date' },
    hazardous: { type: 'boolean' },
    lines: { type: 'array', items: { type: 'object', properties: { kind: { type: 'string' } } } },
  },
  if: { properties: { hazardous: { const: true } }, required: ['hazardous'] },
  then: { required: ['hazardClass'], properties: { hazardClass: { enum: ['3', '8'] } } },
  $defs: { party: { type: 'object', required: ['name'], properties: { name: { type: 'string', minLength: 2 } } } },
};
interface Booking {
  consignor: { name: string };
  consignee?: { name: string };
  pieces: number;
}
const open = (values?: unknown) =>
  openForm<Booking>({ schema: booking, values, codecs: { '/collection': makeCodec({ kind: 'date' }) } });

describe('a field', () => {
  it('keeps what cannot be parsed exactly as typed, and says why', () => {
    const form = open();
    const pieces = form.field('/pieces');
    pieces.report('12a');
    expect(pieces.shown).toBe('12a');
    expect(pieces.held).toBeUndefined();
    expect(pieces.problems.map(({ message }) => message)).toEqual(['“12a” is no number: “a” does not belong in one.']);
    pieces.report('12');
    expect([pieces.held, pieces.sent, pieces.problems]).toEqual([12, 12, []]);
  });
  it('does not eat a half-typed number, and tidies it on leaving', () => {
    const form = open();
    const pieces = form.field('/pieces');
    pieces.report('012');
    expect([pieces.shown, pieces.held]).toEqual(['012', 12]);
    pieces.leave();
    expect(pieces.shown).toBe('12');
  });
  it('tells its problems after it was left, and follows every change from then on', () => {
    const pieces = open().field('/pieces');
    pieces.report('0');
    expect(pieces.shownProblems).toEqual([]);
    pieces.leave();
    expect(pieces.shownProblems.map(({ message }) => message)).toEqual(['Has to be 1 or more.']);
    pieces.report('3');
    expect(pieces.shownProblems).toEqual([]);
  });
  it('takes a typed path for a place', () => {
    const form = open({ consignee: { name: 'Torsund Fish' } });
    expect(form.field((b) => b.consignee.name).held).toBe('Torsund Fish');
  });
  it('is drawn again only when it changes itself', () => {
    const form = open();
    const drawn = { pieces: 0, name: 0 };
    effect(() => void [form.field('/pieces').shown, form.field('/pieces').shownProblems, drawn.pieces++]);
    effect(() => void [form.field('/consignor/name').shown, form.field('/consignor/name').shownProblems, drawn.name++]);
    form.field('/consignor/name').report('Aldervik Timber');
    form.field('/consignor/name').report('Aldervik Timber Co');
    expect(drawn).toEqual({ pieces: 1, name: 3 });
  });
  it('forgets an emptied optional group, so that it is not asked for its members', () => {
    const form = open();
    form.field('/consignee/name').report('A');
    form.field('/consignee/name').report('');
    expect(form.sent()).toEqual({ consignor: {} });
    expect(form.field('/consignee/name').problems).toEqual([]);
  });
});

describe('conditions', () => {
  it('make a member appear, required, while they hold', () => {
    const form = open();
    const hazard = form.field('/hazardClass');
    expect(hazard.required).toBe(false);
    form.field('/hazardous').report(true);
    expect(hazard.required).toBe(true);
    expect(hazard.problems.map(({ message }) => message)).toEqual(['Is needed.']);
  });
  it('leave a hidden value out of what is sent, and bring it back', () => {
    const form = open({ hazardous: true, hazardClass: '3' });
    form.field('/hazardous').report(false);
    expect(form.sent()).toEqual({ consignor: {}, hazardous: false });
    form.field('/hazardous').report(true);
    expect(form.sent()).toEqual({ consignor: {}, hazardous: true, hazardClass: '3' });
  });
});

describe('lists', () => {
  it('add, move and remove entries with their values', () => {
    const form = open({ lines: [{ kind: 'timber' }, { kind: 'fish' }] });
    const list = form.list('/lines');
    expect(form.field('/lines/0/kind').held).toBe('timber');
    list.move(1, 0);
    expect(form.field('/lines/0/kind').held).toBe('fish');
    list.add({ kind: 'salt' });
    list.remove(1);
    expect(form.valueAt('/lines')).toEqual([{ kind: 'fish' }, { kind: 'salt' }]);
  });
});

describe('sending', () => {
  const good = { consignor: { name: 'Aldervik Timber' }, pieces: 2, collection: '2026-11-23' };
  it('sends nothing while something is wrong', async () => {
    const form = open();
    const send = jest.fn();
    const done = await form.submit(send);
    expect(done.kind).toBe('invalid');
    expect(send).not.toHaveBeenCalled();
    expect(form.problems().map(({ at }) => at)).toEqual(['/consignor/name', '/pieces']);
  });
  it('puts what the server refuses onto the field, until that is changed', async () => {
    const form = open(good);
    const details = readProblemDetails({
      title: 'Refused',
      status: 422,
      errors: [{ pointer: '#/consignor/name', detail: 'Not known.' }],
    });
    await form.submit(() => Promise.resolve({ kind: 'refused', problems: details.problems, message: details.title }));
    const name = form.field('/consignor/name');
    expect(name.shownProblems.map(({ message }) => message)).toEqual(['Not known.']);
    expect(form.message).toBe('Refused');
    name.report('Aldervik Timber & Sons');
    expect(name.shownProblems).toEqual([]);
  });
  it('becomes the new beginning once accepted', async () => {
    const form = open(good);
    form.field('/pieces').report('5');
    expect(form.changed).toBe(true);
    const done = await form.submit((sent) => Promise.resolve({ kind: 'accepted', answer: sent }));
    expect(done).toEqual({ kind: 'accepted', answer: { ...good, pieces: 5 } });
    expect(form.changed).toBe(false);
  });
  it('keeps all that was typed when sending fails', async () => {
    const form = open(good);
    await form.submit(() => Promise.reject(new Error('no connection')));
    expect([form.status, form.message, form.field('/pieces').shown]).toEqual(['failed', 'no connection', '2']);
  });
});

describe('records', () => {
  it('come back as what they were: a date is a date again', () => {
    const form = open();
    form.load({ collection: '2026-03-29' });
    expect(form.field('/collection').held).toEqual(new Date(2026, 2, 29));
    expect(form.sent()).toEqual({ consignor: {}, collection: '2026-03-29' });
  });
  it('are restored as they were left, typed text and all', () => {
    const first = open({ pieces: 4 });
    first.field('/pieces').report('4x');
    first.field('/pieces').leave();
    first.field('/consignor/name').report('Hareby Hall');
    const again = openForm({
      schema: booking,
      values: { pieces: 4 },
      restore: JSON.parse(JSON.stringify(first.snapshot())) as never,
    });
    expect(again.field('/pieces').shown).toBe('4x');
    expect(again.field('/pieces').shownProblems).toHaveLength(1);
    expect(again.field('/consignor/name').held).toBe('Hareby Hall');
    expect(again.changed).toBe(true);
    again.restart();
    expect(again.sent()).toEqual({ consignor: {}, pieces: 4 });
  });
});

it('shares one compiled schema between forms without mixing them', () => {
  const compiled = compileSchema(booking);
  const [a, b] = [
    openForm({ schema: booking, compiled }),
    openForm({ schema: booking, compiled, values: { pieces: 0 } }),
  ];
  a.field('/pieces').report('7');
  expect(b.field('/pieces').problems.map(({ keyword }) => keyword)).toEqual(['minimum']);
  expect(a.field('/pieces').problems).toEqual([]);
});
