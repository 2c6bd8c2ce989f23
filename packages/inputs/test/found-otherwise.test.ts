/** What packages do otherwise than most: entries by a pattern, a whole as the default, names for what is not settled, looks that lie elsewhere. */
import { draftAdapter } from '@poietra/core';
import { rmSync, symlinkSync } from 'node:fs';
import { join } from 'node:path';
import { inspect } from '../src/index.js';
import { folder, found, install, names, put } from './planted-package.js';

const box = (props = 'value?: string; onChange?: (next: string) => void'): string =>
  `import * as React from 'react';\nexport default function Box(props: { ${props} }): React.ReactElement;`;
const only = () => found()[0];

describe('entries', () => {
  it('that a package names by a pattern are its components, each with a default of its own', () => {
    install('tide', '', { exports: { './*.js': './*.js', './parts/icon': './parts/icon.js' } });
    put('node_modules/tide/parts/level/level.d.ts', box());
    put('node_modules/tide/parts/check/check.d.ts', box('checked?: boolean; onChange?: (next: boolean) => void'));
    put('node_modules/tide/parts/check/inside.d.ts', box());
    expect(found().map(({ input }) => [input.id, input.module])).toEqual([
      ['tide/parts/check/check.js#default', 'tide/parts/check/check.js'],
      ['tide/parts/level/level.js#default', 'tide/parts/level/level.js'],
    ]);
  });

  it('a pattern may point into another folder, and leave out what is its own', () => {
    install('tide', '', {
      exports: { './*.js': { types: './made/*.d.ts', import: './made/*.js' }, './inner.js': null, './*.look.js': null },
    });
    for (const name of ['level', 'inner', 'level.look']) put(`node_modules/tide/made/${name}.d.ts`, box());
    expect(found().map(({ input }) => input.module)).toEqual(['tide/level.js']);
  });

  it('share what has to stand around them, with what that needs by the names of both', () => {
    install('tide', '', { exports: { './level': './level/index.js', './look': './look/index.js' } });
    put('node_modules/tide/level/index.d.ts', box());
    put(
      'node_modules/tide/look/index.d.ts',
      `import * as React from 'react';
       export declare const skyDark: { readonly sea: string }, skyDefault: { readonly sea: string };
       export declare function Theme(props: { sky: { readonly sea: string }; 'a(b': { readonly sea?: string }; children?: React.ReactNode }): React.ReactElement;`,
    );
    for (const name of ['level', 'look']) put(`node_modules/tide/${name}/index.js`, '');
    expect(only()?.input.around).toEqual([
      { component: 'tide/look#Theme', imports: { sky: 'tide/look#skyDefault' }, properties: { 'a(b': {} } },
    ]);
  });
  it('below a whole that shows none those are read whose declarations speak of any; members come from its maker, too', () => {
    install('@tide/parts', '', {
      exports: { '.': './index.js', './level': './made/level.js', './words': './made/words.js' },
    });
    put('node_modules/@tide/parts/index.d.ts', 'export declare const version: string;');
    put('node_modules/@tide/parts/made/words.d.ts', 'this is read by nobody');
    put(
      'node_modules/@tide/core/package.json',
      JSON.stringify({ name: '@tide/core', version: '1.0.0', types: 'index.d.ts' }),
    );
    put(
      'node_modules/@tide/core/index.d.ts',
      'export declare class Held extends HTMLElement { value: string; disabled: boolean }',
    );
    put(
      'node_modules/@tide/parts/made/level.d.ts',
      `import { Held } from '@tide/core';
       export declare class Level extends Held { step: number }
       declare global { interface HTMLElementTagNameMap { 'tide-level': Level } }`,
    );
    put('node_modules/@tide/parts/made/level.js', '');
    expect(only()?.input).toMatchObject({ tag: 'tide-level', module: '@tide/parts/level' });
    expect(only()?.input.properties.map(({ name }) => name)).toEqual(['step', 'value', 'disabled']);
  });

  it('an element may be registered by a module of its short name, where the package offers it', () => {
    const manifest = { exports: { '.': './index.js', './*.js': './*.js' }, customElements: 'all.json' };
    install('tide', '', manifest);
    const members = [
      { kind: 'field', name: 'value' },
      { kind: 'field', name: 'disabled' },
    ];
    put(
      'node_modules/tide/all.json',
      JSON.stringify({
        schemaVersion: '1.0.0',
        modules: ['level', 'depth'].map((name) => ({
          kind: 'javascript-module',
          path: `${name}/${name}.component.js`,
          declarations: [{ kind: 'class', customElement: true, name: 'One', tagName: `tide-${name}`, members }],
        })),
      }),
    );
    put(
      'node_modules/tide/level.js',
      'import{Level as e}from"./level.pure.js";export*from"./level.pure.js";e.define();',
    );
    put('node_modules/tide/depth.js', 'export const depth = (at) => at.define;');
    expect(found().map(({ input }) => [input.tag, input.module, input.registers])).toEqual([
      ['tide-level', 'tide/level.js', undefined],
      ['tide-depth', 'tide', undefined],
    ]);
  });

  it('an element may be registered by the entry that its modules were made into, where there is no whole', () => {
    const exported = { './all': './dist/all.js', './level': './dist/level.js', './core': './dist/core.js' };
    install('tide', '', { exports: exported, customElements: 'all.json' });
    const members = ['value', 'disabled'].map((name) => ({ kind: 'field', name }));
    const declarations = [{ kind: 'class', customElement: true, name: 'One', tagName: 'tide-level', members }];
    put(
      'node_modules/tide/all.json',
      JSON.stringify({ modules: [{ kind: 'javascript-module', path: 'src/level/level-element.ts', declarations }] }),
    );
    const level = 'One = made([customElement("tide-level")], One);';
    put('node_modules/tide/dist/level.js', level);
    put('node_modules/tide/dist/all.js', `${level} Two = made([customElement("tide-depth")], Two);`);
    put('node_modules/tide/dist/core.js', 'const shared = "customElement";');
    expect(only()?.input).toMatchObject({ tag: 'tide-level', module: 'tide/level' });
  });

  it('elements of a package without a whole and without types are seen where its entries run', () => {
    const exported = { './tide-level': './level.js', './tide-all': './all.js', './tide-level/class': './class.js' };
    install('tide', '', { type: 'module', exports: exported });
    const level = (registering: string): string =>
      `class Level extends HTMLElement {
         static define(tag = 'tide-level') { customElements.define(tag, Level); }
         get value() { return ''; } set value(value) {} get disabled() { return false; } set disabled(disabled) {}
       }
       ${registering}`;
    put('node_modules/tide/level.js', level('Level.define();'));
    put('node_modules/tide/class.js', level('export { Level };'));
    put(
      'node_modules/tide/all.js',
      'const tags = ["tide-level"]; export const known = () => customElements.get(tags[0]);',
    );
    expect(found().map(({ input }) => [input.tag, input.module])).toEqual([['tide-level', 'tide/tide-level']]);
  });

  it('exports that are conditions of one entry are a whole, whose elements are registered by it', () => {
    const script = `customElements.define('tide-level', class extends HTMLElement {
      get value() { return ''; } set value(value) {} get disabled() { return false; } set disabled(disabled) {}
    });`;
    install('tide', '', { type: 'module', exports: { import: './level.js', default: './level.js' } });
    put('node_modules/tide/level.js', script);
    const { inputs, unread } = inspect(folder);
    expect(unread).toEqual([]);
    expect(inputs.find(({ input }) => input.tag === 'tide-level')?.input.module).toBe('tide');
  });

  it('an element may be registered by the index beside the module that makes it', () => {
    install('tide', '', { exports: { './*': './*' }, customElements: 'all.json' });
    const members = ['value', 'disabled'].map((name) => ({ kind: 'field', name }));
    const declarations = [{ kind: 'class', customElement: true, name: 'Gauge', tagName: 'tide-gauge', members }];
    put(
      'node_modules/tide/all.json',
      JSON.stringify({ schemaVersion: '1.0.0', modules: [{ path: 'gauge/gauge.component.js', declarations }] }),
    );
    put('node_modules/tide/gauge/gauge.component.js', 'export default class Gauge {}');
    put('node_modules/tide/gauge/index.js', "import Gauge from './gauge.component';\nGauge.register('tide-gauge');");
    expect(found()[0]?.input.module).toBe('tide/gauge/index.js');
    put('node_modules/tide/gauge/index.js', "export { default } from './gauge.component';");
    expect(found()[0]?.input.module).toBe('tide/gauge/gauge.component.js');
  });

  it('an element may be registered by a function that is called after its class', () => {
    install('tide', '', { exports: { './*': './*' }, customElements: 'all.json' });
    const members = ['value', 'disabled'].map((name) => ({ kind: 'field', name }));
    const declarations = [
      { kind: 'class', customElement: true, name: 'GaugeComponent', tagName: 'tide-gauge', members },
    ];
    put(
      'node_modules/tide/all.json',
      JSON.stringify({ schemaVersion: '1.0.0', modules: [{ path: 'src/lib/gauge/gauge.ts', declarations }] }),
    );
    put('node_modules/tide/esm/gauge/gauge.js', 'export class GaugeComponent {}');
    put('node_modules/tide/esm/gauge/index.js', 'export function defineGaugeComponent() { define(GaugeComponent); }');
    expect(found()[0]?.input).toMatchObject({ module: 'tide/esm/gauge/index.js', registers: 'defineGaugeComponent' });
  });

  it('a package may be a link to where an installer keeps it', () => {
    install('tide', '');
    rmSync(join(folder, 'node_modules/tide'), { recursive: true });
    put(
      'node_modules/.kept/tide/package.json',
      JSON.stringify({ name: 'tide', version: '1.0.0', types: 'index.d.ts' }),
    );
    put(
      'node_modules/.kept/tide/index.d.ts',
      `declare class Level extends HTMLElement { value: string; disabled: boolean }
       declare class Radio extends HTMLElement { value: string; checked: boolean }
       declare global { interface HTMLElementTagNameMap { 'tide-radio-group': Level; 'tide-radio-group-radio': Radio } }
       export {};`,
    );
    symlinkSync('.kept/tide', join(folder, 'node_modules/tide'));
    // What is called after a group stands in it, and is none alone.
    expect(found().map(({ input }) => [input.tag, input.item?.tag])).toEqual([
      ['tide-radio-group', 'tide-radio-group-radio'],
    ]);
  });

  it('a whole with more hanging on it is the default', () => {
    install(
      'tide',
      `import * as React from 'react';
       declare namespace Level { interface Props { value?: string; onChange?: (next: string) => void } }
       declare class Level extends React.Component<Level.Props> {}
       export = Level;`,
    );
    expect(only()?.input).toMatchObject({ id: 'tide#default', export: 'default' });
  });

  it('widgets that one object gathers are found under its names', () => {
    install(
      'tide',
      `interface Made { setValue(next: string): void; getValue(): string }
       type Dial = (element: HTMLElement, options: { value?: string; onchange?: (el: HTMLElement, oldValue: string, newValue: string) => void }) => Made;
       declare const all: { dial: Dial; tabs: Dial; version: string };
       export default all;`,
    );
    expect(found().map(({ input, adapter }) => [input.export, adapter?.change])).toEqual([
      ['default.dial', { report: 'onchange', path: '/2' }],
    ]);
  });
});

