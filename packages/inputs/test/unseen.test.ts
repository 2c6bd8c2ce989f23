/** What packages look like that nobody here has seen: without types of the framework, with providers, in many entries. */
import { Declarations } from '../src/declared/declarations.js';
import { inspect } from '../src/index.js';
import { folder, found, install, names, put } from './planted-package.js';

it('a project without the framework’s types is read with those that come along', () => {
  install(
    'tide',
    `import * as React from 'react';
     export declare const Box: React.ForwardRefExoticComponent<{ value?: string; onChange?: (next: string) => void } & React.RefAttributes<HTMLInputElement>>;`,
  );
  expect(names()).toEqual(['Box']);
});

it('a component whose own types of elements did not come along counts all the same', () => {
  install(
    'tide',
    `import type { Gone } from 'nowhere';
     export declare function Level(props: { value?: number; onChange?: (next: number) => void }): Gone;
     export declare function make(options: { value?: number; onChange?: (next: number) => void }): Gone;`,
  );
  expect(names()).toEqual(['Level']);
});

it('what leads somewhere or shows something is no input', () => {
  const props = '(props: { value?: string; onChange?: (next: string) => void }): JSX.Element';
  install(
    'tide',
    `declare namespace JSX { interface Element {} }
     ${['Tabs', 'NavLink', 'Pagination', 'PageMenu', 'Tour', 'TableSelect', 'MenuSelect', 'TextSkeleton', 'TableSelectRow', 'TreeNode', 'PickerDay', 'TagItem', 'RowItemBase', 'DialHandle', 'ToggleItem'].map((name) => `export declare function ${name}${props};`).join('\n')}
     export declare function Stepper(props: { value?: number; min?: number; max?: number; step?: number; onChange?: (next: number) => void }): JSX.Element;
     export declare function StepperBar(props: { value?: number; onChange?: (next: number) => void }): JSX.Element;
     export declare function WizardStepper(props: { value?: number; onChange?: (next: number) => void }): JSX.Element;`,
  );
  expect(names()).toEqual(['TableSelect', 'MenuSelect', 'ToggleItem', 'Stepper', 'StepperBar']);
});

it('a value and its report that share a name of their own are an input; what is open, sorted or looked for is none', () => {
  install(
    'tide',
    `import * as React from 'react';
     export declare function Stars(props: { mark?: number; onMark?: (mark: number) => void }): React.ReactElement;
     export declare function Gauge(props: { level: number | null; onLevelChange?: (event: object, level: number | null) => void }): React.ReactElement;
     export declare function Stamp(props: { ink?: string; setInk?: (ink: string) => void }): React.ReactElement;
     export declare function Drawer(props: { open?: boolean; onOpenChange?: (open: boolean) => void }): React.ReactElement;
     export declare function Grid(props: { page?: number; onPageChange?: (page: number) => void; sortBy?: string; onSortBy?: (by: string) => void }): React.ReactElement;
     export declare function Fade(props: { enter?: boolean; onEnter?: (enter: boolean) => void }): React.ReactElement;
     export declare function Toast(props: { words?: string; onWords?: (event: object) => void }): React.ReactElement;`,
  );
  const drafts = found().map(({ input, adapter }) => [input.export, adapter?.value.property, adapter?.change]);
  expect(drafts).toEqual([
    ['Stars', 'mark', { report: 'onMark', path: '/0' }],
    ['Gauge', 'level', { report: 'onLevelChange', path: '/1' }],
    ['Stamp', 'ink', { report: 'setInk', path: '/0' }],
  ]);
});

it('a value that is told in the plural, under its own name, or only to begin with, is one; a bound is none', () => {
  install(
    'tide',
    `import * as React from 'react';
     type Item = string;
     export declare function Many(props: { values?: Item[]; options?: Item[]; onChange?: (value: Item[]) => void }): React.ReactElement;
     export declare function Finder(props: { selectedItem?: any; onChange?: (selectedItem: any) => void }): React.ReactElement;
     export declare function Marks(props: { name?: string; valueSelected?: string | number; onChange?: (selection: string | number | undefined, name: string) => void }): React.ReactElement;
     export declare function Berths(props: { idSelected?: string; options?: { id: string; label: string }[]; onChange?: (id: string) => void }): React.ReactElement;
     export declare class Quays<T = string> extends React.Component<{ valueOfSelected?: NonNullable<T>; options?: { value: T; inputDisplay?: React.ReactNode }[]; onChange?: (value: T) => void }> {}
     export declare function Stars(props: { start?: number; stop?: number; initialMark?: number; onChange?: (next: number) => void }): React.ReactElement;
     export declare function Days(props: ({ mode?: undefined; value?: undefined; onChange?: undefined } | { mode: 'one'; value?: Date; onChange?: (next: Date) => void }) & { onPageChange?: (page: number) => void }): React.ReactElement;
     export declare function Shade(props: { color?: string; onChange?: (next: ShadeColor) => void }): React.ReactElement;
     interface ShadeColor { hex: string }`,
  );
  expect(found().map(({ input, adapter }) => [input.export, adapter?.value.property, adapter?.change.report])).toEqual([
    ['Many', 'values', 'onChange'],
    ['Finder', 'selectedItem', 'onChange'],
    ['Marks', 'valueSelected', 'onChange'],
    ['Berths', 'idSelected', 'onChange'],
    ['Stars', 'initialMark', 'onChange'],
    ['Days', 'value', 'onChange'],
    ['Shade', 'color', 'onChange'],
    ['Quays', 'valueOfSelected', 'onChange'],
  ]);
  expect(found().find(({ input }) => input.export === 'Berths')?.adapter?.choices).toMatchObject({ value: 'id' });
  expect(found().find(({ input }) => input.export === 'Quays')?.adapter?.choices).toEqual({
    property: 'options',
    value: 'value',
    text: 'inputDisplay',
  });
});

