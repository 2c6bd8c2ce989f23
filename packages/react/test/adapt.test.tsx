/** @jest-environment jsdom */
import { componentsBeside, type AdapterDescription, type InputState } from '@poietra/core';
import { act, createElement, StrictMode, useEffect, useRef, useState, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { adapt, type AdaptedProps } from '../src/index.js';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
const state: InputState = {
  shown: 'Torsund',
  invalid: false,
  disabled: false,
  readOnly: false,
  required: false,
  id: 'f-input',
  name: '/port',
  labelledBy: 'f-label',
  describedBy: 'f-hint',
  label: 'Port',
  description: 'Where it lands',
};
const description: AdapterDescription = {
  input: 'tide#Box',
  value: { property: 'value', empty: '' },
  change: { report: 'onPick', path: '/0' },
  focus: { by: 'element' },
  real: { selector: 'input' },
};
function Box({ value, onPick }: { readonly value?: string; onPick?(value: string): void }): ReactNode {
  return (
    <div>
      <input value={value} aria-describedby="own" onChange={(event) => onPick?.(event.target.value)} />
      <button type="button" onClick={() => onPick?.('Hareby')}>
        Hareby
      </button>
    </div>
  );
}
const drawn = (props: Partial<AdaptedProps>, adapter = description, input: unknown = Box) => {
  const host = document.body.appendChild(document.createElement('div'));
  const Adapted = adapt(input, adapter);
  const report = jest.fn();
  const attached: { focus(): void; press?(): void }[] = [];
  const draw = (more: Partial<AdaptedProps> = {}): void =>
    act(() =>
      root.render(
        <StrictMode>
          <Adapted
            state={state}
            report={report}
            leave={() => undefined}
            attach={(one) => {
              attached.push(one);
              return () => undefined;
            }}
            {...props}
            {...more}
          />
        </StrictMode>,
      ),
    );
  const root = createRoot(host);
  draw();
  const find = (selector: string): HTMLElement => {
    const found = host.querySelector<HTMLElement>(selector);
    if (!found) throw new Error(`no ${selector}`);
    return found;
  };
  return { host, report, attached, draw, find };
};

describe('the real element inside', () => {
  it('is named and described beside what it says itself, and told of invalid and required', () => {
    const { find, draw } = drawn({ state: { ...state, invalid: true, required: true } });
    const real = find('input');
    expect(real.id).toBe('f-input');
    expect(real.getAttribute('aria-labelledby')).toBe('f-label');
    expect(real.getAttribute('aria-describedby')).toBe('own f-hint');
    expect(real.getAttribute('aria-invalid')).toBe('true');
    expect(real.getAttribute('aria-required')).toBe('true');
    draw({ state: { ...state, describedBy: undefined } });
    expect(real.getAttribute('aria-describedby')).toBe('own');
    expect(real.hasAttribute('aria-invalid')).toBe(false);
  });
  it('is a text box where it can be edited and says nothing itself', () => {
    // The test's own window knows no editing.
    Object.defineProperty(HTMLElement.prototype, 'isContentEditable', { configurable: true, get: () => true });
    const Sheet = (): ReactNode => <div contentEditable suppressContentEditableWarning />;
    const { find } = drawn({}, { ...description, real: { selector: '[contenteditable]' } }, Sheet);
    expect(find('[contenteditable]').getAttribute('role')).toBe('textbox');
    expect(find('[contenteditable]').getAttribute('aria-labelledby')).toBe('f-label');
    Reflect.deleteProperty(HTMLElement.prototype, 'isContentEditable');
  });
  it('gets words where ids do not reach: in an open shadow tree', () => {
    class TideShade extends HTMLElement {
      constructor() {
        super();
        this.attachShadow({ mode: 'open' }).innerHTML = '<input>';
      }
    }
    customElements.define('tide-shade', TideShade);
    const Shade = (): ReactNode => createElement('tide-shade');
    const { find, attached } = drawn(
      { state: { ...state, label: 'Port (muss sein)', required: true } },
      description,
      Shade,
    );
    const real = find('tide-shade').shadowRoot?.querySelector('input');
    expect(real?.getAttribute('aria-label')).toBe('Port (muss sein)');
    expect(real?.getAttribute('aria-description')).toBe('Where it lands');
    act(() => attached.at(-1)?.focus());
    expect(find('tide-shade').shadowRoot?.activeElement).toBe(real);
  });
  it('takes the press on the label: a check mark is changed by it', () => {
    const change = jest.fn();
    const Mark = (): ReactNode => <input type="checkbox" onChange={change} />;
    const { attached } = drawn({}, description, Mark);
    act(() => attached.at(-1)?.press?.());
    expect(change).toHaveBeenCalled();
  });
});

it('leaving is told once, also where an input tells of its own blur once more', () => {
  const leave = jest.fn();
  const { find } = drawn({ leave });
  for (const times of [1, 2]) {
    act(() => find('input').focus());
    act(() => find('button').focus());
    expect(leave).toHaveBeenCalledTimes(times - 1);
    act(() => find('button').blur());
    act(() => void find('button').dispatchEvent(new FocusEvent('focusout', { bubbles: true })));
    expect(leave).toHaveBeenCalledTimes(times);
  }
});

describe('what an input cannot do by a property', () => {
  it('is done by its box: out of reach when disabled', () => {
    const { find, draw } = drawn({ state: { ...state, disabled: true } });
    expect(find('.poietra-box > div').hasAttribute('inert')).toBe(true);
    draw({ state });
    expect(find('.poietra-box > div').hasAttribute('inert')).toBe(false);
  });
  it('is done by refusing: read only, nothing is taken', () => {
    const { find, report } = drawn({ state: { ...state, readOnly: true } });
    act(() => find('button').click());
    expect(report).not.toHaveBeenCalled();
  });
  it('is done by making it anew, where it keeps a change that was refused', () => {
    const Stubborn = ({ value, onPick }: { readonly value?: string; onPick?(value: string): void }): ReactNode => {
      const [own, setOwn] = useState(value);
      return (
        <button
          type="button"
          onClick={() => {
            setOwn('Hareby');
            onPick?.('Hareby');
          }}
        >
          {own}
        </button>
      );
    };
    const plain = drawn({}, description, Stubborn);
    act(() => plain.find('button').click());
    expect(plain.find('button').textContent).toBe('Hareby');
    const anew = { ...description, change: { ...description.change, refused: 'anew' as const } };
    const mended = drawn({}, anew, Stubborn);
    act(() => mended.find('button').click());
    expect(mended.find('button').textContent).toBe('Torsund');
    // The same holds of a change that is taken, and taken back by a reset.
    act(() => mended.find('button').click());
    mended.draw({ state: { ...state, shown: 'Hareby' } });
    expect(mended.find('button').textContent).toBe('Torsund');
    mended.draw({ state });
    expect(mended.find('button').textContent).toBe('Torsund');
    // And of what it was given, when the form is emptied.
    mended.draw({ state: { ...state, shown: undefined } });
    expect(mended.find('button').textContent).toBe('');
    // Unless it is made anew with whatever comes later; what it reported itself stays where it is.
    const later = drawn({}, { ...description, value: { ...description.value, later: 'anew' } }, Stubborn);
    const first = later.find('button');
    act(() => first.click());
    later.draw({ state: { ...state, shown: 'Hareby' } });
    expect([later.find('button').textContent, later.find('button') === first]).toEqual(['Hareby', true]);
    later.draw({ state: { ...state, shown: 'Aldervik' } });
    expect(later.find('button').textContent).toBe('Aldervik');
  });
});

describe('files that no property takes', () => {
  const props = jest.fn();
  function Chest({ onPick, ...rest }: { onPick?(files: readonly string[]): void }): ReactNode {
    props(rest);
    const names = (files: FileList | null): string[] => [...(files ?? [])].map(({ name }) => name);
    return <input type="file" onChange={({ target }) => onPick?.(names(target.files))} />;
  }
  const adapter = { ...description, value: { property: 'files', later: 'files' } as const };
  const [bill, list] = ['bill', 'list'].map((name) => new File([name], `${name}.txt`));
  // What puts files together is the browser's own, and this page has none of it.
  const given = new Map<Element, readonly File[]>();
  const { DataTransfer } = globalThis;
  beforeAll(() => {
    class Held {
      readonly files: File[] = [];
      readonly items = { add: (file: File) => this.files.push(file) };
    }
    Object.assign(globalThis, { DataTransfer: Held });
    Object.defineProperty(HTMLInputElement.prototype, 'files', {
      configurable: true,
      get(this: Element) {
        return given.get(this) ?? [];
      },
      set(this: Element, files: readonly File[]) {
        given.set(this, files);
      },
    });
  });
  afterAll(() => Object.assign(globalThis, { DataTransfer }));

  it('are put into its box, are told of there and reported by nobody, and go again', () => {
    const chest = drawn({ state: { ...state, shown: [bill] } }, adapter, Chest);
    const box = chest.find('input');
    const told = jest.fn();
    box.addEventListener('change', told);
    expect(given.get(box)).toEqual([bill]);
    chest.draw({ state: { ...state, shown: list } });
    expect(given.get(box)).toEqual([list]);
    chest.draw({ state: { ...state, shown: list } });
    expect(told).toHaveBeenCalledTimes(1);
    for (const nothing of [undefined, '', 0, ['bill.txt']]) {
      chest.draw({ state: { ...state, shown: list } });
      chest.draw({ state: { ...state, shown: nothing } });
      expect(given.get(box)).toEqual([]);
    }
    expect(chest.report).not.toHaveBeenCalled();
    expect(props).not.toHaveBeenCalledWith(expect.objectContaining({ files: expect.anything() as unknown }));
  });
});

describe('what it tells', () => {
  interface TellingProps {
    readonly value?: unknown;
    onPick?(value: unknown): void;
  }
  /** Tells each of the values in one press. */
  const telling = (...values: readonly unknown[]) =>
    function Telling({ onPick }: TellingProps): ReactNode {
      return <button type="button" onClick={() => values.forEach((value) => onPick?.(value))} />;
    };
  const reported = (shown: unknown, ...values: readonly unknown[]): unknown[][] => {
    const { find, report } = drawn({ state: { ...state, shown } }, description, telling(...values));
    act(() => find('button').click());
    return report.mock.calls as unknown[][];
  };
  it('is told on once, also where it is told twice in one turn', () =>
    expect(reported('Torsund', 'Hareby', 'Hareby')).toEqual([['Hareby']]));
  it('is no news where the form holds it already', () => {
    expect(reported('Torsund', 'Torsund')).toEqual([]);
    expect(reported([1, { a: 2 }], [1, { a: 2 }])).toEqual([]);
  });
  it('is news again where it went away and came back', () =>
    expect(reported('Torsund', 'Hareby', 'Torsund')).toEqual([['Hareby'], ['Torsund']]));
  it('is news where a list may have been changed within', () => {
    const list = ['Torsund'];
    expect(reported(list, list)).toEqual([[list]]);
  });
  it('is news where two files only look alike', () => {
    const [one, other] = [new File(['a'], 'a.txt'), new File(['b'], 'a.txt')];
    expect(reported(one, other)).toEqual([[other]]);
  });
  it('is news each time where the form refuses it', () => {
    const { find, report } = drawn({}, description, telling('Hareby'));
    act(() => find('button').click());
    act(() => find('button').click());
    expect(report.mock.calls).toEqual([['Hareby'], ['Hareby']]);
  });
});

describe('native submission', () => {
  const named = { ...description, name: { property: 'name' } };
  const Named = (props: { readonly name?: string; readonly value?: string }): ReactNode => (
    <input name={props.name} value={props.value} readOnly />
  );
  it('is the input’s own where it shows what is sent, and a hidden input’s elsewhere', () => {
    const { find, draw, host } = drawn({ state: { ...state, sent: 'Torsund' } }, named, Named);
    expect(find('input').getAttribute('name')).toBe('/port');
    expect(host.querySelector('[type=hidden]')).toBeNull();
    draw({ state: { ...state, sent: 'TOR' } });
    expect(find('input').hasAttribute('name')).toBe(false);
    expect((find('[type=hidden]') as HTMLInputElement).value).toBe('TOR');
    draw({ state: { ...state, sent: null } });
    expect(host.querySelectorAll('[name]')).toHaveLength(0);
  });
});

describe('choices and wrappers', () => {
  it('a box of HTML’s own bears the marks around it, and is nothing that has to be given', () => {
    const wrappers = [{ component: '#div', properties: { 'data-tide': 'calm', className: 'harbour' } }];
    expect(componentsBeside({ ...description, wrappers })).toEqual([]);
    drawn({}, { ...description, wrappers }, () => <input />);
    expect(document.querySelector('.harbour[data-tide=calm] > input')).not.toBeNull();
  });
  it('ids of its own are made of one that no other field has', () => {
    const seen = jest.fn(() => null);
    drawn({}, { ...description, ownIds: { property: 'uid' } }, seen);
    expect(seen).toHaveBeenCalledWith(expect.objectContaining({ uid: `${state.id}-own` }), undefined);
  });
  it('go in under the input’s own names', () => {
    const seen = jest.fn(() => null);
    const adapter = { ...description, choices: { property: 'items', value: 'id', text: 'title' } };
    drawn({ choices: [{ value: 'TOR', text: 'Torsund' }] }, adapter, seen);
    expect(seen).toHaveBeenCalledWith(expect.objectContaining({ items: [{ id: 'TOR', title: 'Torsund' }] }), undefined);
  });
  it('values of another kind than the input bears count as none', () => {
    const seen = jest.fn(() => null);
    drawn({ state: { ...state, shown: 12 } }, { ...description, value: { property: 'value', kind: 'text' } }, seen);
    expect(seen).toHaveBeenCalledWith(expect.not.objectContaining({ value: 12 }), undefined);
  });
});

it('what tells only that it was pressed turns over, and the caller’s own handler is called', () => {
  const Hatch = ({
    selected,
    onChange,
  }: {
    readonly selected?: boolean;
    onChange?(value: string): void;
  }): ReactNode => <button type="button" aria-pressed={selected} onClick={() => onChange?.('hatch')} />;
  const pressing: AdapterDescription = {
    ...description,
    value: { property: 'selected', empty: false },
    change: { report: 'onChange', path: '/0', tells: 'press' },
    real: { selector: 'button' },
  };
  const theirs = jest.fn();
  const { find, report, draw } = drawn(
    { state: { ...state, shown: undefined }, extra: { onChange: theirs } },
    pressing,
    Hatch,
  );
  act(() => find('button').click());
  draw({ state: { ...state, shown: true } });
  act(() => find('button').click());
  expect(report.mock.calls).toEqual([[true], [false]]);
  expect(theirs).toHaveBeenLastCalledWith('hatch');
});

it('what draws its box late, once more, or in another copy of itself is linked each time', async () => {
  const drawBox = (own: HTMLElement): void => {
    const root = own.shadowRoot ?? own.attachShadow({ mode: 'open' });
    root.innerHTML = '<input>';
  };
  class TideLate extends HTMLElement {
    connectedCallback(): void {
      setTimeout(() => drawBox(this), 30);
    }
  }
  customElements.define('tide-late', TideLate);
  const Late = (): ReactNode => createElement('tide-late');
  const { find, draw } = drawn({}, { ...description, change: { ...description.change, refused: 'anew' } }, Late);
  const isNamed = async (): Promise<void> => {
    await new Promise((done) => setTimeout(done, 150));
    expect(find('tide-late').shadowRoot?.querySelector('input')?.getAttribute('aria-label')).toBe('Port');
  };
  const first = find('tide-late');
  await isNamed();
  drawBox(first);
  await isNamed();
  draw({ state: { ...state, shown: undefined } });
  expect(find('tide-late')).not.toBe(first);
  await isNamed();
});

it('what names its real element anew later on is linked again, and not for ever', async () => {
  const names: string[] = [];
  const Own = (): ReactNode => {
    const [name, setName] = useState('own-1');
    const box = useRef<HTMLInputElement>(null);
    useEffect(() => {
      const insisting = new MutationObserver(() => {
        const now = box.current?.getAttribute('aria-labelledby') ?? '';
        names.push(now);
        // The first time it lets itself be named.
        if (names.length > 1 && names.length < 100 && !now.startsWith('own'))
          box.current?.setAttribute('aria-labelledby', 'own-3');
      });
      if (box.current) insisting.observe(box.current, { attributes: true });
      setName('own-2');
      return () => insisting.disconnect();
    }, []);
    return <input ref={box} aria-labelledby={name} />;
  };
  const { find } = drawn({}, description, Own);
  await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
  expect(names.filter((name) => name === 'f-label').length).toBeGreaterThan(1);
  expect(find('input').getAttribute('aria-labelledby')).toMatch(/^own-/);
  expect(names.length).toBeLessThan(60);
});
