/** A typical form as each bundler puts it together, drawn in a real browser: what was fetched until it stood. */
import { build } from 'esbuild';
import { createServer } from 'node:http';
import { once } from 'node:events';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromiumPath } from '../chromium.mjs';
import { outside } from './bundlers.mjs';

const home = join(import.meta.dirname, '../..');
const require = createRequire(import.meta.url);

/** React stands apart, as it does in an application; its parts are found by the page's import map. */
export async function framework() {
  const names = outside.map((_, i) => `part${i}`);
  const contents = outside.map((address, i) => `export * as ${names[i]} from '${address}';`).join('\n');
  const { outputFiles } = await build({
    stdin: { contents, resolveDir: home },
    bundle: true,
    write: false,
    format: 'esm',
    minify: true,
    define: { 'process.env.NODE_ENV': '"production"' },
  });
  const parts = outside.map((address, i) => {
    const exported = Object.keys(require(address)).filter((name) => /^[a-z]\w*$/i.test(name) && name !== 'default');
    return [
      `/part${i}.js`,
      `import { part${i} as found } from '/framework.js'; const part = found.default ?? found;
       export default part; export const { ${exported.join(', ')} } = part;`,
    ];
  });
  return new Map([['/framework.js', outputFiles[0].text], ...parts]);
}

/** @param entry the application. @returns for each bundler by name: how many files were fetched, how many bytes as gzip, and whether the form was drawn. */
export async function drawnByEach(bundlers, entry) {
  const { chromium } = await import('playwright-core');
  const beside = await framework();
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const found = {};
  try {
    for (const [name, bundle] of Object.entries(bundlers)) {
      const chunks = await bundle(entry);
      // What is fetched beforehand for later may be there before the page is asked; the least of three is what was needed.
      const all = [];
      for (let i = 0; i < 3; i++) all.push(await drawn(browser, chunks, beside));
      found[name] = all.find(({ isDrawn }) => !isDrawn) ?? all.reduce((a, b) => (b.bytes < a.bytes ? b : a));
    }
  } finally {
    await browser.close();
  }
  return found;
}

async function drawn(browser, chunks, beside) {
  const files = new Map(chunks.map(({ name, code }) => [`/${name}`, code]));
  const imports = Object.fromEntries(outside.map((address, i) => [address, `/part${i}.js`]));
  const server = createServer(({ url }, answer) => {
    const give = (type, text) => answer.setHeader('Content-Type', type).end(text);
    const file = files.get(url);
    if (url === '/')
      give(
        'text/html',
        `<!doctype html><script type="importmap">${JSON.stringify({ imports })}</script><body><script type="module" src="/${chunks[0].name}"></script>`,
      );
    else if (url.startsWith('/ports')) give('application/json', '{"ports":[]}');
    else if (file !== undefined || beside.has(url)) give('text/javascript', file ?? beside.get(url));
    else answer.writeHead(404).end();
  }).listen(0);
  await once(server, 'listening');
  const page = await browser.newPage();
  try {
    await page.goto(`http://localhost:${server.address().port}/`);
    // The computed value stands when everything before it does. What had come by then is asked in the same breath: what
    // is fetched beforehand for later is on its way sooner or later, as busy as the machine is.
    const stands = await page.waitForFunction(
      () =>
        [...document.querySelectorAll('input')].some(({ value }) => value === '6.5') &&
        performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname),
      undefined,
      {
        timeout: 20_000,
      },
    );
    const fetched = (await stands.jsonValue()).flatMap((path) => files.get(path) ?? []);
    return {
      isDrawn: true,
      files: fetched.length,
      bytes: fetched.reduce((sum, text) => sum + gzipSync(text).length, 0),
    };
  } catch {
    return { isDrawn: false, files: 0, bytes: 0 };
  } finally {
    await page.close();
    server.close();
  }
}