it('a class that is mixed together is an element under its tag; a box beside what it opens is an input of its own', () => {
  install(
    'tide',
    `import * as React from 'react';
     declare const Mixed: (new () => HTMLElement & { value: string }) & (new () => { max: number });
     declare global { interface HTMLElementTagNameMap { 'tide-mix': HTMLElement & { value: string; max: number } } }
     type Props = { value?: Date; onChange?: (next: Date) => void };
     export declare function Days(props: Props): React.ReactElement;
     export declare function DaysInput(props: Props & { clearable?: boolean }): React.ReactElement;
     export declare function DaysList(props: Props): React.ReactElement;`,
  );
  expect(names()).toEqual(['Days', 'DaysInput', 'tide-mix']);
});

it('what cannot be read is told, and takes nothing of the rest along', () => {
  install(
    'tide',
    'export declare function Box(props: { value?: string; onChange?: (next: string) => void }): JSX.Element; declare namespace JSX { interface Element {} }',
  );
  const spy = jest.spyOn(Declarations.prototype, 'property').mockImplementationOnce(() => {
    throw new Error('too deep');
  });
  expect(inspect(folder).unread).toEqual(['tide could not be read: too deep']);
  spy.mockRestore();
});

it('a colour is a value where a report gives one, and a look where none does', () => {
  install(
    'tide',
    `import * as React from 'react';
     export declare function Paint(props: { color?: string; onChange?: (color: string) => void }): React.ReactElement;
     export declare function Tag(props: { color?: string; onSelect?: (event: object) => void }): React.ReactElement;
     export declare function Switch(props: { color?: string } & React.InputHTMLAttributes<HTMLInputElement>): React.ReactElement;`,
  );
  expect(found().map(({ input, adapter }) => [input.export, adapter?.value.property])).toEqual([
    ['Paint', 'color'],
    ['Switch', 'checked'],
  ]);
});

it('providers are offered to stand around, those that need least first', () => {
  install(
    'tide',
    `import * as React from 'react';
     export declare function Box(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement;
     export declare function ToastProvider(props: { children?: React.ReactNode }): React.ReactElement;
     export declare function ThemeProvider(props: { children?: React.ReactNode; theme?: object }): React.ReactElement;
     export declare function DataProvider(props: { children?: React.ReactNode; source: object }): React.ReactElement;
     export declare function IconProvider(props: { name: string }): React.ReactElement;`,
  );
  expect(found()[0]?.input.around).toEqual([
    { component: 'tide#ThemeProvider' },
    { component: 'tide#ToastProvider' },
    { component: 'tide#DataProvider' },
  ]);
});

it('of many providers the one that is called after the input comes first', () => {
  const providers = ['Form', 'Menu', 'List', 'Mark', 'Picker'].map(
    (name) => `export declare function ${name}Provider(props: { children?: React.ReactNode }): React.ReactElement;`,
  );
  install(
    'tide',
    `import * as React from 'react';
     export declare function PickerBox(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement;
     ${providers.join('\n')}`,
  );
  const around = found()[0]?.input.around?.map(({ component }) => component);
  expect([around?.[0], around?.length]).toEqual(['tide#PickerProvider', 4]);
});

it('a package that builds on another is offered what that has to stand in, with its sheets', () => {
  install(
    'tide',
    `import * as React from 'react';
     export declare function TideProvider(props: { children?: React.ReactNode }): React.ReactElement;`,
  );
  put('node_modules/tide/styles.css', '');
  install(
    'tide-days',
    `import * as React from 'react';
     export declare function Days(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement;`,
    { types: 'index.d.ts', main: 'index.js', peerDependencies: { tide: '1' } },
  );
  put('package.json', JSON.stringify({ name: 'desk', dependencies: { tide: '1', 'tide-days': '1' } }));
  expect(found().map(({ input }) => [input.export, input.around, input.css])).toEqual([
    ['Days', [{ component: 'tide#TideProvider' }], ['tide/styles.css']],
  ]);
});

it('a provider that gives a look comes first, with the plainest look that the package exports for it', () => {
  install(
    'tide',
    `import * as React from 'react';
     export interface Theme { sea: string }
     export declare function Box(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement;
     export declare function AppProvider(props: { children?: React.ReactNode }): React.ReactElement;
     export declare function TideProvider(props: { children?: React.ReactNode; theme: Theme }): React.ReactElement;
     export declare const darkTheme: Theme;
     export declare const lightTheme: Theme;
     export declare const fontTheme: number;
     export declare function makeLightTheme(): Theme;
     export declare const anyLightTheme: any;`,
  );
  expect(found()[0]?.input.around).toEqual([
    { component: 'tide#TideProvider', imports: { theme: 'tide#lightTheme' } },
    { component: 'tide#AppProvider' },
  ]);
});

