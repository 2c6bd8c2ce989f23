/** npm start: installs and builds what is missing, then serves the workbench with the demo kit. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build } from './build.mjs';
import { install } from './install.mjs';

install();
await build({ ifNeeded: true });
const server = spawn(
  process.execPath,
  [join(import.meta.dirname, '../apps/server/dist/main.js'), ...process.argv.slice(2)],
  { stdio: 'inherit' },
);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
