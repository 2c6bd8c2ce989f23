/** Parts under other names, and what tells which of several is meant. */
import type { InspectedInput } from '../src/index.js';
import { found, install, names } from './planted-package.js';

const suite = (declared: string): void => install('tide', `import * as React from 'react';\n${declared}`);
/** A component that takes something inside. */
const component = (name: string, props = 'className?: string'): string =>
  `export declare function ${name}(props: { ${props}; children?: React.ReactNode }): React.ReactElement;\n`;
const text = 'value?: string; onChange?: (value: string) => void';
const box = 'React.InputHTMLAttributes<HTMLInputElement>';
const only = (): InspectedInput | undefined => found()[0];

it('a field is the part that is typed into, one for each sign of a code, and no input of its own', () => {
  suite(component('PinWatch', text) + `export declare function PinWatchField(props: ${box}): React.ReactElement;`);
  expect(names()).toEqual(['PinWatch']);
  expect(only()?.input.inside?.[0]?.inside).toEqual(Array(4).fill({ component: 'tide#PinWatchField' }));
});

it('a field with a label of its own around what has none is an input, too', () => {
  suite(
    component('Watch', text) +
      `export declare function WatchField(props: ${box} & { label?: React.ReactNode }): React.ReactElement;`,
  );
  expect(names().sort()).toEqual(['Watch', 'WatchField']);
});

it('a range has a handle for each of its ends', () => {
  suite(
    component('RangeLevel', 'value?: number[]; onChange?: (value: number[]) => void') +
      component('RangeLevelTrack') +
      component('RangeLevelFilledTrack') +
      component('RangeLevelThumb', 'index: number'),
  );
  expect(only()?.input.inside?.[0]?.inside).toMatchObject([
    {
      component: 'tide#RangeLevelTrack',
      inside: [
        { component: 'tide#RangeLevelFilledTrack' },
        { component: 'tide#RangeLevelThumb', properties: { index: 0 } },
        { component: 'tide#RangeLevelThumb', properties: { index: 1 } },
      ],
    },
  ]);
});

it('what shows its words until it is pressed may say what goes there', () => {
  suite(component('Log', `${text}; placeholder?: string`) + component('LogInput') + component('LogPreview'));
  const inside = [{ component: 'tide#LogInput' }, { component: 'tide#LogPreview' }];
  expect(only()?.input.inside).toEqual([{ inside }, { inside, constants: { placeholder: '…' } }]);
});

it('what is worked with and what opens from it stand beside one another where each draws what it needs', () => {
  suite(
    component('Moon', `${text}; items?: { value: string; label: string }[]`) +
      component('MoonControl') +
      component('MoonContent'),
  );
  expect(only()?.input.inside).toEqual([
    { inside: [{ component: 'tide#MoonControl' }, { component: 'tide#MoonContent' }] },
  ]);
});

it('of looks, the one that is called as the provider’s property is meant before what others are made of', () => {
  suite(
    component('Level', text) +
      component('TideProvider', 'theme?: Record<string, any>') +
      'export declare const baseTheme: Record<string, any>;\nexport declare const theme: Record<string, any>;',
  );
  expect(only()?.input.around?.[0]?.imports).toEqual({ theme: 'tide#theme' });
});

it('a provider that asks for a hook of the framework’s gets it, where there is one of that name', () => {
  suite(component('Level', text) + component('TideProvider', 'useId: () => string'));
  expect(only()?.input.around?.[0]?.imports).toEqual({ useId: 'react#useId' });
  suite(component('Level', text) + component('TideProvider', 'useTide: () => string'));
  expect(only()?.input.around?.[0]).toEqual({ component: 'tide#TideProvider' });
});

