/** How much of what was built a browser has to fetch: printed and checked by `npm test`; `node scripts/sizes.mjs` prints it alone. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { bundlers } from './size/bundlers.mjs';
import { drawnByEach } from './size/drawn.mjs';

const home = join(import.meta.dirname, '..');

/** What a browser has to fetch before the first page stands: the script of the page and all that it imports at once. */
export function pageSize() {
  const folder = 'apps/workbench/dist';
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const first = [...page.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map((match) => match[1]);
  const bytes = first.reduce((sum, path) => sum + gzipSync(readFileSync(join(folder, path))).length, 0);
  const all = readdirSync(join(folder, 'assets')).length;
  return {
    says: `initial script: ${Math.round(bytes / 1000)} kB gzipped in ${first.length} files (of ${all})`,
    name: 'initial script under 300 kB gzipped',
    isGood: first.length > 0 && bytes < 300_000,
  };
}

/**
 * What an application has at hand for a schema-driven form: the core and the React binding, as the application's own
 * bundler takes them from what was built. What a schema asks for beyond that is fetched when it does: each skin,
 * expressions, keywords, codecs and drawings that not every form has.
 */
export async function librarySizes() {
  const found = [];
  for (const [name, bundle] of Object.entries(bundlers)) {
    const chunks = await bundle(join(home, 'scripts/size/at-hand.js'));
    const named = new Map(chunks.map((chunk) => [chunk.name, chunk]));
    const atHand = new Set();
    const take = (chunk) => {
      if (!chunk || atHand.has(chunk)) return;
      atHand.add(chunk);
      for (const one of chunk.imports) take(named.get(one));
    };
    take(chunks[0]);
    const size = (some) => gzipSync([...some].map(({ code }) => code).join('')).length;
    const [bytes, all] = [size(atHand), size(chunks)];
    const [limit, why] = limits[name];
    found.push({
      says: `core and react for a schema-driven form, by ${name}: ${kB(bytes)} kB gzipped; with all that any form could fetch: ${kB(all)} kB${why}`,
      name: `core and react under ${limit} kB gzipped by ${name}`,
      isGood: bytes > 0 && bytes < limit * 1000,
    });
  }
  return found;
}
/** In kB. Two bundlers divide by whole files: what one of a file's functions needs is at hand with all the others. */
const limits = {
  Vite: [30, ''],
  Rollup: [30, ''],
  webpack: [35, ' (it divides by whole files)'],
  esbuild: [60, ' (it divides by whole files, and takes what stands behind an index along)'],
};

/** A typical form, put together by each bundler and drawn in a browser. */
export async function typicalForms() {
  return Object.entries(await drawnByEach(bundlers)).map(([name, { isDrawn, files, bytes }]) => ({
    says: `a form with a list, a choice, a date, a computed value and values from a server, by ${name}: ${files} files, ${kB(bytes)} kB`,
    name: `put together by ${name}, that form is drawn`,
    isGood: isDrawn,
  }));
}
const kB = (bytes) => (bytes / 1000).toFixed(2);

if (process.argv[1] === import.meta.filename)
  for (const { says } of [...(await librarySizes()), ...(await typicalForms())]) console.log(says);
