/** Whatever the format of kits allows can be handed over: it compiles, with the libraries and on its own. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { handOver, type OwnSources } from '@poietra/core/handover';
import { troublesOf } from '../../core/test/compiled.js';
import { randomKit } from './random-kit.js';

const sources = JSON.parse(readFileSync(join(__dirname, '../dist/sources.json'), 'utf8')) as OwnSources;

// Another seed each day would find more and fail for those who changed nothing; `SEED` looks further.
const seed = Number(process.env['SEED'] ?? 20261126);

it('law: a kit of random forms and of every kind of codec compiles', () => {
  const kit = randomKit(seed, 40);
  expect(Object.keys(kit.forms).length).toBeGreaterThan(20);
  expect(troublesOf(handOver(kit))).toEqual([]);
  const own = handOver({ ...kit, formatTypes: true }, { own: sources });
  expect(troublesOf(own, { isOwn: true })).toEqual([]);
  // Most of them are written out; of those that are not, the source says why.
  const count = (text: string): number => own.filter((file) => file.text.includes(text)).length;
  expect(count('= writtenForm(')).toBeGreaterThan(20);
  expect(count('= writtenForm(') + count('since it cannot be written out: ')).toBe(Object.keys(kit.forms).length);
});
