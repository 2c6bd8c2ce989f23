import { nativeAdapters } from '@poietra/core';
import { mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Renderer } from '../src/index.js';

const home = join(__dirname, '../../..');
const project = join(home, 'demo/project');
const renderer = new Renderer();
const draw = (task: unknown, inputs: Parameters<Renderer['render']>[0]['inputs'] = [], folder = project) =>
  renderer.render(
    {
      project: folder,
      home,
      start: { module: join(home, 'packages/stand/src/render.tsx'), name: 'startRendering' },
      inputs,
    },
    task,
  );

it('draws an adapted input on the server, with its links and its value', async () => {
  const answer = await draw({ adapter: nativeAdapters['text'], shown: 'Torsund', id: 'trial-1' });
  expect(answer).toEqual({ html: expect.stringContaining('value="Torsund"') as unknown });
  expect(answer).toEqual({ html: expect.stringMatching(/<label[^>]* for="trial-1-input"/) as unknown });
});

it('draws an element by its tag, without its class', async () => {
  const input = {
    id: 'vanilla-colorful#hex-color-picker',
    family: 'element' as const,
    export: 'HexColorPicker',
    module: 'vanilla-colorful/hex-color-picker.js',
    tag: 'hex-color-picker',
    css: [],
  };
  const adapter = {
    input: input.id,
    value: { property: 'color' },
    change: { report: 'color-changed', path: '/0/detail/value' },
    focus: { by: 'element' },
  };
  expect(await draw({ adapter, shown: '#112233', id: 'trial-2' }, [input])).toEqual({
    html: expect.stringContaining('<hex-color-picker') as unknown,
  });
});

it('says what is missing where it cannot be drawn', async () => {
  const adapter = { ...nativeAdapters['text'], input: 'tide#Gone' };
  expect(await draw({ adapter, shown: '', id: 'trial-3' })).toEqual({
    failed: 'The input “tide#Gone” is not in the bundle.',
  });
});

it('draws a file that was changed as it was, until it is told to forget', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'poietra-draws-'));
  symlinkSync(join(project, 'node_modules'), join(folder, 'node_modules'));
  writeFileSync(join(folder, 'package.json'), '{"name": "harbour"}');
  const module = join(folder, 'box.tsx');
  const write = (words: string): void => writeFileSync(module, `export const Box = () => '${words}';`);
  const input = { id: './box.tsx#Box', family: 'component' as const, export: 'Box', module, css: [] };
  const adapter = {
    input: input.id,
    value: { property: 'value' },
    change: { report: 'onChange', path: '/0' },
    focus: { by: 'element' },
  };
  const drawn = () => draw({ adapter, shown: '', id: 'trial-5' }, [input], folder);
  write('at anchor');
  expect(await drawn()).toEqual({ html: expect.stringContaining('at anchor') as unknown });
  write('under way');
  expect(await drawn()).toEqual({ html: expect.stringContaining('at anchor') as unknown });
  renderer.forget(folder);
  expect(await drawn()).toEqual({ html: expect.stringContaining('under way') as unknown });
  rmSync(folder, { recursive: true });
});

it('reaches no file of the machine that draws', async () => {
  const input = {
    id: './src/reads.tsx#Reads',
    family: 'component' as const,
    export: 'Reads',
    module: join(__dirname, 'reads.tsx'),
    css: [],
  };
  const adapter = {
    input: input.id,
    value: { property: 'value' },
    change: { report: 'onChange', path: '/0' },
    focus: { by: 'element' },
  };
  expect(await draw({ adapter, shown: '', id: 'trial-4' }, [input])).toEqual({
    failed: expect.stringMatching(/is not a function/) as unknown,
  });
});

const component = (file: string, name: string) => ({
  id: `./${file}#${name}`,
  family: 'component' as const,
  export: name,
  module: join(__dirname, file),
  css: [],
});
const plainly = (input: string) => ({
  input,
  value: { property: 'value' },
  change: { report: 'onChange', path: '/0' },
  focus: { by: 'element' },
});

it('has no network, no other process and no signal', async () => {
  const input = component('escapes.tsx', 'Escapes');
  const answer = await draw({ adapter: plainly(input.id), shown: '', id: 'trial-5' }, [input]);
  const { html = JSON.stringify(answer) } = answer as { html?: string };
  const said = html.replace(/&quot;/g, '"').replace(/&#x27;/g, "'");
  for (const way of ['fetch', 'net', 'child', 'binding', 'kill', 'parent', 'files'])
    expect([way, new RegExp(`"${way}":"(no|[^"]*(is not|not there)[^"]*)"`).test(said)]).toEqual([way, true]);
});

it('ends what takes memory without end', async () => {
  const input = component('escapes.tsx', 'Hungry');
  expect(await draw({ adapter: plainly(input.id), shown: '', id: 'trial-6' }, [input])).toMatchObject({
    failed: expect.stringMatching(/memory|heap|without an answer|longer than/) as unknown,
  });
});

it('does not take another answer than markup or a reason', async () => {
  const input = component('escapes.tsx', 'Forger');
  expect(await draw({ adapter: plainly(input.id), shown: '', id: 'trial-7' }, [input])).toEqual({
    failed: 'It gave no answer that can be read.',
  });
});
