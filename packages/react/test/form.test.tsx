/** @jest-environment jsdom */
import {
  codecsOf,
  compileSchema,
  makePlan,
  openForm,
  type AdapterDescription,
  type Form,
  type Outcome,
  type Plan,
} from '@poietra/core';
import { Fragment, act, type ReactNode } from 'react';
import { createRoot, hydrateRoot, type Root } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { adapt, baseIdFrom, nativeInputs, partId, PlannedForm, type AdaptedInput } from '../src/index.js';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

const party = {
  type: 'object',
  required: ['name'],
  properties: {
    name: { title: 'Name', type: 'string', description: 'As on the papers.' },
    'e/mail': { title: 'E-mail', type: 'string' },
  },
};
const schema = {
  type: 'object',
  required: ['consignor', 'consignee'],
  properties: {
    consignor: { ...party, title: 'Consignor' },
    consignee: { ...party, title: 'Consignee' },
    stackable: { title: 'Stackable', type: 'boolean' },
  },
};

function open(values?: unknown): { form: Form; plan: Plan } {
  const compiled = compileSchema(schema);
  const plan = makePlan(compiled);
  return { plan, form: openForm({ schema, compiled, codecs: codecsOf(plan.root), values }) };
}
function draw(node: ReactNode): { host: HTMLElement; again(node: ReactNode): void; end(): void } {
  const host = document.body.appendChild(document.createElement('div'));
  const root = createRoot(host);
  const again = (next: ReactNode): void => act(() => root.render(next));
  again(node);
  return { host, again, end: () => act(() => root.unmount()) };
}
const inputs = (host: HTMLElement): HTMLInputElement[] => [...host.querySelectorAll<HTMLInputElement>('input')];
function type(input: HTMLInputElement, text: string): void {
  act(() => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, text);
    input.dispatchEvent(new Event('input', { bubbles: true }));
  });
}

describe('links', () => {
  it('two copies on one page share no id, and each label names its own input', () => {
    const [a, b] = [open(), open()];
    const { host, end } = draw(
      <>
        <PlannedForm {...a} />
        <PlannedForm {...b} />
      </>,
    );
    const ids = [...host.querySelectorAll('[id]')].map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    const labels = [...host.querySelectorAll('label')];
    expect(labels).toHaveLength(10);
    for (const label of labels) expect(label.control?.closest('.poietra-field')).toBe(label.closest('.poietra-field'));
    end();
  });
  it('ids are safe in selectors, and different places never share one', () => {
    expect(baseIdFrom('«r1»:')).toMatch(/^p[\w-]+$/);
    expect(partId('p1', '/e~1mail/a-b', 'input')).not.toBe(partId('p1', '/e~1mail-a/b', 'input'));
    expect(partId('p1', '/Straße 1', 'hint')).toMatch(/^[\w-]+$/);
  });
  it('server and browser give the same', () => {
    const html = renderToString(<PlannedForm {...open()} />);
    const host = document.body.appendChild(document.createElement('div'));
    host.innerHTML = html;
    const before = host.innerHTML;
    const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    let root: Root | undefined;
    act(() => {
      root = hydrateRoot(host, <PlannedForm {...open()} />);
    });
    expect(said).not.toHaveBeenCalled();
    expect(host.innerHTML).toBe(before);
    said.mockRestore();
    act(() => root?.unmount());
  });
  it('what was typed into what the server drew, before any script ran, is taken', () => {
    const first = open();
    const host = document.body.appendChild(document.createElement('div'));
    host.innerHTML = renderToString(<PlannedForm {...first} />);
    const [name] = inputs(host) as [HTMLInputElement];
    name.value = 'Aldervik Timber';
    const { form, plan } = open();
    let root: Root | undefined;
    act(() => {
      root = hydrateRoot(host, <PlannedForm form={form} plan={plan} />);
    });
    expect([name.value, form.field('/consignor/name').held]).toEqual(['Aldervik Timber', 'Aldervik Timber']);
    expect(form.sent()).toEqual({ consignor: { name: 'Aldervik Timber' }, consignee: {} });
    act(() => root?.unmount());
  });
  it('a text that its box takes otherwise is not taken for typed', () => {
    const colours = { type: 'object', properties: { hull: { type: 'string' }, note: { type: 'string' } } };
    const compiled = compileSchema(colours);
    const plan = makePlan(compiled, { '/properties/hull': { input: 'color' } });
    const form = openForm({ schema: colours, compiled, codecs: codecsOf(plan.root), values: { note: 'one\ntwo' } });
    const { end } = draw(<PlannedForm form={form} plan={plan} />);
    expect(form.sent()).toEqual({ note: 'one\ntwo' });
    end();
  });
  it('hint and message are told with the input; the message only while there is one', () => {
    const { form, plan } = open();
    const { host, end } = draw(<PlannedForm form={form} plan={plan} />);
    const [name] = inputs(host);
    const described = (): string =>
      (name?.getAttribute('aria-describedby') ?? '')
        .split(' ')
        .map((id) => document.getElementById(id)?.textContent)
        .join(' ');
    expect(described()).toBe('As on the papers.');
    act(() => form.field('/consignor/name').leave());
    expect(described()).toBe('As on the papers. Is needed.');
    expect(name?.getAttribute('aria-invalid')).toBe('true');
    type(name!, 'Aldervik Timber');
    expect(described()).toBe('As on the papers.');
    expect(name?.hasAttribute('aria-invalid')).toBe(false);
    end();
  });
});

