/** @jest-environment jsdom */
import { compileSchema, makePlan, openPlan, type Form } from '@poietra/core';
import { act } from 'react';
import type { Root } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { PlannedForm, type PlannedFormProps } from '../src/index.js';
import { onPage } from './on-page.js';

let root: Root;
let host: HTMLElement;
onPage((...place) => ([host, root] = place));

const schema = {
  type: 'object',
  'x-poietra': { layout: 'steps' },
  required: ['sender'],
  properties: {
    sender: {
      title: 'Sender',
      type: 'object',
      required: ['name'],
      properties: { name: { title: 'Name', type: 'string' }, insured: { title: 'Insured', type: 'boolean' } },
    },
    ship: { title: 'Ship', enum: ['Skarven', 'Terna'] },
    note: { title: 'Note', type: 'string' },
    lines: {
      title: 'Cargo',
      type: 'array',
      items: { title: 'Line', type: 'object', properties: { kind: { title: 'Kind', type: 'string', minLength: 3 } } },
    },
    phrase: { title: 'Pass phrase', type: 'string', writeOnly: true },
  },
};
function draw(props: Partial<PlannedFormProps> & { values?: unknown } = {}, of: unknown = schema): Form {
  const { values, ...rest } = props;
  const plan = makePlan(compileSchema(of));
  const form = openPlan(plan, values === undefined ? {} : { begin: values });
  act(() => root.render(<PlannedForm form={form} plan={plan} send={accept} {...rest} />));
  return form;
}
const accept = () => Promise.resolve({ kind: 'accepted' as const, answer: undefined });
const button = (words: string): HTMLButtonElement | undefined =>
  [...host.querySelectorAll('button')].find(
    (one) => !one.closest('[hidden]') && (one.getAttribute('aria-label') ?? one.textContent) === words,
  );
const press = async (words: string): Promise<void> => {
  await act(async () => {
    button(words)?.click();
    await Promise.resolve();
  });
};
const page = (): string | null | undefined =>
  host.querySelector('[data-step]:not([hidden])')?.getAttribute('aria-label');
const focusedPlace = (): string | undefined =>
  (document.activeElement?.closest<HTMLElement>('[data-at]') ?? undefined)?.dataset['at'];

it('has a page for each group and list, and one for members that follow each other', async () => {
  draw({ values: { sender: { name: 'Hareby' } } });
  const seen = [page()];
  for (let i = 0; i < 4; i++) {
    await press('Next');
    seen.push(page());
  }
  expect(seen).toEqual(['Sender', 'Ship', 'Cargo', 'Pass phrase', 'Overview']);
  expect(document.activeElement?.tagName).toBe('H2');
});

it('waits for a server that is asked about a value, and turns no page that was left meanwhile', async () => {
  const answers: ((answer: unknown) => void)[] = [];
  const plan = makePlan(compileSchema(schema), {
    '/properties/note': { check: { from: '/notes{?value}', good: '/good' } },
  });
  const form = openPlan(plan, {
    begin: { sender: { name: 'Hareby' } },
    ask: () => new Promise((resolve) => answers.push(resolve)),
  });
  act(() => root.render(<PlannedForm form={form} plan={plan} send={accept} />));
  const answered = async (good: boolean): Promise<void> =>
    act(async () => {
      answers.pop()?.({ good });
      await new Promise((resolve) => setTimeout(resolve));
    });
  const enter = async (note: string): Promise<void> =>
    act(async () => {
      form.field('/note').report(note);
      form.field('/note').leave();
      await new Promise((resolve) => setTimeout(resolve, 20));
    });
  await press('Next');
  await enter('fragile');
  await press('Next');
  expect(page()).toBe('Ship');
  await answered(false);
  expect([page(), focusedPlace()]).toEqual(['Ship', '/note']);
  await enter('robust');
  await press('Next');
  await press('Back');
  await answered(true);
  expect(page()).toBe('Sender');
  await press('Next');
  await press('Next');
  expect(page()).toBe('Cargo');
});

it('asks only for what stands on the page, and gives the focus to what is missing', async () => {
  const form = draw();
  await press('Next');
  expect([page(), focusedPlace()]).toEqual(['Sender', '/sender/name']);
  expect(host.querySelector('.poietra-steps > [role=status]')?.textContent).toBe(
    'One thing on this page has to be mended.',
  );
  act(() => form.put('/sender/name', 'Hareby'));
  await press('Next');
  expect(page()).toBe('Ship');
  await press('Back');
  expect(page()).toBe('Sender');
  expect(form.sent()).toMatchObject({ sender: { name: 'Hareby' } });
});