it('of two names for one the settled counts, and what is not settled is found where it is the only one', () => {
  const props = '(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement';
  install(
    'tide',
    `import * as React from 'react';
     declare function Level${props};
     export { Level as __experimentalLevel, Level };
     export declare function __unstableDial${props};
     export declare function _helper${props};`,
  );
  expect(names()).toEqual(['Level', '__unstableDial']);
});

it('what is current is a value where a change gives one of its type; what a list to choose from has is an input, whatever its name', () => {
  install(
    'tide',
    `import * as React from 'react';
     export declare function Days(props: { currentDate?: string; onChange?: (date: string) => void }): React.ReactElement;
     export declare function Ports(props: { selectedId?: string; tree?: object[]; onChange?: (value: string) => void }): React.ReactElement;
     export declare function Pages(props: { currentPage?: number; onChange?: (page: number) => void }): React.ReactElement;
     export declare function SelectSearch(props: { options: { name: string; value: string }[]; value?: string; onChange?: (next: string) => void }): React.ReactElement;
     export declare function ComboboxSearch(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement;`,
  );
  expect(names()).toEqual(['Days', 'Ports', 'SelectSearch']);
});

describe('events', () => {
  const element = {
    id: 'tide#tide-level',
    family: 'element' as const,
    package: 'tide',
    version: '1.0.0',
    export: 'TideLevel',
    module: 'tide',
    tag: 'tide-level',
    properties: [
      { name: 'value', type: 'string' },
      { name: 'expanded', type: 'boolean' },
      // Names are whatever a package says, and no pattern.
      { name: '$held(', type: 'string' },
    ],
    methods: [],
    css: [],
  };
  it('that are called after their element are its reports', () => {
    expect(draftAdapter({ ...element, events: [{ name: 'tideLevelChange' }] })?.adapter.change.report).toBe(
      'tideLevelChange',
    );
    const picker = { ...element, tag: 'tide-date-picker', events: [{ name: 'tideOpen' }, { name: 'tideDate' }] };
    expect(draftAdapter(picker)?.adapter.change.report).toBe('tideDate');
  });
  it('that are called after another property are about that', () => {
    for (const name of ['expandedChanged', 'expanded-changed', 'expandedChange'])
      expect(draftAdapter({ ...element, events: [{ name }] })).toBeUndefined();
  });
  it('are not made up where a package says what its elements tell', () => {
    const one = (name: string, tells: boolean): string => `
      interface Tide${name} extends HTMLElement { value: string; ${
        tells
          ? `addEventListener<K extends keyof Told>(type: K, listener: (event: Told[K]) => void): void;
             addEventListener<K extends keyof HTMLElementEventMap>(type: K, listener: (event: HTMLElementEventMap[K]) => void): void;`
          : ''
      } }`;
    install(
      'tide',
      `interface Told { 'tide-change': CustomEvent<string> }
       ${['Level', 'Dial', 'Range'].map((name) => one(name, true)).join('')}${one('Sign', false)}
       declare global { interface HTMLElementTagNameMap {
         'tide-level': TideLevel; 'tide-dial': TideDial; 'tide-range': TideRange; 'tide-sign': TideSign;
       } }
       export {};`,
    );
    const tags = found().map(({ input }) => input.tag);
    expect(tags).toEqual(['tide-level', 'tide-dial', 'tide-range']);
    expect(inspect(folder).passed.map(({ input }) => input.tag)).toEqual(['tide-sign']);
  });
});

