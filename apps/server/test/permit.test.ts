import { mkdirSync, mkdtempSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readConfig } from '../src/config.js';
import { Permit } from '../src/permit.js';

const all = mkdtempSync(join(tmpdir(), 'poietra-permit-'));
const home = join(all, 'home');
const elsewhere = join(all, 'home-of-others');
for (const folder of [join(home, 'app'), elsewhere]) mkdirSync(folder, { recursive: true });
symlinkSync(elsewhere, join(home, 'link'));
afterAll(() => rmSync(all, { recursive: true }));

const asking = (...answers: (string | undefined)[]): [Permit, string[]] => {
  const asked: string[] = [];
  const permit = new Permit([home], (question) => {
    asked.push(question);
    return Promise.resolve(answers.shift());
  });
  return [permit, asked];
};

it('asks nobody for what lies in the home folder', async () => {
  const [permit, asked] = asking();
  await permit.check(home);
  await permit.check(join(home, 'app'));
  expect(asked).toEqual([]);
});

it.each([
  ['a folder beside it, whose name begins alike', elsewhere],
  ['a link in it that leads out', join(home, 'link')],
  ['a folder around it', all],
])('asks for %s, and takes yes for an answer once', async (_name, folder) => {
  const [permit, asked] = asking('y');
  await permit.check(folder);
  await permit.check(folder);
  expect(asked).toHaveLength(1);
  expect(asked[0]).toContain(' is outside your home folder.');
});

it.each(['', 'n', 'yesterday', undefined])('takes “%s” for no', async (answer) => {
  const [permit] = asking(answer, answer);
  await expect(permit.check(elsewhere)).rejects.toMatchObject({ status: 403 });
  await expect(permit.check(elsewhere)).rejects.toMatchObject({ status: 403 });
});

it('asks one question at a time', async () => {
  let open = 0;
  let most = 0;
  const permit = new Permit([home], async () => {
    most = Math.max(most, ++open);
    await new Promise((resolve) => setTimeout(resolve, 5));
    open--;
    return 'y';
  });
  await Promise.all([elsewhere, all, elsewhere].map((folder) => permit.check(folder)));
  expect(most).toBe(1);
});

it('shows a name on the terminal without what would move its cursor', async () => {
  const odd = join(all, 'odd\u001b[2K\rfolder');
  mkdirSync(odd);
  const [permit, asked] = asking('y');
  await permit.check(odd);
  expect(asked[0]).toContain('odd?[2K?folder');
});

it('knows the folders that were named at the start', () => {
  const { roots } = readConfig({ INIT_CWD: all, POIETRA_FOLDERS: `${elsewhere}:.` }, ['--project', 'home/app']);
  expect(roots).toEqual(expect.arrayContaining([join(home, 'app'), elsewhere]));
});
