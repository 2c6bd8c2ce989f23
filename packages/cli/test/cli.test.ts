import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

const home = join(__dirname, '../../..');
/** The built command, as CI runs it. */
const run = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(home, 'packages/cli/dist/main.js'), ...args], {
    cwd: home,
    encoding: 'utf8',
    maxBuffer: 50_000_000,
    env: { ...process.env, INIT_CWD: home },
  });
  return { status, stdout, stderr };
};

it('prints every input of a folder with face, findings and draft as JSON', () => {
  const { status, stdout } = run('inspect', 'demo/project', '--json');
  expect(status).toBe(0);
  const { inputs } = JSON.parse(stdout) as {
    inputs: { input: { id: string; properties: unknown[] }; findings: unknown[]; adapter?: { change: unknown } }[];
  };
  const picker = inputs.find(({ input }) => input.id === 'react-day-picker#DayPicker');
  expect(picker?.adapter).toMatchObject({
    value: { property: 'selected' },
    change: { report: 'onSelect', path: '/0' },
  });
  expect(picker?.input.properties.length).toBeGreaterThan(20);
  expect(picker?.findings.length).toBeGreaterThan(3);
});

it('prints a line each without --json', () => {
  expect(run('inspect', 'demo/project').stdout).toMatch(
    /^@shoelace-style\/shoelace#sl-input +element +value → sl-change/m,
  );
});

it('ends with status 2 and a sentence where the folder is no project', () => {
  const { status, stderr } = run('inspect', 'docs');
  expect(status).toBe(2);
  expect(stderr).toContain('is no project folder: it has no package.json that can be read.');
});