describe('the sheet that a package is imported with', () => {
  const sheets = (...paths: string[]) => {
    install(
      'tide-box',
      'export declare function Box(props: { value?: string; onChange?: (next: string) => void }): any;',
    );
    for (const path of paths) put(`node_modules/tide-box/${path}`, '');
    return found()[0]?.input.css;
  };
  it.each([
    [
      'is its own, by a name of general use or by its own name',
      ['dist/tideBox.css', 'dist/other.css'],
      'dist/tideBox.css',
    ],
    ['its own before a theme', ['dist/style.css', 'themes/light.css'], 'dist/style.css'],
    [
      'else the plainest of its themes',
      ['dist/styles/themes/dark.css', 'dist/styles/themes/sea.css', 'dist/styles/themes/default.css'],
      'dist/styles/themes/default.css',
    ],
    [
      'a theme in a folder of its own',
      ['resources/themes/sea-dark/theme.css', 'resources/themes/sea-light/theme.css'],
      'resources/themes/sea-light/theme.css',
    ],
    ['no part that only sounds like one', ['themes/Highlight.css'], undefined],
  ])('%s', (_, paths, wanted) => expect(sheets(...paths)).toEqual(wanted === undefined ? [] : [`tide-box/${wanted}`]));
});

describe('a package without an entry of its own', () => {
  const box =
    'export declare function Box(props: { value?: string; onChange?: (next: string) => void }): { type: string; Element: 1 };';
  it('is read by its folders', () => {
    install('tide', '', {});
    put('node_modules/tide/box/package.json', '{"main": "box.js", "types": "box.d.ts"}');
    put(
      'node_modules/tide/box/box.d.ts',
      `declare namespace JSX { interface Element {} }\n${box.replace(/\): .*/, '): JSX.Element;')}`,
    );
    expect(found().map(({ input }) => [input.id, input.module])).toEqual([['tide#Box', 'tide/box']]);
  });
  it('is read by the modules in its folders, and only true inputs among its elements count', () => {
    install('tide', '', {});
    for (const name of ['slider', 'text-button']) {
      put(`node_modules/tide/${name}/${name}.js`, '');
      put(
        `node_modules/tide/${name}/${name}.d.ts`,
        `declare class Own extends HTMLElement { value: string; }
         declare global { interface HTMLElementTagNameMap { 'tide-${name}': Own } }
         export { Own };`,
      );
    }
    expect(found().map(({ input }) => [input.tag, input.module])).toEqual([['tide-slider', 'tide/slider/slider.js']]);
  });
});

describe('a manifest', () => {
  const manifest = (name: string, modules: object[], exports: object = {}): void => {
    put(
      `node_modules/${name}/package.json`,
      JSON.stringify({ name, version: '1.0.0', customElements: 'm.json', ...exports }),
    );
    put(`node_modules/${name}/m.json`, JSON.stringify({ schemaVersion: '1.0.0', modules }));
  };
  const field = (name: string, type: string): object => ({ kind: 'field', name, type: { text: type } });
  it('tells what an element inherits, also from another package, and which module registers it', () => {
    install('tide', '');
    manifest('tide', [
      {
        path: 'tide-switch.js',
        exports: [{ kind: 'custom-element-definition', name: 'tide-switch', declaration: { name: 'Switch' } }],
      },
      {
        path: 'src/Switch.js',
        declarations: [
          {
            name: 'Switch',
            customElement: true,
            superclass: { name: 'Ticked', package: 'harbour/src/Ticked.js' },
            members: [field('emphasized', 'boolean')],
          },
        ],
      },
    ]);
    put('node_modules/tide/tide-switch.js', '');
    manifest('harbour', [
      {
        path: 'src/Ticked.js',
        declarations: [
          {
            name: 'Ticked',
            superclass: { name: 'Base' },
            members: [field('checked', 'boolean')],
            events: [{ name: 'change' }],
          },
          // Round in a circle.
          { name: 'Base', superclass: { name: 'Ticked' }, members: [field('disabled', 'boolean')] },
        ],
      },
    ]);
    expect(
      found().map(({ input, adapter }) => [
        input.tag,
        input.module,
        adapter?.value,
        adapter?.change,
        adapter?.disabled,
      ]),
    ).toEqual([
      [
        'tide-switch',
        'tide/tide-switch.js',
        { property: 'checked' },
        { report: 'change', path: '/0/target/checked' },
        { property: 'disabled' },
      ],
    ]);
  });
  it('has parts of others in it that are no inputs', () => {
    install('tide', '');
    const own = { members: [field('value', 'string')], events: [{ name: 'change' }] };
    const tags = ['tide-option', 'tide-select', 'tide-slider-handle', 'tide-button', 'tide-radio-button'];
    manifest(
      'tide',
      tags.map((tagName) => ({ path: `${tagName}.js`, declarations: [{ name: tagName, tagName, ...own }] })),
    );
    expect(found().map(({ input, adapter }) => [input.tag, adapter?.choices])).toEqual([
      ['tide-select', { tag: 'tide-option', value: 'value' }],
      ['tide-radio-button', undefined],
    ]);
  });
  it('holds for a choice what is said to stand inside it with a value', () => {
    install('tide', '');
    const says =
      'For one of many.\n<tide-pick>\n  <tide-mark></tide-mark>\n  <tide-line value="a">A</tide-line>\n</tide-pick>';
    const own = { members: [field('value', 'string')], events: [{ name: 'change' }] };
    manifest(
      'tide',
      ['tide-mark', 'tide-line', 'tide-pick'].map((tagName) => ({
        path: `${tagName}.js`,
        declarations: [{ name: tagName, tagName, ...own, ...(tagName === 'tide-pick' ? { description: says } : {}) }],
      })),
    );
    const choices = found().map(({ input, adapter }) => [input.tag, adapter?.choices]);
    expect(choices).toContainEqual(['tide-pick', { tag: 'tide-line', value: 'value' }]);
    expect(choices).toContainEqual(['tide-line', undefined]);
  });
});