describe('looks', () => {
  const withLook = (name: string, manifest: object): void => {
    install('@tide/parts', box());
    put(
      'package.json',
      JSON.stringify({ name: 'desk', dependencies: { '@tide/parts': '1', [name]: '1', '@quay/css': '1' } }),
    );
    put('node_modules/@quay/css/package.json', JSON.stringify({ name: '@quay/css', version: '1.0.0' }));
    put('node_modules/@quay/css/index.css', '');
    put(`node_modules/${name}/package.json`, JSON.stringify({ name, version: '1.0.0', ...manifest }));
  };
  it('lie in a package beside it, colours first, by the names that it is asked for', () => {
    withLook('@tide/parts-css', { exports: { '.': './dist/all.css', './theme.css': './dist/theme.css' } });
    expect(only()?.input.css).toEqual(['@tide/parts-css/theme.css', '@tide/parts-css/dist/all.css']);
  });
  it('lie in what their maker has for all', () => {
    withLook('@tide/theme', { main: 'index.js' });
    put('node_modules/@tide/theme/index.css', '');
    expect(only()?.input.css).toEqual(['@tide/theme/index.css']);
  });
  it('are the sheet under the package’s own name, and not what a tool of another kind reads', () => {
    const exported = {
      '.': { types: './index.d.ts', style: './sheets/all.css', import: './index.js' },
      './tailwindcss/index.css': './tailwindcss/index.css',
      './all.css': './sheets/all.css',
    };
    install('tide', box(), { exports: exported });
    expect(only()?.input.css).toEqual(['tide/all.css']);
  });
  it('have a theme beside their own sheet where that reads what only a theme gives', () => {
    install('tide', box());
    const reads = ['--ink', '--line', '--ground'];
    put('node_modules/tide/style.css', `.box { margin: ${reads.map((name) => `var(${name})`).join(' ')} }`);
    put('node_modules/tide/themes/light.css', ':root { --other: 1px }');
    expect(only()?.input.css).toEqual(['tide/style.css']);
    put('node_modules/tide/themes/light.css', `.light { ${reads.map((name) => `${name}: 1px`).join(';')} }`);
    expect(only()?.input.css).toEqual(['tide/themes/light.css', 'tide/style.css']);
  });
  it.each([
    [
      'of themes side by side the plain one',
      ['dark-theme.css', 'standard-theme.css', 'wide-theme.css'],
      ['standard-theme.css'],
    ],
    ['a whole that bears how it was made', ['dist/parts.css', 'dist/index.umd.css'], ['dist/index.umd.css']],
    ['what was made smaller, where it is alone', ['dist/tide.min.css', 'dist/parts.css'], ['dist/tide.min.css']],
    ['what was made of it rather than smaller', ['dist/tide.min.css', 'dist/tide.css'], ['dist/tide.css']],
    [
      'colours in a folder beside it, after it',
      ['dist/style.css', 'dist/theme/default.css'],
      ['dist/style.css', 'dist/theme/default.css'],
    ],
  ])('%s is imported', (_what, sheets, wanted) => {
    install('tide', box());
    for (const sheet of sheets) put(`node_modules/tide/${sheet}`, '.box { margin: 0 }');
    expect(only()?.input.css).toEqual(wanted.map((sheet) => `tide/${sheet}`));
  });
  it('a sheet is imported by the name that the package gives it, and by none where nothing lies there', () => {
    const entry = { types: './index.d.ts', default: './index.js' };
    install('tide', box(), { exports: { '.': entry, './css/*': './dist/css/*' } });
    put('node_modules/tide/dist/css/tide.css', '.box { margin: 0 }');
    expect(only()?.input.css).toEqual(['tide/css/tide.css']);
    install('tide', box(), { types: 'index.d.ts', style: 'src/style.css' });
    rmSync(join(folder, 'node_modules/tide/dist'), { recursive: true });
    put('node_modules/tide/style.css', '.box { margin: 0 }');
    expect(only()?.input.css).toEqual(['tide/style.css']);
    // What has to be made into a sheet first is none.
    install('tide', box(), { types: 'index.d.ts', style: 'src/style.scss' });
    put('node_modules/tide/src/style.scss', '.box { margin: 0 }');
    expect(only()?.input.css).toEqual(['tide/style.css']);
  });
  it('what has no sheet of its own has those of a part that names one, or that keeps its tokens in themes', () => {
    const dependencies = { '@moon/looks': '1', '@moon/tokens': '1' };
    install('@moon/parts', box(), { types: 'index.d.ts', dependencies });
    const part = (name: string, more: object): void =>
      put(`node_modules/${name}/package.json`, JSON.stringify({ name, version: '1.0.0', ...more }));
    part('@moon/looks', { style: 'css/night-and-day.css' });
    put('node_modules/@moon/looks/css/night-and-day.css', '');
    part('@moon/tokens', {});
    for (const theme of ['dark-calm', 'light-calm', 'light-calm-blue'])
      put(`node_modules/@moon/tokens/dist/css/theme/sea/${theme}.css`, '');
    expect(only()?.input.css).toEqual([
      '@moon/looks/css/night-and-day.css',
      '@moon/tokens/dist/css/theme/sea/light-calm.css',
    ]);
  });

  it('of a suite with a package for each part, the sheets of those that it stands on are imported, too', () => {
    install('@moon/box', box(), { types: 'index.d.ts', dependencies: { '@moon/button': '1' } });
    const part = (name: string, on: Readonly<Record<string, string>>): void =>
      put(`node_modules/${name}/package.json`, JSON.stringify({ name, version: '1.0.0', dependencies: on }));
    part('@moon/button', { '@moon/label': '1', '@sun/box': '1' });
    part('@moon/label', {});
    part('@sun/box', {});
    for (const name of ['@moon/box', '@moon/button', '@moon/label', '@sun/box'])
      put(`node_modules/${name}/dist/styles.css`, '.part { margin: 0 }');
    expect(only()?.input.css).toEqual(['button', 'label', 'box'].map((name) => `@moon/${name}/dist/styles.css`));
    // What has none of its own may have them in what it stands on.
    rmSync(join(folder, 'node_modules/@moon/box/dist/styles.css'));
    expect(only()?.input.css).toEqual(['@moon/button/dist/styles.css']);
  });
  it('a callback that has to answer is told from one that only hears', () => {
    install(
      'tide',
      `type Draw<T> = (given: T, usual: (given: T) => React.ReactElement | null) => React.ReactElement | null;
       export declare function Box(props: {
         value?: string; onChange?: (next: string) => void; onAny?: (next: string) => any; onLater?: () => Promise<void>;
         onMaybe?: (next: string) => string | undefined; onRender?: Draw<string>; onMay?: () => boolean;
         onMayLater?: (next: string) => Promise<boolean>;
       }): React.ReactElement;
       import type * as React from 'react';`,
    );
    const asked = only()?.input.properties.flatMap((one) => (one.asked ? [one.name] : []));
    expect(asked).toEqual(['onRender', 'onMay', 'onMayLater']);
  });
  it('what wraps another package and is called after it has the sheet of that', () => {
    install('react-tide', box(), { types: 'index.d.ts', dependencies: { tide: '1', moon: '1' } });
    for (const name of ['tide', 'moon']) {
      put(`node_modules/${name}/package.json`, JSON.stringify({ name, version: '1.0.0' }));
      put(`node_modules/${name}/dist/${name}.css`, '.part { margin: 0 }');
    }
    expect(only()?.input.css).toEqual(['tide/dist/tide.css']);
  });
  it('a provider is given the plainest of the texts that it needs', () => {
    install(
      'tide',
      `${box()}
       export declare function ThemeProvider(props: { theme: 'dark' | 'light'; children: React.ReactNode }): React.ReactElement;`,
    );
    expect(only()?.input.around).toEqual([{ component: 'tide#ThemeProvider', properties: { theme: 'light' } }]);
  });

  it('a provider is told to mark what is inside it, and not the page', () => {
    install(
      'tide',
      `${box()}
       type Around = { children: React.ReactNode };
       export declare function TideProvider(props: Around | (Around & { marks: 'root' }) | (Around & { marks: 'child' })): React.ReactElement;`,
    );
    expect(only()?.input.around).toEqual([{ component: 'tide#TideProvider', properties: { marks: 'child' } }]);
  });

  it('a provider may be a class, and words in another language may be none', () => {
    install(
      'tide',
      `import * as React from 'react';
       interface Words { [place: string]: string | Words }
       export declare function Level(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement;
       export declare class AppProvider extends React.Component<{ words: Words | Words[]; locale: string; link?: () => void; children?: React.ReactNode }> {}`,
    );
    expect(only()?.input.around).toEqual([{ component: 'tide#AppProvider', properties: { words: {}, locale: 'en' } }]);
  });
});

