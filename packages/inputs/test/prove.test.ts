import { contract, isKept, nativeAdapters, type AdapterDescription, type CheckVerdict } from '@poietra/core';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { BrowserLost, bundle, openBrowser, proveAdapter } from '../src/index.js';

const home = join(__dirname, '../../..');

it('is judged where the code of the input cannot reach: a dead one does not pass by what it turns or says', async () => {
  const project = mkdtempSync(join(home, 'demo/project/forging-'));
  cpSync(join(__dirname, 'forging.tsx'), join(project, 'forging.tsx'));
  const browser = await openBrowser();
  try {
    const enough = new AbortController();
    const adapter = {
      input: './forging.tsx#Forging',
      value: { property: 'value' },
      change: { report: 'onChange', path: '/0' },
      focus: { by: 'element' as const },
      samples: ['Torsund', 'Hareby'] as const,
      gesture: { name: 'press', steps: [{ do: 'press' as const, on: { role: 'button' } }] },
    };
    const verdicts: CheckVerdict[] = await proveAdapter(
      browser,
      await bundle({
        project,
        home,
        start: { module: join(home, 'packages/stand/src/frame.ts'), name: 'startProving' },
        inputs: [
          { id: adapter.input, family: 'component', export: 'Forging', module: join(project, 'forging.tsx'), css: [] },
        ],
      }),
      adapter,
      () => Promise.resolve({ failed: 'Not asked here.' }),
      // What follows would only be tried longer.
      { home, signal: enough.signal, tell: ({ check }) => check === 'right' && enough.abort() },
    );
    const stateOf = (check: string): unknown => verdicts.find((one) => one.check === check);
    expect(verdicts.map(({ seen }) => seen)).not.toContain('Believe me.');
    for (const check of ['mounts', 'held', 'reports', 'right'])
      expect([check, stateOf(check)]).toEqual([check, expect.objectContaining({ state: 'fail' })]);
  } finally {
    await browser.close();
    rmSync(project, { recursive: true });
  }
});

it('where the whole browser ends nothing is decided: no check has failed by that', async () => {
  const browser = await openBrowser();
  const adapter = { ...nativeAdapters['text'], input: 'native#text' } as AdapterDescription;
  const given: CheckVerdict[] = [];
  const proving = proveAdapter(
    browser,
    await bundle({
      project: join(home, 'demo/project'),
      home,
      start: { module: join(home, 'packages/stand/src/frame.ts'), name: 'startProving' },
      inputs: [],
    }),
    adapter,
    () => Promise.resolve({ failed: 'Not asked here.' }),
    {
      home,
      tell: (verdict) => {
        given.push(verdict);
        if (verdict.check === 'held') void browser.close();
      },
    },
  );
  await expect(proving).rejects.toThrow(BrowserLost);
  expect(given.filter(({ state }) => state === 'fail')).toEqual([]);
});

it('a check in which the input hangs is not decided; the others are, and nothing has failed by it', async () => {
  const browser = await openBrowser();
  const project = mkdtempSync(join(home, 'demo/project/hanging-'));
  const module = join(project, 'hanging.tsx');
  cpSync(join(__dirname, 'hanging.tsx'), module);
  const adapter: AdapterDescription = {
    input: './hanging.tsx#HangsWhereDisabled',
    value: { property: 'value' },
    change: { report: 'onChange', path: '/0/target/value' },
    focus: { by: 'element' },
    disabled: { property: 'disabled' },
    samples: ['Torsund', 'Hareby'],
    gesture: { name: 'type', steps: [{ do: 'type', on: { role: 'textbox' }, text: 'Hareby' }] },
  };
  try {
    const verdicts = await proveAdapter(
      browser,
      await bundle({
        project,
        home,
        start: { module: join(home, 'packages/stand/src/frame.ts'), name: 'startProving' },
        inputs: [{ id: adapter.input, family: 'component', export: 'HangsWhereDisabled', module, css: [] }],
      }),
      adapter,
      () => Promise.resolve({ failed: 'Not asked here.' }),
      { home, mostSilence: 10_000 },
    );
    const byState = (state: string): unknown[] => verdicts.flatMap((one) => (one.state === state ? [one.check] : []));
    expect(verdicts).toHaveLength(contract.length);
    expect(byState('open')).toEqual(['disabled']);
    expect(byState('pass')).toEqual(expect.arrayContaining(['mounts', 'held', 'reports', 'leaves', 'twice']));
    expect(byState('fail').filter((check) => check !== 'server')).toEqual([]);
    expect(isKept(verdicts)).toBe(false);
  } finally {
    await browser.close();
    rmSync(project, { recursive: true });
  }
});
