import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runInNewContext } from 'node:vm';
import { build } from 'esbuild';
import { bundle, isBuiltIn } from '../src/index.js';
import { sassSheets } from '../src/sass-sheets.js';

const home = join(__dirname, '../../..');
const around = mkdtempSync(join(tmpdir(), 'poietra-inside-'));
const project = join(around, 'project');
const secret = 'TIDE-TABLE-SECRET';
const put = (path: string, text: string): string => {
  const file = join(around, path);
  mkdirSync(join(file, '..'), { recursive: true });
  writeFileSync(file, text);
  return file;
};
const start = {
  module: put('project/start.ts', 'export const start = (inputs) => void (globalThis.inputs = inputs);'),
  name: 'start',
};
const taken = async (source: string): Promise<string> => {
  const module = put('project/src/input.tsx', `${source}\nexport const Input = () => null;`);
  const input = { id: 'x', family: 'component' as const, export: 'Input', module, css: [] };
  try {
    const { script, style } = await bundle({ project, home, start, inputs: [input] });
    return script + style;
  } catch (error) {
    return (error as Error).message;
  }
};

beforeAll(() => {
  put('project/package.json', '{"name":"office"}');
  put('outside.css', `.a { content: '${secret}' }`);
  put('outside.json', JSON.stringify({ secret }));
  put('outside.svg', `<svg>${secret}</svg>`);
  put('project/.env.json', JSON.stringify({ secret }));
  put('project/node_modules/pier/.env.json', JSON.stringify({ secret }));
  put('project/key.pem', secret);
  symlinkSync(join(around, 'outside.json'), join(project, 'linked.json'));
  put('elsewhere/harbour/package.json', '{"name":"harbour","main":"index.js"}');
  put('elsewhere/harbour/index.js', 'export const berth = "BERTH-OF-THE-WORKSPACE";');
  mkdirSync(join(project, 'node_modules'), { recursive: true });
  symlinkSync(join(around, 'elsewhere/harbour'), join(project, 'node_modules/harbour'));
  put('outside.scss', `.a { content: '${secret}' }`);
  put('project/src/pier.scss', `@use '../../outside';`);
  put('project/src/quay.css', `.a { background: url('../../outside.svg') }`);
});
afterAll(() => rmSync(around, { recursive: true }));

it.each([
  ['by an absolute path', () => `import x from ${JSON.stringify(join(around, 'outside.json'))}; console.log(x);`],
  ['by going up', () => `import x from '../../outside.json'; console.log(x);`],
  ['by a link', () => `import x from '../linked.json'; console.log(x);`],
  ['by a style sheet', () => `import './quay.css';`],
  ['by a sheet in Sass', () => `import './pier.scss';`],
  ['as a text', () => `import x from '../start.ts' with { type: 'text' }; console.log(x, '${secret}'.slice(99));`],
  ['that is hidden', () => `import x from '../.env.json'; console.log(x);`],
  ['that is hidden in a package', () => `import x from 'pier/.env.json'; console.log(x);`],
  ['of another kind', () => `import x from '../key.pem' with { type: 'text' }; console.log(x);`],
])('a file outside is not bundled: %s', async (_, source) => {
  const got = await taken(source());
  expect(got).toMatch(/so it is not bundled/);
  expect(got).not.toContain(secret);
});

it('files of the project and of packages that are links to a workspace are', async () => {
  put('project/src/own.json', '{"quay":"OWN-QUAY"}');
  put('project/node_modules/pier/vendor/.kept/pier.js', 'export default "OF-A-SHIPPED-FOLDER";');
  const got = await taken(
    `import own from './own.json'; import { berth } from 'harbour'; import pier from 'pier/vendor/.kept/pier.js'; console.log(own, berth, pier);`,
  );
  expect(got).toContain('OF-A-SHIPPED-FOLDER');
  expect(got).toContain('OWN-QUAY');
  expect(got).toContain('BERTH-OF-THE-WORKSPACE');
});

it('a font or picture that was not shipped takes nothing else of a sheet along', async () => {
  put('project/node_modules/tide/tide.css', ".tide { color: teal; background: url(moon.png), url('./sun.woff2') }");
  const got = await taken("import 'tide/tide.css';");
  expect(got).toContain('color: teal');
  expect(got).toContain('url(moon.png)');
});

