/** @jest-environment jsdom */
import { codecsOf, compileSchema, makePlan, openForm, type Form, type HintsBeside, type Plan } from '@poietra/core';
import { act } from 'react';
import type { Root } from 'react-dom/client';
import { labelAt, PlannedForm, reveal, type PlannedFormProps, type Skin } from '../src/index.js';
import { onPage } from './on-page.js';

let root: Root;
let host: HTMLElement;
onPage((...place) => ([host, root] = place));

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
    press('Move line 2 up');
    expect(kinds()).toEqual(['fish', 'timber']);
    press('Add a line');
    expect(kinds()).toEqual(['fish', 'timber', '']);
    expect([...host.querySelectorAll('button')].some(({ textContent }) => textContent.startsWith('Add'))).toBe(false);
    press('Take away line 1');
    expect(form.valueAt('/lines')).toEqual([{ kind: 'timber' }, {}]);
    press('Put it back');
    expect(form.valueAt('/lines')).toEqual([{ kind: 'fish' }, { kind: 'timber' }, {}]);
    press('Take away line 3');
    press('Double line 1');
    expect(kinds()).toEqual(['fish', 'fish', 'timber']);
  });
});

describe('choices', () => {
  it('may be any value, and go by their words', () => {
    const { form } = draw({
      properties: {
        size: { enum: [1, null, 'one', { a: 1 }], 'x-poietra': { input: 'select', words: { 1: 'Small' } } },
      },
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
    expect(host.querySelector<HTMLElement>('.poietra-cell')?.style.getPropertyValue('--wide')).toBe('6');
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

describe('what a schema may be', () => {
  const labels = () => [...host.querySelectorAll('.poietra-label')].map(({ textContent }) => textContent);
  const cargo = {
    properties: {
      cargo: {
        title: 'Cargo',
        oneOf: [
          { title: 'Goods', properties: { kind: { const: 'goods' }, weight: { type: 'number' } }, required: ['kind'] },
          {
            title: 'Vehicle',
            properties: { kind: { const: 'vehicle' }, plate: { type: 'string' } },
            required: ['kind'],
          },
        ],
      },
    },
  };
  it('one of several: the one that the value speaks for, and any other on demand', () => {
    const { form } = draw(cargo, { values: { cargo: { kind: 'vehicle', plate: 'AB 1' } } });
    expect(labels()).toEqual(['Plate']);
    choose('/cargo', '0');
    expect(labels()).toEqual(['Weight']);
    expect(form.sent()).toEqual({ cargo: { kind: 'goods' } });
  });
  it('a map: members with names of one’s own, renamed where they stand', () => {
    const { form } = draw({ additionalProperties: { type: 'number' }, patternProperties: { '^x-': false } });
    const name = host.querySelector<HTMLInputElement>('.poietra-name');
    const type = (box: HTMLInputElement | null, text: string): void =>
      act(() => {
        const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
        setter?.call(box, text);
        box?.dispatchEvent(new Event('input', { bubbles: true }));
      });
    type(name, 'x-tide');
    press('Add a member');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('allows no member “x-tide”');
    type(name, 'tide');
    press('Add a member');
    expect(form.sent()).toEqual({ tide: null });
    expect(labels()).toEqual(['Tide']);
  });
  it('a tuple: each position with its own label', () => {
    const { form } = draw({
      properties: {
        position: {
          type: 'array',
          prefixItems: [
            { title: 'North', type: 'number' },
            { title: 'East', type: 'number' },
          ],
        },
      },
    });
    expect(labels()).toEqual(['North', 'East']);
    act(() => form.field('/position/1').report('9.7'));
    expect(form.sent()).toEqual({ position: [null, 9.7] });
  });
  it('itself again: opened on demand, and taken away', () => {
    const { form } = draw({
      title: 'Port',
      properties: { name: { type: 'string' }, next: { $ref: '#' } },
    });
    expect(labels()).toEqual(['Name']);
    press('Add port');
    expect(labels()).toEqual(['Name', 'Name']);
    act(() => form.field('/next/name').report('Torsund'));
    press('Take away port');
    expect(form.sent()).toEqual({});
  });
  it('deep: as far as anybody looks, since a schema need not contain itself to have no end', () => {
    const level = (depth: number): unknown => ({
      type: 'object',
      title: `Level ${depth}`,
      properties: { name: { type: 'string' }, ...(depth < 8 ? { next: level(depth + 1) } : {}) },
    });
    draw(level(0));
    expect(labels()).toEqual(['Name', 'Name', 'Name']);
    press('Add level 3');
    expect(labels()).toEqual(['Name', 'Name', 'Name', 'Name']);
  });
  it('an object whose members nobody has named: they come with their names', () => {
    const { form } = draw({ type: 'object', properties: { stowage: { type: 'object', properties: {} } } });
    act(() => form.put('/stowage', { row: 3 }));
    expect(host.querySelector<HTMLInputElement>('[aria-label="Name of the member row"]')?.value).toBe('row');
  });
  it('several kinds: which one is said, and what fits stays', () => {
    const { form } = draw(
      { properties: { mark: { title: 'Mark', type: ['string', 'number'] } } },
      { values: { mark: 3 } },
    );
    choose('/mark', '0');
    expect(form.sent()).toEqual({});
    act(() => form.field('/mark').report('high'));
    expect(form.sent()).toEqual({ mark: 'high' });
  });
  it('anything: as JSON', () => {
    const { form } = draw({ properties: { notes: true } });
    act(() => form.field('/notes').report('{"a": [1]}'));
    expect(form.sent()).toEqual({ notes: { a: [1] } });
  });
});

describe('layouts', () => {
  it('tabs: one is seen, all are there, and each counts what is wrong inside', async () => {
    const { form } = draw(
      {
        properties: {
          a: { title: 'Out', properties: { day: { type: 'string' } }, required: ['day'], type: 'object' },
          b: { title: 'Back', properties: { day: { type: 'string' } }, type: 'object' },
        },
        required: ['a'],
      },
      { hints: { '': { layout: 'tabs' } } },
    );
    const tabs = () => [...host.querySelectorAll<HTMLElement>('[role=tab]')];
    expect(host.querySelectorAll('[role=tabpanel]:not([hidden])')).toHaveLength(1);
    await act(() => form.submit(() => Promise.resolve({ kind: 'accepted', answer: undefined })));
    expect(tabs().map(({ textContent }) => textContent)).toEqual(['Out 1', 'Back ']);
    act(() => tabs()[1]?.click());
    expect(tabs()[1]?.getAttribute('aria-selected')).toBe('true');
    const sheet = host.querySelector('form');
    if (sheet) act(() => reveal(sheet, '/a/day'));
    expect(tabs()[0]?.getAttribute('aria-selected')).toBe('true');
  });
  it('a table: a column for each member, its label in the head', () => {
    draw(
      {
        properties: {
          lines: { type: 'array', items: { properties: { kind: { type: 'string' }, pieces: { type: 'integer' } } } },
        },
      },
      { hints: { '/properties/lines': { layout: 'table' } }, values: { lines: [{}, {}] } },
    );
    expect([...host.querySelectorAll('th')].map(({ textContent }) => textContent)).toEqual(['Kind', 'Pieces']);
    expect(host.querySelectorAll('tbody tr')).toHaveLength(2);
  });
  it('a list and the members of a map fold as well, and a held member is taken away in one place only', () => {
    draw(
      {
        type: 'object',
        properties: {
          stops: { type: 'array', items: { type: 'string' }, 'x-poietra': { fold: 'closed' } },
          ports: {
            type: 'object',
            additionalProperties: {
              title: 'Port',
              properties: { name: { type: 'string' } },
              'x-poietra': { fold: 'open' },
            },
          },
        },
      },
      { values: { ports: { torsund: { name: 'Torsund' } } } },
    );
    const folds = [...host.querySelectorAll('details')];
    expect(folds.map(({ open }) => open)).toEqual([false, true]);
    expect(folds.map((fold) => fold.querySelector('summary')?.textContent)).toEqual(['Stops', 'Port']);
    const away = [...host.querySelectorAll('button')].filter(({ textContent }) => /^Take away/.test(textContent));
    expect(away).toHaveLength(1);
  });
  it('a section is folded, and opened where something in it is to be mended', () => {
    draw(
      { properties: { more: { title: 'More', type: 'object', properties: { a: { type: 'string' } } } } },
      { hints: { '/properties/more': { fold: 'closed' } } },
    );
    const sheet = host.querySelector('form');
    expect(host.querySelector('details')?.open).toBe(false);
    if (sheet) act(() => reveal(sheet, '/more/a'));
    expect(host.querySelector('details')?.open).toBe(true);
  });
});

it('values from elsewhere: asked with what they depend on, kept, searched, told where they fail', async () => {
  const asked: string[] = [];
  const { form } = draw(
    {
      properties: {
        port: { type: 'string' },
        crossing: {
          type: 'string',
          'x-poietra': { remote: { from: '/company/crossings{?port}', key: '/number', text: '/title' } },
        },
      },
    },
    {
      fetchChoices: (address) => {
        asked.push(address);
        return address.endsWith('HAR')
          ? Promise.reject(new Error('No answer.'))
          : Promise.resolve([{ number: 'SK 214', title: 'SK 214, 09:15' }]);
      },
    },
  );
  const found = (): string =>
    [...host.querySelectorAll('[role=option], [role=status].poietra-hint')]
      .map(({ textContent }) => textContent)
      .join();
  /** What is offered, as soon as it is as wanted: what asks is fetched itself at first. */
  const offers = async (wanted: string): Promise<string> => {
    for (let i = 0; i < 500 && !found().startsWith(wanted); i++) {
      await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
      act(() => field('/crossing')?.querySelector('input')?.click());
    }
    return found();
  };
  const choice = 'SK 214, 09:15';
  expect(await offers('Fill in')).toBe('Fill in what this depends on first.');
  act(() => form.field('/port').report('ALD'));
  expect(await offers(choice)).toBe(choice);
  act(() => form.field('/port').report('HAR'));
  expect(await offers('They could')).toContain('They could not be fetched: No answer.');
  act(() => form.field('/port').report('ALD'));
  expect(await offers(choice)).toBe(choice);
  expect(asked.filter((address) => address.endsWith('ALD'))).toHaveLength(1);
});
