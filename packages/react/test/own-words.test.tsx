/** @jest-environment jsdom */
/** Inputs that draw label, hint and message themselves: the form then draws none of them, and nothing is lost. */
import {
  codecsOf,
  compileSchema,
  loadWords,
  makePlan,
  openForm,
  type AdapterDescription,
  type Form,
  type Words,
} from '@poietra/core';
import { act, createElement, type ComponentType, type ReactNode } from 'react';
import { hydrateRoot, type Root } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { adapt, adaptTogether, compact, PlannedForm, suiteSkin, type Skin } from '../src/index.js';
import { onPage } from './on-page.js';

let root: Root;
let host: HTMLElement;
onPage((...place) => ([host, root] = place));

interface SuiteProps {
  readonly value?: string;
  readonly heading?: string;
  readonly below?: string;
  readonly wrong?: string;
  readonly must?: boolean;
  onPick?(value: string): void;
}
function Suite({ value = '', heading, below, wrong, must, onPick }: SuiteProps): ReactNode {
  return (
    <label>
      <b>{heading}</b>
      <input value={value} required={must} onChange={(event) => onPick?.(event.target.value)} />
      <small>{below}</small>
      <em>{wrong}</em>
    </label>
  );
}
const bare: AdapterDescription = {
  input: 'tide#Suite',
  value: { property: 'value', empty: '' },
  change: { report: 'onPick', path: '/0' },
  focus: { by: 'element' },
};
const line: AdapterDescription = { ...bare, real: { selector: 'input' } };
const words = { label: { property: 'heading' }, hint: { property: 'below' }, message: { property: 'wrong' } };
const drawing: AdapterDescription = { ...line, ...words };

const schema = {
  type: 'object',
  required: ['port'],
  properties: {
    port: {
      type: 'string',
      title: 'Port',
      description: 'Where it lands',
      minLength: 4,
      pattern: '^H',
      'x-poietra': { field: 'port' },
    },
  },
};
interface Otherwise {
  readonly input?: ComponentType<SuiteProps>;
  readonly words?: Words | undefined;
}
function draw(
  adapter: AdapterDescription,
  values: unknown = {},
  skin?: Skin,
  { input = Suite, words }: Otherwise = {},
): Form {
  const compiled = compileSchema(schema);
  const plan = makePlan(compiled, {}, { fields: { port: { adapter: 'suite', codec: 'same' } } });
  const form = openForm({ schema, compiled, codecs: codecsOf(plan.root), values, ...(words ? { words } : {}) });
  act(() =>
    root.render(
      <PlannedForm form={form} plan={plan} inputs={{ suite: adapt(input, adapter) }} {...(skin ? { skin } : {})} />,
    ),
  );
  return form;
}
const text = (selector: string): string => host.querySelector(selector)?.textContent ?? '';
const leave = (form: Form): void => act(() => form.field('/port').leave());
/** How often some words stand on the page. */
const times = (words: string): number => host.textContent.split(words).length - 1;

it('an input in a shadow tree, where no id reaches, is named in the words of the form’s language', async () => {
  customElements.define(
    'tide-cover',
    class extends HTMLElement {
      constructor() {
        super();
        this.attachShadow({ mode: 'open' }).innerHTML = '<input>';
      }
    },
  );
  const Cover = (): ReactNode => createElement('tide-cover');
  draw(line, {}, undefined, { input: Cover, words: await loadWords('de') });
  const real = host.querySelector('tide-cover')?.shadowRoot?.querySelector('input');
  expect(real?.getAttribute('aria-label')).toBe('Port (Pflichtfeld)');
});

