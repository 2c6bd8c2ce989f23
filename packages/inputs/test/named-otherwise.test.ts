/** Values and reports under names of their own, wholes beside their roots, and what only looks like an input. */
import { found, install, names, put } from './planted-package.js';

const component = (name: string, props: string): string =>
  `export declare function ${name}(props: { ${props} }): React.ReactElement;`;
const types = (...lines: string[]): string => ["import * as React from 'react';", ...lines].join('\n');
const text = 'value?: string; onChange?: (next: string) => void';
const only = () => found()[0];

describe('a widget', () => {
  it('may write and read its value under a name of its own, and leave the telling to its element', () => {
    install(
      'tide',
      `declare class Amount {
         constructor(element: HTMLElement | string, options?: { digits?: number });
         setRawValue(next: string): void;
         getRawValue(): string;
       }
       export default Amount;`,
    );
    expect(only()?.input).toMatchObject({
      family: 'widget',
      widget: { update: 'setRawValue', reports: 'events', element: 'input' },
    });
    expect(only()?.adapter?.change).toEqual({ report: 'change', path: '/0/target/value' });
  });

  it('may load its value anew', () => {
    install(
      'tide',
      `export declare class Ports { constructor(element: HTMLInputElement, options?: { most?: number }); loadOriginalValues(next: string[]): void }`,
    );
    expect(only()?.input.widget).toMatchObject({ update: 'loadOriginalValues', reports: 'events' });
  });

  it('is none that can be written and never read, none that a component alone may call, none that is a list', () => {
    const made = '{ setRawValue(next: string): void; on(name: string, hear: () => void): void }';
    install(
      'tide',
      `export declare class Chart { constructor(element: HTMLElement, options?: {}); setRawValue(next: string): void }
       export declare function useAmount(element: HTMLElement, options: { value?: string }): ${made};
       export declare function select(element: HTMLElement, options: { value?: string }): ${made} & { [at: number]: HTMLElement; setValue(next: string): void };`,
    );
    expect(names()).toEqual([]);
  });

  it('without types takes its element first, though its options have a usual value', () => {
    install('tide', '', { main: 'index.js' });
    put(
      'node_modules/tide/index.js',
      `class Days {
         constructor(element, options = {}) { this.at = element; this.options = options; this.box = this.options.container; }
         setDate(next) {}
         getDate() {}
       }
       class Elements { constructor(selector) {} setValue(next) {} on(name, hear) {} }
       Elements.prototype.length = 0;
       module.exports = { Days, Elements };`,
    );
    expect(found().map(({ input }) => [input.export, input.widget?.place])).toEqual([['Days', undefined]]);
  });
});

it('an element may tell by events that its maker’s letters begin', () => {
  install(
    'tide',
    `export declare class Level extends HTMLElement {
       value: string;
       disabled: boolean;
       addEventListener<K extends keyof Events>(name: K, hear: (event: Event) => void): void;
     }
     interface Events extends HTMLElementEventMap { xychange: CustomEvent }
     declare global { interface HTMLElementTagNameMap { 'xy-level': Level } }`,
  );
  expect(only()?.adapter?.change).toEqual({ report: 'xychange', path: '/0/target/value' });
});

it('what an element only tells is not given to it: its options are those inside', () => {
  install(
    'tide',
    `declare class Port extends HTMLElement { value: string; label: string }
     export declare class Ports extends HTMLElement { value: string; disabled: boolean; get options(): Port[] }
     declare global { interface HTMLElementTagNameMap { 'xy-select': Ports; 'xy-select-option': Port } }`,
  );
  expect(only()?.adapter).toMatchObject({ choices: { tag: 'xy-select-option', value: 'value' } });
});

it('elements that a package defines and does not declare are seen when it runs, and nothing else of it', () => {
  install('tide', 'export declare const version: string;', { main: 'index.js', types: 'index.d.ts' });
  put(
    'node_modules/tide/index.js',
    `class Level extends HTMLElement { get value() {} set value(next) {} get disabled() {} set disabled(next) {} }
     customElements.define('tide-level', Level);
     exports.Dial = function Dial(props) { return props.createElement('input', { value: props.value, onInput: props.onChange }); };`,
  );
  expect(names()).toEqual(['Element0']);
  expect(only()?.input.id).toBe('tide#tide-level');
});