describe('sending', () => {
  const send = (outcome: Outcome) => jest.fn(() => Promise.resolve(outcome));
  const press = (host: HTMLElement) =>
    act(() => {
      host.querySelector<HTMLButtonElement>('button[type="submit"]')?.click();
      return Promise.resolve();
    });
  it('focuses the first bad field and lists what is wrong, without asking the server', async () => {
    const sender = send({ kind: 'accepted', answer: {} });
    const { host, end } = draw(<PlannedForm {...open()} send={sender} />);
    await press(host);
    expect(sender).not.toHaveBeenCalled();
    expect(document.activeElement).toBe(inputs(host)[0]);
    expect([...host.querySelectorAll('.poietra-summary li')].map(({ textContent }) => textContent)).toEqual([
      'Consignor, Name: Is needed.',
      'Consignee, Name: Is needed.',
    ]);
    end();
  });
  it('sends once, with what the form holds', async () => {
    const sender = send({ kind: 'accepted', answer: {} });
    const { host, end } = draw(
      <PlannedForm {...open({ consignor: { name: 'A' }, consignee: { name: 'B' } })} send={sender} />,
    );
    await press(host);
    expect(sender.mock.calls).toEqual([[{ consignor: { name: 'A' }, consignee: { name: 'B' } }]]);
    end();
  });
  it('puts a refusal onto its field, with the focus', async () => {
    const problems = [{ at: '/consignee/name', keyword: 'server', schemaAt: '', params: {}, message: 'Not known.' }];
    const { host, end } = draw(
      <PlannedForm
        {...open({ consignor: { name: 'A' }, consignee: { name: 'B' } })}
        send={send({ kind: 'refused', problems, message: 'Refused' })}
      />,
    );
    await press(host);
    expect(document.activeElement).toBe(inputs(host)[2]);
    expect(host.querySelector('[data-at="/consignee/name"] .poietra-error')?.textContent).toBe('Not known.');
    end();
  });
});