it('what says itself what is chosen is no list of HTML’s, though it passes its attributes on', () => {
  suite(
    `type Chosen = Set<string> & { anchorKey?: string };
     interface Own { selectedKeys?: 'all' | Iterable<string>; onSelectionChange?: (keys: Chosen) => void }
     export declare function HarbourSelect(props: Own & Omit<React.SelectHTMLAttributes<HTMLSelectElement>, keyof Own>): React.ReactElement;\n` +
      component('HarbourSelectItem', 'value?: string'),
  );
  expect(only()?.adapter).toMatchObject({
    value: { property: 'selectedKeys' },
    change: { report: 'onSelectionChange', path: '/0' },
    choices: { component: 'tide#HarbourSelectItem', value: 'value', text: 'children' },
  });
});

it('a provider that has to be given an object of data gets one made up', () => {
  suite(
    component('Level', text) +
      component('TideProvider', "look: { name: 'spring' | 'neap'; colours: { ink: string }; steps: number }") +
      component('MoonProvider', 'phase: () => number'),
  );
  expect(only()?.input.around?.[0]).toEqual({
    component: 'tide#TideProvider',
    properties: { look: { name: 'spring', colours: { ink: '' }, steps: expect.any(Number) as number } },
  });
});

it('what says that it was chosen is the value, and not the list that is told the same way', () => {
  suite(
    `export interface Port<T> { label: string; value?: T }
     export declare function Ports<T>(props: { options: Port<T>[]; selectedOptions: Port<T>[]; onChange?: (options: Port<T>[]) => void }): React.ReactElement;`,
  );
  expect(only()?.adapter).toMatchObject({
    value: { property: 'selectedOptions' },
    choices: { property: 'options', value: 'value', text: 'label' },
  });
});

it('a list of what can be drawn is one of texts', () => {
  suite(component('Crates', 'values: readonly React.ReactNode[]; onChange?: (values: React.ReactNode[]) => boolean'));
  expect(only()?.adapter).toMatchObject({ value: { property: 'values' }, change: { path: '/0' } });
});

it('of several arguments, the one under the value’s name is told', () => {
  suite(component('Crate', 'value?: string | string[]; onChange?: (value: string[], last: string | string[]) => void'));
  expect(only()?.adapter?.change.path).toBe('/0');
});

it.each([
  ['of texts, or of items', 'Ports', 'data?: string[] | { value: string; label: string }[]', 'data', 'label'],
  ['under a name of general use', 'Ports', 'dataSource?: { value: string; label: string }[]', 'dataSource', 'label'],
  [
    'of all that HTML’s own option takes',
    'Select',
    'options?: (React.OptionHTMLAttributes<HTMLOptionElement> & { text: React.ReactNode })[]',
    'options',
    'text',
  ],
])('a list of choices %s is filled', (_, name, list, property, shown) => {
  suite(
    `interface Own { ${list}; value?: string; onChange?: React.ChangeEventHandler<HTMLSelectElement> }
     export declare function ${name}(props: Own & Omit<React.SelectHTMLAttributes<HTMLSelectElement>, keyof Own>): React.ReactElement;`,
  );
  expect(only()?.adapter?.choices).toEqual({ property, value: 'value', text: shown });
});

it.each(['MenuItemOptionGroup', 'SubNavHeader', 'DatePopoverButton', 'BarList'])('%s is no input', (name) => {
  suite(component(name, text));
  expect(names()).toEqual([]);
});

it('what ends like a part, after a point or as the button of another, is none', () => {
  suite(
    component('Ports', text) +
      component('PortsButton', text) +
      `export declare const Tackle: { (props: { ${text} }): React.ReactElement; Item(props: { ${text} }): React.ReactElement };`,
  );
  expect(names().sort()).toEqual(['Ports', 'Tackle']);
});

