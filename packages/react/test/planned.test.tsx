/** @jest-environment jsdom */
import { codecsOf, compileSchema, makePlan, openForm, type Form, type HintsBeside, type Plan } from '@poietra/core';
import { act } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { labelAt, PlannedForm, type PlannedFormProps, type Skin } from '../src/index.js';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

let root: Root;
let host: HTMLElement;
beforeEach(() => {
  host = document.body.appendChild(document.createElement('div'));
  root = createRoot(host);
});
afterEach(() => {
  act(() => root.unmount());
  host.remove();
});

function draw(
  schema: unknown,
  { hints, values, ...rest }: Partial<PlannedFormProps> & { hints?: HintsBeside; values?: unknown } = {},
): { form: Form; plan: Plan } {
  const compiled = compileSchema(schema);
  const plan = makePlan(compiled, hints);
  const form = openForm({ schema, compiled, codecs: codecsOf(plan.root), values });
  act(() => root.render(<PlannedForm form={form} plan={plan} {...rest} />));
  return { form, plan };
}
const field = (at: string): HTMLElement | null => host.querySelector(`[data-at="${at}"]`);
const press = (words: string): void => {
  const button = [...host.querySelectorAll('button')].find(
    (one) => (one.getAttribute('aria-label') ?? one.textContent) === words,
  );
  if (!button) throw new Error(`No button “${words}”.`);
  act(() => button.click());
};
function choose(at: string, value: string): void {
  const select = field(at)?.querySelector('select');
  act(() => {
    if (select) select.value = value;
    select?.dispatchEvent(new Event('change', { bubbles: true }));
  });
}

describe('a list', () => {
  const schema = {
    properties: {
      lines: {
        title: 'Cargo lines',
        type: 'array',
        maxItems: 3,
        items: { title: 'Line', type: 'object', properties: { kind: { type: 'string' } } },
      },
    },
  };
  const kinds = () => [...host.querySelectorAll('input')].map(({ value }) => value);
  it('is drawn with its entries, which can be added, moved and removed', () => {
    const { form } = draw(schema, { values: { lines: [{ kind: 'timber' }, { kind: 'fish' }] } });
    expect(kinds()).toEqual(['timber', 'fish']);
    press('Move entry 2 up');
    expect(kinds()).toEqual(['fish', 'timber']);
    press('Add line');
    expect(kinds()).toEqual(['fish', 'timber', '']);
    expect([...host.querySelectorAll('button')].some(({ textContent }) => textContent.startsWith('Add'))).toBe(false);
    press('Remove entry 1');
    expect(form.valueAt('/lines')).toEqual([{ kind: 'timber' }, {}]);
  });
});

describe('choices', () => {
  it('may be any value, and go by their words', () => {
    const { form } = draw({
      properties: { size: { enum: [1, null, 'one', { a: 1 }], 'x-poietra': { words: { 1: 'Small' } } } },
    });
    expect([...host.querySelectorAll('option')].map(({ textContent }) => textContent)).toEqual([
      '',
      'Small',
      'nothing',
      'one',
      '{"a":1}',
    ]);
    choose('/size', '0');
    expect(form.sent()).toEqual({ size: 1 });
    choose('/size', '3');
    expect(form.sent()).toEqual({ size: { a: 1 } });
    choose('/size', '');
    expect(form.sent()).toEqual({});
  });
});

describe('conditions', () => {
  it('draw a field while they hold', () => {
    const { form } = draw({
      properties: { hazardous: { type: 'boolean' } },
      if: { properties: { hazardous: { const: true } }, required: ['hazardous'] },
      then: { required: ['class'], properties: { class: { type: 'string' } } },
    });
    expect(field('/class')).toBeNull();
    act(() => form.field('/hazardous').report(true));
    expect(field('/class')?.textContent).toContain('(required)');
    act(() => form.field('/hazardous').report(false));
    expect(field('/class')).toBeNull();
  });
});