it('an element takes the item that bears its whole name before what ends like an option', () => {
  const declared = (tagName: string, ...members: string[]): object => ({
    customElement: true,
    tagName,
    members: members.map((name) => ({ kind: 'field', name, type: { text: 'string' } })),
    events: [{ name: 'change' }],
  });
  install('tide', '', { customElements: 'custom-elements.json' });
  const declarations = [
    declared('tide-combobox', 'value'),
    declared('tide-combobox-item', 'value', 'heading'),
    declared('tide-option', 'value'),
  ];
  put('node_modules/tide/custom-elements.json', JSON.stringify({ modules: [{ path: 'all.js', declarations }] }));
  expect(only()?.input.item).toMatchObject({ tag: 'tide-combobox-item', text: 'heading' });
});

describe('manifests', () => {
  const planted = (tags: object): void => {
    install('tide', '', { customElements: 'custom-elements.json' });
    put('node_modules/tide/custom-elements.json', JSON.stringify(tags));
  };
  it('of before there was a schema list elements by their tags', () => {
    const properties = [{ name: 'value', type: 'string', description: 'What it holds.' }];
    const events = [{ name: 'change' }];
    planted({
      version: 'experimental',
      tags: [
        { name: 'tide-level', path: './../tide-level/level.ts', description: 'A level.', properties, events },
        { name: 'tide-sign', path: './sign.ts', properties: [{ name: 'value', type: 'string' }] },
      ],
    });
    expect(found().map(({ input }) => [input.tag, input.module, input.says])).toEqual([
      ['tide-level', 'tide', 'A level.'],
    ]);
    expect(only()?.input.properties).toEqual([{ name: 'value', type: 'string', says: 'What it holds.' }]);
  });
  it('may name a folder for its index, and what cannot be asked for alone comes with the whole package', () => {
    const field = { kind: 'field', name: 'value', type: { text: 'string' } };
    const declared = (tagName: string): object => ({
      customElement: true,
      tagName,
      members: [field],
      events: [{ name: 'change' }],
    });
    install('tide', '', {
      customElements: 'custom-elements.json',
      exports: { '.': './index.js', './parts/*': './dist/*/index.js' },
    });
    for (const file of ['dist/box/index.js', 'dist/hidden.js']) put(`node_modules/tide/${file}`, '');
    const modules = [
      { path: 'dist/box', declarations: [declared('tide-box')] },
      { path: 'dist/hidden.js', declarations: [declared('tide-hidden')] },
    ];
    put('node_modules/tide/custom-elements.json', JSON.stringify({ modules }));
    expect(found().map(({ input }) => [input.tag, input.module])).toEqual([
      ['tide-box', 'tide/parts/box'],
      ['tide-hidden', 'tide'],
    ]);
  });
  it('that say no events of a control leave it the platform’s', () => {
    const field = (name: string): object => ({ kind: 'field', name, type: { text: 'string' } });
    const element = (tagName: string, ...names: string[]): object => ({
      customElement: true,
      tagName,
      members: names.map(field),
    });
    planted({
      modules: [
        { path: 'all.js', declarations: [element('tide-box', 'value', 'disabled'), element('tide-sum', 'value')] },
      ],
    });
    expect(found().map(({ input }) => input.tag)).toEqual(['tide-box']);
  });
});

