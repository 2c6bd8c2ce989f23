import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { builtIn, type Kit } from '../src/index.js';
import { handOver, typeName, typesFor, usedAdapters, usedGroups, valueName } from '../src/handover/index.js';
import { makerOf } from '../src/handover/codecs.js';

const kit = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as Kit;
const file = (path: string, of: Kit = kit): string => handOver(of).find((one) => one.path === path)?.text ?? '';

describe('adapters are handed over by family', () => {
  it('a component is imported by its export', () => {
    expect(file('adapters/day-picker.ts')).toContain(
      "import { DayPicker as DayPickerInput } from 'react-day-picker';\nimport 'react-day-picker/style.css';",
    );
    expect(file('adapters/day-picker.ts')).toContain(
      "export const dayPicker = adapt(DayPickerInput, dayPickerDescription, 'component');",
    );
  });
  it('an element is registered and named by its tag', () => {
    expect(file('adapters/suite-input.ts')).toContain(
      "import '@shoelace-style/shoelace/dist/components/input/input.js';",
    );
    expect(file('adapters/suite-input.ts')).toContain("adapt('sl-input', suiteInputDescription, 'element')");
  });
  it('a widget is imported as its function', () =>
    expect(file('adapters/temperature-slider.ts')).toContain(
      "adapt(CreateInput, temperatureSliderDescription, 'widget')",
    ));
  it('what stands in a browser alone is loaded there, with what registers it', () => {
    const alone = (name: string): string => {
      const adapter = { ...kit.adapters[name], onServer: 'nothing' } as Kit['adapters'][string];
      return file(`adapters/${name}.ts`, { ...kit, adapters: { ...kit.adapters, [name]: adapter } });
    };
    expect(alone('day-picker')).toContain("import { adapt, later } from '@poietra/react/written';");
    expect(alone('day-picker')).not.toContain("from 'react-day-picker'");
    expect(alone('day-picker')).toContain(
      "adapt(later(() => import('react-day-picker').then((module) => module.DayPicker)), dayPickerDescription, 'component')",
    );
    expect(alone('suite-input')).toContain(
      "later(() => Promise.all([import('@shoelace-style/shoelace/dist/components/input/input.js')]).then(() => 'sl-input'))",
    );
  });
  it('one that is called as its loading is gets another name', () => {
    const adapter = { ...kit.adapters['day-picker'], onServer: 'nothing' } as Kit['adapters'][string];
    const text = file('adapters/later.ts', { ...kit, adapters: { later: adapter } });
    expect(text).toContain("import { adapt, later } from '@poietra/react/written';");
    expect(text).not.toMatch(/export const later\b/);
  });
  it('what stands for a choice is imported, too', () => {
    const choices = { component: 'tide#Radio.Item', value: 'value', text: 'label' };
    const of = {
      ...kit,
      adapters: { picker: { ...kit.adapters['day-picker']!, choices } },
    };
    expect(file('adapters/picker.ts', of)).toContain("import { Radio } from 'tide';");
    expect(file('adapters/picker.ts', of)).toContain("'component', { 'tide#Radio.Item': Radio.Item })");
  });
  it('so are the parts that an input is put together of', () => {
    const inside = [
      { component: 'tide#Mask', inside: [{ component: 'sea#Mask' }, { words: '▼', silent: true as const }] },
    ];
    const of = { ...kit, adapters: { picker: { ...kit.adapters['day-picker']!, inside } } };
    const text = file('adapters/picker.ts', of);
    expect(text).toContain("inside: [{ component: 'sea#Mask' }, { words: '▼', silent: true }]");
    expect(text).toContain("'component', { 'tide#Mask': Mask, 'sea#Mask': Mask2 })");
  });
  it('a member of an export and a default export keep their way', () => {
    const input = (exported: string) => ({
      ...kit,
      inputs: { x: { ...kit.inputs['nouislider#create']!, export: exported } },
      adapters: { dial: { ...kit.adapters['temperature-slider']!, input: 'x' } },
    });
    expect(file('adapters/dial.ts', input('default'))).toContain("import Dial from 'nouislider';");
    expect(file('adapters/dial.ts', input('slider.create'))).toMatch(
      /import \{ slider as SliderInput \} from 'nouislider';[\s\S]*adapt\(SliderInput\.create,/,
    );
  });
  it('say in words what they do', () =>
    expect(file('adapters/day-picker.ts')).toContain(
      '/** Shows its value through selected, and opens at it through defaultMonth. Reports changes through onSelect, value in first argument.',
    ));
});

describe('forms', () => {
  it('import just the adapters that they draw with', () => {
    const form = kit.forms['freight-booking-short']!;
    expect(usedAdapters(form, kit)).toEqual(['day-picker']);
    expect(file('forms/freight-booking-short.tsx')).toContain("import { dayPicker } from '../adapters/day-picker.js';");
    expect(file('forms/freight-booking-short.tsx')).not.toContain('suiteInput');
  });
  it('carry their messages and the hints of the kit that they use', () => {
    const form = {
      title: 'Tide',
      schema: {
        type: 'object',
        properties: { berth: { type: 'string', 'x-poietra': { tide: 'low', messages: { required: 'Which berth?' } } } },
      },
      messages: { nb: { required: 'Trengs.' }, de: { required: 'Fehlt.' } },
      language: 'nb',
    };
    const source = file('forms/tide.tsx', { ...kit, forms: { tide: form } });
    expect(source).toMatch(/const messages = \{ required: 'Trengs.' \}/);
    expect(source).not.toContain('Fehlt.');
    expect(source).toContain("const words = wordsAs(nb, 'nb');");
    expect(source).toContain('prepared.open<Tide>({ values, words, messages, ...options })');
    const other = file('forms/tide.tsx', { ...kit, forms: { tide: { ...form, language: 'fr', messages: {} } } });
    expect(other).not.toContain('loadWords');
    expect(source).toContain("does: 'words'");
    expect(source).toContain('ownHints={ownWords}');
    expect(file('forms/freight-booking-short.tsx')).not.toContain('ownHints');
  });
  it('carry their groups as definitions, and their types by name', () => {
    expect(JSON.parse(file('forms/freight-booking-short.schema.json'))).toMatchObject({
      properties: { consignor: { $ref: '#/$defs/party' } },
      $defs: { party: { title: 'Party' } },
    });
    expect(file('forms/freight-booking-short.types.ts')).toContain('readonly consignor: Party;');
    expect(file('forms/freight-booking-short.types.ts')).toContain(
      "readonly hazardClass?: '2' | '3' | '4' | '8' | '9';",
    );
  });
});

/** Bundlers that divide by whole files take along what stands behind a door that is used at all. */
it('what an application runs comes through the doors for what was written out, and through no other', () => {
  const run = handOver(kit).filter(({ path }) => /\.(tsx?|js)$/.test(path) && !/\.test\.ts$|^contract\//.test(path));
  const imports = run.flatMap(({ text }) => [...text.matchAll(/^import (?!type )[^;]* from '(@poietra\/[^']*)';$/gm)]);
  expect([...new Set(imports.map(([, door]) => door))].sort()).toEqual([
    '@poietra/core/written',
    '@poietra/core/written/checks',
    '@poietra/react/written',
  ]);
});

it('the same kit gives the same files', () =>
  expect(handOver(kit)).toEqual(handOver(JSON.parse(JSON.stringify(kit)) as Kit)));

it('cases go along as tests, and a codec without cases has none', () => {
  expect(file('codecs/pieces.test.ts')).toContain('“a” does not belong');
  expect(
    handOver({ ...kit, codecs: { bare: { kind: 'text' } }, fields: {}, forms: {} }).map(({ path }) => path),
  ).not.toContain('codecs/bare.test.ts');
});

it('groups within schemas are found, wherever they stand', () => {
  expect(
    usedGroups({
      items: [{ $ref: 'urn:poietra:group:a' }],
      x: { y: { $ref: 'urn:poietra:group:b' } },
      z: { $ref: '#/a' },
    }),
  ).toEqual(['a', 'b']);
});

it.each([
  ['freight-booking', 'FreightBooking', 'freightBooking'],
  ['2nd leg', 'The2ndLeg', 'the2ndLeg'],
  ['…', 'The', 'the'],
])('names are made for types and values: %s', (name, type, value) =>
  expect([typeName(name), valueName(name)]).toEqual([type, value]),
);

it.each<[unknown, string]>([
  [true, 'export type T = unknown;'],
  [false, 'export type T = never;'],
  [{ const: 'x' }, "export type T = 'x';"],
  [{ enum: [1, null, { a: 1 }] }, 'export type T = 1 | null | { readonly a: 1 };'],
  [{ type: ['string', 'null'] }, 'export type T = string | null;'],
  [{ type: 'array', items: { type: ['string', 'number'] } }, 'export type T = readonly (string | number)[];'],
  [
    { type: 'object', additionalProperties: { type: 'number' } },
    'export interface T { readonly [name: string]: number }',
  ],
  [{ oneOf: [{ type: 'string' }, { type: 'integer' }] }, 'export type T = string | number;'],
  [{ anyOf: [{ type: 'string' }, {}] }, 'export type T = unknown;'],
  [
    {
      allOf: [
        { type: 'object', properties: { a: { type: 'string' } } },
        { type: 'object', properties: { b: { type: 'string' } } },
      ],
    },
    'export type T = {\n  readonly a?: string;\n} & {\n  readonly b?: string;\n};',
  ],
  [{ $ref: 'https://elsewhere.example/x' }, 'export type T = unknown;'],
  [{ title: 'Ends */ here', type: 'string' }, '/** Ends *\u200B/ here */\nexport type T = string;'],
])('types say what schemas say: %j', (schema, expected) => expect(typesFor(schema, 'T')).toBe(expected));

describe('what an adapter has besides', () => {
  const adapter = {
    ...kit.adapters['day-picker']!,
    gesture: { name: 'change', steps: [] },
    samples: [1, 2] as const,
    wrappers: [
      { component: 'antd#ConfigProvider', properties: { direction: 'rtl' }, imports: { theme: 'tide/looks#calm' } },
      { component: 'tide#Sea.Calm' },
      { component: '#div', properties: { 'data-tide': 'calm' } },
    ],
  };
  const text = file('adapters/day-picker.ts', { ...kit, adapters: { ...kit.adapters, 'day-picker': adapter } });
  it('stands around the input in the source, too', () => {
    expect(text).toContain("import { ConfigProvider } from 'antd';");
    expect(text).toContain("import { calm as Calm } from 'tide/looks';");
    expect(text).toContain("import { Sea } from 'tide';");
    expect(text.replace(/\s+/g, ' ')).toContain(
      "'component', { 'antd#ConfigProvider': ConfigProvider, 'tide/looks#calm': Calm, 'tide#Sea.Calm': Sea.Calm });",
    );
  });
  it('is left out where only the checks need it', () => expect(text).not.toMatch(/gesture|samples/));
  it('is imported where choices are elements of their own', () => {
    const input = {
      ...kit.inputs['@shoelace-style/shoelace#sl-input']!,
      item: { tag: 'sl-option', module: 'shoelace/option.js' },
    };
    const of = { ...kit, inputs: { ...kit.inputs, '@shoelace-style/shoelace#sl-input': input } };
    expect(file('adapters/suite-input.ts', of)).toContain("import 'shoelace/option.js';");
  });
  it('is registered by what its module has for that', () => {
    const input = { ...kit.inputs['@shoelace-style/shoelace#sl-input']!, module: 'tide/box.js', registers: 'define' };
    const of = { ...kit, inputs: { ...kit.inputs, '@shoelace-style/shoelace#sl-input': input } };
    expect(file('adapters/suite-input.ts', of)).toMatch(/import \{ define \} from 'tide\/box.js';[^]*\ndefine\(\);\n/);
  });
});

it('knows where each kind of codec is made, for hand-overs that stand on their own', () => {
  const known = [...Object.keys(makerOf), 'code'];
  expect(known.sort()).toEqual(Object.keys(builtIn).sort());
});

it('what makes the values of an adapter is imported, given, and named among the packages', () => {
  const input = {
    family: 'component' as const,
    package: 'tide',
    version: '1.2.0',
    export: 'Picker',
    module: 'tide',
    css: ['tide/style.css', 'tide/styles'],
  };
  const adapter = {
    input: 'tide#Picker',
    value: { property: 'value', made: { by: '@days/plain/parse#Day.from', read: 'told' } },
    change: { report: 'onChange', path: '/0' },
    focus: { by: 'element' as const },
  };
  const own = { ...kit, inputs: { 'tide#Picker': input }, adapters: { day: adapter } };
  const source = file('adapters/day.ts', own);
  expect(source).toContain("import { Day } from '@days/plain/parse';");
  // The compiler knows a sheet by its ending; of another it is told.
  expect(file('sheets.d.ts', own)).toBe("declare module 'tide/styles';\n");
  expect(source).toContain("made: { by: '@days/plain/parse#Day.from', read: 'told' }");
  expect(source).toContain("{ '@days/plain/parse#Day.from': Day.from })");
  expect(file('README.md', own)).toMatch(/npm install .*@days\/plain .*tide@\^1\.2\.0/);
});

describe('what a form is sent to and drawn with is handed over, too', () => {
  const form = { title: 'Tide', schema: { type: 'object' }, send: { path: '/tides', key: 'id' }, skin: 'suite' };
  const own = { ...kit, forms: { tide: form } };
  it('a client of its address, which is how it is sent unless something else is given', () => {
    const source = file('forms/tide.tsx', own);
    expect(source).toContain("const address: SendDescription = { path: '/tides', key: 'id' };");
    expect(source).toContain('export function sendTide(value: Tide, options?: SendOptions): Promise<Outcome>');
    expect(source).toContain('export function TideForm({ values, form: opened, send = sendTide }: TideFormProps)');
    expect(file('index.ts', own)).toContain('export { openTide, sendTide, TideForm,');
  });
  it('skins of several components, each imported once, with what stands around', () => {
    const Button = { component: 'quay#Button', names: { type: 'kind' } };
    const desk = {
      around: [
        { component: 'quay#Theme', properties: { size: 'small' }, imports: { theme: 'quay#lightTheme' } },
        { component: '#div', properties: { 'data-tide': 'calm' } },
      ],
      parts: {
        button: Button,
        submit: { ...Button, properties: { look: 'main' } },
        tab: { component: 'quay/tab.js#quay-tab' },
      },
    };
    const text = file('skins.ts', { ...kit, skins: { desk } });
    expect(text).toContain("import { Button as DeskButton } from 'quay';");
    expect(text.match(/from 'quay'/g)).toHaveLength(3);
    expect(text).toContain("import 'quay/tab.js';");
    expect(text).toContain(
      "around: [{ component: DeskAround, properties: { size: 'small', theme: DeskTheme } }, { component: 'div', properties: { 'data-tide': 'calm' } }]",
    );
    expect(text).toContain(
      "button: { component: DeskButton, names: { type: 'kind' } }, submit: { component: DeskButton, names: { type: 'kind' }, properties: { look: 'main' } }, tab: { component: 'quay-tab' }",
    );
  });
  it('skins with their components, and the one that the form has', () => {
    expect(file('skins.ts', own)).toContain("import { Card as SuiteBox } from 'antd';");
    expect(file('skins.ts', own)).toContain("suite: suiteSkin({ box: SuiteBox, label: 'title',");
    expect(file('forms/tide.tsx', own)).toContain("skins={skins} skin={skins['suite']}");
    expect(file('README.md', own)).toMatch(/npm install .*\bantd\b/);
    const compact = file('forms/tide.tsx', { ...kit, forms: { tide: { ...form, skin: 'compact' } } });
    expect(compact).toContain('skin={compact}');
    expect(compact).not.toContain('skins');
  });
});
