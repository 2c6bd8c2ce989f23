import type { FoundInput } from '@poietra/core';
import { inspect } from '@poietra/inputs';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Bundler } from '../src/bundle.js';
import { OpenProject } from '../src/project.js';

const home = join(__dirname, '../../..');
const project = join(home, 'demo/project');
const found = (id: string): FoundInput => {
  const inspected = inspect(project).inputs.find(({ input }) => input.id === id);
  if (!inspected) throw new Error(id);
  return inspected.input;
};

describe('a stand’s bundle', () => {
  it('holds the input from the project’s own packages, its style sheet, and one copy of the framework', async () => {
    const bundler = new Bundler(home, project);
    const key = await bundler.open([found('react-day-picker#DayPicker'), found('nouislider#create')]);
    const { script, style } = (await bundler.get(key)) ?? { script: '', style: '' };
    expect(script).toContain('rdp-');
    expect(style).toContain('.rdp-root');
    expect(style).toContain('.noUi-target');
    expect(script.match(/var require_react_dom_client_development\d* =/g)).toHaveLength(1);
    expect(script).not.toContain('ZodError');
  });
  it('is made once for the same inputs', async () => {
    const bundler = new Bundler(home, project);
    expect(await bundler.open([])).toBe(await bundler.open([]));
    expect(bundler.get('another')).toBeUndefined();
  });
  it('that cannot be made says which module is to blame', async () => {
    const broken: FoundInput = { ...found('react-day-picker#DayPicker'), id: 'gone#X', module: 'gone', css: [] };
    await expect(new Bundler(home, project).open([broken])).rejects.toThrow(
      /Could not resolve "gone".*Is everything installed/,
    );
  });
});

describe('an opened project', () => {
  it('that is none is told with its own words', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'poietra-'));
    const worker = join(folder, 'worker.cjs');
    writeFileSync(
      worker,
      "require('node:worker_threads').parentPort.postMessage({ failed: 'It has no package.json.' })",
    );
    const opened = new OpenProject(folder, join(folder, 'cache'), worker);
    expect(opened.state.status).toBe('reading');
    await expect(opened.inspection()).rejects.toThrow('It has no package.json.');
    expect(opened.state).toEqual({ status: 'failed', message: 'It has no package.json.' });
    rmSync(folder, { recursive: true });
  });
  it('is read once for the same packages, and anew when they change', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'poietra-'));
    const worker = join(folder, 'worker.cjs');
    mkdirSync(join(folder, 'node_modules'));
    writeFileSync(join(folder, 'package.json'), '{}');
    writeFileSync(join(folder, 'node_modules/.package-lock.json'), '1');
    writeFileSync(
      worker,
      "require('node:worker_threads').parentPort.postMessage({ inspection: { folder: '', project: String(process.hrtime.bigint()), inputs: [], missing: [] } })",
    );
    const read = () => new OpenProject(folder, join(folder, 'cache'), worker).inspection();
    const first = await read();
    expect(await read()).toEqual(first);
    writeFileSync(join(folder, 'node_modules/.package-lock.json'), '2');
    const second = await read();
    expect(second.project).not.toBe(first.project);
    // A file of the project's own may be an input, too.
    writeFileSync(join(folder, 'berth.tsx'), '');
    expect((await read()).project).not.toBe(second.project);
    rmSync(folder, { recursive: true });
  });
});
