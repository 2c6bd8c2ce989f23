import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { inspect, ProjectError, readProject } from '../src/index.js';

let folder: string;
const put = (path: string, text: string): void => {
  mkdirSync(dirname(join(folder, path)), { recursive: true });
  writeFileSync(join(folder, path), text);
};
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'poietra-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

describe('a folder that is no project is told, with what to do', () => {
  it('where there is none', () => expect(() => readProject(join(folder, 'gone'))).toThrow(/There is no folder/));
  it('where it has no package.json', () => expect(() => readProject(folder)).toThrow(ProjectError));
  it('where that is a pipe, which nobody writes into', () => {
    expect(spawnSync('mkfifo', [join(folder, 'package.json')]).status).toBe(0);
    expect(() => readProject(folder)).toThrow(ProjectError);
  });
  it('where nothing is installed', () => {
    put('package.json', '{"dependencies": {"tide": "1"}}');
    expect(() => readProject(folder)).toThrow('Run “npm install” there first');
  });
});

it('finds components, elements and widgets by what they declare, and leaves the rest', () => {
  put('package.json', '{"name": "desk", "dependencies": {"tide-parts": "1", "tide-elements": "1", "absent": "1"}}');
  put(
    'node_modules/tide-parts/package.json',
    '{"name": "tide-parts", "version": "1.2.3", "types": "index.d.ts", "main": "index.js", "style": "style.css"}',
  );
  put('node_modules/tide-parts/style.css', '');
  put(
    'node_modules/tide-parts/index.d.ts',
    `interface Element { readonly kind: 'element' }
     declare namespace JSX { interface Element {} }
     interface PickerBase { /** Opens here. */ defaultMonth?: Date; disabled?: boolean }
     interface One extends PickerBase { mode: 'one'; selected?: Date; onSelect?: (day: Date | undefined, event: object) => void }
     interface Many extends PickerBase { mode: 'many'; selected?: Date[]; onSelect?: (days: Date[]) => void }
     /** A picker for days. */
     export declare function TidePicker(props: One | Many): JSX.Element;
     export declare function Banner(props: { text: string }): JSX.Element;
     export interface Dial { set(value: number): void; on(name: string, listen: (value: number) => void): void; destroy(): void }
     export declare function dial(element: HTMLElement, options: { start?: number; range: [number, number] }): Dial;
     export declare function helper(text: string): string;`,
  );
  put(
    'node_modules/tide-elements/package.json',
    '{"name": "tide-elements", "version": "2.0.0", "customElements": "manifest.json"}',
  );
  put(
    'node_modules/tide-elements/manifest.json',
    JSON.stringify({
      modules: [
        {
          path: 'box.js',
          declarations: [
            {
              customElement: true,
              tagName: 'tide-box',
              name: 'TideBox',
              members: [
                { kind: 'field', name: 'value', type: { text: 'string' } },
                { kind: 'method', name: 'focus' },
              ],
              events: [{ name: 'tide-change' }],
            },
            { name: 'NoElement' },
          ],
        },
      ],
    }),
  );
  put('node_modules/tide-elements/box.js', '');
  const { inputs, missing } = inspect(folder);
  const own = inputs.filter(({ input }) => input.family !== 'native');
  expect(own.map(({ input }) => `${input.family} ${input.id} ${input.version}`).sort()).toEqual([
    'component tide-parts#TidePicker 1.2.3',
    'element tide-elements#tide-box 2.0.0',
    'widget tide-parts#dial 1.2.3',
  ]);
  expect(missing).toEqual(['absent']);
  const adapters = Object.fromEntries(own.map(({ input, adapter }) => [input.export, adapter]));
  expect(adapters['TidePicker']).toMatchObject({
    value: { property: 'selected', start: 'defaultMonth' },
    change: { report: 'onSelect', path: '/0' },
    disabled: { property: 'disabled' },
    constants: { mode: 'one' },
  });
  expect(adapters['dial']).toMatchObject({
    value: { property: 'start' },
    widget: { start: 'call', update: 'set', reports: 'on', destroy: 'destroy' },
  });
  expect(adapters['TideBox']).toMatchObject({
    change: { report: 'tide-change', path: '/0/target/value' },
    focus: { by: 'handle', method: 'focus' },
  });
  expect(own.find(({ input }) => input.export === 'TideBox')?.input.module).toBe('tide-elements/box.js');
  expect(own.find(({ input }) => input.export === 'TidePicker')?.input).toMatchObject({
    css: ['tide-parts/style.css'],
    says: 'A picker for days.',
  });
});

it('finds inputs of all four families in the demo project', () => {
  const { inputs } = inspect(join(__dirname, '../../../demo/project'));
  const ids = inputs.map(({ input }) => input.id);
  expect(ids).toEqual(
    expect.arrayContaining([
      'native#text',
      'react-day-picker#DayPicker',
      '@shoelace-style/shoelace#sl-input',
      'flatpickr#default',
      'nouislider#create',
    ]),
  );
  for (const { findings } of inputs) expect(findings.every(({ evidence }) => evidence !== '')).toBe(true);
});