it('a package whose own entry shows no input may keep each in a folder', () => {
  install('tide', 'export declare const version: string;');
  for (const name of ['box', 'level', 'dial', 'range', 'sign']) {
    const props = name === 'sign' ? 'text?: string' : undefined;
    put(
      `node_modules/tide/${name}/index.d.ts`,
      box(props).replaceAll(
        'Box',
        name.replace(/^./, (letter) => letter.toUpperCase()),
      ),
    );
    put(`node_modules/tide/${name}/index.js`, '');
  }
  expect(found().map(({ input }) => input.module)).toEqual(['tide/box', 'tide/dial', 'tide/level', 'tide/range']);
});

it('what is only a look, keeps its own state or is set aside is no input; what takes all that elements do says by its report that it is one', () => {
  const props = '(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement';
  install(
    'tide',
    `import * as React from 'react';
     ${['StyledBox', 'StatefulBox', 'BoxContainer', 'Old_DO_NOT_USE', 'MenuProvider', 'SideBar'].map((name) => `export declare function ${name}${props};`).join('\n')}
     export declare function Words(props: Omit<React.AllHTMLAttributes<HTMLInputElement>, 'onChange'> & { onChange?: React.FormEventHandler<HTMLInputElement> }): React.ReactElement;
     export declare function Days(props: { value?: Date; onSelectDate?: (date: Date) => void; onDismiss?: () => void }): React.ReactElement;`,
  );
  expect(found().map(({ input, adapter }) => [input.export, adapter?.change.report])).toEqual([
    ['Words', 'onChange'],
    ['Days', 'onSelectDate'],
  ]);
});

