/** Formats as types of their own: only a text that was checked is of one. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Kit } from '../src/index.js';
import { handOver, type OwnSources } from '../src/handover/index.js';
import { bareKit as bare } from './bare-kit.js';
import { troublesOf } from './compiled.js';

const sources = JSON.parse(readFileSync(join(__dirname, '../../own/dist/sources.json'), 'utf8')) as OwnSources;
const schema = {
  type: 'object',
  properties: {
    sails: { type: 'string', format: 'date' },
    desk: { type: ['string', 'null'], format: 'email' },
    berth: { type: 'string', format: 'quay' },
    days: { type: 'array', items: { $ref: '#/$defs/DateText' } },
  },
  $defs: { DateText: { type: 'string', format: 'date', minLength: 1 } },
};
const kit: Kit = { ...bare, forms: { sailing: { title: 'Sailing', schema } } };
const typesOf = (given: Kit): string => handOver(given).find(({ path }) => path.endsWith('.types.ts'))?.text ?? '';

it('are what a kit asks for, and nothing otherwise', () => {
  expect(typesOf(kit)).toContain('readonly sails?: string;');
  expect(handOver(kit).map(({ path }) => path)).not.toContain('formats.ts');
  const types = typesOf({ ...kit, formatTypes: true });
  expect(types).toContain("import type { DateText, EmailText } from '../formats.js';");
  expect(types).toContain('readonly sails?: DateText;');
  expect(types).toMatch(/readonly desk\?: EmailText \| null;/);
  // A format that JSON Schema does not know stays a text.
  expect(types).toContain('readonly berth?: string;');
  // A definition of the same name is called otherwise.
  expect(types).toContain('export type DateTextPart = DateText;');
});

const use = `import { isIn, type DateText } from './formats.js';
import type { Sailing } from './forms/sailing.types.js';
const typed: string = '2026-05-14';
export const checked: DateText | undefined = isIn('date', typed) ? typed : undefined;
export const text: string = checked ?? '';
export const sailing: Sailing = checked ? { sails: checked, days: [checked] } : {};
`;
const misused = `${use}
export const unchecked: Sailing = { sails: '2026-05-14' };
export const other: Sailing = isIn('email', typed) ? { sails: typed } : {};
isIn('quay', typed);
`;

it.each([
  ['with the libraries', false],
  ['on its own', true],
])('%s: what was checked compiles, and what was not does not', (_way, isOwn) => {
  const handed = handOver({ ...kit, formatTypes: true }, isOwn ? { own: sources } : {});
  // The lines before the misuse compile.
  const troubles = troublesOf([...handed, { path: 'use.ts', text: misused }], { isOwn });
  expect(troubles.map((one) => one.split(':')[0])).toEqual(['use.ts', 'use.ts', 'use.ts']);
});
