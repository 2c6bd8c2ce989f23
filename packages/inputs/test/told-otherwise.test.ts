/** Reports that are called otherwise than most, and elements whose entry does not lead to what declares them. */
import { found, install, names, put } from './planted-package.js';

const component = (props: string): string =>
  `import * as React from 'react';\nexport declare function Level(props: { ${props} }): React.ReactElement;`;
const pair = () =>
  found().map(({ adapter }) => [adapter?.value.property, adapter?.change.report, adapter?.change.path])[0];

it.each([
  [
    'of what one does',
    'rating?: number; onRate?(event: any): void; onRating?(event: any): void',
    'rating',
    'onRate',
    '/0',
  ],
  [
    'of files by their type',
    'file?: File | File[]; handleChange?: (given: File | File[]) => void',
    'file',
    'handleChange',
    '/0',
  ],
  ['by setting it', 'value: string; setValue: (next: string) => void', 'value', 'setValue', '/0'],
  [
    'in one of its kinds',
    'time?: string | Date; onChange?: (event: object, time: string) => void',
    'time',
    'onChange',
    '/1',
  ],
  [
    'by the event of an element that it draws',
    'selectedItems?: string[]; onSelectedItemsChanged?: (event: CustomEvent) => void',
    'selectedItems',
    'onSelectedItemsChanged',
    '/0/target/selectedItems',
  ],
])('a value may be told %s', (_, props, ...wanted) => {
  install('tide', component(props));
  expect(pair()).toEqual(wanted);
});

it('a layout’s own state is none, whatever tells of it', () => {
  install('tide', component('side?: "left" | "right"; onSideChanged?: (event: CustomEvent) => void'));
  expect(names()).toEqual([]);
});

it('what is drawn as a component that one may give takes what HTML’s own box takes where none is given', () => {
  install(
    'tide',
    `import * as React from 'react';
     type Given<C> = { component?: C } & (C extends React.ComponentType<infer P> ? P : React.InputHTMLAttributes<HTMLInputElement>);
     export declare const MaskBox: <C extends React.ComponentType<any> | undefined = undefined>(props: { mask?: string } & Given<C> & React.RefAttributes<HTMLInputElement>) => React.JSX.Element;`,
  );
  expect(pair()).toEqual(['value', 'onChange', '/0/target/value']);
});

it('a listener that has to be given is no constant; of a list that takes groups, too, single choices count', () => {
  install(
    'tide',
    component(
      `value?: string; onChange?: (next: string) => void; onResize: unknown;
       options: ({ type: 'group'; items: string[] } | { value: string; label: string } | string)[]`,
    ),
  );
  expect(found()[0]?.adapter).toMatchObject({ choices: { property: 'options', value: 'value', text: 'label' } });
  expect(found()[0]?.adapter?.constants).toBeUndefined();
});

it('choices are those of the kind that has a value and words, in whatever order the kinds stand', () => {
  const kinds =
    'interface Quays { id: string; label: string; options: Port[] } interface Port { text: string; value: string }';
  install(
    'tide',
    `${component('value?: string; onChange?: (next: string) => void; data?: Partial<Quays>[] | Partial<Quays | Port>[]')} ${kinds}`,
  );
  expect(found()[0]?.adapter?.choices).toEqual({ property: 'data', value: 'value', text: 'text' });
});

