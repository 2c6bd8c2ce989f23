import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { homedir } from 'node:os';
import { delimiter, dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export interface Config {
  readonly host: string;
  readonly port: number;
  /** The root of the repository, or of the installed package: where the sources of the stand and the built workbench are. */
  readonly home: string;
  /** The project folder that is open at the start. */
  readonly project: string;
  /** Below these any folder may be opened in the workbench; for others the terminal asks. */
  readonly roots?: readonly string[];
  /** Where the demo company keeps its bookings. */
  readonly data: string;
  readonly quiet: boolean;
  /** Of this start alone; it stands in the workbench's page, and `/api` asks for it. */
  readonly secret: string;
  /** Whether the project folder is read at the start; otherwise when somebody asks. */
  readonly readAtOnce?: boolean;
}

/** From the environment and the command line: `PORT`, `HOST`, `POIETRA_DATA`, `POIETRA_FOLDERS`, `--project FOLDER`. */
export function readConfig(env: NodeJS.ProcessEnv, args: readonly string[]): Config {
  const home = findHome(dirname(fileURLToPath(import.meta.url)));
  const at = args.indexOf('--project');
  const given = at >= 0 ? args[at + 1] : undefined;
  const port = Number(env['PORT'] ?? 4310);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new TypeError(`PORT has to be a number from 0 to 65535, but is “${env['PORT'] ?? ''}”.`);
  const started = resolve(env['INIT_CWD'] ?? process.cwd(), given ?? join(home, 'demo/project'));
  const named = (env['POIETRA_FOLDERS'] ?? '').split(delimiter).filter((folder) => folder !== '');
  return {
    host: env['HOST'] ?? '127.0.0.1',
    port,
    home,
    project: started,
    roots: [homedir(), home, started, ...named.map((folder) => resolve(folder))],
    data: resolve(env['POIETRA_DATA'] ?? join(home, '.cache/data')),
    quiet: env['POIETRA_QUIET'] === '1',
    secret: randomBytes(24).toString('base64url'),
    readAtOnce: true,
  };
}

function findHome(from: string): string {
  for (let folder = from; dirname(folder) !== folder; folder = dirname(folder)) {
    if (existsSync(join(folder, 'packages/stand')) && existsSync(join(folder, 'apps/workbench'))) return folder;
  }
  throw new Error('The server has to run from inside its repository or its package.');
}
