/**
 * Writes `docs/kit.schema.json` anew from the reader of kits, after a build; what is said of members there stays.
 *   node scripts/kit-schema.mjs
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'prettier';
import { z } from 'zod';

const home = join(import.meta.dirname, '..');
const { kitSchema } = await import(join(home, 'packages/core/dist/kit/kit.js'));
const path = join(home, 'docs/kit.schema.json');
const published = JSON.parse(readFileSync(path, 'utf8'));
const { $schema, ...made } = z.toJSONSchema(kitSchema, { io: 'input', unrepresentable: 'any' });
const { $id, title } = published;
const text = JSON.stringify({ $schema, $id, title, ...described(made, published) });
writeFileSync(path, await format(text, { parser: 'json', printWidth: 120 }));

/** The one value with the descriptions that stand at the same places of the other. */
function described(value, before) {
  if (Array.isArray(value)) return value.map((one, i) => described(one, before?.[i]));
  if (typeof value !== 'object' || value === null) return value;
  const words = typeof before?.description === 'string' && !('description' in value) ? before.description : undefined;
  const members = Object.entries(value).map(([name, one]) => [name, described(one, before?.[name])]);
  return { ...(words === undefined ? {} : { description: words }), ...Object.fromEntries(members) };
}
