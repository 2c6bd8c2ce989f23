import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { inspect, type InspectedInput } from '../src/index.js';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'poietra-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

/** The inputs of one package with these declarations, by export. */
function declared(
  types: string,
  files: Readonly<Record<string, string>> = {},
  manifest: object = {},
): Record<string, InspectedInput> {
  const all: Record<string, string> = {
    'package.json': '{"dependencies": {"tide": "1"}}',
    'node_modules/tide/package.json': JSON.stringify({
      name: 'tide',
      version: '1.0.0',
      types: 'index.d.ts',
      ...manifest,
    }),
    'node_modules/tide/index.d.ts': `declare namespace JSX { interface Element {} }\n${types}`,
    ...files,
  };
  for (const [path, text] of Object.entries(all)) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
  return Object.fromEntries(
    inspect(folder)
      .inputs.filter(({ input }) => input.family !== 'native')
      .map((one) => [one.input.export, one]),
  );
}

describe('a component', () => {
  it('needs a value and a report of its change', () => {
    const found = declared(`
      export declare function Box(props: { value?: string; onChange?: (value: string) => void }): JSX.Element;
      export declare function Label(props: { value: string }): JSX.Element;
      export declare function Button(props: { onClick?: () => void; onSelect?: () => void }): JSX.Element;
      export declare function useBox(props: { value?: string; onChange?: (value: string) => void }): JSX.Element;
      export declare const version: string;`);
    expect(Object.keys(found)).toEqual(['Box']);
  });
  it('is none of its own where another takes it as a replacement of a part', () => {
    const found = declared(`
      type Props = { value?: string; onChange?: (value: string) => void };
      export declare function Months(props: Props): JSX.Element;
      export declare function Years(props: Props): JSX.Element;
      export declare function Calendar(props: Props & { parts?: { Months?: typeof Months; Years?: typeof Years } }): JSX.Element;`);
    expect(Object.keys(found)).toEqual(['Calendar']);
  });
  it('may be a class with props, a default export, or take any type of value', () => {
    const found = declared(`
      export declare class Old { constructor(props: object); props: { checked?: boolean; onChange?: (checked: boolean) => void }; render(): JSX.Element }
      export default function Any<T>(props: { value?: T; onChange?: (value: T, meta: { action: string }) => void }): JSX.Element;`);
    expect(Object.keys(found).sort()).toEqual(['Old', 'default']);
    expect(found['Old']?.adapter).toMatchObject({
      value: { property: 'checked' },
      change: { report: 'onChange', path: '/0' },
    });
    expect(found['default']?.adapter).toMatchObject({ value: { property: 'value' }, change: { path: '/0' } });
  });
  it('tells its types, words, choices and arguments', () => {
    const found = declared(`export declare function Box(props: {
      /** What is shown. */
      value: 'low' | 'high';
      onChange(value: 'low' | 'high', reason: string): void;
      isDisabled?: boolean; isRequired?: boolean; isInvalid?: boolean; isReadOnly?: boolean; inputId?: string; onBlur?: () => void; placeholder?: string;
    }): JSX.Element;`);
    const { input, adapter, findings } = found['Box']!;
    expect(input.properties.find(({ name }) => name === 'value')).toEqual({
      name: 'value',
      type: '"low" | "high"',
      sample: 'low',
      says: 'What is shown.',
      required: true,
      choices: ['low', 'high'],
    });
    expect(input.properties.find(({ name }) => name === 'onChange')?.args).toEqual([
      { name: 'value', type: '"low" | "high"' },
      { name: 'reason', type: 'string' },
    ]);
    expect(adapter).toMatchObject({
      disabled: { property: 'isDisabled' },
      required: { property: 'isRequired' },
      invalid: { property: 'isInvalid' },
      readOnly: { property: 'isReadOnly' },
      id: { property: 'inputId' },
      leave: { report: 'onBlur' },
      placeholder: { property: 'placeholder' },
      focus: { by: 'element' },
    });
    expect(findings.every(({ from, certainty }) => from === 'declared' && certainty > 0 && certainty <= 1)).toBe(true);
  });
});