it('shows what was filled in before it is sent, but no secret', () => {
  const values = {
    sender: { name: 'Hareby', insured: true },
    ship: 'Terna',
    lines: [{ kind: 'timber' }],
    phrase: 'kittiwake',
  };
  draw({ values, step: '', onStep: () => undefined });
  const words = host.querySelector('[data-step=""]')?.textContent ?? '';
  for (const text of ['Hareby', 'Insuredyes', 'Terna', 'Line 1, Kindtimber', '••••']) expect(words).toContain(text);
  expect(words).not.toContain('kittiwake');
  expect(button('Send')).toBeDefined();
});

it('opens the page of what is wrong when sending is refused, and of a link in the summary', async () => {
  draw({
    values: { sender: { name: 'Hareby' }, lines: [{ kind: 'timber' }] },
    send: () =>
      Promise.resolve({
        kind: 'refused',
        problems: [{ at: '/lines/0/kind', keyword: 'server', schemaAt: '', params: {}, message: 'No timber today.' }],
      }),
  });
  for (let i = 0; i < 4; i++) await press('Next');
  await press('Send');
  expect([page(), focusedPlace()]).toEqual(['Cargo', '/lines/0/kind']);
  const link = host.querySelector<HTMLElement>('.poietra-summary a');
  await press('Back');
  expect(page()).toBe('Ship');
  act(() => link?.click());
  expect([page(), focusedPlace()]).toEqual(['Cargo', '/lines/0/kind']);
});

it('tells which page is wanted where the page stands in an address', async () => {
  const wanted: string[] = [];
  draw({ values: { sender: { name: 'Hareby' } }, step: '/sender', onStep: (step) => void wanted.push(step) });
  await press('Next');
  expect([wanted, page()]).toEqual([['/ship'], 'Sender']);
});

it('leaves out a page whose condition does not hold', async () => {
  const of = {
    type: 'object',
    'x-poietra': { layout: 'steps' },
    properties: { cooled: { type: 'boolean', title: 'Cooled' } },
    if: { properties: { cooled: { const: true } }, required: ['cooled'] },
    then: {
      properties: { cold: { type: 'object', title: 'Cooling', properties: { degrees: { type: 'integer' } } } },
    },
  };
  const form = draw({}, of);
  await press('Next');
  expect(page()).toBe('Overview');
  act(() => form.field('/cooled').report(true));
  await press('Back');
  expect(page()).toBe('Cooling');
});

it('stands there whole where no script runs', () => {
  const plan = makePlan(compileSchema(schema));
  const drawn = renderToString(<PlannedForm form={openPlan(plan)} plan={plan} native={{ action: '/send' }} />);
  expect(drawn).not.toContain('hidden=""');
  expect(drawn).toContain('Send');
});

describe('entries behind tabs', () => {
  const tabbed = {
    properties: {
      lines: {
        title: 'Cargo lines',
        type: 'array',
        'x-poietra': { layout: 'tabs' },
        items: {
          title: 'Line',
          type: 'object',
          required: ['kind'],
          properties: { kind: { type: 'string' }, pieces: { type: 'integer' } },
        },
      },
    },
  };
  const tab = (): string | undefined => host.querySelector('[aria-selected=true]')?.textContent.trim();
  it('that are added, doubled and put back are opened', async () => {
    draw({ values: { lines: [{ kind: 'a' }, { kind: 'b' }] } }, tabbed);
    expect(tab()).toBe('Line 1');
    await press('Add a line');
    expect([tab(), document.activeElement?.getAttribute('role')]).toEqual(['Line 3', 'tab']);
    await press('Take away line 3');
    expect(tab()).toBe('Line 2');
    await press('Put it back');
    expect(tab()).toBe('Line 3');
    await press('Double line 3');
    expect(tab()).toBe('Line 4');
  });
  it('are opened by a failed attempt to send, with the focus in the field', async () => {
    draw({ values: { lines: [{ kind: 'a' }, {}] } }, tabbed);
    await press('Send');
    expect([tab()?.startsWith('Line 2'), focusedPlace()]).toEqual([true, '/lines/1/kind']);
  });
});

it('says that a value is being checked, where it is heard', async () => {
  const plan = makePlan(
    compileSchema({ properties: { name: { type: 'string', 'x-poietra': { check: { from: '/free{?value}' } } } } }),
  );
  let answer: (given: unknown) => void = () => undefined;
  const form = openPlan(plan, { ask: () => new Promise((take) => (answer = take)) });
  act(() => root.render(<PlannedForm form={form} plan={plan} />));
  const told = () => host.querySelector('[aria-live=polite]')?.textContent;
  act(() => form.field('/name').report('Hareby'));
  expect(told()).toBe('Is being checked …');
  await act(() => new Promise((resolve) => setTimeout(resolve, 350)));
  await act(async () => {
    answer(false);
    await new Promise((resolve) => setTimeout(resolve, 5));
    form.field('/name').leave();
  });
  expect(told()).toBe('Is not accepted.');
});