it('elements that a package only gathers from others are seen, too, also where a decorator registers them', () => {
  install('tide', 'export {};', { main: 'index.js', types: 'index.d.ts' });
  put('node_modules/tide/index.js', "export * from 'tide-dial'; export * from './more.js';");
  put('node_modules/tide/more.js', 'export const version = 2;');
  put('node_modules/tide-dial/package.json', '{"name":"tide-dial","version":"1.0.0","main":"lib/dial.js"}');
  put(
    'node_modules/tide-dial/lib/dial.js',
    `const customElement = (tag) => (made) => (customElements['define'](tag, made), made);
     export const Dial = customElement('tide-dial')(
       class extends HTMLElement { get value() {} set value(next) {} get mark() { return SVGSVGElement; } });
     void SVGSVGElement;`,
  );
  expect(found().map(({ input }) => input.id)).toEqual(['tide#tide-dial']);
});

describe('a component', () => {
  it('that is drawn at once is meant rather than its root; other roots take no part of it', () => {
    install(
      'tide',
      types(
        ...['Field', 'FieldRoot', 'FieldOTP', 'FieldOTPRoot'].map((name) => component(name, text)),
        component('FieldMark', text),
      ),
    );
    expect(names()).toEqual(['Field', 'FieldOTP']);
  });

  it('called an input beside what it is called after is one where it tells its own value', () => {
    install(
      'tide',
      types(
        component('Chip', 'selected?: boolean; onSelectedChange?: (next: boolean) => void'),
        component('ChipInput', 'value?: string[]; onChange?: (next: string[]) => void'),
        component('Tags', 'value?: string[]; onChange?: (next: string[]) => void'),
        component('TagsInput', 'value?: string; onChange?: (event: React.ChangeEvent<HTMLInputElement>) => void'),
      ),
    );
    expect(names()).toEqual(['Chip', 'ChipInput', 'Tags']);
  });

  it('may be pressed on its content alone, in which the rest stands', () => {
    install(
      'tide',
      types(
        component('Hatch', 'isSelected?: boolean; onChange?: (next: boolean) => void; children?: React.ReactNode'),
        ...['HatchContent', 'HatchControl', 'HatchThumb'].map((name) => component(name, 'children?: React.ReactNode')),
      ),
    );
    expect(only()?.input.inside?.[0]?.inside).toMatchObject([
      {
        component: 'tide#HatchContent',
        inside: [{ component: 'tide#HatchControl', inside: [{ component: 'tide#HatchThumb' }] }],
      },
    ]);
  });

  it('that takes whatever it is given names its value in its report', () => {
    install(
      'tide',
      types(
        `interface Props { as?: any; onChange?: (event: React.ChangeEvent<HTMLInputElement>, data: { as?: any; value: string }) => void; [more: string]: any }
         export declare function Box(props: Props): React.ReactElement;`,
      ),
    );
    expect(only()?.adapter).toMatchObject({ value: { property: 'value' }, change: { path: '/1/value' } });
  });

  it('may take a value to begin with in more kinds than it tells, and a text that is markup', () => {
    install(
      'tide',
      types(
        component('Pin', 'initialValue?: string | number; onChange?: (next: string, at: number) => void'),
        component('Words', 'html: string; onChange: (event: React.FormEvent<HTMLDivElement>) => void'),
      ),
    );
    expect(found().map(({ adapter }) => [adapter?.value.property, adapter?.change.path])).toEqual([
      ['initialValue', '/0'],
      ['html', '/0/target/value'],
    ]);
  });
});

it('a package may be called like a script: its sheets lie in folders alone', () => {
  install('tide.js', types(component('Box', text)));
  put('node_modules/tide.js/dist/tide.js', '');
  expect(names()).toEqual(['Box']);
});

it('a type is told shortly, however long it is written out; of alternatives as many as there is room for', () => {
  const long = Array.from({ length: 60 }, (_, i) => `colour${i}: 'red' | 'green'`).join('; ');
  install(
    'tide',
    types(
      component(
        'Box',
        `${text}; look?: { ${long} }; port?: ${Array.from({ length: 30 }, (_, i) => `'p${i}'`).join(' | ')} | number`,
      ),
    ),
  );
  const typeOf = (name: string) => only()?.input.properties.find((one) => one.name === name)?.type;
  expect(typeOf('look')).toMatch(/^.{150,160}$/);
  expect(typeOf('look')).toMatch(/^\{ colour0: "red" \| "green"; .*…$/);
  expect(typeOf('port')).toMatch(/^(number \| )?"p0" \| "p1" .*"p1\d" .*…$/);
});
