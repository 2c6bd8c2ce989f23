import { spawn, spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { follow } from '../src/generate.js';

const home = join(__dirname, '../../..');
const main = join(home, 'packages/cli/dist/main.js');
const folder = mkdtempSync(join(tmpdir(), 'poietra-generate-'));
const kit = join(folder, 'poietra.kit.json');
const out = join(folder, 'src/forms');
const env = { ...process.env, INIT_CWD: folder };
const run = (...args: string[]) =>
  spawnSync(process.execPath, [main, 'generate', 'poietra.kit.json', '--out', 'src/forms', ...args], {
    encoding: 'utf8',
    env,
    maxBuffer: 50_000_000,
  });
const read = (path: string): string => readFileSync(join(out, path), 'utf8');
const edit = (path: string, change: (text: string) => string): void =>
  writeFileSync(join(out, path), change(read(path)));
const editKit = (
  change: (kit: {
    name: string;
    fields: Record<string, Record<string, unknown>>;
    forms: Record<string, unknown>;
  }) => void,
): void => {
  const value = JSON.parse(readFileSync(kit, 'utf8')) as Parameters<typeof change>[0];
  change(value);
  writeFileSync(kit, JSON.stringify(value, undefined, 2));
};

beforeEach(() => {
  rmSync(join(folder, 'src'), { recursive: true, force: true });
  copyFileSync(join(home, 'demo/kit.json'), kit);
});
afterAll(() => rmSync(folder, { recursive: true }));

it('writes a folder with a door and a page about it; a second time nothing is left to do', () => {
  expect(run().status).toBe(0);
  expect(read('index.ts')).toContain(
    "export { openFreightBooking, sendFreightBooking, FreightBookingForm, type FreightBookingFormProps } from './forms/freight-booking.js';",
  );
  expect(read('README.md')).toContain('npm install @poietra/core @poietra/react');
  const checked = run('--check');
  expect([checked.status, checked.stdout.trim()]).toEqual([0, 'All is as the kit has it.']);
});

it('--check shows the difference with status 1, and writes nothing', () => {
  run();
  editKit((value) => void (value.fields['pieces']!['label'] = 'How many pieces'));
  const { status, stdout } = run('--check');
  expect(status).toBe(1);
  expect(stdout).toMatch(/^\+.*How many pieces/m);
  expect(read('fields.ts')).not.toContain('How many pieces');
});

it('merges what was changed by hand with what is new', () => {
  run();
  edit('fields.ts', (text) => `// The desk’s own note.\n${text}`);
  editKit((value) => void (value.fields['pieces']!['label'] = 'How many pieces'));
  const { status, stdout } = run();
  expect([status, stdout]).toEqual([0, expect.stringMatching(/^merge +fields\.ts$/m)]);
  expect(read('fields.ts')).toMatch(/^\/\/ The desk’s own note\.[\s\S]*How many pieces/);
  expect(run('--check').status).toBe(0);
});

it('leaves marks where both changed the same lines, and says so', () => {
  run();
  const line = /label: 'Pieces'/;
  expect(read('fields.ts')).toMatch(line);
  edit('fields.ts', (text) => text.replace(line, "label: 'By hand'"));
  editKit((value) => void (value.fields['pieces']!['label'] = 'From the kit'));
  const { status, stdout } = run();
  expect([status, stdout]).toEqual([1, expect.stringMatching(/^conflict +fields\.ts: The same lines/m)]);
  expect(read('fields.ts')).toMatch(
    /<<<<<<< changed by hand[\s\S]*By hand[\s\S]*=======[\s\S]*From the kit[\s\S]*>>>>>>> from the kit/,
  );
});

it('never touches a file that was taken over, one that it did not write, or one that was changed and is no longer in the kit', () => {
  run();
  edit('fields.ts', () => '// by hand\nexport const rules = {};\n');
  edit('forms/harbour-report.tsx', (text) => `${text}// mine\n`);
  editKit((value) => {
    value.fields['pieces']!['label'] = 'Other';
    delete value.forms['harbour-report'];
  });
  const { stdout } = run();
  expect(read('fields.ts')).toBe('// by hand\nexport const rules = {};\n');
  expect(stdout).toMatch(/^keep +forms\/harbour-report\.tsx: The kit has it no longer, but it was changed by hand/m);
  expect(existsSync(join(out, 'forms/harbour-report.schema.json'))).toBe(false);
});

it('a kit that is broken writes nothing, and says where', () => {
  run();
  writeFileSync(kit, '{"poietra":1,"name":5}');
  const { status, stderr } = run();
  expect([status, stderr]).toEqual([2, expect.stringContaining('/name')]);
});

it('--watch writes again when the kit changes', async () => {
  const own = spawn(process.execPath, [main, 'generate', 'poietra.kit.json', '--out', 'src/forms', '--watch'], { env });
  let said = '';
  const until = (words: RegExp) =>
    new Promise<void>((resolve) => {
      const look = (): void => {
        if (words.test(said)) resolve();
      };
      own.stdout.on('data', (text: Buffer) => {
        said += text.toString();
        look();
      });
      look();
    });
  try {
    await until(/Following/);
    said = '';
    editKit((value) => void (value.fields['pieces']!['label'] = 'Watched'));
    await until(/change +fields\.ts[\s\S]*written/);
    expect(read('fields.ts')).toContain('Watched');
  } finally {
    own.kill();
  }
});

it('hears of a change that is made while it writes for the first time, and writes one after the other', async () => {
  const now: string[] = [];
  const stop = await new Promise<() => void>((resolve, reject) => {
    let stop: (() => void) | undefined;
    const write = async (): Promise<void> => {
      now.push('begins');
      if (now.length < 4) editKit((value) => void (value.name += '!'));
      await new Promise((go) => setTimeout(go, 400));
      now.push('ends');
      if (now.length === 6 && stop) resolve(stop);
    };
    follow(kit, write, reject).then((given) => (stop = given), reject);
  });
  stop();
  expect(now).toEqual(['begins', 'ends', 'begins', 'ends', 'begins', 'ends']);
  await expect(follow(kit, () => Promise.reject(new Error('no')), jest.fn())).rejects.toThrow('no');
});

it('--own, or a kit that says so, needs no package of ours; --json says what came of each file', () => {
  const { status, stdout } = run('--own', '--json');
  expect(status).toBe(0);
  const { steps, written } = JSON.parse(stdout) as { steps: { path: string; does: string }[]; written: boolean };
  expect([written, steps.find(({ path }) => path === 'own/react/drawn-form.tsx')?.does]).toEqual([true, 'add']);
  expect(read('adapters/day-picker.ts')).not.toContain('@poietra');
  editKit((value) => void Object.assign(value, { standsAlone: true }));
  // The kit itself is among the files, and says so now.
  expect(run('--check').stdout).toMatch(/^1 files are not as the kit has them\.$/m);
});
