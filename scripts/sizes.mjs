/** How much of what was built a browser has to fetch: printed and checked by `npm test`; `node scripts/sizes.mjs` prints it alone. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { bundlers, undivided } from './size/bundlers.mjs';
import { drawnByEach } from './size/drawn.mjs';

const home = join(import.meta.dirname, '..');

/** What a browser has to fetch before the first page stands: the script of the page and all that it imports at once. */
export function pageSize() {
  const folder = 'apps/workbench/dist';
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const first = [...page.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map((match) => match[1]);
  const texts = first.map((path) => readFileSync(join(folder, path), 'utf8'));
  const bytes = texts.reduce((sum, text) => sum + gzipSync(text).length, 0);
  const all = readdirSync(join(folder, 'assets'));
  const isChecking = (text) => text.includes('_zod');
  // Where nothing at all had the mark, its absence would say nothing.
  const isElsewhere = all.some(
    (name) => name.endsWith('.js') && isChecking(readFileSync(join(folder, 'assets', name), 'utf8')),
  );
  return {
    says: `initial script: ${Math.round(bytes / 1000)} kB gzipped in ${first.length} files (of ${all.length})`,
    name: 'initial script under 220 kB gzipped, without what checks foreign kits and frames',
    isGood: first.length > 0 && bytes < 220_000 && isElsewhere && !texts.some(isChecking),
  };
}

/**
 * What an application has at hand for a form: the core and the React binding, as the application's own bundler takes them
 * from what was built. Made ready from its schema, a form fetches beyond that what the schema asks for; of one that was
 * written out, that stands in its own module.
 */
export async function librarySizes() {
  const found = [];
  for (const { entry, what, limits } of doors)
    for (const [name, bundle] of Object.entries({ ...bundlers, ...undivided })) {
      if (limits[name] === undefined) continue;
      const chunks = await bundle(join(home, 'scripts/size', entry));
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
      const limit = limits[name];
      found.push({
        says: `core and react for ${what}, by ${name}: ${kB(bytes)} kB gzipped; with all that could be fetched: ${kB(all)} kB${why[name] ?? ''}`,
        name: `core and react for ${what} under ${limit} kB gzipped by ${name}`,
        isGood: bytes > 0 && bytes < limit * 1000,
      });
    }
  return found;
}
/** Both ways to a form, with the limits in kB; without splitting, what is made ready from its schema is all in the one file. Two bundlers divide by whole files: what one of a file's functions needs is at hand with all the others. */
const doors = [
  {
    entry: 'at-hand.js',
    what: 'a schema-driven form',
    limits: { Vite: 13, Rollup: 13, webpack: 13.5, esbuild: 13.5 },
  },
  {
    entry: 'written.js',
    what: 'a form that was written out',
    limits: { Vite: 21, Rollup: 21, webpack: 21.5, esbuild: 21.7, 'esbuild without splitting': 22.6 },
  },
];
const why = {
  webpack: ' (it divides by whole files)',
  esbuild: ' (it divides by whole files, into many)',
};

/** In kB, and files. Made ready from its schema it has the engine, the planner and the language of expressions to fetch. */
const most = { written: { kB: 46.5, files: 6 }, prepared: { kB: 101.5, files: 24 } };

/** A typical form, put together by each bundler and drawn in a browser: made ready from its schema, and written out. */
export async function typicalForms() {
  const { typicalWritten } = await import('./size/typical-written.mjs');
  const ways = [
    ['made ready from its schema', join(home, 'scripts/size/typical.js'), bundlers, most.prepared],
    ['written out', typicalWritten(home), { ...bundlers, ...undivided }, most.written],
  ];
  const found = [];
  for (const [way, entry, by, { kB: heaviest, files: mostFiles }] of ways)
    for (const [name, { isDrawn, files, bytes }] of Object.entries(await drawnByEach(by, entry))) {
      found.push({
        says: `a form with a list, a choice, a date, a computed value and values from a server, ${way}, by ${name}: ${files} files, ${kB(bytes)} kB until it stands`,
        name: `put together by ${name}, that form is drawn, ${way}, in at most ${mostFiles} files and ${heaviest} kB`,
        isGood: isDrawn && files <= mostFiles && bytes < heaviest * 1000,
      });
    }
  return found;
}
const kB = (bytes) => (bytes / 1000).toFixed(2);

if (process.argv[1] === import.meta.filename)
  for (const { says } of [...(await librarySizes()), ...(await typicalForms())]) console.log(says);
