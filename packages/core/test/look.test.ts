import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkLook, lookCss, lookVariables, readKit, strayMembers, type LookName } from '../src/index.js';
import { handOver } from '../src/handover/index.js';
import { bareKit as kit } from './bare-kit.js';

it('names every variable of the skin, with what it is where nothing is set', () => {
  const css = readFileSync(join(__dirname, '../../react/src/skin.css'), 'utf8');
  const inSkin = [...new Set(css.match(/--poietra-[a-z0-9-]+/g))].map((one) => one.slice('--poietra-'.length)).sort();
  expect(Object.keys(lookVariables).sort()).toEqual(inSkin);
  for (const [name, { usual }] of Object.entries(lookVariables)) {
    const said = new RegExp(`--poietra-${name}(?:: var\\(--[a-z0-9-]+)?, ?${usual}\\)`);
    expect([name, said.test(css)]).toEqual([name, true]);
  }
});

it('writes what is set, light for all and dark where the system asks for it', () => {
  const look = { light: { focus: '#7a3e9d', corner: '0' }, dark: { focus: '#d8a6f0' } };
  expect(lookCss(look)).toBe(`.poietra-form.poietra-form {
  --poietra-focus: #7a3e9d;
  --poietra-corner: 0;
}
@media (prefers-color-scheme: dark) {
  .poietra-form.poietra-form {
    --poietra-focus: #d8a6f0;
  }
}
`);
  expect(lookCss(look, { light: '.a', dark: '.b .a' })).toBe(
    '.a {\n  --poietra-focus: #7a3e9d;\n  --poietra-corner: 0;\n}\n.b .a {\n  --poietra-focus: #d8a6f0;\n}\n',
  );
  expect(lookCss({})).toBe('');
});

it.each([
  ['ink', ['#123', '#11223344', 'teal', 'rgb(11 103 99)', 'hsl(200deg 10% 20% / 50%)', 'oklch(0.5 0.1 200)']],
  ['corner', ['0', '4px', '1.25rem', '50%']],
  ['font', ['inherit', 'Georgia, serif', '"Source Sans 3", system-ui, sans-serif']],
] as const)('takes values of the kind: %s', (name, texts) => {
  for (const text of texts) expect(() => checkLook(name, text)).not.toThrow();
});

const hostile = [
  'red; } body { display: none',
  'url(https://x.example/a)',
  'var(--x)',
  '</style><script>',
  'expression(1)',
  '4px}',
  '#12',
  'a, url(x)',
  '"a" b',
  '',
];
it.each(Object.keys(lookVariables) as LookName[])('takes nothing else, also not from a kit file: %s', (name) => {
  for (const text of hostile) {
    expect(() => checkLook(name, text)).toThrow(TypeError);
    expect(readKit({ ...kit, look: { light: { [name]: text } } }).ok).toBe(false);
    expect(readKit({ ...kit, look: { dark: { [name]: text } } }).ok).toBe(false);
  }
});

it('tells of a variable that there is not', () => {
  expect(strayMembers({ ...kit, look: { light: { inks: 'red' } } }).map(({ message }) => message)).toEqual([
    'There is no member “inks” here. Did you mean “ink”?',
  ]);
});

it('is handed over as one file, which the page of the folder names', () => {
  const files = handOver({ ...kit, look: { light: { gap: '12px' } } });
  expect(files.find(({ path }) => path === 'look.css')?.text).toContain('--poietra-gap: 12px;');
  expect(files.find(({ path }) => path === 'README.md')?.text).toContain('Import `look.css` once');
  expect(handOver(kit).map(({ path }) => path)).not.toContain('look.css');
});
