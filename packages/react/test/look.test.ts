/** The page about the look names every variable and part of the skin, and none that is not there. */
import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';

const home = resolve(import.meta.dirname, '../../..');
const css = readFileSync(join(home, 'packages/react/src/skin.css'), 'utf8');
const page = readFileSync(join(home, 'docs/guide/look.md'), 'utf8');
const named = (text: string, pattern: RegExp): string[] => [...new Set(text.match(pattern) ?? [])].sort();

it('every variable, with what it falls back to', () => {
  expect(named(page.split('```css')[0] ?? '', /--poietra-[a-z0-9-]+/g)).toEqual(named(css, /--poietra-[a-z0-9-]+/g));
  for (const [, name = '', outer = '', colour = ''] of css.matchAll(
    /(--poietra-[a-z0-9-]+): var\((--[a-z0-9-]+), (#[0-9a-f]+)\)/g,
  ))
    expect(page).toMatch(new RegExp(`\\| \`${name}\` \\|[^|]*\\| \`${outer}\`, \`${colour}\` \\|`));
});
it('no part that no drawing has', () => {
  const drawn = named(css, /poietra-[a-z-]+/g);
  const parts = named(page.split('## Parts')[1]?.split('## A skin')[0] ?? '', /`poietra-[a-z-]+`/g).map((one) =>
    one.slice(1, -1),
  );
  expect(parts.filter((part) => !drawn.includes(part) && !['poietra-list', 'poietra-map'].includes(part))).toEqual([]);
  expect(parts.length).toBeGreaterThan(20);
});