it('does not draw a text for what was typed into it, but for all else that becomes of it', () => {
  const amount = { type: 'object', properties: { name: { type: 'string' }, weight: { type: 'integer' } } };
  const compiled = compileSchema(amount);
  const plan = makePlan(compiled);
  const form = openForm({ schema: amount, compiled, codecs: codecsOf(plan.root) });
  let drawn = 0;
  const counting: AdaptedInput = (props) => {
    drawn++;
    return nativeInputs['native:text']?.(props);
  };
  counting.keepsText = true;
  const { host, end } = draw(<PlannedForm form={form} plan={plan} inputs={{ 'native:text': counting }} />);
  const [name, weight] = inputs(host) as [HTMLInputElement, HTMLInputElement];
  // An empty text submits nothing, so the first letter does draw: the input gets its name.
  type(name, 'T');
  expect(name.name).toBe('/name');
  const before = drawn;
  type(name, 'To');
  type(name, 'Torsund');
  expect([drawn, name.value, form.sent()]).toEqual([before, 'Torsund', { name: 'Torsund' }]);
  // What it was drawn with last is “T”; that it comes back is told all the same.
  act(() => form.field('/name').write('T'));
  expect([drawn, name.value]).toEqual([before + 1, 'T']);
  act(() => form.restart());
  expect(name.value).toBe('');
  type(weight, '12,');
  expect(weight.value).toBe('12,');
  act(() => form.field('/weight').write(7));
  expect(weight.value).toBe('7');
  end();
});

it('puts back what is typed into a read-only box that HTML lets one change', () => {
  const fixed = { type: 'object', properties: { colour: { type: 'string', readOnly: true } } };
  const compiled = compileSchema(fixed);
  const plan = makePlan(compiled, { '/properties/colour': { input: 'range' } });
  const form = openForm({ schema: fixed, compiled, codecs: codecsOf(plan.root), values: { colour: '20' } });
  const { host, end } = draw(<PlannedForm form={form} plan={plan} />);
  const [range] = inputs(host) as [HTMLInputElement];
  expect(range.value).toBe('20');
  type(range, '30');
  expect([range.value, form.sent()]).toEqual(['20', { colour: '20' }]);
  end();
});

it('draws one field for one key press', () => {
  const { form, plan } = open();
  let drawn = 0;
  const Counted: AdaptedInput = ({ state, report }) => {
    drawn++;
    return <input id={state.id} value={String(state.shown)} onChange={(event) => report(event.target.value)} />;
  };
  const { host, end } = draw(<PlannedForm form={form} plan={plan} inputs={{ 'native:text': Counted }} />);
  drawn = 0;
  type(inputs(host)[0]!, 'T');
  expect(drawn).toBe(1);
  end();
});

const state = {
  shown: undefined,
  invalid: false,
  disabled: false,
  readOnly: false,
  required: false,
  id: 'i',
  name: 'n',
  labelledBy: 'l',
  describedBy: undefined,
};

it('shows the old text again where whoever stands around does not take the new one', () => {
  const Box = nativeInputs['native:text'] as AdaptedInput;
  const props = { leave: () => undefined, attach: () => () => undefined };
  const { host, end } = draw(<Box {...props} state={{ ...state, shown: 'Aldervik' }} report={() => undefined} />);
  const [box] = inputs(host) as [HTMLInputElement];
  type(box, 'Torsund');
  expect(box.value).toBe('Aldervik');
  end();
});

