import { scriptOf } from '../src/index.js';

const whole = `type Shown = string;
export function parse(shown: unknown): number {
  return Number(shown as Shown);
}
export function show(held: number): string { return String(held); }
`;

it('blanks types out, and moves nothing', () => {
  const script = scriptOf(whole);
  expect(script).toHaveLength(whole.length);
  expect(script.split('\n')[1]).toBe('export function parse(shown         )         {');
  expect(script.split('\n')[2]).toContain('return Number(shown');
});

describe('code that cannot be taken is told with its line', () => {
  it.each([
    ['no TypeScript', 'export function parse( {', /^Line 1: /],
    ['an import', `import { readFileSync } from 'node:fs';\n${whole}`, /^Line 1: a codec imports nothing/],
    ['a late import', `${whole}\nexport const late = () => import('node:fs');`, /^Line 7: a codec imports nothing/],
    ['no parse', 'export function show() {}', /no function “parse”/],
    ['an enum', `enum Port { ALD }\n${whole}`, /^Line 1: this part of TypeScript/],
  ])('%s', (_, source, wanted) => expect(() => scriptOf(source)).toThrow(wanted));
});
