/** @jest-environment jsdom */
import { codecsOf, compileSchema, expressionsOf, loadExpressions, makePlan, openForm } from '@poietra/core';
import { act } from 'react';
import { createRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { TextDecoder, TextEncoder } from 'node:util';
import { DrawnForm, everyDrawing, loadDrawings, PlannedForm, prepareForm } from '../src/index.js';

// The language of expressions needs them, and the simulated page has none.
Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true, TextDecoder, TextEncoder });

const party = { type: 'object', required: ['name'], properties: { name: { type: 'string', minLength: 2 } } };
const kinds = ['dry', 'reefer', 'tank', 'flat', 'open'];
const booking = {
  type: 'object',
  required: ['consignor', 'collection'],
  properties: {
    consignor: party,
    collection: { type: 'string', format: 'date' },
    weight: { type: 'integer', minimum: 1 },
    plate: { type: 'string', pattern: '^[A-Z]{2}' },
    unit: { enum: kinds },
    side: { enum: ['port', 'starboard'] },
    tags: { type: 'array', items: { type: 'string' }, minItems: 1 },
    pay: {
      oneOf: [
        { title: 'By account', ...party },
        { title: 'By card', type: 'object', properties: {} },
      ],
    },
    port: { type: 'string' },
    total: { type: 'number' },
  },
};
const hints = {
  '': { layout: 'tabs' },
  '/properties/port': { remote: { from: '/ports{?q}', search: 'q' } },
  '/properties/total': { computed: 'form.weight * 2' },
} as const;

it('draws and checks what everything at hand would draw and check', async () => {
  const prepared = await prepareForm({ schema: booking, hints });
  const compiled = compileSchema(booking, { assertFormats: true });
  const plan = makePlan(compiled, hints);
  const whole = openForm({
    schema: booking,
    compiled,
    codecs: codecsOf(plan.root),
    expressions: await loadExpressions(),
    ...expressionsOf(plan.root),
  });
  const form = prepared.open();
  for (const one of [form, whole]) {
    one.field('/weight').report('1,2');
    one.field('/collection').report('2026-11-31');
    one.put('/tags', ['salt']);
  }
  const drawn = renderToString(<DrawnForm {...prepared} form={form} />);
  expect(drawn).toBe(renderToString(<PlannedForm form={whole} plan={plan} />));
  expect(drawn).toContain('role="tablist"');
  expect(form.problems()).toEqual(whole.problems());
  for (const one of [form, whole]) one.field('/weight').report('12');
  expect([form.sent(), whole.sent()].map((sent) => (sent as { total: number }).total)).toEqual([24, 24]);
});

it('fetches only what a plan asks for, and all where a person may open what nobody has looked at', async () => {
  const drawingsFor = (schema: unknown, beside = {}) => loadDrawings(makePlan(compileSchema(schema), beside));
  const plain = await drawingsFor({
    type: 'object',
    properties: { name: { type: 'string' }, size: { type: 'number' } },
  });
  expect(Object.keys(plain).sort()).toEqual(['inputs', 'skins']);
  expect(plain.inputs).toEqual({});
  const unit = await drawingsFor({ type: 'object', properties: { unit: { enum: kinds.slice(0, 3) } } });
  expect(Object.keys(unit.inputs)).toContain('native:radios');
  const list = await drawingsFor({ type: 'object', properties: { tags: booking.properties.tags } });
  expect([list.List, list.Steps]).toEqual([everyDrawing.List, everyDrawing.Steps]);
  const paged = await drawingsFor({
    type: 'object',
    properties: { a: { type: 'string' } },
    'x-poietra': { layout: 'steps' },
  });
  expect(paged.Steps).toBe(everyDrawing.Steps);
  const tree = { type: 'object', properties: { name: { type: 'string' }, inner: { $ref: '#' } } };
  expect((await drawingsFor(tree)).Opened).toBe(everyDrawing.Opened);
  expect((await drawingsFor({ type: 'object', additionalProperties: { type: 'array' } })).List).toBeDefined();
  const deep = (depth: number): object =>
    depth === 0 ? { type: 'string' } : { type: 'object', properties: { below: deep(depth - 1) } };
  expect((await drawingsFor(deep(6))).List).toBeDefined();
});

it('says which drawing is missing where drawings are those of another plan', async () => {
  const small = await prepareForm({ schema: { type: 'object', properties: { name: { type: 'string' } } } });
  const large = await prepareForm({ schema: { type: 'object', properties: { tags: booking.properties.tags } } });
  const host = document.body.appendChild(document.createElement('div'));
  const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  expect(() =>
    act(() => createRoot(host).render(<DrawnForm form={large.open()} plan={large.plan} drawings={small.drawings} />)),
  ).toThrow('The drawings were loaded for another plan: “List” is not among them.');
  said.mockRestore();
});

it('has what a schema that contains itself is drawn with, though it has neither list nor choice', async () => {
  const schema = { properties: { name: { type: 'string' }, next: { $ref: '#' } } };
  const prepared = await prepareForm({ schema });
  const drawn = renderToString(<DrawnForm {...prepared} form={prepared.open()} />);
  expect(drawn).toBe(
    renderToString(<PlannedForm form={openForm({ schema })} plan={makePlan(compileSchema(schema))} />),
  );
  expect(drawn).toContain('Add next');
});