describe('a widget', () => {
  it('may be a class, a function, or what a member makes', () => {
    const instance = 'interface Made { setValue(value: string): void; destroy(): void }';
    const found = declared(`${instance}
      export declare class Dial { constructor(element: Element | string, options?: { value?: string; onChange?: (value: string) => void }); setValue(value: string): void; dispose(): void }
      export declare function gauge(element: HTMLInputElement, options: { value?: string; onUpdate?: ((value: string) => void)[] }): Made;
      declare const tide: { create(element: HTMLElement, options: { start: number }): { set(value: number): void; on(name: string, listen: () => void): void } };
      export default tide;`);
    expect(found['Dial']?.input.widget).toEqual({
      start: 'new',
      update: 'setValue',
      reports: 'options',
      element: 'input',
      destroy: 'dispose',
    });
    expect(found['gauge']?.adapter).toMatchObject({
      change: { report: 'onUpdate', path: '/0' },
      widget: { start: 'call', destroy: 'destroy' },
    });
    expect(found['default.create']?.input.widget).toEqual({
      start: 'call',
      update: 'set',
      reports: 'on',
      element: 'div',
    });
  });
  it('may take its element as an option, its value later, and its reports together', () => {
    const found = declared(`
      export declare class Picker { constructor(options: { field: HTMLElement; events?: { afterChange?: (value: string) => void; beforeChange?: () => void } }); setSelected(value: string): void; destroy(): void }
      export declare class Paint { static create(options: { el: string | HTMLElement; default?: string }): Paint; on(name: 'init' | 'change', listen: (colour: object) => void): void; setColor(colour: string): void }
      export declare function mask(input: HTMLInputElement, options?: { locale?: string }): { setNumber(value: string): void };`);
    expect(found['Picker']?.adapter).toMatchObject({
      value: { property: 'value', empty: '' },
      change: { report: 'events.afterChange', path: '/0' },
      widget: {
        start: 'new',
        place: 'field',
        update: 'setSelected',
        startsEmpty: true,
        reports: 'options',
        element: 'input',
      },
    });
    expect(found['Paint.create']?.adapter).toMatchObject({
      change: { report: 'change', path: '/0' },
      widget: { start: 'call', place: 'el', update: 'setColor', reports: 'on', element: 'div' },
    });
    expect(found['mask']?.adapter).toMatchObject({
      change: { report: 'change', path: '/0/target/value' },
      widget: { update: 'setNumber', reports: 'events', element: 'input' },
    });
  });
  it('is none where it takes no element, no value, or cannot be told of a later one', () => {
    const found = declared(`
      export declare function a(text: string, options: { value?: string; onChange?: () => void }): { setValue(value: string): void };
      export declare function b(element: HTMLElement, options: { colour?: string }): { setValue(value: string): void };
      export declare function c(element: HTMLElement, options: { value?: string; onOpen?: () => void }): { destroy(): void };
      export declare class KeyStore { constructor(options: { target: HTMLElement; value?: string }); setValue(value: string): void; subscribe(hear: () => void): void; }
      export declare function d(anything: unknown, options: { value?: string; onChange?: () => void }): { setValue(value: string): void };`);
    expect(found).toEqual({});
  });
  it('is made anew with a later value where it can be told of none', () => {
    const { c } = declared(
      'export declare function c(element: HTMLElement, options: { value?: string; onChange?: (next: string) => void }): { destroy(): void };',
    );
    expect(c?.input.widget).toMatchObject({ update: 'value', reports: 'options' });
  });
});

