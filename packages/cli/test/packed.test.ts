import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const home = join(__dirname, '../../..');

interface Exports {
  readonly [path: string]: string | { readonly types: string; readonly default: string };
}

describe.each(['core', 'react'])('the tarball of %s', (name) => {
  const folder = mkdtempSync(join(tmpdir(), 'poietra-packed-'));
  const unpacked = join(folder, 'package');
  beforeAll(() => {
    const packed = spawnSync('npm', ['pack', '--pack-destination', folder], {
      cwd: join(home, 'packages', name),
      encoding: 'utf8',
    });
    const file = packed.stdout.trim().split('\n').at(-1) ?? '';
    expect(spawnSync('tar', ['xzf', join(folder, file), '-C', folder]).status).toBe(0);
  });
  afterAll(() => rmSync(folder, { recursive: true }));

  it('has what every export names, with its types, a page about it and the licence', () => {
    const { exports, private: isPrivate } = JSON.parse(readFileSync(join(unpacked, 'package.json'), 'utf8')) as {
      exports: Exports;
      private?: boolean;
    };
    const named = Object.values(exports).flatMap((one) => (typeof one === 'string' ? [one] : [one.types, one.default]));
    // Single files, for what is built.
    expect(named.filter((path) => !existsSync(join(unpacked, path.replace('*', 'index.js'))))).toEqual([]);
    expect(['README.md', 'LICENSE'].filter((path) => !existsSync(join(unpacked, path)))).toEqual([]);
    expect([isPrivate, existsSync(join(unpacked, 'test'))]).toEqual([undefined, false]);
  });
});
