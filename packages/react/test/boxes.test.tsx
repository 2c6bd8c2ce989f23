/** @jest-environment jsdom */
import { act, type ReactNode } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import type { InputState } from '@poietra/core';
import { nativeInputs, type Reached } from '../src/index.js';
import { Combo } from '../src/boxes/combo.js';
import { FileBox } from '../src/boxes/file.js';
import { Checks, Radios } from '../src/boxes/group.js';
import { ListBox } from '../src/boxes/lists.js';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
let root: Root;
let host: HTMLElement;
const told: unknown[] = [];
const tell = (value: unknown): void => void told.push(value);
beforeEach(() => {
  told.length = 0;
  host = document.body.appendChild(document.createElement('div'));
  root = createRoot(host);
  Element.prototype.scrollIntoView = () => undefined;
});
afterEach(() => {
  act(() => root.unmount());
  host.remove();
});
const draw = (box: ReactNode): void => act(() => root.render(box));
const all = <E extends Element>(selector: string): E[] => [...host.querySelectorAll<E>(selector)];
const ports = [
  { value: 'ALD', text: 'Aldervik' },
  { value: 'HAR', text: 'Hareby' },
  { value: { island: 3 }, text: 'Torsund' },
];

describe('radio buttons', () => {
  it('show the value, whatever JSON it is, and tell the one that is pressed', () => {
    draw(<Radios choices={ports} value={{ island: 3 }} onChange={tell} />);
    expect(all<HTMLInputElement>('input').map(({ checked }) => checked)).toEqual([false, false, true]);
    act(() => all<HTMLInputElement>('input')[0]?.click());
    expect(told).toEqual(['ALD']);
  });
});

describe('check marks', () => {
  it('tell a list in the order of the choices, and keep what is none of them', () => {
    draw(<Checks choices={ports} value={['gone', 'HAR']} onChange={tell} />);
    act(() => all<HTMLInputElement>('input')[0]?.click());
    act(() => all<HTMLInputElement>('input')[1]?.click());
    expect(told).toEqual([['ALD', 'HAR', 'gone'], ['gone']]);
  });
  it('take what is no list for none', () => {
    draw(<Checks choices={ports} value="ALD" />);
    expect(all<HTMLInputElement>('input').some(({ checked }) => checked)).toBe(false);
  });
});

it('a list box tells all that are chosen', () => {
  draw(<ListBox choices={ports} value={['HAR']} onChange={tell} />);
  const select = host.querySelector('select');
  expect([...(select?.selectedOptions ?? [])].map(({ text }) => text)).toEqual(['Hareby']);
  act(() => {
    for (const option of select?.options ?? []) option.selected = true;
    select?.dispatchEvent(new Event('change', { bubbles: true }));
  });
  expect(told).toEqual([['ALD', 'HAR', { island: 3 }]]);
});

describe('a combo box', () => {
  const input = (): HTMLInputElement => {
    const found = host.querySelector('input');
    if (!found) throw new Error('There is no box.');
    return found;
  };
  const type = (text: string): void =>
    act(() => {
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input(), text);
      input().dispatchEvent(new Event('input', { bubbles: true }));
    });
  const key = (name: string): void =>
    act(() => void input().dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true })));
  const leave = (): void => act(() => void input().dispatchEvent(new FocusEvent('focusout', { bubbles: true })));
  const offered = (): (string | null)[] => all('[role=option]').map(({ textContent }) => textContent);

  it('shows the words of its value, and offers what fits what is typed', () => {
    draw(<Combo choices={ports} value="HAR" onChange={tell} />);
    expect(input().value).toBe('Hareby');
    type('r');
    expect(offered()).toEqual(['Aldervik', 'Hareby', 'Torsund']);
    type('tor');
    expect(offered()).toEqual(['Torsund']);
  });
  it('is worked by keys: down, up, Enter; Escape goes back', () => {
    draw(<Combo choices={ports} onChange={tell} />);
    key('ArrowDown');
    expect(input().getAttribute('aria-expanded')).toBe('true');
    key('ArrowDown');
    key('ArrowUp');
    expect(document.getElementById(input().getAttribute('aria-activedescendant') ?? '')?.textContent).toBe('Aldervik');
    key('Enter');
    expect(told).toEqual(['ALD']);
    type('x');
    key('Escape');
    expect([input().value, input().getAttribute('aria-expanded')]).toEqual(['', 'false']);
  });
  it('takes a name that was typed in full, keeps what is none, and nothing for nothing', () => {
    draw(<Combo choices={ports} onChange={tell} />);
    for (const text of ['hareby', 'nowhere', '']) {
      type(text || ' ');
      leave();
    }
    expect(told).toEqual(['HAR', 'nowhere', undefined]);
  });
  it('asks for what is typed where the choices come from elsewhere, and says how that stands', () => {
    draw(<Combo choices={ports} onSearch={tell} status="Looking …" />);
    type('zzz');
    expect(told.at(-1)).toBe('zzz');
    expect(offered()).toHaveLength(3);
    expect(host.querySelector('[role=status]')?.textContent).toBe('Looking …');
  });
  it('does not open where it may not be changed', () => {
    draw(<Combo choices={ports} readOnly />);
    act(() => input().click());
    expect(offered()).toEqual([]);
  });
});