describe('hints', () => {
  it('change words, order, layout and what stands beside the input', () => {
    draw(
      {
        properties: {
          a: { type: 'string', description: 'From the schema' },
          b: { type: 'number', examples: [12] },
          c: { type: 'string' },
        },
      },
      {
        hints: {
          '': { order: ['b', 'a'], layout: 'grid' },
          '/properties/b': { label: 'Weight', suffix: 'kg', prefix: '≈', span: 6 },
          '/properties/c': { hidden: true },
        },
      },
    );
    expect(
      [...host.querySelectorAll('.poietra-field')].map((one) => one.querySelector('.poietra-label')?.textContent),
    ).toEqual(['Weight', 'A']);
    expect(field('/b')?.querySelector('.poietra-line')?.textContent).toBe('≈kg');
    expect(field('/b')?.querySelector('input')?.placeholder).toBe('12');
    expect(host.querySelector('.poietra-members')?.getAttribute('data-layout')).toBe('grid');
    expect(host.querySelector<HTMLElement>('.poietra-cell')?.style.gridColumn).toBe('span 6');
    expect(field('/a')?.querySelector('.poietra-hint')?.textContent).toBe('From the schema');
  });
  it('choose a skin by name, for one field or for all', () => {
    const bare: Skin = ({ label, input, at }) => (
      <div data-at={at} className="bare">
        {label}
        {input}
      </div>
    );
    draw(
      { properties: { a: { type: 'string', 'x-poietra': { skin: 'bare' } }, b: { type: 'string' } } },
      { skins: { bare } },
    );
    expect([field('/a')?.className, field('/b')?.className]).toEqual(['bare', 'poietra-field']);
    draw({ properties: { a: { type: 'string' }, b: { type: 'string' } } }, { skin: bare });
    expect([field('/a')?.className, field('/b')?.className]).toEqual(['bare', 'bare']);
  });
  it('as several lines make a text area, and what has no shape becomes JSON', () => {
    const { form } = draw(
      { properties: { note: { type: 'string', 'x-poietra': { lines: 4 } }, any: {} } },
      { values: { any: { x: [1] } } },
    );
    expect(field('/note')?.querySelector('textarea')).not.toBeNull();
    expect(field('/any')?.querySelector('textarea')?.value).toBe('{\n  "x": [\n    1\n  ]\n}');
    act(() => form.field('/any').report('{"x": '));
    expect(field('/any')?.querySelector('textarea')?.value).toBe('{"x": ');
  });
});

describe('the summary', () => {
  it('leads to the fields by their labels, groups included', async () => {
    const schema = {
      type: 'object',
      required: ['party'],
      properties: {
        party: {
          title: 'Consignor',
          type: 'object',
          required: ['name'],
          properties: { name: { title: 'Name', type: 'string' } },
        },
        lines: {
          title: 'Lines',
          type: 'array',
          items: { properties: { kind: { title: 'Kind', type: 'string', minLength: 2 } } },
        },
      },
    };
    const { plan } = draw(schema, {
      values: { lines: [{ kind: 'x' }] },
      send: () => Promise.resolve({ kind: 'accepted', answer: null }),
    });
    await act(() => {
      host.querySelector<HTMLButtonElement>('button[type="submit"]')?.click();
      return Promise.resolve();
    });
    const links = [...host.querySelectorAll<HTMLAnchorElement>('.poietra-summary a')];
    expect(links.map(({ textContent }) => textContent)).toEqual(['Consignor, Name', 'Lines, Entry 1, Kind']);
    act(() => links[1]?.click());
    expect(document.activeElement).toBe(field('/lines/0/kind')?.querySelector('input'));
    expect(host.querySelector(`[id="${links[0]?.getAttribute('href')?.slice(1) ?? ''}"]`)).toBe(
      field('/party/name')?.querySelector('input'),
    );
    expect(labelAt(plan.root, '')).toBe('The form');
  });
  it('gets the focus itself where no field is to blame', async () => {
    draw(
      { properties: { a: { type: 'string' } } },
      { send: () => Promise.resolve({ kind: 'failed', message: 'The harbour office does not answer.' }) },
    );
    await act(() => {
      host.querySelector<HTMLButtonElement>('button[type="submit"]')?.click();
      return Promise.resolve();
    });
    expect(document.activeElement?.textContent).toBe('The harbour office does not answer.');
  });
});