describe('an adapted input', () => {
  const description: AdapterDescription = {
    input: 'tide#Box',
    value: { property: 'value' },
    change: { report: 'onPick', path: '/1' },
    focus: { by: 'inner', selector: 'button' },
    constants: { mode: 'one' },
  };
  const nothing = () => undefined;
  it('joins handlers, lets the caller win, and keeps what carries the line', () => {
    const seen: Record<string, unknown>[] = [];
    const Box = (properties: Record<string, unknown>): ReactNode => {
      seen.push(properties);
      return (
        <button type="button" onClick={() => (properties['onPick'] as (...args: unknown[]) => void)('event', 'day')} />
      );
    };
    const Live = adapt(Box, description);
    const [report, theirs] = [jest.fn(), jest.fn()];
    const { host, end } = draw(
      <Live
        state={state}
        report={report}
        leave={nothing}
        attach={() => nothing}
        extra={{ onPick: theirs, mode: 'many', value: 'stolen' }}
      />,
    );
    act(() => host.querySelector('button')?.click());
    expect(report).toHaveBeenCalledWith('day');
    expect(theirs).toHaveBeenCalledWith('event', 'day');
    expect(seen[0]).toMatchObject({ mode: 'many' });
    expect(seen[0]?.['value']).toBeUndefined();
    expect(host.querySelector('[role="group"]')?.getAttribute('aria-labelledby')).toBe('l');
    end();
  });
  it('tells of leaving when the focus goes out of its box, not within it', () => {
    const Live = adapt(
      () => (
        <>
          <button />
          <input />
        </>
      ),
      description,
    );
    const leave = jest.fn();
    const { host, end } = draw(
      <>
        <Live state={state} report={nothing} leave={leave} attach={() => nothing} />
        <button id="away" />
      </>,
    );
    act(() => host.querySelector('button')?.focus());
    act(() => host.querySelector('input')?.focus());
    expect(leave).not.toHaveBeenCalled();
    act(() => host.querySelector<HTMLElement>('#away')?.focus());
    expect(leave).toHaveBeenCalledTimes(1);
    end();
  });
  it('of the family element gets properties and speaks by events', () => {
    class TideBox extends HTMLElement {
      value = '';
    }
    customElements.define('tide-box', TideBox);
    const Live = adapt(
      'tide-box',
      {
        ...description,
        change: { report: 'tide-change', path: '/0/target/value' },
        leave: { report: 'tide-blur' },
        focus: { by: 'element' },
      },
      'element',
    );
    const [report, leave] = [jest.fn(), jest.fn()];
    const { host, end } = draw(
      <Live state={{ ...state, shown: 'low' }} report={report} leave={leave} attach={() => nothing} />,
    );
    const box = host.querySelector<TideBox>('tide-box')!;
    expect([box.value, box.getAttribute('mode')]).toEqual(['low', 'one']);
    box.value = 'high';
    act(() => void box.dispatchEvent(new Event('tide-change')));
    act(() => void box.dispatchEvent(new Event('tide-blur')));
    expect(report).toHaveBeenCalledWith('high');
    expect(leave).toHaveBeenCalled();
    end();
  });
  it('of the family widget may take its element as an option, its first value later, and its reports in a group', () => {
    const log: unknown[] = [];
    let told: ((value: unknown) => void) | undefined;
    class Picker {
      constructor({
        field,
        mode,
        events,
        ...rest
      }: {
        field: HTMLElement;
        mode: string;
        events: Record<string, typeof told>;
      }) {
        log.push(['made', field.tagName, mode, 'value' in rest]);
        told = events['afterPick'];
      }
      pick(value: unknown): void {
        log.push(['pick', value]);
      }
    }
    const Live = adapt(
      Picker,
      {
        ...description,
        change: { report: 'events.afterPick', path: '/0' },
        widget: {
          start: 'new',
          place: 'field',
          startsEmpty: true,
          update: 'pick',
          reports: 'options',
          element: 'input',
        },
      },
      'widget',
    );
    const report = jest.fn();
    const { end } = draw(
      <Live state={{ ...state, shown: 'low' }} report={report} leave={nothing} attach={() => nothing} />,
    );
    expect(log.slice(0, 2)).toEqual([
      ['made', 'INPUT', 'one', false],
      ['pick', 'low'],
    ]);
    act(() => told?.('high'));
    expect(report).toHaveBeenCalledWith('high');
    end();
  });
  it('of the family widget may leave its value in the element that it is made on', () => {
    let made: HTMLInputElement | undefined;
    const complete = (field: HTMLInputElement): { destroy(): void } => {
      made = field;
      return { destroy: () => undefined };
    };
    const Live = adapt(
      complete,
      {
        ...description,
        change: { report: 'input', path: '/0/target/value' },
        widget: { start: 'call', startsEmpty: true, update: 'value', reports: 'events', element: 'input' },
      },
      'widget',
    );
    const report = jest.fn();
    const at = (shown: string): ReactNode => (
      <Live state={{ ...state, shown }} report={report} leave={nothing} attach={() => nothing} />
    );
    const { end, again } = draw(at('low'));
    expect(made?.value).toBe('low');
    again(at('high'));
    expect(made?.value).toBe('high');
    act(() => {
      if (made) made.value = 'mean';
      made?.dispatchEvent(new Event('input', { bubbles: true }));
    });
    expect(report).toHaveBeenCalledWith('mean');
    end();
  });
  it('of the family element that has gone on since it told is not set back', async () => {
    const Live = adapt(
      'tide-gauge',
      { ...description, change: { report: 'input', path: '/0/target/value' } },
      'element',
    );
    const at = (shown: string): ReactNode => (
      <Live state={{ ...state, shown }} report={jest.fn()} leave={nothing} attach={() => nothing} />
    );
    const { host, end, again } = draw(at('T'));
    const gauge = host.querySelector('tide-gauge') as HTMLElement & { value: string };
    gauge.value = 'To';
    gauge.dispatchEvent(new Event('input', { bubbles: true }));
    // The next key comes before what was told is given back.
    gauge.value = 'Tor';
    again(at('To'));
    await new Promise((resolve) => setTimeout(resolve));
    expect(gauge.value).toBe('Tor');
    // What is refused is set back all the same.
    gauge.dispatchEvent(new Event('input', { bubbles: true }));
    again(at('high'));
    await new Promise((resolve) => setTimeout(resolve));
    expect(gauge.value).toBe('high');
    end();
  });
  it('of the family widget is not heard of what it was told, and loses what it leaves on the page', () => {
    let told: ((value: string) => void) | undefined;
    const kept = jest.fn();
    class Keeper {
      constructor(
        private readonly element: HTMLElement,
        { onChange }: { onChange: (value: string) => void },
      ) {
        told = onChange;
        document.addEventListener('resize', kept);
        document.body.append(Object.assign(document.createElement('aside'), { textContent: 'kept' }));
      }
      setValue(value: string): void {
        this.element.textContent = value;
        told?.(`${value}!`);
      }
    }
    const widget = { start: 'new', update: 'setValue', reports: 'options', element: 'div' } as const;
    const Live = adapt(
      Keeper,
      { ...description, change: { report: 'onChange', path: '/0' }, widget: { ...widget, leavesTraces: true } },
      'widget',
    );
    const report = jest.fn();
    const at = (shown: string): ReactNode => (
      <Live state={{ ...state, shown }} report={report} leave={nothing} attach={() => nothing} />
    );
    const { end, again } = draw(at('low'));
    again(at('high'));
    expect(report).not.toHaveBeenCalled();
    act(() => told?.('mean'));
    expect(report).toHaveBeenCalledWith('mean');
    expect(document.querySelector('aside')).not.toBeNull();
    end();
    document.dispatchEvent(new Event('resize'));
    expect([document.querySelector('aside'), kept.mock.calls]).toEqual([null, []]);
  });
  it.each(['on', 'methods'] as const)('of the family widget is asked for what it does not tell: %s', (reports) => {
    const listeners: (() => void)[] = [];
    let told = '';
    const make = (field: HTMLInputElement): object => {
      told = field.value;
      return {
        hears: (name: unknown, listener = name) => listeners.push(listener as () => void),
        value: () => told,
        toString: 'none',
      };
    };
    const Live = adapt(
      make,
      {
        ...description,
        change: { report: reports === 'on' ? 'change' : 'hears', path: '/0', asks: 'value' },
        widget: { start: 'call', startsEmpty: true, update: 'value', reports, on: 'hears', element: 'input' },
      },
      'widget',
    );
    const report = jest.fn();
    const { end } = draw(
      <Live state={{ ...state, shown: 'low' }} report={report} leave={nothing} attach={() => nothing} />,
    );
    // What its box has at first it finds there.
    expect(told).toBe('low');
    told = 'high';
    act(() => listeners.forEach((listener) => listener()));
    expect(report).toHaveBeenCalledWith('high');
    end();
  });
  it('of the family widget is made anew where it keeps what was refused, and not by its own report where it takes no later value', () => {
    let tell: ((value: string) => void) | undefined;
    let made = 0;
    const keeps = (_: HTMLElement, options: { report(value: string): void }): void => {
      made++;
      tell = options.report;
    };
    const widget = { start: 'call', update: 'nothing', reports: 'options', element: 'div' } as const;
    const change = { report: 'report', path: '/0' };
    const drawn = (description: AdapterDescription) => {
      const Live = adapt(keeps, description, 'widget');
      made = 0;
      return (shown: string): ReactNode => (
        <Live state={{ ...state, shown }} report={nothing} leave={nothing} attach={() => nothing} />
      );
    };
    const refused = drawn({ ...description, widget, change: { ...change, refused: 'anew' } });
    const first = draw(refused('low'));
    act(() => tell?.('high'));
    expect(made).toBe(2);
    first.end();
    const later = drawn({ ...description, widget, change, value: { ...description.value, later: 'anew' } });
    const second = draw(later('low'));
    act(() => tell?.('high'));
    second.again(later('high'));
    expect(made).toBe(1);
    second.again(later('mean'));
    expect(made).toBe(2);
    second.end();
  });
  it('has its choices inside it as components, or as elements of HTML', () => {
    const Box = ({ children }: { readonly children?: ReactNode }) => <div data-box="">{children}</div>;
    const Item = ({ value, label }: { readonly value: string; readonly label: string }) => <b title={value}>{label}</b>;
    const choices = [
      { value: 'ALD', text: 'Aldervik' },
      { value: 'TOR', text: 'Torsund' },
    ];
    const drawn = (use: AdapterDescription['choices'], beside = {}): string => {
      const Live = adapt(Box, { ...description, ...(use ? { choices: use } : {}) }, 'component', beside);
      const { host, end } = draw(
        <Live state={state} choices={choices} report={nothing} leave={nothing} attach={() => nothing} />,
      );
      const html = host.querySelector('[data-box]')?.innerHTML ?? '';
      end();
      return html;
    };
    expect(drawn({ component: 'tide#Item', value: 'value', text: 'label' }, { 'tide#Item': Item })).toBe(
      '<b title="ALD">Aldervik</b><b title="TOR">Torsund</b>',
    );
    // Where none is chosen, the first is not to be shown for one.
    expect(drawn({ tag: 'option', value: 'value' })).toBe(
      '<option value=""></option><option value="ALD">Aldervik</option><option value="TOR">Torsund</option>',
    );
    expect(() => drawn({ component: 'tide#Gone', value: 'value', text: 'label' })).toThrow(
      'The adapter needs “tide#Gone” beside its input; give it to adapt() under this name.',
    );
  });
  it('is put together of parts: in one another, drawn by a function, with words that say what is chosen', () => {
    const Box = ({ children }: { readonly children?: ReactNode }) => <div data-box="">{children}</div>;
    const Each = ({ children }: { readonly children?: (day: string) => ReactNode }) => (
      <i>
        {['1', '2'].map((day) => (
          <Fragment key={day}>{children?.(day)}</Fragment>
        ))}
      </i>
    );
    const Day = ({ day, children }: { readonly day: string; readonly children?: ReactNode }) => (
      <b title={day}>{children}</b>
    );
    const Item = ({ value, children }: { readonly value: string; readonly children?: ReactNode }) => (
      <u title={value}>{children}</u>
    );
    /** Takes an element, or what draws one of all that it is given. */
    const Drawn = (props: {
      readonly draw?: ReactNode | ((given: object) => ReactNode);
      readonly children?: ReactNode;
    }) => (
      <q>
        {typeof props.draw === 'function' ? props.draw({ day: 'b', children: 'given' }) : props.draw}
        {props.children}
      </q>
    );
    const beside = { 'tide#Each': Each, 'tide#Day': Day, 'tide#Item': Item, 'tide#Drawn': Drawn };
    const choices = [
      { value: 'ALD', text: 'Aldervik' },
      { value: 'TOR', text: 'Torsund' },
    ];
    const drawn = (inside: AdapterDescription['inside'], shown: unknown): string => {
      const use = { component: 'tide#Item', value: 'value', text: 'children' };
      const Live = adapt(Box, { ...description, choices: use, ...(inside ? { inside } : {}) }, 'component', beside);
      const { host, end } = draw(
        <Live state={{ ...state, shown }} choices={choices} report={nothing} leave={nothing} attach={() => nothing} />,
      );
      const html = host.querySelector('[data-box]')?.innerHTML ?? '';
      end();
      return html;
    };
    const item = {
      component: 'tide#Item',
      inside: [
        { words: '●', when: 'chosen' },
        { words: '?', of: 'choice' },
      ],
    } as const;
    expect(drawn([{ words: 'None', of: 'chosen' }, item], undefined)).toBe(
      'None<u title="ALD">Aldervik</u><u title="TOR">Torsund</u>',
    );
    expect(drawn([{ words: 'None', of: 'chosen' }, item], 'TOR')).toBe(
      'Torsund<u title="ALD">Aldervik</u><u title="TOR"><span aria-hidden="true">●</span>Torsund</u>',
    );
    expect(drawn([{ words: 'None', of: 'chosen' }], ['TOR', 'ALD'])).toBe('Aldervik, Torsund');
    expect(
      drawn(
        [
          { words: 'on', when: 'chosen' },
          { words: '▼', silent: true },
        ],
        true,
      ),
    ).toBe('<span aria-hidden="true">on</span><span aria-hidden="true">▼</span>');
    expect(
      drawn(
        [{ component: 'tide#Each', inside: [{ component: 'tide#Day', given: 'day', inside: [{ words: '!' }] }] }],
        '',
      ),
    ).toBe('<i><b title="1">!</b><b title="2">!</b></i>');
    const byFunction = { component: 'tide#Day', at: 'draw', given: true, properties: { day: 'a' } } as const;
    expect(drawn([{ component: 'tide#Drawn', inside: [byFunction] }], '')).toBe('<q><b title="a">given</b></q>');
    expect(
      drawn([{ component: 'tide#Drawn', inside: [{ component: 'tide#Day', at: 'draw' }, { words: '!' }] }], ''),
    ).toBe('<q><b></b>!</q>');
    // None inside is as good as nothing said of it.
    expect(drawn([], '')).toBe('<u title="ALD">Aldervik</u><u title="TOR">Torsund</u>');
  });
  it('of the family widget is made once, told of later values, and taken away', () => {
    const log: unknown[] = [];
    const start = (element: HTMLElement, options: Record<string, unknown>) => {
      log.push(['made', element.tagName, options['start'], options['mode']]);
      return {
        set: (value: unknown) => log.push(['set', value]),
        on: (name: string, listen: (value: unknown) => void) =>
          name === 'onPick' && (element.onclick = () => listen('x')),
        destroy: () => log.push(['gone']),
      };
    };
    const Live = adapt(
      start,
      {
        ...description,
        value: { property: 'start' },
        change: { report: 'onPick', path: '/0' },
        widget: { start: 'call', update: 'set', destroy: 'destroy', reports: 'on', element: 'div' },
      },
      'widget',
    );
    const report = jest.fn();
    const host = document.body.appendChild(document.createElement('div'));
    const root = createRoot(host);
    const show = (shown: unknown) =>
      act(() =>
        root.render(<Live state={{ ...state, shown }} report={report} leave={nothing} attach={() => nothing} />),
      );
    show(3);
    show(3);
    show(4);
    // Something that holds itself, as what a widget tells may hold the widget.
    const circle: Record<string, unknown> = {};
    circle['circle'] = circle;
    show(circle);
    show(circle);
    show(4);
    act(() => host.querySelector<HTMLElement>('[role="group"] > div > div')?.click());
    act(() => root.unmount());
    // The second time since the form did not take what it told: it has to go back.
    expect(log).toEqual([['made', 'DIV', 3, 'one'], ['set', 4], ['set', circle], ['set', 4], ['set', 4], ['gone']]);
    expect(report).toHaveBeenCalledWith('x');
  });
});