it('a package without types is read by its source', () => {
  install('tide', '', { main: 'index.js' });
  put(
    'node_modules/tide/index.js',
    `class Gauge { constructor(input, options) { this.input = input; } setValue(next) {} destroy() {} on(name, listen) {} }
     export class Dial {
       /** @param {string | HTMLElement} element @param {object} [options] */
       constructor(element, options) {}
       setValue(next) {} on(name, listen) {} destroy() {}
     }
     export { Gauge };`,
  );
  expect(found().map(({ input }) => [input.family, input.export, input.widget?.update])).toEqual([
    ['widget', 'Dial', 'setValue'],
  ]);
});

it('parts of menus, pages and cards are no inputs, and what hangs on one is', () => {
  const props = '(props: { value?: string; onChange?: (next: string) => void }): JSX.Element';
  install(
    'tide',
    `declare namespace JSX { interface Element {} }
     ${['Card', 'TreeItem', 'MenuRadioItem', 'PaginationRoot', 'IconField', 'ControlLabel', 'OrderChart', 'TableView'].map((name) => `export declare function ${name}${props};`).join('\n')}
     export declare const Checkbox: { ${props}; Card: { ${props} }; Input: { ${props} } };`,
  );
  expect(names()).toEqual(['Checkbox', 'Checkbox.Card']);
});