it('what leaves by another way than fetching is taken away before anything foreign runs', async () => {
  const got = await taken('console.log("FOREIGN");');
  expect(got.indexOf('RTCPeerConnection')).toBeGreaterThanOrEqual(0);
  expect(got.indexOf('RTCPeerConnection')).toBeLessThan(got.indexOf('FOREIGN'));
});

it.each(['fs', 'node:net', 'fs/promises', 'child_process'])('%s is Node’s own', (name) =>
  expect(isBuiltIn(name)).toBe(true),
);
it.each(['react', 'antd', '@scope/fs'])('%s is a package', (name) => expect(isBuiltIn(name)).toBe(false));

it('a sheet is taken by its path, named by its package or not, and one that is not there leaves the input', async () => {
  put('project/node_modules/quay/package.json', '{"name":"quay","exports":{".":"./index.js"}}');
  put('project/node_modules/quay/index.js', 'export const Input = () => null;');
  put('project/node_modules/quay/look.css', '.quay { color: teal }');
  const input = { id: 'x', family: 'component' as const, export: 'Input', module: 'quay' };
  const css = ['quay/look.css', 'quay/gone.css'];
  const { script, style } = await bundle({ project, home, start, inputs: [{ ...input, css }] });
  expect(style).toContain('.quay');
  expect(script).toContain('Input');
  // By its path means within the package: what lies outside is refused as ever.
  await expect(
    bundle({ project, home, start, inputs: [{ ...input, css: ['quay/../../../outside.css'] }] }),
  ).rejects.toThrow(/not bundled|resolve/);
});

it('an input whose module is not there, or that is declared and not exported, leaves the others', async () => {
  put('project/node_modules/quay/package.json', '{"name":"quay","exports":{".":"./index.js"}}');
  put(
    'project/node_modules/quay/index.js',
    'export const Input = "OF-THE-QUAY"; export const register = () => "CALLED";',
  );
  const quay = { family: 'component' as const, module: 'quay', css: [] };
  const element = { id: 'called', family: 'element' as const, tag: 'x-box', export: 'XBox', module: 'quay', css: [] };
  const { script } = await bundle({
    project,
    home,
    start,
    inputs: [
      { ...quay, id: 'there', export: 'Input' },
      { ...quay, id: 'declared', export: 'Gone' },
      { ...quay, id: 'away', export: 'Input', module: 'quay/gone.js' },
      { ...element, registers: 'register' },
    ],
  });
  const given = runInNewContext(`${script}; globalThis.inputs`, { console }) as Record<string, object | undefined>;
  expect(given['there']).toMatchObject({ value: 'OF-THE-QUAY' });
  expect(given['declared']).toMatchObject({ family: 'component' });
  expect(given['declared']).not.toHaveProperty('value', expect.anything());
  expect(given['away']).toBeUndefined();
  expect(given['called']).toMatchObject({ value: 'x-box' });
  expect(script).toContain('CALLED');
  await expect(
    bundle({ project, home, start, inputs: [{ ...quay, id: 'x', export: 'Input', module: 'gone' }] }),
  ).rejects.toThrow(/gone/);
});

it('a sheet that asks for a package means its sheet, and one that another tool would make is left out', async () => {
  put('project/node_modules/hull/package.json', '{"name":"hull","exports":{".":"./index.js"},"style":"paint.css"}');
  put('project/node_modules/hull/index.js', 'export const tide = 1;');
  put('project/node_modules/hull/paint.css', '.hull { color: teal }');
  put('project/node_modules/hull/inner.css', '.frame { color: teal }');
  put(
    'project/src/deck.css',
    "@import 'hull'; @import 'hull/inner.css'; @import 'made-elsewhere'; .deck { color: navy }",
  );
  const got = await taken("import './deck.css';");
  expect(got).toContain('.hull');
  expect(got).toContain('.frame');
  expect(got).toContain('.deck');
});

