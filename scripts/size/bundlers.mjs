/** The bundlers that applications use, each as one function: an entry becomes chunks, minified for production. */
import { build as esbuild } from 'esbuild';
import { createRequire } from 'node:module';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join, resolve } from 'node:path';

/** What stays outside: an application has it already. */
export const outside = ['react', 'react-dom', 'react-dom/client', 'react/jsx-runtime'];
const production = { 'process.env.NODE_ENV': '"production"' };

/** A chunk: its name, its text, and the chunks that it needs at once. The first one is the entry. */
const chunk = (name, code, imports) => ({ name, code, imports });

async function withVite(entry) {
  const { NODE_ENV } = process.env;
  const { build } = await import('vite');
  const [{ output }] = await build({
    configFile: false,
    logLevel: 'error',
    define: production,
    build: {
      write: false,
      minify: false,
      lib: { entry, formats: ['es'] },
      rolldownOptions: {
        external: outside,
        preserveEntrySignatures: 'allow-extension',
        output: { minify: true, comments: false },
      },
    },
  });
  // The bundler sets it for good; the tests that follow are not for production.
  if (NODE_ENV === undefined) delete process.env.NODE_ENV;
  else process.env.NODE_ENV = NODE_ENV;
  return entryFirst(output);
}

async function withRollup(entry) {
  const [{ rollup }, { nodeResolve }, { default: terser }, { default: replace }] = await Promise.all([
    import('rollup'),
    import('@rollup/plugin-node-resolve'),
    import('@rollup/plugin-terser'),
    import('@rollup/plugin-replace'),
  ]);
  const bundle = await rollup({
    input: entry,
    external: outside,
    preserveEntrySignatures: 'allow-extension',
    plugins: [replace({ values: production, preventAssignment: true }), nodeResolve({ browser: true })],
    logLevel: 'silent',
  });
  const { output } = await bundle.generate({ format: 'es', plugins: [terser({ module: true })] });
  await bundle.close();
  return entryFirst(output);
}

const withEsbuild = (splitting) => async (entry) => {
  const { outputFiles, metafile } = await esbuild({
    entryPoints: [entry],
    external: outside,
    define: production,
    bundle: true,
    splitting,
    minify: true,
    write: false,
    metafile: true,
    format: 'esm',
    target: 'es2022',
    legalComments: 'none',
    outdir: '/out',
    logLevel: 'error',
  });
  const about = new Map(Object.entries(metafile.outputs).map(([path, one]) => [basename(path), one]));
  return outputFiles
    .map(({ path, text }) => {
      const name = basename(path);
      const imports = (about.get(name)?.imports ?? [])
        .filter(({ kind, external }) => kind === 'import-statement' && !external)
        .map((one) => basename(one.path));
      return {
        ...chunk(name, text, imports),
        isEntry: resolve(about.get(name)?.entryPoint ?? '') === entry,
      };
    })
    .sort((a, b) => Number(b.isEntry) - Number(a.isEntry));
};

async function withWebpack(entry) {
  const webpack = createRequire(import.meta.url)('webpack');
  const path = mkdtempSync(join(tmpdir(), 'poietra-size-'));
  try {
    const stats = await new Promise((resolve, reject) =>
      webpack(
        {
          mode: 'production',
          entry,
          target: ['web', 'es2022'],
          externalsType: 'module',
          externals: outside,
          experiments: { outputModule: true },
          output: { path, module: true, library: { type: 'module' }, chunkFormat: 'module', publicPath: 'auto' },
          performance: { hints: false },
        },
        (error, done) => (error ? reject(error) : resolve(done)),
      ),
    );
    if (stats.hasErrors()) throw new Error(stats.toString('errors-only'));
    const { chunks, entrypoints } = stats.toJson({ chunks: true, entrypoints: true });
    const first = new Set(entrypoints.main.assets.map(({ name }) => name));
    const files = chunks.flatMap(({ files: names }) => names);
    return [...new Set(files)]
      .map((name) => chunk(name, readFileSync(join(path, name), 'utf8'), []))
      .sort((a, b) => Number(first.has(b.name)) - Number(first.has(a.name)))
      .map((one, i, all) =>
        i === 0 ? { ...one, imports: all.slice(1).flatMap(({ name }) => (first.has(name) ? [name] : [])) } : one,
      );
  } finally {
    rmSync(path, { recursive: true });
  }
}

const entryFirst = (output) =>
  output
    .filter(({ type }) => type === 'chunk')
    .sort((a, b) => Number(b.isEntry) - Number(a.isEntry))
    .map(({ fileName, code, imports }) => chunk(fileName, code, imports));

export const bundlers = { Vite: withVite, Rollup: withRollup, webpack: withWebpack, esbuild: withEsbuild(true) };
/** All that could ever be fetched in one file, for applications that do not divide. */
export const undivided = { 'esbuild without splitting': withEsbuild(false) };
