import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readKit, type Kit } from '../src/index.js';
import { handOver, standaloneSchema, typesFor } from '../src/handover/index.js';
import { troublesOf } from './compiled.js';

const home = join(__dirname, '../../..');
const demo = (): Kit => {
  const read = readKit(JSON.parse(readFileSync(join(home, 'demo/kit.json'), 'utf8')));
  if (!read.ok) throw new Error(read.problems.map(({ at, message }) => `${at}: ${message}`).join('\n'));
  return read.kit;
};

it('gives source for every adapter, codec and form of the demo kit', () => {
  const paths = handOver(demo()).map(({ path }) => path);
  expect(paths).toEqual(
    expect.arrayContaining([
      'adapters/day-picker.ts',
      'codecs/calendar-date.ts',
      'codecs/calendar-date.test.ts',
      'fields.ts',
      'forms/freight-booking-short.tsx',
      'forms/freight-booking-short.schema.json',
      'kit.json',
    ]),
  );
});

it('gives source that compiles under strict, against the libraries and the packages of the project', () => {
  const button = { component: 'antd#Button', names: { type: 'htmlType' } };
  const tag = { component: '@shoelace-style/shoelace/dist/components/button/button.js#sl-button' };
  const drafted = {
    component: 'antd#Form.Item',
    label: 'label',
    labelFor: 'htmlFor',
    invalid: { validateStatus: 'error' },
    around: [{ component: 'antd#ConfigProvider', properties: { componentSize: 'small' } }],
    parts: { button, submit: { ...button, properties: { type: 'primary' } }, tab: tag },
  };
  const kit = demo();
  expect(troublesOf(handOver({ ...kit, skins: { ...kit.skins, drafted } }))).toEqual([]);
});

it('never says any', () => {
  for (const { path, text } of handOver(demo())) if (/\.tsx?$/.test(path)) expect(text).not.toMatch(/\bany\b(?! )/);
});

it('writes types for what schemas say: required, optional, conditional, choices, lists, definitions', () => {
  const schema = {
    type: 'object',
    required: ['kind'],
    properties: {
      kind: { enum: ['a', 'b'] },
      lines: { type: 'array', items: { $ref: '#/$defs/line' } },
      'odd name': { type: ['integer', 'null'] },
    },
    then: { properties: { hazardClass: { type: 'string' } } },
    $defs: { line: { type: 'object', properties: { next: { $ref: '#/$defs/line' } } } },
  };
  expect(typesFor(schema, 'Booking')).toBe(`export interface Booking {
  readonly kind: 'a' | 'b';
  readonly lines?: readonly Line[];
  readonly 'odd name'?: number | null;
  readonly hazardClass?: string;
}

export interface Line {
  readonly next?: Line;
}`);
});

it('makes a schema stand alone, with groups within groups as definitions', () => {
  const groups = {
    party: { title: 'Party', schema: { properties: { address: { $ref: 'urn:poietra:group:address' } } } },
    address: { title: 'Address', schema: { type: 'object' } },
  };
  expect(standaloneSchema({ properties: { a: { $ref: 'urn:poietra:group:party' } } }, groups)).toEqual({
    properties: { a: { $ref: '#/$defs/party' } },
    $defs: { party: { properties: { address: { $ref: '#/$defs/address' } } }, address: { type: 'object' } },
  });
});