describe('what an input is put together of', () => {
  const react = `import * as React from 'react';
    type Inside = { children?: React.ReactNode };
    type Told = { value?: string; onValueChange?: (value: string) => void } & Inside;
    declare function part(props: Inside): React.ReactElement;
    declare function item(props: { value: string } & Inside): React.ReactElement;`;
  const inside = () => found().map(({ input }) => [input.export, input.inside?.map((way) => way.inside)]);

  it('has parts that draw all of a value: what opens a choice of files, the segments of a date', () => {
    const part = (name: string): string =>
      `export declare function ${name}(props: { children?: React.ReactNode }): React.ReactElement;`;
    const root = (name: string): string =>
      `export declare function ${name}(props: { value?: string[]; children?: React.ReactNode; onChange?: (value: string[]) => void }): React.ReactElement;`;
    install(
      'tide',
      `import * as React from 'react';
       ${['CargoUploadRoot', 'LogDateRoot'].map(root).join('\n')}
       ${['CargoUploadHiddenInput', 'CargoUploadTrigger', 'CargoUploadList', 'LogDateControl', 'LogDateSegments'].map(part).join('\n')}`,
    );
    const insideOf = (name: string): unknown =>
      found().find(({ input }) => input.export === name)?.input.inside?.[0]?.inside;
    expect(insideOf('CargoUploadRoot')).toEqual([
      { component: 'tide#CargoUploadHiddenInput' },
      { component: 'tide#CargoUploadTrigger', inside: [{ words: '+' }] },
      { component: 'tide#CargoUploadList' },
    ]);
    expect(insideOf('LogDateRoot')).toEqual([
      { component: 'tide#LogDateControl', inside: [{ component: 'tide#LogDateSegments' }] },
    ]);
  });
  it('is found under names of its own: a list of choices that opens from a button', () => {
    install(
      'tide',
      `${react}
       export declare function Watch(props: Told): React.ReactElement;
       export { part as WatchTrigger, part as WatchPortal, part as WatchContent, item as WatchItem };`,
    );
    const item = { component: 'tide#WatchItem', inside: [{ words: '', of: 'choice' }] };
    const opened = [{ component: 'tide#WatchPortal', inside: [{ component: 'tide#WatchContent', inside: [item] }] }];
    expect(inside()).toEqual([
      ['Watch', [[{ component: 'tide#WatchTrigger', inside: [{ words: 'None', of: 'chosen' }] }, ...opened]]],
    ]);
    expect(found()[0]?.input.inside?.[0]?.choices).toEqual({
      component: 'tide#WatchItem',
      value: 'value',
      text: 'children',
    });
  });
  it('is given an item of the list that a function of its package makes', () => {
    install(
      'tide',
      `${react}
       export declare class Listed<T> { items: T[]; }
       export declare function listOf<T>(of: { items: Iterable<T>; isSorted?: boolean }): Listed<T>;
       export declare function Watch(props: { collection: Listed<object>; value?: string; onChange?: (value: string) => void } & Inside): React.ReactElement;
       declare function port(props: { item: any } & Inside): React.ReactElement;
       export { part as WatchTrigger, part as WatchContent, port as WatchItem };`,
    );
    const [watch] = found();
    expect(watch?.input.list).toEqual({ property: 'collection', made: { by: 'tide#listOf', under: 'items' } });
    const each = { component: 'tide#WatchItem', property: 'item' };
    expect(watch?.input.inside?.[0]?.choices).toEqual({ ...watch?.input.list, value: 'value', text: 'label', each });
    expect(watch?.adapter?.choices).toEqual({ ...watch?.input.list, value: 'value', text: 'label' });
  });
  it('stands once for each degree of a rating, with a number; a handle has one, too', () => {
    install(
      'tide',
      `${react}
       declare function numbered(props: { index: number } & Inside): React.ReactElement;
       export declare function RatingRoot(props: { value?: number; onValueChange?: (value: number) => void } & Inside): React.ReactElement;
       export declare function LevelRoot(props: { value?: number[]; onValueChange?: (value: number[]) => void } & Inside): React.ReactElement;
       export { numbered as RatingItem, part as RatingItemIndicator, part as LevelTrack, numbered as LevelThumb };`,
    );
    const [level, rating] = inside().sort(([a], [b]) => String(a).localeCompare(String(b)));
    expect(level?.[1]?.[0]).toMatchObject([{ inside: [{ component: 'tide#LevelThumb', properties: { index: 0 } }] }]);
    expect(rating?.[1]?.[0]).toEqual(
      [1, 2, 3, 4, 5].map((index) => ({
        component: 'tide#RatingItem',
        properties: { index },
        inside: [{ component: 'tide#RatingItemIndicator' }],
      })),
    );
  });
  it('is a root put together itself, where a group consists of such', () => {
    install(
      'tide',
      `${react}
       export declare function LampGroup(props: { value?: string[]; onValueChange?: (value: string[]) => void } & Inside): React.ReactElement;
       export { item as LampRoot, part as LampControl, part as LampLabel, part as LampHiddenInput };`,
    );
    const lamp = inside().find(([name]) => name === 'LampGroup');
    expect(lamp?.[1]?.[0]).toMatchObject([
      {
        component: 'tide#LampRoot',
        inside: [
          { component: 'tide#LampHiddenInput' },
          { component: 'tide#LampControl' },
          { component: 'tide#LampLabel', inside: [{ words: '', of: 'choice' }] },
        ],
      },
    ]);
  });
  it('is a whole with content to press, in a group that opens nothing', () => {
    install(
      'tide',
      `${react}
       export declare function LampGroup(props: { value?: string; onValueChange?: (value: string) => void } & Inside): React.ReactElement;
       export { item as Lamp, part as LampContent, part as LampControl, part as LampIndicator, part as Button };`,
    );
    const lamp = inside().find(([name]) => name === 'LampGroup');
    const marks = { component: 'tide#LampControl', inside: [{ component: 'tide#LampIndicator' }] };
    const content = { component: 'tide#LampContent', inside: [marks, { words: '', of: 'choice' }] };
    expect(lamp?.[1]).toEqual([[{ component: 'tide#Lamp', inside: [content] }]]);
  });
  it('is the item of the list that its package shares out, rather than that of a menu', () => {
    install(
      'tide',
      `${react}
       export declare const WatchSelect: ((props: Told) => React.ReactElement) & { Trigger: typeof part; Popover: typeof part };
       export { part as ListBox, item as ListBoxItem, item as MenuItem };`,
    );
    const listed = { component: 'tide#ListBoxItem', inside: [{ words: '', of: 'choice' }] };
    const list = { component: 'tide#ListBox', inside: [listed] };
    expect(inside()[0]?.[1]?.[0]).toMatchObject([{}, { component: 'tide#WatchSelect.Popover', inside: [list] }]);
  });
  it('hangs on a root or stands in a namespace with it, and is no input then', () => {
    put(
      'node_modules/tide/lamp.d.ts',
      `${react} export declare function Root(props: { checked?: boolean; onCheckedChange?: (on: boolean) => void } & Inside): React.ReactElement; export { part as Mark, part as Indicator };`,
    );
    install(
      'tide',
      `${react}
       export * as Lamp from './lamp';
       export declare function LevelRoot(props: Told): React.ReactElement;
       export declare function LevelInput(props: Told): React.ReactElement;
       export { part as LevelTrack, part as LevelThumb };`,
    );
    const marks = [
      { words: '■', when: 'chosen' },
      { words: '□', when: 'not chosen' },
    ];
    const [level, lamp] = inside().sort(([a], [b]) => String(b).localeCompare(String(a)));
    expect(level?.[0]).toBe('LevelRoot');
    expect(level?.[1]?.[0]).toMatchObject([
      { component: 'tide#LevelTrack', inside: [{ component: 'tide#LevelThumb' }] },
    ]);
    expect(lamp).toEqual(['Lamp.Root', [[{ component: 'tide#Lamp.Indicator', inside: marks }], marks]]);
  });
  it('may be drawn by a function of what is given, seen by its type', () => {
    install(
      'tide',
      `${react}
       interface Segment { text: string }
       export declare function DateField(props: Told): React.ReactElement;
       export declare function DateInput(props: { children: (segment: Segment) => React.ReactElement }): React.ReactElement;
       export declare function DateSegment(props: { segment: Segment }): React.ReactElement;`,
    );
    expect(inside()[0]).toEqual([
      'DateField',
      [
        [{ component: 'tide#DateInput', inside: [{ component: 'tide#DateSegment', given: 'segment' }] }],
        [{ component: 'tide#DateInput' }],
      ],
    ]);
  });
  it('may be drawn so by what hangs on the input itself', () => {
    install(
      'tide',
      `${react}
       interface Segment { text: string }
       declare function boxes(props: { children: (segment: Segment) => React.ReactElement }): React.ReactElement;
       declare function segment(props: { segment: Segment }): React.ReactElement;
       export declare const TideDate: ((props: Told) => React.ReactElement) & { Input: typeof boxes; Segment: typeof segment };`,
    );
    const drawn = { component: 'tide#TideDate.Segment', given: 'segment' };
    expect(inside()[0]?.[1]?.[0]).toEqual([{ component: 'tide#TideDate.Input', inside: [drawn] }]);
  });
  it('may be drawn by a function that has to be given, of all that this is given', () => {
    install(
      'tide',
      `${react}
       interface Box { id: string; disabled: boolean }
       export declare function TideCombo(props: Told & { drawBox: (box: Box) => React.ReactNode }): React.ReactElement;
       export declare function NumberInput(props: { id: number }): React.ReactElement;
       export declare function SearchInput(props: { id?: string; disabled?: boolean; wide?: boolean }): React.ReactElement;
       export declare function TextField(props: { id?: string; disabled?: boolean }): React.ReactElement;`,
    );
    const by = (component: string) => [{ component, at: 'drawBox', given: true }];
    expect(inside().find(([name]) => name === 'TideCombo')?.[1]).toEqual([
      by('tide#TextField'),
      by('tide#SearchInput'),
    ]);
  });
  it('is not what is exported for types alone', () => {
    put('node_modules/tide/gone.d.ts', `${react} export declare function Gone(props: Told): React.ReactElement;`);
    install(
      'tide',
      `${react} export type * from './gone'; export declare function Here(props: Told): React.ReactElement;`,
    );
    expect(names()).toEqual(['Here']);
  });
});

