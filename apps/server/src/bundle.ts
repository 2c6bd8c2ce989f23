import type { FoundInput } from '@poietra/core';
import { build, type BuildFailure, type Plugin } from 'esbuild';
import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Refusal } from './problem.js';

export interface Bundle {
  readonly script: string;
  readonly style: string;
}

/** What runs in a stand's frame, bundled from the project's own packages. Kept by what went into it. */
export class Bundler {
  readonly #kept = new Map<string, Promise<Bundle>>();
  readonly #byKey = new Map<string, Promise<Bundle>>();

  constructor(
    private readonly home: string,
    private readonly project: string,
  ) {}

  /** @throws {Refusal} where the packages do not bundle; it says which and why. */
  async open(inputs: readonly FoundInput[]): Promise<string> {
    const name = JSON.stringify([this.project, ...inputs.map(({ id, version }) => [id, version])]);
    const key = createHash('sha256').update(name).digest('hex').slice(0, 20);
    let bundle = this.#kept.get(name);
    if (!bundle) {
      bundle = this.#build(inputs);
      this.#kept.set(name, bundle);
      this.#byKey.set(key, bundle);
      // What failed may be mended by an install; the next time it is tried again.
      bundle.catch(() => {
        this.#kept.delete(name);
        this.#byKey.delete(key);
      });
    }
    await bundle;
    return key;
  }

  async get(key: string): Promise<Bundle> {
    const bundle = this.#byKey.get(key);
    if (!bundle) throw new Refusal(404, 'No such bundle', 'The server was started anew; reload the page.');
    return bundle;
  }

  async #build(inputs: readonly FoundInput[]): Promise<Bundle> {
    try {
      const result = await build({
        stdin: {
          contents: entry(join(this.home, 'apps/workbench/src/stand/frame.tsx'), inputs),
          resolveDir: this.project,
          loader: 'tsx',
          sourcefile: 'stand-entry.tsx',
        },
        bundle: true,
        write: false,
        format: 'iife',
        platform: 'browser',
        target: 'es2022',
        jsx: 'automatic',
        outdir: 'out',
        conditions: ['source', 'browser', 'style'],
        define: { 'process.env.NODE_ENV': '"development"', 'process.env': '{}' },
        loader: { '.svg': 'dataurl', '.png': 'dataurl', '.woff': 'dataurl', '.woff2': 'dataurl', '.ttf': 'dataurl' },
        plugins: [oneFramework(this.project, this.home)],
        logLevel: 'silent',
        legalComments: 'none',
      });
      const text = (ending: string): string => result.outputFiles.find(({ path }) => path.endsWith(ending))?.text ?? '';
      return { script: text('.js'), style: text('.css') };
    } catch (error) {
      const [first] = (error as Partial<BuildFailure>).errors ?? [];
      const where = first?.location
        ? ` (${first.location.file.replace(this.project, '').replace(/^.*node_modules\//, '')}, line ${first.location.line})`
        : '';
      throw new Refusal(
        409,
        'The input does not bundle',
        `${first?.text ?? String(error)}${where}. Is everything installed that it needs?`,
      );
    }
  }
}

/** Two copies of the framework on one page break its hooks: the project's own copy serves all, ours only where it has none. */
function oneFramework(project: string, home: string): Plugin {
  const from = existsSync(join(project, 'node_modules/react')) ? project : home;
  return {
    name: 'one-framework',
    setup(builder) {
      builder.onResolve({ filter: /^react(-dom)?(\/|$)/ }, ({ path, kind, pluginData }) =>
        pluginData === 'ours' ? undefined : builder.resolve(path, { kind, resolveDir: from, pluginData: 'ours' }),
      );
    },
  };
}

function entry(frame: string, inputs: readonly FoundInput[]): string {
  const imports: string[] = [`import { startFrame } from ${JSON.stringify(frame)};`];
  const entries = inputs.map((input, i) => {
    for (const css of input.css) imports.push(`import ${JSON.stringify(css)};`);
    if (input.family === 'native') return undefined;
    if (input.family === 'element') {
      imports.push(`import ${JSON.stringify(input.module)};`);
      return `${JSON.stringify(input.id)}: { family: 'element', value: ${JSON.stringify(input.tag ?? '')} }`;
    }
    const [name = 'default', member] = input.export.split('.');
    imports.push(
      name === 'default'
        ? `import input${i} from ${JSON.stringify(input.module)};`
        : `import { ${name} as input${i} } from ${JSON.stringify(input.module)};`,
    );
    return `${JSON.stringify(input.id)}: { family: ${JSON.stringify(input.family)}, value: input${i}${member ? `.${member}` : ''} }`;
  });
  return `${imports.join('\n')}\nstartFrame({ ${entries.filter(Boolean).join(', ')} });\n`;
}