it('keeps the caret where a text is shown in its normal form while it is typed', () => {
  const plan = makePlan(
    compileSchema({ properties: { code: { type: 'string' } } }),
    { '/properties/code': { field: 'code', normal: 'typing' } },
    {
      fields: { code: { adapter: 'native:text', codec: 'upper' } },
      codecs: { upper: { kind: 'steps', options: { steps: [{ do: 'upper' }] } } },
    },
  );
  act(() => root.render(<PlannedForm form={openPlan(plan)} plan={plan} />));
  const input = host.querySelector('input') as HTMLInputElement;
  const type = (text: string, caret: number): void =>
    act(() => {
      input.focus();
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, text);
      input.setSelectionRange(caret, caret);
      input.dispatchEvent(new Event('input', { bubbles: true }));
    });
  type('ab', 2);
  expect([input.value, input.selectionStart]).toEqual(['AB', 2]);
  type('AcB', 2);
  expect([input.value, input.selectionStart]).toEqual(['ACB', 2]);
});

it('tells a developer that a plan is of another schema, or names a skin or an input that nobody gave', async () => {
  const said = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  const one = makePlan(compileSchema(schema));
  const hints = { '/properties/note': { field: 'note', skin: 'plane' } };
  const other = makePlan(compileSchema(schema), hints, { fields: { note: { adapter: 'notes', codec: 'text' } } });
  const form = openPlan(one);
  act(() => root.render(<PlannedForm form={form} plan={other} />));
  await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
  expect(form.troubles.map(({ says }) => says)).toEqual([
    'The form is drawn by a plan of another compiled schema.',
    'There is no skin “plane”. Did you mean “plain”?',
    'There is no input “notes”. A plain text box is drawn.',
  ]);
  said.mockRestore();
});

describe('choices that come in parts', () => {
  const of = (search?: string) => ({
    properties: {
      port: {
        type: 'string',
        title: 'Port',
        'x-poietra': {
          remote: { from: '/ports', key: '/code', list: '/ports', next: '/next', ...(search ? { search } : {}) },
        },
      },
    },
  });
  const parts = (count: number) => {
    const asked: string[] = [];
    const fetchChoices = (address: string) => {
      asked.push(address);
      const part = Number(new URLSearchParams(address.split('?')[1]).get('part') ?? 1);
      return Promise.resolve({ ports: [{ code: `P${part}` }], next: part < count ? `?part=${part + 1}` : null });
    };
    return { asked, fetchChoices };
  };
  const offered = async () => {
    await act(() => new Promise((resolve) => setTimeout(resolve, 30)));
    act(() => host.querySelector('input')?.click());
    return {
      choices: [...host.querySelectorAll('[role=option]')].map((one) => one.textContent),
      status: host.querySelector('[role=status].poietra-hint')?.textContent,
    };
  };
  it('are fetched one after the other', async () => {
    const { asked, fetchChoices } = parts(3);
    draw({ fetchChoices }, of());
    expect((await offered()).choices).toEqual(['P1', 'P2', 'P3']);
    expect(asked).toEqual(['/ports', '/ports?part=2', '/ports?part=3']);
  });
  it('as far as ten, and it is said that there are more', async () => {
    const { asked, fetchChoices } = parts(1000);
    draw({ values: { port: 'P900' }, fetchChoices }, of());
    const { choices, status } = await offered();
    expect([choices.length, asked.length]).toEqual([10, 10]);
    expect(status).toBe('There are more than these 10: type to narrow them down.');
    // What is not among them may stand in a part that was not asked for.
    expect(host.textContent).not.toContain('is not known');
  });
});

it('tells a key that is not known where the choices come from, until it is', async () => {
  const of = {
    properties: { port: { type: 'string', title: 'Port', 'x-poietra': { remote: { from: '/ports', key: '/code' } } } },
  };
  const fetchChoices = () => Promise.resolve([{ code: 'ALD' }, { code: 'BRE' }]);
  const form = draw({ values: { port: 'XXX' }, fetchChoices }, of);
  await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
  const hint = () => host.querySelector('.poietra-hint')?.textContent;
  expect(hint()).toBe('“XXX” is not known where the choices come from.');
  act(() => form.put('/port', 'BRE'));
  expect(hint()).toBeUndefined();
});