it('what is picked is typed into what a field of its kind is made of, and a field within it brings its own parts', () => {
  suite(
    `interface Part { readonly text: string }
     interface Filled { children?: (part: Part) => React.ReactElement }
     interface Made { (props: { ${text}; children?: React.ReactNode }): React.ReactElement; Input: (props: Filled) => React.ReactElement; Segment: (props: { part: Part; children?: React.ReactNode }) => React.ReactElement }
     export declare const DateField: Made;\n` +
      component('DatePicker', text) +
      component('ColorField', text) +
      component('ColorFieldInput') +
      component('ColorPicker', text),
  );
  const inside = Object.fromEntries(found().map(({ input }) => [input.export, input.inside?.[0]?.inside]));
  expect(inside['DatePicker']).toEqual([
    { component: 'tide#DateField.Input', inside: [{ component: 'tide#DateField.Segment', given: 'part' }] },
  ]);
  expect(inside['ColorPicker']).toEqual([
    { component: 'tide#ColorField', inside: [{ component: 'tide#ColorFieldInput' }] },
  ]);
});

it('a code shows its signs in places of their own, and a group may keep its choices in a list', () => {
  suite(
    component('TideCode', `${text}; maxLength: number`) +
      component('TideCodeGroup') +
      component('TideCodeSlot', 'index: number') +
      component('TagGroup', 'selectedKeys?: Iterable<string>; onSelectionChange?: (keys: Set<string>) => void') +
      component('TagGroupList') +
      component('Tag', 'id?: string; textValue?: string'),
  );
  const [code, group] = ['TideCode', 'TagGroup'].map((name) => found().find(({ input }) => input.export === name));
  const slots = [0, 1, 2, 3].map((index) => ({ component: 'tide#TideCodeSlot', properties: { index } }));
  expect(code?.input.inside?.[0]).toEqual({
    inside: [{ component: 'tide#TideCodeGroup', inside: slots }],
    constants: { maxLength: 4 },
  });
  expect(group?.input.inside?.[0]?.inside).toMatchObject([
    { component: 'tide#TagGroupList', inside: [{ component: 'tide#Tag' }] },
  ]);
  expect(group?.input.choiceWords).toBe('textValue');
});

it('what holds keys takes the item that all lists of its package have, which is known by its key', () => {
  suite(
    component('Picker', 'selectedKey?: string; onSelectionChange?: (key: string) => void') +
      component('Item', 'textValue?: string') +
      component('Provider', 'theme?: Record<string, any>') +
      'export declare const defaultTheme: Record<string, any>;',
  );
  expect(only()?.adapter?.choices).toEqual({ component: 'tide#Item', value: 'key', text: 'children' });
  expect(only()?.input.around).toEqual([{ component: 'tide#Provider', imports: { theme: 'tide#defaultTheme' } }]);
});

it('a colour that has a method of its own is the value, and a hint that floats is none', () => {
  install(
    'tide',
    `type Heard = (told: { hex: string }) => void;
     declare class Paint {
       constructor(at: string | Element, options?: { color?: string; open?: boolean });
       setOptions(options: object): void; setColor(color: string): this; getColor(): { hex: string };
       on(type: 'change' | 'open', heard: Heard): void; destroy(): void;
     }
     export { Paint as default };
     export declare class Tooltip { constructor(at: Element, options?: { html?: boolean }); setContent(content: string): void; on(type: string, heard: Heard): void; }`,
  );
  expect(names()).toEqual(['default']);
  expect(only()?.adapter).toMatchObject({ value: { property: 'color' }, widget: { update: 'setColor' } });
});

it('buttons that say nothing by themselves stand in what labels them', () => {
  suite(
    component('RadioGroup', text) +
      `export declare function Radio(props: ${box}): React.ReactElement;\n` +
      component('ControlLabel', 'control: React.ReactElement; label: React.ReactNode; value?: unknown'),
  );
  const group = found().find(({ input }) => input.export === 'RadioGroup');
  expect(group?.input.inside).toContainEqual({
    inside: [{ component: 'tide#ControlLabel', inside: [{ component: 'tide#Radio', at: 'control' }] }],
    choices: { component: 'tide#ControlLabel', value: 'value', text: 'label' },
  });
});
