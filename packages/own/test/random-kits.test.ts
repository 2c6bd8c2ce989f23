/** Whatever the format of kits allows can be handed over: it compiles, with the libraries and on its own. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { handOver, type OwnSources } from '@poietra/core';
import { troublesOf } from '../../core/test/compiled.js';
import { randomKit } from './random-kit.js';

const sources = JSON.parse(readFileSync(join(__dirname, '../dist/sources.json'), 'utf8')) as OwnSources;

// Another seed each day would find more and fail for those who changed nothing; `SEED` looks further.
const seed = Number(process.env['SEED'] ?? 20261126);

it('law: a kit of random forms and of every kind of codec compiles', () => {
  const kit = randomKit(seed, 40);
  expect(Object.keys(kit.forms).length).toBeGreaterThan(20);
  expect(troublesOf(handOver(kit))).toEqual([]);
  expect(troublesOf(handOver(kit, { own: sources }), { isOwn: true })).toEqual([]);
});
