/** npm run poietra: the command line, built first where it is not. What is printed on the way goes to stderr: stdout is the answer. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { build } from './build.mjs';
import { install } from './install.mjs';

install();
await build({ ifNeeded: true });
const { status } = spawnSync(
  process.execPath,
  [join(import.meta.dirname, '../packages/cli/dist/main.js'), ...process.argv.slice(2)],
  { stdio: 'inherit' },
);
process.exit(status ?? 1);
