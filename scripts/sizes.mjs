/** How much of what was built a browser has to fetch: printed and checked by `npm test`; `node scripts/sizes.mjs` prints it alone. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

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
export async function librarySize() {
  const { NODE_ENV } = process.env;
  const { build: bundle } = await import('vite');
  const [{ output }] = await bundle({
    configFile: false,
    logLevel: 'error',
    // As applications have it: what only development needs is left out.
    define: { 'process.env.NODE_ENV': '"production"' },
    build: {
      write: false,
      minify: false,
      lib: { entry: join(home, 'scripts/size-entry.js'), formats: ['es'] },
      rolldownOptions: {
        external: ['react', 'react-dom', 'react/jsx-runtime'],
        output: { minify: true, comments: false },
      },
    },
  });
  // The bundler sets it for good; the tests that follow are not for production.
  if (NODE_ENV === undefined) delete process.env.NODE_ENV;
  else process.env.NODE_ENV = NODE_ENV;
  const chunks = new Map(output.filter(({ type }) => type === 'chunk').map((chunk) => [chunk.fileName, chunk]));
  const atHand = new Set();
  const take = (name) => {
    const chunk = chunks.get(name);
    if (!chunk || atHand.has(chunk)) return;
    atHand.add(chunk);
    chunk.imports.forEach(take);
  };
  take([...chunks.values()].find(({ isEntry }) => isEntry)?.fileName);
  const size = (some) => gzipSync([...some].map(({ code }) => code).join('')).length;
  const bytes = size(atHand);
  const all = size(chunks.values());
  return {
    says: `core and react for a schema-driven form: ${(bytes / 1000).toFixed(2)} kB gzipped; with all that any form could fetch: ${(all / 1000).toFixed(1)} kB`,
    name: 'core and react under 30 kB gzipped',
    isGood: bytes > 0 && bytes < 30_000,
  };
}

if (process.argv[1] === import.meta.filename) console.log((await librarySize()).says);
