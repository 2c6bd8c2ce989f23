/** npm run bench -- NAME: one benchmark, as ratios measured in one run. */
import { readdirSync } from 'node:fs';
import { build } from '../scripts/build.mjs';

const names = readdirSync(import.meta.dirname).flatMap((file) =>
  file.endsWith('.mjs') && !['run.mjs', 'measure.mjs', 'served.mjs'].includes(file) ? [file.slice(0, -4)] : [],
);
const [name] = process.argv.slice(2);
if (!names.includes(name)) {
  console.error(`Which benchmark? There are: ${names.join(', ')}.`);
  process.exit(2);
}
await build({ ifNeeded: true });
await import(`./${name}.mjs`);