it('what is chosen by its key is told as the whole choice, and chosen from a list by the key', () => {
  install(
    'tide',
    `import * as React from 'react';
     interface Port { key: string | number; id?: string; text: string }
     export declare function Ports(props: {
       options: Port[];
       selectedKey?: string | number | string[] | null;
       onChange?: (event: React.FormEvent<HTMLDivElement>, option?: Port) => void;
     }): React.ReactElement;`,
  );
  expect(only()?.adapter).toMatchObject({
    value: { property: 'selectedKey' },
    change: { report: 'onChange', path: '/1/key' },
    choices: { property: 'options', value: 'key', text: 'text' },
  });
});

it('a package that is not made for what is installed beside it is told of, or that lacks what it needs', () => {
  install('tide', box(), {
    types: 'index.d.ts',
    peerDependencies: {
      harbour: '^2.0.0',
      quay: '>=1',
      pier: '*',
      mole: '^1',
      '@types/harbour': '^9',
      odd: 'workspace:^',
    },
    peerDependenciesMeta: { mole: { optional: true } },
  });
  put('node_modules/harbour/package.json', JSON.stringify({ name: 'harbour', version: '3.1.0' }));
  put('node_modules/pier/package.json', JSON.stringify({ name: 'pier', version: '0.1.0' }));
  expect(inspect(folder).unread).toEqual([
    'tide is made for harbour ^2.0.0; 3.1.0 is installed, so it may fail or warn.',
    'tide needs quay >=1 beside it, which is not installed.',
  ]);
});
