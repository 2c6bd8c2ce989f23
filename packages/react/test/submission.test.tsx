/** @jest-environment jsdom */
import { codecsOf, compileSchema, makePlan, openForm, readSubmission, type Form, type Plan } from '@poietra/core';
import { act } from 'react';
import { hydrateRoot, type Root } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { PlannedForm } from '../src/index.js';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

const schema = {
  type: 'object',
  properties: {
    pieces: { type: 'integer' },
    deck: { enum: ['main', 'upper'] },
    vessel: { enum: ['Hild', 'Sula', 'Tora', 'Unn', 'Vera'] },
    days: { type: 'array', uniqueItems: true, items: { enum: ['Mon', 'Tue'] } },
    hazard: { type: 'boolean' },
    note: { type: 'string' },
  },
};
const compiled = compileSchema(schema);
const open = (): { form: Form; plan: Plan } => {
  const plan = makePlan(compiled);
  return { plan, form: openForm({ schema, compiled, codecs: codecsOf(plan.root) }) };
};
const native = { action: '/company/bookings', hidden: { token: 'abc' } };

let host: HTMLElement;
let root: Root | undefined;
beforeEach(() => (host = document.body.appendChild(document.createElement('div'))));
afterEach(() => {
  act(() => root?.unmount());
  root = undefined;
  host.remove();
});
const box = (at: string, index = 0): HTMLInputElement =>
  host.querySelectorAll<HTMLInputElement>(`[name="${at}"]`)[index] as HTMLInputElement;
/** What the browser itself would send. */
const pairs = (): [string, unknown][] => [...new FormData(host.querySelector('form') as HTMLFormElement)];

describe('a form that the browser sends by itself', () => {
  it('carries what its inputs show, as long as no script runs', () => {
    host.innerHTML = renderToString(<PlannedForm {...open()} native={native} />);
    const form = host.querySelector('form');
    expect([form?.getAttribute('action'), form?.method]).toEqual(['/company/bookings', 'post']);
    box('/pieces').value = '12';
    box('/deck', 1).checked = true;
    box('/vessel').value = '2';
    box('/days', 0).checked = true;
    box('/days', 1).checked = true;
    box('/note').value = 'Handle with care';
    expect(pairs()).toContainEqual(['token', 'abc']);
    expect(readSubmission(open().plan, pairs()).value).toEqual({
      pieces: 12,
      deck: 'upper',
      vessel: 'Tora',
      days: ['Mon', 'Tue'],
      hazard: false,
      note: 'Handle with care',
    });
  });
  it('carries what is sent once a script has taken it over', () => {
    const { form, plan } = open();
    host.innerHTML = renderToString(<PlannedForm form={form} plan={plan} native={native} />);
    act(() => {
      root = hydrateRoot(host, <PlannedForm form={form} plan={plan} native={native} />);
    });
    act(() => {
      form.field('/pieces').report('12');
      form.field('/deck').report('upper');
      form.field('/days').report(['Tue']);
    });
    expect(pairs()).not.toContainEqual(['as', 'shown']);
    expect(readSubmission(plan, pairs()).value).toMatchObject({ pieces: 12, deck: 'upper', days: ['Tue'] });
  });
});
