/** Foreign code runs in a process of its own, which can read no file but its script. */
import { spawnSync } from 'node:child_process';

/**
 * Where the system can do it (Linux, namespaces), the process has no network and sees no other process, so it can
 * neither send anything anywhere nor signal anybody.
 */
let prefix: readonly string[] | undefined;
function confined(): readonly string[] {
  if (!prefix) {
    const wall = ['unshare', '--user', '--map-root-user', '--net', '--pid', '--fork', '--kill-child'];
    const [command = '', ...args] = [...wall, 'true'];
    prefix = process.platform === 'linux' && spawnSync(command, args).status === 0 ? wall : [];
  }
  return prefix;
}

/** The command that runs a script there: it can read no file but itself. */
export const confinedRun = (script: string): string[] => [
  ...confined(),
  process.execPath,
  '--experimental-permission',
  `--allow-fs-read=${script}`,
  '--max-old-space-size=512',
  script,
];
