/** The script of the judge: our own code alone, bundled once a process. */
import { build } from 'esbuild';
import { join } from 'node:path';
import { ourPackages } from './bundle-plugins.js';

const built = new Map<string, Promise<string>>();

/** A script that leaves what `stand/src/judge.ts` exports in `poietraWorld`; `home` is where our packages are. */
export function judgeScript(home: string): Promise<string> {
  const known = built.get(home);
  if (known) return known;
  const made = build({
    entryPoints: [join(home, 'packages/stand/src/judge.ts')],
    bundle: true,
    write: false,
    format: 'iife',
    globalName: 'poietraWorld',
    platform: 'browser',
    target: 'es2022',
    jsx: 'automatic',
    define: { 'process.env.NODE_ENV': '"production"' },
    loader: { '.css': 'empty' },
    plugins: [ourPackages(home)],
    logLevel: 'silent',
    legalComments: 'none',
  }).then(({ outputFiles: [file] }) => file?.text ?? '');
  built.set(home, made);
  return made;
}