describe('values that are objects of a library', () => {
  const days = `
    export interface Moon { phase: string }
    export declare class Day { constructor(text: string, zone?: string); readonly year: number; add(days: number): Day; toString(): string; told(pattern: string): string; }
    export declare function parseDay(text: string): Day;
    export declare function today(zone: string, calendar: string): Day;
    export declare function parseLevel(text: string): number;
    export declare function setZone(zone: string): void;`;
  /** How the values of components with these properties are made, in their order. */
  const madeOf = (...all: readonly string[]) => {
    put('node_modules/days/package.json', JSON.stringify({ name: 'days', version: '1.0.0', types: 'index.d.ts' }));
    put('node_modules/days/index.d.ts', days);
    install(
      'tide',
      `import * as React from 'react'; import type { Day, Moon } from 'days';
       interface Span<T> { start: T; end: T }
       type Some<T, M extends boolean> = M extends true ? T[] : T;
       ${all.map((props, i) => `export declare function Picker${i}${props}: React.ReactElement;`).join('\n')}`,
    );
    const inputs = found().map(({ input }) => input);
    return all.map((_, i) => inputs.find((one) => one.export === `Picker${i}`)?.made);
  };
  it('are made by what their package exports for it, and told by their own methods', () => {
    const [made] = madeOf('(props: { value?: Day | null; onChange?: (day: Day | null) => void })');
    expect([...new Set(made?.uses.map(({ by, start = '' }) => `${by} ${start}`))]).toEqual([
      'days#parseDay ',
      'days#Day new',
    ]);
    expect(made?.uses.slice(0, 3)).toEqual([
      { by: 'days#parseDay' },
      { by: 'days#parseDay', read: 'told', given: ['YYYY-MM-DD'] },
      { by: 'days#parseDay', read: 'told', given: ['yyyy-MM-dd'] },
    ]);
  });
  it('are seen through types that depend on others, and in objects and lists', () => {
    const [bound, span, list, either, pair] = madeOf(
      '<T extends Day>(props: { value?: T | null; onChange?: (day: T) => void })',
      '<T = Day>(props: { value?: Span<T> | null; onChange?: (span: Span<T> | null) => void })',
      '(props: { value?: readonly Day[]; onChange?: (days: Day[]) => void })',
      '<T = Day, M extends boolean = false>(props: { value?: Some<T, M> | null; onChange?: (some: Some<T, M>) => void })',
      '(props: { value?: [first: Day | null, last: Day | null]; onChange?: (days: unknown) => void })',
    );
    expect(bound?.uses[0]).toEqual({ by: 'days#parseDay' });
    expect(span).toMatchObject({ property: 'value', members: ['start', 'end'] });
    expect([list, pair].map((one) => one?.listed)).toEqual([1, 2]);
    expect([bound, span, list, either].map((one) => one?.alone)).toEqual([true, undefined, undefined, true]);
  });
  it('are not plain objects, nor those of the language and the page', () => {
    const types = ['Moon', 'Date', 'File', 'HTMLElement', 'string | number'];
    const all = madeOf(...types.map((type) => `(props: { value?: ${type}; onChange?: (next: ${type}) => void })`));
    expect(all).toEqual(types.map(() => undefined));
  });
});

