/** @jest-environment jsdom */
import type { AdapterDescription, InputState, ListUse } from '@poietra/core';
import { act, Children, isValidElement, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { adapt, type AdaptedProps } from '../src/index.js';
import { itemsAsValues, itemsFor, listFor } from '../src/choices.js';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

const choices = [
  { value: 'TOR', text: 'Torsund' },
  { value: 'ALD', text: 'Aldervik' },
];
const use: ListUse = { property: 'ports', value: 'code', text: 'title', takes: 'item' };
const [torsund, aldervik] = [
  { code: 'TOR', title: 'Torsund' },
  { code: 'ALD', title: 'Aldervik' },
];
const state: InputState = {
  shown: undefined,
  invalid: false,
  disabled: false,
  readOnly: false,
  required: false,
  id: 'f-port',
  name: '/port',
  labelledBy: 'f-label',
  describedBy: undefined,
};
const description: AdapterDescription = {
  input: 'tide#Ports',
  value: { property: 'port', empty: null },
  change: { report: 'onPick', path: '/0' },
  focus: { by: 'element' },
  choices: use,
};
interface Taken {
  readonly port?: unknown;
  readonly ports?: unknown;
  readonly children?: ReactNode;
  onPick?(port: unknown): void;
}
const draw = (Input: unknown, adapter: AdapterDescription, props: Partial<AdaptedProps>, beside = {}): HTMLElement => {
  const host = document.createElement('div');
  const Adapted = adapt(Input, adapter, 'component', beside);
  act(() =>
    createRoot(host).render(
      <Adapted
        state={state}
        choices={choices}
        report={() => undefined}
        leave={() => undefined}
        attach={() => () => undefined}
        {...props}
      />,
    ),
  );
  return host;
};

describe('a value that is an item of its list', () => {
  it('is the very item that the list has, and the same at each drawing', () => {
    expect(itemsFor(use, choices)).toBe(itemsFor(use, choices));
    const making = itemsAsValues(use, choices);
    expect(making.make('ALD')).toBe(itemsFor(use, choices)[1]);
    expect(making.make(['TOR', 'ALD'])).toEqual([torsund, aldervik]);
    expect(making.read([torsund, aldervik])).toEqual(['TOR', 'ALD']);
  });
  it('is found by what it says where the choices are objects, as a record has them anew', () => {
    const berths = [{ value: { quay: 3 }, text: 'Quay 3' }];
    expect(itemsAsValues(use, berths).make({ quay: 3 })).toBe(itemsFor(use, berths)[0]);
  });
  it('stands for itself where the list does not have it, so that nothing held vanishes', () => {
    expect(itemsAsValues(use, choices).make('LSU')).toEqual({ code: 'LSU', title: 'LSU' });
    expect(itemsAsValues(use).make(7)).toEqual({ code: 7, title: '7' });
  });
  it('is none where nothing is shown, or something of another kind than it bears', () => {
    const making = itemsAsValues(use, choices, 'list');
    expect([undefined, null, '', 'TOR'].map((shown) => making.make(shown))).toEqual(Array(4).fill(undefined));
    expect(making.make(['TOR'])).toEqual([torsund]);
    expect(making.read(null)).toBeNull();
  });
  it('is the words of a choice where a list has nothing else, and none of them stands for itself', () => {
    const making = itemsAsValues({ ...use, takes: 'words' }, choices);
    expect(listFor({ ...use, takes: 'words' }, choices, {})).toEqual(['Torsund', 'Aldervik']);
    expect([making.make('ALD'), making.make(['TOR', 'LSU'])]).toEqual(['Aldervik', ['Torsund', 'LSU']]);
    expect([making.read('Aldervik'), making.read(['Torsund', 'Quay']), making.read('')]).toEqual([
      'ALD',
      ['TOR', 'Quay'],
      '',
    ]);
  });
  it('goes in and comes out by its value, and for none the input gets what it takes for that', () => {
    const seen = jest.fn<ReactNode, [Taken]>(() => null);
    const report = jest.fn();
    draw(seen, description, { state: { ...state, shown: 'ALD' }, report });
    expect(seen.mock.lastCall?.[0]).toMatchObject({ port: aldervik, ports: [torsund, aldervik] });
    act(() => seen.mock.lastCall?.[0].onPick?.(torsund));
    expect(report).toHaveBeenCalledWith('TOR');
    draw(seen, description, {});
    expect(seen.mock.lastCall?.[0].port).toBeNull();
  });
});

describe('a list that something makes', () => {
  const made: AdapterDescription = {
    ...description,
    choices: {
      property: 'ports',
      value: 'code',
      text: 'title',
      made: { by: 'tide#makeList', under: 'items' },
      each: { component: 'tide#Port', property: 'port' },
    },
  };
  const Port = ({ port, children }: Taken): ReactNode => <i title={(port as typeof torsund).code}>{children}</i>;
  const Ports = ({ ports, children }: Taken): ReactNode => <b title={JSON.stringify(ports)}>{children}</b>;
  const beside = { 'tide#makeList': (of: object) => ({ made: of }), 'tide#Port': Port };
  it('goes in as it was made, and each of its items to the part inside that stands for it', () => {
    expect(draw(Ports, made, {}, beside).innerHTML).toContain(
      '<i title="TOR">Torsund</i><i title="ALD">Aldervik</i></b>',
    );
    expect(listFor(made.choices as ListUse, choices, beside)).toEqual({ made: { items: [torsund, aldervik] } });
  });
  it.each(['tide#makeList', 'tide#Port'])('is told by name where %s is missing', (name) => {
    expect(() => adapt(Ports, made, 'component', { ...beside, [name]: undefined })).toThrow(name);
  });
});

it('an element for a choice has its words in the property that takes them, or inside', () => {
  const drawn = (choices: NonNullable<AdapterDescription['choices']>): string | undefined =>
    draw('tide-group', { ...description, choices }, {}).querySelector('tide-group')?.innerHTML;
  const one = (attributes: string, inside: string): string => `<tide-radio ${attributes}>${inside}</tide-radio>`;
  expect(drawn({ tag: 'tide-radio', value: 'value' })).toBe(
    one('value="TOR"', 'Torsund') + one('value="ALD"', 'Aldervik'),
  );
  expect(drawn({ tag: 'tide-radio', value: 'value', text: 'label' })).toBe(
    one('value="TOR" label="Torsund"', '') + one('value="ALD" label="Aldervik"', ''),
  );
});

it('a part that stands for a choice has its text as its key, by which some inputs know it; among other kinds it is written out', () => {
  const Ports = ({ children }: Taken): ReactNode =>
    Children.toArray(children).map((one) => (isValidElement(one) ? <i key={one.key}>{one.key}</i> : null));
  const keyed = (choices: AdaptedProps['choices']): string =>
    draw(
      Ports,
      { ...description, choices: { component: 'tide#Port', value: 'value', text: 'children' } },
      { choices },
      { 'tide#Port': () => null },
    ).textContent;
  expect(keyed(choices)).toBe('.$TOR.$ALD');
  expect(
    keyed([
      { value: '1', text: 'one' },
      { value: 1, text: 'One' },
    ]),
  ).toBe('.$"1".$1');
});

it('parts at one place are drawn together, by a function where one of them is', () => {
  interface Given {
    readonly constructor: ReactNode;
    drawEach(given: object): ReactNode;
  }
  // A name that every object has already is one like any other.
  const Quay = ({ constructor: before, drawEach }: Given): ReactNode => (
    <b>
      {before}|{drawEach({ title: 'TOR' })}
    </b>
  );
  const Flag = ({ title }: { title?: string }): ReactNode => <i title={title} />;
  const flag = { component: 'tide#Flag' };
  const inside = [
    { ...flag, at: 'constructor', properties: { title: 'red' } },
    { ...flag, at: 'constructor', properties: { title: 'white' } },
    { ...flag, at: 'drawEach', given: true as const },
    { ...flag, at: 'drawEach', properties: { title: 'blue' } },
  ];
  expect(draw(Quay, { ...description, inside }, {}, { 'tide#Flag': Flag }).innerHTML).toContain(
    '<b><i title="red"></i><i title="white"></i>|<i title="TOR"></i><i title="blue"></i></b>',
  );
});