it('where a sheet is for a tool, the one beside it is taken that the tool made', async () => {
  put('project/node_modules/keel/package.json', '{"name":"keel"}');
  put('project/node_modules/keel/css/index.css', '@import "tailwindcss"; .raw { @apply deep }');
  put('project/node_modules/keel/css/keel.min.css', '.made{color:teal}');
  put('project/node_modules/keel/css/vars.css', ':root{--sea:teal}');
  const got = await taken("import 'keel/css/index.css';");
  expect(got).toContain('.made');
  expect(got).not.toContain('.raw');
});

it('what a package’s “browser” leaves out, and what only Node has, is nothing and takes nothing along', async () => {
  put('project/node_modules/mast/package.json', '{"name":"mast","main":"index.js","browser":{"./inner.js":false}}');
  put(
    'project/node_modules/mast/index.js',
    "exports.is = require('buffer').Buffer.isBuffer; exports.inner = require('./inner').custom; exports.at = typeof global;",
  );
  const input = { id: 'x', family: 'component' as const, export: 'Input', module: 'mast', css: [] };
  const { script } = await bundle({ project, home, start, inputs: [{ ...input, export: 'is' }] });
  const { x } = runInNewContext(`${script}; globalThis.inputs`, { console }) as { x: { value: () => unknown } };
  expect(x.value()).toBeUndefined();
});

it('what is asked for in a “try” and is not there is told at once; what is asked for plainly, where it is used', async () => {
  put('project/node_modules/yard/package.json', '{"name":"yard","main":"index.js"}');
  put(
    'project/node_modules/yard/index.js',
    "let clock; try { clock = require('clock'); } catch (e) {} const bell = require('bell'); exports.has = () => [typeof clock, typeof bell];",
  );
  const input = { id: 'x', family: 'component' as const, export: 'has', module: 'yard', css: [] };
  const { script } = await bundle({ project, home, start, inputs: [input] });
  const { x } = runInNewContext(`${script}; globalThis.inputs`, { console }) as { x: { value: () => unknown } };
  expect(x.value()).toEqual(['undefined', 'function']);
});

it('a module may wait as it is loaded, and ask where it lies', async () => {
  const got = await taken('export const tide = await Promise.resolve(new URL("./tide", import.meta.url));');
  expect(got).toMatch(/^\(async \(\) => \{/);
  expect(got).toContain('document.baseURI');
});

it('where a frame has no stores and no cookies, there are some as long as it stands', async () => {
  const page = {
    console,
    URL,
    document: {
      get cookie(): string {
        throw new Error('no origin');
      },
    },
  };
  for (const name of ['localStorage', 'sessionStorage'])
    Object.defineProperty(page, name, {
      configurable: true,
      get: () => {
        throw new Error('no origin');
      },
    });
  const script =
    await taken(`localStorage.setItem('unit', 2); localStorage.side = 'bow'; sessionStorage.removeItem('x');
    document.cookie = 'a=b';
    globalThis.kept = [localStorage.getItem('unit'), localStorage.unit, localStorage.getItem('gone'), localStorage.length, localStorage.key(1), 'side' in localStorage, sessionStorage.length, document.cookie];`);
  expect(runInNewContext(`${script}; globalThis.kept`, page)).toEqual(['2', '2', null, 2, 'side', true, 0, 'a=b']);
});

it('a sheet that was shipped in Sass is made into CSS, with what it takes out of other packages', async () => {
  put('project/node_modules/tones/_sea.scss', '$sea: teal;');
  put('project/node_modules/tide/box.module.scss', "@use '~tones/sea'; .box { .level { color: sea.$sea } }");
  put('project/node_modules/tide/index.js', "import names from './box.module.scss'; console.log(names.level);");
  const got = await taken("import 'tide';");
  expect(got).toMatch(/\.\w+_box \.\w+_level \{\s*color: teal/);
  put('project/node_modules/tide/box.module.scss', '.box { color: $gone }');
  expect(await taken("import 'tide'; console.log(1);")).toMatch(/written in Sass .*Undefined variable/);
});

it('a sheet in Sass that comes to no end is ended', async () => {
  const path = put('project/src/endless.scss', '@while true {}');
  const plugins = [sassSheets(() => undefined, home, 3000)];
  const made = build({ entryPoints: [path], bundle: true, write: false, plugins, logLevel: 'silent' });
  await expect(made).rejects.toThrow(/It took longer than 3 seconds/);
});