describe('what a report gives', () => {
  const drafted = (types: string) => {
    install('tide', `import * as React from 'react';\n${types}`);
    return found().map(({ input, adapter }) => [
      input.export,
      adapter?.value.property,
      `${adapter?.change.report} ${adapter?.change.path}`,
    ]);
  };

  it('is read of objects, details of events, and lists of arguments; a report of its own goes before HTML’s', () => {
    expect(
      drafted(`
        interface Details { value: string[]; open: boolean }
        type Choose<T> = (event: React.SyntheticEvent, data: T) => void;
        type Told = { value: string; selectedTides: string[] } & ({ type: 'click' } | { type: 'key' });
        type Box = React.InputHTMLAttributes<HTMLDivElement>;
        export declare function Pick(props: Omit<Box, 'value'> & { value?: string[]; onValueChange?: (details: Details) => void }): React.ReactElement;
        export declare function Tick(props: Omit<Box, 'checked'> & { checked?: boolean; onCheckedChange?: (checked: boolean) => void }): React.ReactElement;
        export declare function Event(props: { selectedTide: object | null; onChange?: (event: CustomEvent<{ selectedTide: object | null }>) => void }): React.ReactElement;
        export declare function Both(props: { selectedTides?: string[]; onTideSelect?: Choose<Told> }): React.ReactElement;
        export declare function Rest(props: { value?: string; onChange?: (...args: [next: number, value: string]) => void }): React.ReactElement;
        export declare function Any(props: { value: any; onChange?: (event: React.MouseEvent, value: any) => void }): React.ReactElement;`),
    ).toEqual([
      ['Pick', 'value', 'onValueChange /0/value'],
      ['Tick', 'checked', 'onCheckedChange /0'],
      ['Event', 'selectedTide', 'onChange /0/detail/selectedTide'],
      ['Both', 'selectedTides', 'onTideSelect /1/selectedTides'],
      ['Rest', 'value', 'onChange /1'],
      ['Any', 'value', 'onChange /1'],
    ]);
  });

  it('is nothing, as far as its type says: a list without items, or an empty text', () => {
    install(
      'tide',
      `import * as React from 'react';
       interface Ship { name: string }
       export declare function Ships(props: { options?: Ship[]; ships: ReadonlyArray<Ship>; onShipsChange?: (ships: ReadonlyArray<Ship>) => void }): React.ReactElement;
       export declare function Words(props: { value?: readonly string[] | null; onChange?: (value: readonly string[]) => void }): React.ReactElement;
       export declare function Word(props: { value?: string | string[]; onChange?: (value: string | string[]) => void }): React.ReactElement;`,
    );
    expect(found().map(({ adapter }) => adapter?.value.empty)).toEqual([[], [], '']);
  });

  it('is no value where it only shares a word, or says what is sorted, paged or a key', () => {
    expect(
      drafted(`
        export declare function Rows(props: { items: string[]; onSortingChange?: (details: { items: string[] }) => void }): React.ReactElement;
        export declare function Pages(props: { first?: number; onPageChange?: (details: { first: number }) => void }): React.ReactElement;
        export declare function Entry(props: { eventKey?: string; onSelect?: (eventKey: string) => void }): React.ReactElement;`),
    ).toEqual([]);
  });

  it('is of a state where what is ticked has both a state and a value', () => {
    expect(
      drafted(`
        export declare function SwitchBox(props: { value: any; selected?: boolean; onChange?: (event: React.ChangeEvent) => void }): React.ReactElement;`),
    ).toEqual([['SwitchBox', 'selected', 'onChange /0/target/selected']]);
    expect(
      drafted(`
        export declare function Checkbox(props: { value?: string } & Omit<React.InputHTMLAttributes<HTMLInputElement>, 'value'>): React.ReactElement;`),
    ).toEqual([['Checkbox', 'checked', 'onChange /0/target/checked']]);
  });

  it('is a text where a colour is told in several notations', () => {
    expect(
      drafted(`
        interface Shade { h: number; s: number } interface ColorResult { shade: Shade; hex: string; hexa: string }
        export declare function Paint(props: { color?: string | Shade; onChange?: (next: ColorResult) => void }): React.ReactElement;`),
    ).toEqual([['Paint', 'color', 'onChange /0/hex']]);
  });

  it('is HTML’s where a box says its value itself, and where it is drawn as an element of HTML unless one says otherwise', () => {
    expect(
      drafted(`
        export declare function Words(props: Omit<React.TextareaHTMLAttributes<HTMLTextAreaElement>, 'value'> & { value?: string }): React.ReactElement;
        export declare function Plain<T extends React.ElementType = 'input'>(props: { as?: T } & Omit<React.ComponentProps<T>, 'as'>): React.ReactElement;
        export declare function Frame<T extends React.ElementType = 'div'>(props: { as?: T } & Omit<React.ComponentProps<T>, 'as'>): React.ReactElement;`),
    ).toEqual([
      ['Words', 'value', 'onChange /0/target/value'],
      ['Plain', 'value', 'onChange /0/target/value'],
    ]);
  });
});