describe('an element', () => {
  const manifest = (declaration: object) =>
    JSON.stringify({
      modules: [
        {
          path: 'src/box.ts',
          declarations: [{ customElement: true, tagName: 'tide-box', name: 'TideBox', ...declaration }],
        },
      ],
    });
  const find = (declaration: object) =>
    declared(
      'export {};',
      { 'node_modules/tide/elements.json': manifest(declaration), 'node_modules/tide/src/box.js': '' },
      { customElements: 'elements.json' },
    )['TideBox'];
  it('is read from its manifest: public members, events, methods, choices', () => {
    const found = find({
      summary: 'A box.',
      members: [
        { kind: 'field', name: 'checked', type: { text: 'boolean' } },
        { kind: 'field', name: 'size', type: { text: "'small' | 'large'" } },
        { kind: 'field', name: 'inner', privacy: 'private' },
        { kind: 'field', name: 'form', readonly: true },
        { kind: 'method', name: 'focus' },
        { kind: 'method', name: 'hidden', privacy: 'protected' },
      ],
      events: [{ name: 'tide-change', description: 'Told when it changes.' }, {}],
    });
    expect(found?.input).toMatchObject({
      tag: 'tide-box',
      module: 'tide/src/box.js',
      says: 'A box.',
      methods: ['focus'],
      events: [{ name: 'tide-change', says: 'Told when it changes.' }],
    });
    expect(found?.input.properties.map(({ name }) => name)).toEqual(['checked', 'size']);
    expect(found?.adapter).toMatchObject({
      value: { property: 'checked' },
      change: { report: 'tide-change', path: '/0/target/checked' },
    });
  });
  it('without a value or a change is left out', () => {
    expect(
      find({ members: [{ kind: 'field', name: 'value', type: { text: 'string' } }], events: [{ name: 'tide-open' }] }),
    ).toBeUndefined();
  });
  it('of a broken manifest is none', () => {
    expect(
      declared('export {};', { 'node_modules/tide/elements.json': '{' }, { customElements: 'elements.json' }),
    ).toEqual({});
    expect(declared('export {};', {}, { customElements: 'gone.json' })).toEqual({});
  });
});

describe('style sheets', () => {
  const sheets = (files: readonly string[], manifest: object = {}) =>
    declared(
      'export declare function Box(props: { value?: string; onChange?: (value: string) => void }): JSX.Element;',
      Object.fromEntries(files.map((file) => [`node_modules/tide/${file}`, ''])),
      manifest,
    )['Box']?.input.css;
  it('are those that the package offers, the one of its own name or called style', () => {
    expect(
      sheets(['style.css', 'extra.css'], {
        exports: { '.': { types: './index.d.ts' }, './extra.css': './extra.css', './style.css': './style.css' },
      }),
    ).toEqual(['tide/style.css']);
  });
  it('may be offered under a word without an ending, which for a tool alone is none', () => {
    const offered = (target: unknown) =>
      sheets(['dist/themes/noon/all.css'], { exports: { '.': { types: './index.d.ts' }, './css': target } });
    expect(offered('./dist/themes/noon/all.css')).toEqual(['tide/css']);
    expect(offered({ sass: './dist/themes/noon/all.css' })).toEqual([]);
  });
  it('are found beside the code where nothing is offered', () =>
    expect(sheets(['dist/tide.css', 'dist/other.css'])).toEqual(['tide/dist/tide.css']));
  it('are none where no name speaks for one', () => expect(sheets(['dist/themes.css'])).toEqual([]));
});

