/** `npm run torture -- WHAT COUNT`: what is promised of storage, held against that many kills, edits or steps. */
import { spawnSync } from 'node:child_process';

const all = ['storage', 'tabs', 'undo', 'server'];
const [what, count = '100'] = process.argv.slice(2);
if ((what !== undefined && !all.includes(what)) || !/^[1-9]\d*$/.test(count)) {
  console.error(`Which, and how often? npm run torture -- ${all.join('|')} 100`);
  process.exit(2);
}
const { status } = spawnSync(
  'npx',
  ['playwright', 'test', 'e2e/torture.spec.ts', '--retries=0', ...(what ? ['-g', `${what}:`] : [])],
  {
    stdio: 'inherit',
    env: { ...process.env, TORTURE: count, E2E_RUN: 'torture' },
  },
);
process.exit(status ?? 1);