describe('a file box', () => {
  it('reads a file as data text, and does not name it by itself', async () => {
    draw(<FileBox onChange={tell} />);
    const input = host.querySelector('input');
    Object.defineProperty(input, 'files', { value: [new File(['Skerry'], 'plan.txt', { type: 'text/plain' })] });
    await act(async () => {
      input?.dispatchEvent(new Event('change', { bubbles: true }));
      await new Promise((resolve) => setTimeout(resolve, 30));
    });
    expect(told).toEqual(['data:text/plain;base64,U2tlcnJ5']);
  });
  it('tells what is there by kind and size, and takes it away', () => {
    draw(<FileBox value="data:text/plain;base64,U2tlcnJ5" onChange={tell} />);
    expect(host.textContent).toContain('text/plain, 6 bytes');
    act(() => host.querySelector('button')?.click());
    expect(told).toEqual([undefined]);
  });
});

describe('a group of inputs as an input of a form', () => {
  const state: InputState = {
    id: 'f-port',
    name: 'port',
    shown: 'HAR',
    sent: 'HAR',
    invalid: true,
    disabled: false,
    required: true,
    readOnly: false,
    label: 'Port',
    labelledBy: 'f-port-label',
    describedBy: 'f-port-hint',
  };
  const reported: unknown[] = [];
  let focus: (() => void) | undefined;
  let left = 0;
  const drawn = (name: 'radios' | 'checks', more: Partial<InputState> = {}, takes = true): ReactNode => {
    const Box = nativeInputs[`native:${name}`];
    if (!Box) throw new Error(name);
    const attach = (input: Reached): (() => void) => {
      focus = () => input.focus();
      return () => undefined;
    };
    const report = (raw: unknown): boolean => {
      reported.push(raw);
      return takes;
    };
    return <Box state={{ ...state, ...more }} choices={ports} report={report} leave={() => left++} attach={attach} />;
  };
  beforeEach(() => {
    [reported.length, left] = [0, 0];
  });
  it.each([
    ['radios', 'radiogroup', 'true'],
    ['checks', 'group', null],
  ] as const)('%s say all of themselves before any script runs', (name, role, required) => {
    host.innerHTML = renderToString(drawn(name));
    const group = host.querySelector(`[role=${role}]`);
    expect(
      ['id', 'aria-labelledby', 'aria-describedby', 'aria-invalid', 'aria-required', 'aria-disabled'].map((one) =>
        group?.getAttribute(one),
      ),
    ).toEqual(['f-port', 'f-port-label', 'f-port-hint', 'true', required, null]);
    expect(host.querySelector<HTMLInputElement>('input[type=hidden]')?.value).toBe('HAR');
  });
  it('takes the focus where something is chosen, else at the first, and tells that it was left', () => {
    draw(drawn('radios'));
    act(() => focus?.());
    expect(document.activeElement).toBe(all('input')[1]);
    act(() => all<HTMLInputElement>('input')[2]?.focus());
    expect(left).toBe(0);
    act(() => (document.activeElement as HTMLElement).blur());
    expect(left).toBe(1);
    draw(drawn('radios', { shown: undefined }));
    act(() => focus?.());
    expect(document.activeElement).toBe(all('input')[0]);
  });
  it('goes back where a change is not taken, and takes none where it is only read', () => {
    draw(drawn('radios', {}, false));
    act(() => all<HTMLInputElement>('input[type=radio]')[0]?.click());
    expect(reported).toEqual(['ALD']);
    expect(all<HTMLInputElement>('input[type=radio]').map(({ checked }) => checked)).toEqual([false, true, false]);
    draw(drawn('radios', { readOnly: true }));
    act(() => all<HTMLInputElement>('input[type=radio]')[0]?.click());
    expect(reported).toEqual(['ALD']);
    expect(all<HTMLInputElement>('input[type=radio]').map(({ checked }) => checked)).toEqual([false, true, false]);
  });
});