describe('what helps to fill an input', () => {
  it('is a plain value for what has to be given, limits and masks by their names', () => {
    const { input } = declared(`
      interface Range { min: number; max: number; step?: number }
      export declare function Box(props: {
        value?: number; onChange?: (value: number) => void;
        range: Range; format: string; mode: 'one' | 'many'; items: string[]; strict: boolean; render: () => void; other: Map<string, string>;
      }): JSX.Element;`)['Box']!;
    const samples = Object.fromEntries(input.properties.map(({ name, sample }) => [name, sample]));
    expect(samples).toMatchObject({
      range: { min: 0, max: 100 },
      format: '####',
      mode: 'one',
      items: [],
      strict: false,
    });
    expect(samples['render']).toBeUndefined();
    expect(samples['other']).toBeUndefined();
  });
  it('is the names of a list’s items, and what is advised against', () => {
    const { input } = declared(`
      export declare function Box<T extends { id: string; title: string }>(props: {
        value?: string; onChange?: (value: string) => void; options?: T[];
        /** @deprecated use onChange */ onSelect?: (value: string) => void;
      }): JSX.Element;`)['Box']!;
    expect(input.properties.find(({ name }) => name === 'options')?.members).toEqual(['id', 'title']);
    expect(input.properties.find(({ name }) => name === 'onSelect')?.deprecated).toBe(true);
  });
});

it('components that hang on a component are inputs of their own', () => {
  const found = declared(`
    interface Radio { (props: { checked?: boolean; onChange?: (checked: boolean) => void }): JSX.Element; Group: (props: { value?: string; onChange?: (value: string) => void }) => JSX.Element; version: string }
    export declare const Radio: Radio;`);
  expect(Object.keys(found)).toEqual(['Radio', 'Radio.Group']);
  expect(found['Radio.Group']?.input.id).toBe('tide#Radio.Group');
});

it('what takes a value but only reports what every HTML element reports is no input', () =>
  expect(
    declared('export declare function Badge(props: { color?: string; onClick?: () => void }): JSX.Element;'),
  ).toEqual({}));

it('the folder’s own source files count, without tests and built ones', () => {
  const box = (name: string): string =>
    `declare namespace JSX { interface Element {} }\nexport function ${name}(props: { value?: string; onChange?: (value: string) => void }): JSX.Element { return props as JSX.Element; }`;
  declared('', {
    'src/port.ts': box('Port'),
    'src/inner/deck.ts': box('Deck'),
    'src/port.test.ts': box('Tested'),
    'src/dist/built.ts': box('Built'),
  });
  const own = inspect(folder).inputs.filter(({ input }) => input.id.startsWith('./'));
  expect(own.map(({ input }) => [input.id, input.module])).toEqual([
    ['./src/inner/deck.ts#Deck', './src/inner/deck.ts'],
    ['./src/port.ts#Port', './src/port.ts'],
  ]);
  expect(own[0]?.adapter).toMatchObject({ value: { property: 'value' }, change: { report: 'onChange' } });
});

it('elements without a manifest are found by the tags that their package declares, with what their class has', () => {
  const found = declared(
    `
    export declare class TideBox extends HTMLElement { value: string; disabled: boolean; focusInside(): void }
    export declare class TideMark extends HTMLElement { label: string }
    declare global { interface HTMLElementTagNameMap { 'tide-box': TideBox; 'tide-mark': TideMark } }`,
    { 'node_modules/tide/index.js': '' },
  );
  expect(Object.keys(found)).toEqual(['TideBox']);
  expect(found['TideBox']?.input).toMatchObject({
    id: 'tide#tide-box',
    family: 'element',
    tag: 'tide-box',
    module: 'tide/index.js',
    methods: ['focusInside'],
    properties: [{ name: 'value' }, { name: 'disabled' }],
  });
  expect(found['TideBox']?.adapter).toMatchObject({
    value: { property: 'value' },
    change: { report: 'input', path: '/0/target/value' },
    disabled: { property: 'disabled' },
  });
});