describe('an element', () => {
  const element = `export interface Level { rate: string; value: number }
    declare global { interface HTMLTideLevelElement extends Level, HTMLElement {} interface HTMLElementTagNameMap { 'tide-level': HTMLTideLevelElement } }
    declare namespace Drawn { interface IntrinsicElements { 'tide-level': Level & { onTideChange?: (event: CustomEvent) => void; onClick?: () => void } } }
    export { Drawn as JSX };`;

  it('is found beside the entry that does not lead to it, and tells what its tag takes listeners for', () => {
    install('tide', 'export declare const version: string;', { types: 'made/index.d.ts', main: 'index.js' });
    put('node_modules/tide/made/index.d.ts', 'export declare const version: string;');
    put('node_modules/tide/made/components.d.ts', element);
    expect(found().map(({ input }) => [input.tag, input.events])).toEqual([['tide-level', [{ name: 'tideChange' }]]]);
  });

  it('may tell of a change under the platform’s name for it, in a list of its own', () => {
    install(
      'tide',
      `interface TideLevelEventMap { change: string; action: void }
       interface TideLevel extends HTMLElement { value: string; addEventListener<K extends keyof TideLevelEventMap>(type: K, listener: (event: CustomEvent) => void): void; addEventListener<K extends keyof HTMLElementEventMap>(type: K, listener: (event: Event) => void): void }
       declare global { interface HTMLElementTagNameMap { 'tide-level': TideLevel } }
       export {};`,
    );
    expect(found().map(({ input }) => input.events)).toEqual([[{ name: 'change' }, { name: 'action' }]]);
  });

  it('may be registered with all others of its package, by what fetches each once it is drawn', () => {
    const map =
      "export interface HTMLTideLevelElement extends HTMLElement { value: string } declare global { interface HTMLElementTagNameMap { 'tide-level': HTMLTideLevelElement } }";
    install('tide', map, { types: 'index.d.ts', main: 'index.js' });
    put(
      'node_modules/tide/dist/esm/loader.js',
      'const defineCustomElements = () => {};\nexport { defineCustomElements };',
    );
    expect(found()[0]?.input).toMatchObject({ module: 'tide/dist/esm/loader.js', registers: 'defineCustomElements' });
  });

  it('may lie flat in a package without an entry', () => {
    install('tide', '', {});
    put('node_modules/tide/level.d.ts', element);
    put('node_modules/tide/level.js', '');
    expect(found().map(({ input }) => [input.tag, input.module])).toEqual([['tide-level', 'tide/level.js']]);
  });

  const inManifest = (tags: object[], manifest: object = { customElements: 'custom-elements.json' }): void => {
    install('tide', '', { main: 'index.js', ...manifest });
    put('node_modules/tide/custom-elements.json', JSON.stringify({ version: 'experimental', tags }));
  };
  const tag = (name: string, properties: string[], events: string[] = [], path = './level.js'): object => ({
    name,
    path,
    properties: properties.map((one) => ({ name: one })),
    events: events.map((one) => ({ name: one })),
  });

  it('is listed under the usual name though the package says nothing of it, and was built from its source', () => {
    inManifest([tag('tide-level', ['value', 'disabled'], ['change'], './src/parts/level.ts')], {
      exports: { './es/*': './es/*' },
    });
    put('node_modules/tide/es/parts/level.js', 'customElements.define("tide-level", class {})');
    expect(found()[0]?.input.module).toBe('tide/es/parts/level.js');
  });

  it.each([
    [
      'its whole name in words',
      'tide-level',
      ['value', 'disabled'],
      ['tide-level-changed'],
      ['value', 'tide-level-changed'],
    ],
    ['the end of it', 'tide-wide-level', ['value'], ['tide-level-changed'], ['value', 'tide-level-changed']],
    ['its value', 'tide-mark', ['color'], ['color-changed'], ['color', 'color-changed']],
    [
      'a property of its own',
      'tide-mark',
      ['modelValue'],
      ['model-value-changed'],
      ['modelValue', 'model-value-changed'],
    ],
    ['what is picked', 'tide-day', ['value'], ['changeMonth', 'selectDate'], ['value', 'selectDate']],
    [
      'what is chosen before what is typed',
      'tide-dropdown',
      ['value'],
      ['input', 'tide-dropdown-selected'],
      ['value', 'tide-dropdown-selected'],
    ],
  ])('tells by an event called after %s', (_, name, properties, events, wanted) => {
    inManifest([tag(name, properties, events)]);
    expect(pair()?.slice(0, 2)).toEqual(wanted);
  });

  it('takes the choices of its kin, and those before a list of whatever it may be', () => {
    inManifest([tag('tide-wide-dropdown', ['value', 'options'], ['change']), tag('tide-dropdown-item', ['value'])]);
    expect(found()[0]?.adapter?.choices).toEqual({ tag: 'tide-dropdown-item', value: 'value' });
  });
});

describe('a widget', () => {
  it('may take what is called an element and may be anything, and its later values by a property', () => {
    install(
      'tide',
      `declare namespace Tide {
         interface Made { color: string; on(name: 'change' | 'open', hear: () => void): void }
         function createPicker(element: any, options?: object): Made;
       }
       export = Tide;`,
    );
    expect(found()[0]?.input).toMatchObject({
      export: 'createPicker',
      widget: { update: 'color', reports: 'on', startsEmpty: true },
    });
  });

  it('may be set as a property of its own making, and what listens to any element is no report of it', () => {
    install(
      'tide',
      `export declare class Dial {
         constructor(target: HTMLElement, options?: object);
         get value(): string;
         set value(next: string);
         on(element: HTMLElement, name: string, hear: () => void): void;
       }`,
    );
    expect(found()[0]?.input.widget).toMatchObject({ update: 'value', reports: 'events' });
  });

  it('that helps to fill in a box leaves the value there', () => {
    install(
      'tide',
      'export declare function complete(given: { input: HTMLInputElement; least?: number }): { destroy(): void };',
    );
    expect(found()[0]?.adapter).toMatchObject({
      value: { property: 'value' },
      widget: { update: 'value', reports: 'events', element: 'input' },
    });
  });
});

