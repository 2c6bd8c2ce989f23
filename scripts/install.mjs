/** Installs what is missing, here and in the demo project folder. Does nothing where everything is in place. */
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

const home = join(import.meta.dirname, '..');

function isInstalled(folder) {
  const marker = join(folder, 'node_modules/.package-lock.json');
  return (
    existsSync(marker) &&
    statSync(marker).mtimeMs >= statSync(join(folder, 'package-lock.json')).mtimeMs - 2000 &&
    readFileSync(marker, 'utf8').length > 2
  );
}

export function install() {
  for (const folder of [home, join(home, 'demo/project')]) {
    if (isInstalled(folder)) continue;
    console.error(`Installing packages in ${folder === home ? 'the repository' : 'demo/project'} …`);
    // Not "npm ci": it refuses a lock file that lacks optional packages of other platforms, and not every registry has them.
    const { status } = spawnSync('npm', ['install', '--no-audit', '--no-fund', '--loglevel=error'], {
      cwd: folder,
      stdio: ['inherit', 2, 2],
      env: { ...process.env, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' },
    });
    if (status !== 0) {
      console.error('npm install failed; its messages are above.');
      process.exit(status ?? 1);
    }
  }
}