it('elements whose types say no events tell those of their script, and find inside themselves what it has for a choice', () => {
  const types = `
    export declare class TideSelect extends HTMLElement { value: string; disabled: boolean }
    declare global { interface HTMLElementTagNameMap { 'tide-select': TideSelect } }`;
  const script = `this.emit("tide-open"); this.dispatchEvent(new CustomEvent('tide-change'));
    register("tide-select", TideSelect); register("tide-select-option", TideOption);`;
  const found = declared(types, { 'node_modules/tide/index.js': script })['TideSelect'];
  expect(found?.input.events.map(({ name }) => name)).toEqual(['tide-open', 'tide-change', 'input', 'change']);
  expect(found?.input.item).toEqual({ tag: 'tide-select-option', module: 'tide/index.js' });
  expect(found?.adapter?.change.report).toBe('tide-change');
});

it('an element tells what its own way to listen names, and holds the element that the package has for a choice', () => {
  const found = declared(`
    interface TideEvents { tideChange: object; tideBlur: void }
    export declare class TideRadioGroup extends HTMLElement {
      value: string;
      addEventListener<K extends keyof TideEvents>(type: K, listener: (event: CustomEvent<TideEvents[K]>) => void): void;
      addEventListener<K extends keyof HTMLElementEventMap>(type: K, listener: (event: HTMLElementEventMap[K]) => void): void;
    }
    export declare class TideRadio extends HTMLElement { value: string }
    declare global { interface HTMLElementTagNameMap { 'tide-radio-group': TideRadioGroup; 'tide-radio': TideRadio } }`);
  expect(found['TideRadioGroup']?.input).toMatchObject({
    events: [{ name: 'tideChange' }, { name: 'tideBlur' }],
    item: { tag: 'tide-radio' },
  });
  expect(found['TideRadioGroup']?.adapter?.choices).toEqual({ tag: 'tide-radio', value: 'value' });
  expect(found['TideRadioGroup']?.adapter?.change).toEqual({ report: 'tideChange', path: '/0/target/value' });
});

it('a group holds buttons of its name, which may take their words by a property', () => {
  const found = declared(`
    export declare class TideRadioGroup extends HTMLElement { value: string }
    export declare class TideRadioButton extends HTMLElement { value: string; label: string | null }
    declare global {
      interface HTMLElementTagNameMap { 'tide-radio-group': TideRadioGroup; 'tide-radio-button': TideRadioButton }
    }`);
  const choices = { tag: 'tide-radio-button', value: 'value', text: 'label' };
  expect(found['TideRadioGroup']?.adapter?.choices).toEqual(choices);
});

it('what stands inside for each choice is found by name and by what it takes', () => {
  const props = 'value?: string; onChange?: (next: string) => void';
  const found = declared(`
    export declare function Radio(props: { value?: string; label?: string; onChange?: () => void }): JSX.Element;
    export declare function RadioGroup(props: { ${props} }): JSX.Element;
    export declare function ChipGroup(props: { ${props} }): JSX.Element;
    export declare function Chip(props: { value?: string; children?: string }): JSX.Element;
    export declare function BerthGroup(props: { ${props} }): JSX.Element;
    export declare function Berth(props: { label?: string }): JSX.Element;
    export declare function MarkGroup(props: { ${props} }): JSX.Element;
    export declare function Mark(props: { value?: string; labelText?: string }): JSX.Element;
    export declare function NativeSelect(props: { ${props} }): JSX.Element;
    export declare function PortGroup(props: { ${props}; options?: { value: string; label: string }[] }): JSX.Element;
    export declare function Port(props: { value?: string; children?: string }): JSX.Element;`);
  expect(Object.entries(found).map(([name, { adapter }]) => [name, adapter?.choices])).toEqual([
    ['Radio', undefined],
    ['RadioGroup', { component: 'tide#Radio', value: 'value', text: 'label' }],
    ['ChipGroup', { component: 'tide#Chip', value: 'value', text: 'children' }],
    ['BerthGroup', undefined],
    ['MarkGroup', { component: 'tide#Mark', value: 'value', text: 'labelText' }],
    ['NativeSelect', { tag: 'option', value: 'value' }],
    ['PortGroup', { property: 'options', value: 'value', text: 'label' }],
  ]);
});
