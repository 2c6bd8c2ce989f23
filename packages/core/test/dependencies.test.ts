import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const home = join(__dirname, '../../..');
const used = ['packages', 'apps'].flatMap((kind) =>
  readdirSync(join(home, kind)).flatMap((name) => {
    const { dependencies = {} } = JSON.parse(readFileSync(join(home, kind, name, 'package.json'), 'utf8')) as {
      dependencies?: object;
    };
    return Object.keys(dependencies).filter((one) => !one.startsWith('@poietra/'));
  }),
);
const written = [...readFileSync(join(home, 'docs/dependencies.md'), 'utf8').matchAll(/^\| (`[^|]+`) \|/gm)].flatMap(
  ([, names = '']) => [...names.matchAll(/`([^`]+)`/g)].map(([, name = '']) => name),
);

it('every dependency has its reason written down, and no reason is left of one that is gone', () => {
  expect([...new Set(written)].sort()).toEqual([...new Set(used)].sort());
});