it('types that a package names and does not ship declare nothing: it is run to be seen', () => {
  install('tide', '', { types: 'made/index.d.ts', main: 'index.js' });
  put(
    'node_modules/tide/index.js',
    `class Dial { constructor(element, options) { this.at = element; this.value = options.value; } setValue(next) {} on(name, hear) {} destroy() {} }
     module.exports = Dial;`,
  );
  expect(found()[0]?.input).toMatchObject({ family: 'widget', widget: { update: 'setValue' } });
});

it('a look of the day comes before one of the night, on what both are made of', () => {
  install('tide', component('value?: string; onChange?: (next: string) => void'), {
    types: 'index.d.ts',
    exports: { '.': './index.js', './themes/*': './themes/*' },
  });
  for (const name of ['day', 'night', 'root']) put(`node_modules/tide/themes/${name}.css`, ':root { --depth: 1px }');
  expect(found()[0]?.input.css).toEqual(['tide/themes/root.css', 'tide/themes/day.css']);
});

it('of one sheet in several looks the one is taken that the script begins with, else what is under all', () => {
  install('tide', component('value?: string; onChange?: (next: string) => void'));
  for (const look of ['bubble', 'core', 'snow']) put(`node_modules/tide/dist/desk.${look}.css`, '.desk { margin: 0 }');
  expect(found()[0]?.input.css).toEqual(['tide/dist/desk.core.css']);
  put('node_modules/tide/index.js', 'exports.begin = { theme: "snow" };');
  expect(found()[0]?.input.css).toEqual(['tide/dist/desk.snow.css']);
});

it('a sheet may lie in a folder of what was built that has its name', () => {
  install('tide', component('value?: string; onChange?: (next: string) => void'));
  put('node_modules/tide/dist/harbour/harbour.css', '.desk { margin: 0 }');
  expect(found()[0]?.input.css).toEqual(['tide/dist/harbour/harbour.css']);
  put('node_modules/tide/dist/quay/quay.css', '.desk { margin: 0 }');
  expect(found()[0]?.input.css).toEqual([]);
});

it.each([
  ['an option draws what stands inside it', 'SelectOption', 'children?: ReactNode', 'children'],
  ['unless only React says that something may', 'SelectOption', '[inner: symbol]: never', 'label'],
  ['and another item its label', 'SelectItem', 'children?: ReactNode', 'label'],
])('%s', (_what, name, inner, text) => {
  install(
    'tide',
    `import type { HTMLAttributes, JSX, ReactNode } from 'react';
    interface Props extends HTMLAttributes<HTMLElement> { value?: string; label?: string; ${inner} }
    export declare function ${name}(props: Props): JSX.Element;
    ${component('value?: string; onChange?: (next: string) => void; children?: ReactNode').replace('Level', 'Select')}`,
  );
  expect(found()[0]?.input.choiceItem).toMatchObject({ component: `tide#${name}`, text });
});

it('what is yes or no takes no words of a choice', () => {
  install(
    'tide',
    `import type { JSX, ReactNode } from 'react';
    export declare function SelectOption(props: { value?: string; label?: boolean; children?: ReactNode }): JSX.Element;
    ${component('value?: string; onChange?: (next: string) => void; children?: ReactNode').replace('Level', 'Select')}`,
  );
  expect(found()[0]?.input.choiceItem).toMatchObject({ component: 'tide#SelectOption', text: 'children' });
});

it('a provider may take a class that its package keeps apart for a library, of which the project has one', () => {
  install(
    'tide',
    `import * as React from 'react';
     export interface Lookup {}
     export declare function Level(props: { value?: Lookup[keyof Lookup]; onChange?: (next: Lookup[keyof Lookup]) => void }): React.ReactElement;
     export declare function MoonProvider(props: { children?: React.ReactNode; moonAdapter?: new () => object }): React.ReactElement;`,
    {
      types: 'index.d.ts',
      exports: { '.': './index.d.ts', './AdapterMoon': './moon.d.ts', './AdapterStar': './star.d.ts' },
    },
  );
  put('package.json', JSON.stringify({ name: 'desk', dependencies: { tide: '1', moon: '1' } }));
  put('node_modules/moon/package.json', JSON.stringify({ name: 'moon', version: '1.0.0', types: 'index.d.ts' }));
  put('node_modules/moon/index.d.ts', 'export declare class Moon { phase: number }');
  put(
    'node_modules/tide/moon.d.ts',
    `import { Moon } from 'moon';
     declare module 'tide' { interface Lookup { moon: Moon } }
     export declare class AdapterMoon {}`,
  );
  const level = found().find(({ input }) => input.export === 'Level')?.input;
  expect(level?.around).toContainEqual({
    component: 'tide#MoonProvider',
    imports: { moonAdapter: 'tide/AdapterMoon#AdapterMoon' },
  });
  // The same entry says what values are.
  expect(level?.properties.find(({ name }) => name === 'value')?.type).toMatch(/^Moon\b/);
});