describe('an input that draws its words', () => {
  it('is given them, and the form draws none of them', () => {
    const form = draw(drawing, { port: 'Abc' });
    expect([text('b'), text('small'), text('em')]).toEqual(['Port (required)', 'Where it lands', '']);
    leave(form);
    expect(text('em')).toContain('4');
    expect(times(text('em'))).toBe(1);
    expect(host.querySelectorAll('.poietra-label, .poietra-hint')).toHaveLength(0);
    expect([times('Port'), times('Where it lands')]).toEqual([1, 1]);
    expect(host.querySelector('.poietra-field')?.hasAttribute('data-invalid')).toBe(true);
  });
  it('is told of all that has to be mended, since nothing else tells of it', () => {
    const form = draw(drawing, { port: 'Abc' });
    leave(form);
    const [first, second] = form.field('/port').problems.map(({ message }) => message);
    expect(text('em')).toBe(`${first} ${second}`);
    expect(host.querySelectorAll('.poietra-error p')).toHaveLength(0);
  });
  it('keeps its own links: no label or hint of the form is pointed at that is not there', () => {
    leave(draw(drawing, { port: 'Abc' }));
    const real = host.querySelector('input');
    expect(real?.getAttribute('aria-labelledby')).toBeNull();
    expect(real?.getAttribute('aria-describedby')).toBeNull();
    expect(real?.getAttribute('aria-invalid')).toBe('true');
  });
  it('marks what is required in words, unless it is told', () => {
    draw({ ...drawing, required: { property: 'must' } });
    expect(text('b')).toBe('Port');
  });
  it('may have one property for hint and message: what is to be mended goes first, and the hint stays', () => {
    const form = draw({ ...drawing, message: { property: 'below' } }, { port: 'Ab' });
    expect(text('small')).toBe('Where it lands');
    leave(form);
    expect(text('small')).toMatch(/.+ Where it lands$/);
  });
  it('may draw some of them; the form draws and links the others', () => {
    leave(draw({ ...line, label: { property: 'heading' } }, { port: 'Abc' }));
    const real = host.querySelector('input');
    expect([text('b'), text('.poietra-hint'), text('small')]).toEqual(['Port (required)', 'Where it lands', '']);
    const described = (real?.getAttribute('aria-describedby') ?? '').split(' ');
    expect(described.map((id) => document.getElementById(id)?.className)).toEqual(['poietra-hint', 'poietra-error']);
  });
  it.each([
    ['compact', compact],
    ['a suite', suiteSkin({ box: 'section', label: 'title' })],
    ['a suite without a place for labels', suiteSkin({ box: 'section' })],
  ] as const)('in the skin %s, too', (_name, skin) => {
    leave(draw(drawing, { port: 'Abc' }, skin));
    expect([times('Port'), times('Where it lands'), times(text('em'))]).toEqual([1, 1, 1]);
  });
  it('that draws its label without an element to work with is a group of that name', () => {
    leave(draw({ ...bare, ...words }, { port: 'Abc' }));
    const group = host.querySelector('[role=group]');
    expect(group?.getAttribute('aria-label')).toBe('Port (required)');
    expect(group?.getAttribute('aria-description')).toBe(`Where it lands ${text('em')}`);
    expect(group?.getAttribute('aria-describedby')).toBeNull();
  });
  it('may be one part of several: the part draws its label, and the others are labelled', () => {
    const parts = [
      { name: 'from', label: 'From', use: drawing },
      { name: 'to', label: 'To', use: line },
    ];
    const whole: AdapterDescription = { ...line, input: 'together', parts };
    const Both = adaptTogether(
      whole,
      parts.map(({ use }) => adapt(Suite, use)),
    );
    const compiled = compileSchema({ properties: { way: { title: 'Way', 'x-poietra': { field: 'way' } } } });
    const plan = makePlan(compiled, {}, { fields: { way: { adapter: 'both', codec: 'same' } } });
    const form = openForm({ schema: {}, compiled, codecs: codecsOf(plan.root), values: {} });
    act(() => root.render(<PlannedForm form={form} plan={plan} inputs={{ both: Both }} />));
    expect([times('From'), times('To')]).toEqual([1, 1]);
    const [from, to] = host.querySelectorAll('.poietra-part input');
    expect(from?.getAttribute('aria-labelledby')).toBeNull();
    expect(document.getElementById(to?.getAttribute('aria-labelledby') ?? '')?.textContent).toBe('To');
  });
});

it('an element has its label from a server on: some insist on it before any script of ours runs', () => {
  const seen: (string | null)[] = [];
  customElements.define(
    'tide-beacon',
    class extends HTMLElement {
      label = '';
      connectedCallback(): void {
        seen.push(this.getAttribute('label'));
      }
    },
  );
  const compiled = compileSchema(schema);
  const plan = makePlan(compiled, {}, { fields: { port: { adapter: 'suite', codec: 'same' } } });
  const form = openForm({ schema, compiled, codecs: codecsOf(plan.root), values: {} });
  const Beacon = adapt('tide-beacon', { ...bare, label: { property: 'label' } }, 'element');
  const drawing = <PlannedForm form={form} plan={plan} inputs={{ suite: Beacon }} />;
  const served = host.appendChild(document.createElement('div'));
  served.innerHTML = renderToString(drawing);
  const told: unknown[] = [];
  let over: Root | undefined;
  act(() => {
    over = hydrateRoot(served, drawing, { onRecoverableError: (error) => told.push(error) });
  });
  const element = served.querySelector('tide-beacon') as HTMLElement & { label: string };
  expect([seen, told, element.label.startsWith('Port')]).toEqual([[expect.stringMatching(/^Port/)], [], true]);
  act(() => over?.unmount());
});