it('a value is found however many properties of a look stand before it', () => {
  const look = Array.from({ length: 400 }, (_, i) => `look${i}?: string`).join('; ');
  install(
    'tide',
    `import * as React from 'react';
     export declare function Box(props: { ${look}; value?: string; onChange?: (next: string) => void }): React.ReactElement;`,
  );
  expect(names()).toEqual(['Box']);
});

it('parts by their names are none beside what they belong to', () => {
  const props = '(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement';
  install(
    'tide',
    `import * as React from 'react';
     ${['Picker', 'PickerList', 'PickerBase', 'PickerField', 'ShipHiddenInput', 'BerthList'].map((name) => `export declare function ${name}${props};`).join('\n')}`,
  );
  expect(names()).toEqual(['Picker', 'PickerField', 'BerthList']);
});

it('a provider gets what its package has ready for it', () => {
  install(
    'tide',
    `import * as React from 'react';
     interface System { sea: string; wind?: number }
     export declare function Box(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement;
     export declare function TideProvider(props: { children?: React.ReactNode; value: System; store?: object }): React.ReactElement;
     export declare const defaultSystem: System;
     export declare const anything: any;`,
  );
  expect(found()[0]?.input.around).toEqual([
    { component: 'tide#TideProvider', imports: { value: 'tide#defaultSystem' } },
  ]);
});

describe('the module that registers an element', () => {
  const element = (path: string, more: object = {}) => ({
    schemaVersion: '1.0.0',
    modules: [
      {
        path,
        declarations: [
          {
            customElement: true,
            tagName: 'tide-box',
            name: 'TideBox',
            members: [{ kind: 'field', name: 'value' }],
            events: [{ name: 'change' }],
            ...more,
          },
        ],
      },
    ],
  });

  it('is named as the package’s exports name it', () => {
    const exported = {
      './*': { types: './types/*', default: './exports/*' },
      './custom-elements.json': './custom-elements.json',
    };
    install('tide', '', { customElements: 'custom-elements.json', exports: exported });
    put('node_modules/tide/custom-elements.json', JSON.stringify(element('exports/define/tide-box.js')));
    put('node_modules/tide/exports/define/tide-box.js', '');
    expect(found()[0]?.input.module).toBe('tide/define/tide-box.js');
  });

  it('is one of the element’s own name, with what has to be called in it', () => {
    install('tide', '', { customElements: 'custom-elements.json' });
    put('node_modules/tide/custom-elements.json', JSON.stringify(element('src/gone.tsx')));
    put(
      'node_modules/tide/components/tide-box.js',
      'import { T as t, d } from "./p.js"; export { t as TideBox, d as defineCustomElement };',
    );
    expect(found()[0]?.input).toMatchObject({
      module: 'tide/components/tide-box.js',
      registers: 'defineCustomElement',
    });
    put('node_modules/tide/components/tide-box.js', 'customElements.define("tide-box", class extends HTMLElement {});');
    expect(inspect(folder).inputs.find(({ input }) => input.tag === 'tide-box')?.input).not.toHaveProperty('registers');
  });

  it('is none that a package keeps to try its elements', () => {
    install('tide', '', { customElements: 'custom-elements.json' });
    put('node_modules/tide/custom-elements.json', JSON.stringify(element('components/test-suites/box.suite.js')));
    expect(names()).toEqual([]);
  });
});

it('what has something of an input and was taken for none is told, with why and a draft that is a guess', () => {
  const props = '(props: { value?: string; onChange?: (next: string) => void }): React.ReactElement';
  install(
    'tide',
    `import * as React from 'react';
     export declare function Picker${props};
     export declare function PickerBase${props};
     export declare function Tabs${props};
     export declare function Badge(props: { tone?: string; value?: string }): React.ReactElement;
     export declare function Rows(props: { rows: string[]; onSortChange?: (by: number) => void }): React.ReactElement;
     export declare function Press(props: { words?: string; onClick?: () => void }): React.ReactElement;`,
  );
  expect(names()).toEqual(['Picker']);
  const passed = inspect(folder).passed.map(({ input, reason, adapter }) => [
    input.export,
    reason.split(',')[0],
    `${adapter?.value.property} ${adapter?.change.report}`,
  ]);
  expect(passed).toEqual([
    ['Tabs', 'By its name it leads somewhere', 'value onChange'],
    ['Badge', 'It takes a value', 'value onChange'],
    ['Rows', 'It reports changes', 'rows onSortChange'],
    ['PickerBase', 'It is a part of another input of its package.', 'value onChange'],
  ]);
  install('tide', '', { customElements: 'custom-elements.json' });
  const declaration = {
    customElement: true,
    name: 'TideTab',
    tagName: 'tide-tab',
    members: [{ kind: 'field', name: 'value' }],
  };
  put(
    'node_modules/tide/custom-elements.json',
    JSON.stringify({ modules: [{ path: 'tab.js', declarations: [declaration] }] }),
  );
  const both = inspect(folder).passed;
  expect(both.flatMap(({ input, adapter }) => (input.tag ? [[input.tag, adapter?.change]] : []))).toEqual([
    ['tide-tab', { report: 'change', path: '/0/target/value' }],
  ]);
  // None of its elements is an input, so its components are read as before.
  expect(names()).toEqual(['Picker']);
});
