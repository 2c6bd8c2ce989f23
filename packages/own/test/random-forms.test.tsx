/** @jest-environment jsdom */
/** Whatever a schema says, the form that is drawn of it stands: no fault, no warning, every link leads somewhere. */
import { compileSchema, makePlan, openPlan, SchemaError } from '@poietra/core';
import { PlannedForm } from '@poietra/react';
import fc from 'fast-check';
import { act } from 'react';
import type { Root } from 'react-dom/client';
import { onPage } from '../../react/test/on-page.js';
import { randomSchemas } from './random-kit.js';

let root: Root;
let host: HTMLElement;
onPage((...place) => ([host, root] = place));
let told: string[] = [];
beforeEach(() => {
  told = [];
  for (const kind of ['error', 'warn'] as const)
    jest.spyOn(console, kind).mockImplementation((...words: unknown[]) => void told.push(words.map(String).join(' ')));
});
afterEach(() => jest.restoreAllMocks());

const seed = Number(process.env['SEED'] ?? 20261126);

function compiled(schema: unknown) {
  try {
    return compileSchema(schema, { assertFormats: true });
  } catch (error) {
    if (error instanceof SchemaError) return undefined;
    throw error;
  }
}
/** Ids that stand twice, and names of elements that lead nowhere. */
function brokenLinks(): string[] {
  const ids = [...host.querySelectorAll('[id]')].map(({ id }) => id);
  const known = new Set(ids);
  const leads = ['for', 'aria-labelledby', 'aria-describedby', 'aria-controls', 'aria-errormessage'].flatMap((name) =>
    [...host.querySelectorAll(`[${name}]`)].flatMap((one) =>
      (one.getAttribute(name) ?? '').split(' ').map((id) => `${name} ${id}`),
    ),
  );
  return [
    ...ids.filter((id, i) => ids.indexOf(id) !== i).map((id) => `twice ${id}`),
    ...leads.filter((lead) => !known.has(lead.slice(lead.indexOf(' ') + 1))),
  ];
}
const write = (input: HTMLInputElement | HTMLTextAreaElement, text: string): void => {
  const kind = input instanceof HTMLInputElement ? HTMLInputElement : HTMLTextAreaElement;
  Object.getOwnPropertyDescriptor(kind.prototype, 'value')?.set?.call(input, text);
  input.dispatchEvent(new Event('input', { bubbles: true }));
};

it('law: the form of any schema is drawn, filled in and sent', async () => {
  await fc.assert(
    fc.asyncProperty(
      randomSchemas,
      fc.constantFrom('7', 'x', '', '2026-11-26', 'a@b.example'),
      async (schema, text) => {
        told = [];
        const ready = compiled(schema);
        if (!ready) return;
        const plan = makePlan(ready);
        const form = openPlan(plan);
        let sent: unknown[] = [];
        const send = (value: unknown) => {
          sent = [...sent, value];
          return Promise.resolve({ kind: 'accepted' as const, answer: undefined });
        };
        act(() => root.render(<PlannedForm key={Math.random()} form={form} plan={plan} send={send} />));
        expect(brokenLinks()).toEqual([]);
        for (const input of [...host.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>('input, textarea')].slice(
          0,
          12,
        ))
          if (input.isConnected && !input.readOnly && !input.disabled)
            act(() =>
              input.type === 'checkbox' || input.type === 'radio'
                ? input.click()
                : input.type === 'file'
                  ? undefined
                  : write(input, text),
            );
        for (const button of [...host.querySelectorAll('button')].filter(({ type }) => type !== 'submit').slice(0, 4))
          if (button.isConnected) act(() => button.click());
        expect(brokenLinks()).toEqual([]);
        await act(async () => {
          host.querySelector('form')?.requestSubmit();
          await new Promise((resolve) => setTimeout(resolve, 5));
        });
        // What was sent is what the schema accepts; what was not has its problems told.
        for (const value of sent.filter((one) => one !== undefined))
          expect([value, ready.accepts(value)]).toEqual([value, true]);
        if (sent.length === 0) expect(form.problems().length).toBeGreaterThan(0);
        // Where options fit by turns, an option is settled on, and that is said.
        expect(told.filter((one) => !one.includes('in a circle'))).toEqual([]);
      },
    ),
    { numRuns: 100, seed, interruptAfterTimeLimit: 60_000 },
  );
});
