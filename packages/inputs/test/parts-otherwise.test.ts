/** Parts under other names, and what tells which of several is meant. */
import type { InspectedInput } from '../src/index.js';
import { found, install, names } from './planted-package.js';

const suite = (declared: string): void => install('tide', `import * as React from 'react';\n${declared}`);
const part = (name: string, props = 'className?: string'): string =>
  `export declare function ${name}(props: { ${props}; children?: React.ReactNode }): React.ReactElement;\n`;
const input = (name: string, props: string): string =>
  `export declare function ${name}(props: { ${props}; children?: React.ReactNode }): React.ReactElement;\n`;
const text = 'value?: string; onChange?: (value: string) => void';
const box = 'React.InputHTMLAttributes<HTMLInputElement>';
const only = (): InspectedInput | undefined => found()[0];

it('a field is the part that is typed into, one for each sign of a code, and no input of its own', () => {
  suite(input('PinWatch', text) + `export declare function PinWatchField(props: ${box}): React.ReactElement;`);
  expect(names()).toEqual(['PinWatch']);
  expect(only()?.input.inside?.[0]?.inside).toEqual(Array(4).fill({ component: 'tide#PinWatchField' }));
});

it('a field with a label of its own around what has none is an input, too', () => {
  suite(
    input('Watch', text) +
      `export declare function WatchField(props: ${box} & { label?: React.ReactNode }): React.ReactElement;`,
  );
  expect(names().sort()).toEqual(['Watch', 'WatchField']);
});

it('a range has a handle for each of its ends', () => {
  suite(
    input('RangeLevel', 'value?: number[]; onChange?: (value: number[]) => void') +
      part('RangeLevelTrack') +
      part('RangeLevelFilledTrack') +
      part('RangeLevelThumb', 'index: number'),
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
  suite(input('Log', `${text}; placeholder?: string`) + part('LogInput') + part('LogPreview'));
  const inside = [{ component: 'tide#LogInput' }, { component: 'tide#LogPreview' }];
  expect(only()?.input.inside).toEqual([{ inside }, { inside, constants: { placeholder: '…' } }]);
});

it('of looks, the one that is called as the provider’s property is meant before what others are made of', () => {
  suite(
    input('Level', text) +
      part('TideProvider', 'theme?: Record<string, any>') +
      'export declare const baseTheme: Record<string, any>;\nexport declare const theme: Record<string, any>;',
  );
  expect(only()?.input.around?.[0]?.imports).toEqual({ theme: 'tide#theme' });
});

it('what says itself what is chosen is no list of HTML’s, though it passes its attributes on', () => {
  suite(
    `type Chosen = Set<string> & { anchorKey?: string };
     interface Own { selectedKeys?: 'all' | Iterable<string>; onSelectionChange?: (keys: Chosen) => void }
     export declare function HarbourSelect(props: Own & Omit<React.SelectHTMLAttributes<HTMLSelectElement>, keyof Own>): React.ReactElement;\n` +
      part('HarbourSelectItem', 'value?: string'),
  );
  expect(only()?.adapter).toMatchObject({
    value: { property: 'selectedKeys' },
    change: { report: 'onSelectionChange', path: '/0' },
    choices: { component: 'tide#HarbourSelectItem', value: 'value', text: 'children' },
  });
});
