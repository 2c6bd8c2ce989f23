/** @jest-environment jsdom */
import type { AdapterDescription, InputState, MadeUse } from '@poietra/core';
import { act, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { adapt } from '../src/index.js';
import { makingOf } from '../src/made.js';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

/** A day as a library would have it: an object of a class, which tells itself in more than one way. */
class Day {
  constructor(readonly text: string) {
    if (!/^\d{4}-\d\d-\d\d$/.test(text)) throw new RangeError(`no day: ${text}`);
  }
  static of(text: string): Day {
    return new Day(text);
  }
  toString(): string {
    return this.text;
  }
  told(mark: string): string {
    return this.text.replaceAll('-', mark);
  }
}
const parseDay = (text: string): Day => new Day(text);

describe('an object of a library', () => {
  it('comes of a text and goes as one, by whatever makes it and tells it', () => {
    const ways: readonly (readonly [Partial<MadeUse>, unknown, string])[] = [
      [{}, parseDay, '2026-11-10'],
      [{ start: 'new' }, Day, '2026-11-10'],
      [{ read: 'told', given: ['/'] }, parseDay, '2026/11/10'],
    ];
    for (const [use, maker, read] of ways) {
      const making = makingOf({ by: 'days#parseDay', ...use }, maker);
      expect(making.make('2026-11-10')).toEqual(new Day('2026-11-10'));
      expect(making.read(new Day('2026-11-10'))).toBe(read);
    }
  });
  it('is one in each place of a list or an object', () => {
    const { make, read } = makingOf({ by: 'days#parseDay' }, parseDay);
    const [first, last] = ['2026-11-10', '2026-11-20'];
    expect(make({ start: first, end: last })).toEqual({ start: new Day(first), end: new Day(last) });
    expect(read([new Day(first), null, new Day(last)])).toEqual([first, null, last]);
    expect(read({ start: new Day(first), end: null })).toEqual({ start: first, end: null });
  });
  it('of what no object can be made of, or of another kind than the input bears, there is none', () => {
    expect(makingOf({ by: 'days#parseDay' }, parseDay).make('tomorrow')).toBeUndefined();
    expect(makingOf({ by: 'days#parseDay' }, parseDay, 'text').make({ start: '2026-11-10' })).toBeUndefined();
    const date = makingOf({ by: 'days#date', start: 'new' }, Date);
    expect(['', 'tomorrow'].map((text) => date.make(text))).toEqual([undefined, undefined]);
  });
  it('that cannot be told as said goes to the codec as it is, which says so', () => {
    const day = new Day('2026-11-10');
    expect(makingOf({ by: 'days#parseDay', read: 'gone' }, parseDay).read(day)).toBe(day);
  });
});

describe('an adapter with one', () => {
  const description: AdapterDescription = {
    input: 'days#Picker',
    value: { property: 'value', empty: null, kind: 'text', made: { by: 'days#parseDay' } },
    change: { report: 'onChange', path: '/0' },
    focus: { by: 'element' },
    name: { property: 'name' },
  };
  const state = { invalid: false, disabled: false, readOnly: false, required: false, id: 'f', name: '/day' };
  const drawn = (adapter = description) => {
    const given: { value: unknown; name?: string }[] = [];
    let change: (day: unknown) => void = () => undefined;
    const Picker = (props: { value: unknown; name?: string; onChange(day: unknown): void }): ReactNode => {
      given.push(props);
      change = props.onChange;
      return <b>{String(props.value)}</b>;
    };
    const Adapted = adapt(Picker, adapter, 'component', { 'days#parseDay': parseDay });
    const host = document.body.appendChild(document.createElement('div'));
    const root = createRoot(host);
    const report = jest.fn();
    const draw = (shown: unknown, more: Partial<InputState> = {}): void =>
      act(() =>
        root.render(
          <Adapted
            state={{ ...state, labelledBy: undefined, describedBy: undefined, shown, ...more }}
            report={report}
            leave={() => undefined}
            attach={() => () => undefined}
          />,
        ),
      );
    return { host, given, report, draw, change: (day: unknown) => act(() => change(day)) };
  };
  it('gives the input objects and the field texts', () => {
    const { given, report, draw, change } = drawn();
    draw('2026-11-10');
    expect(given.at(-1)?.value).toEqual(new Day('2026-11-10'));
    change(new Day('2026-11-20'));
    expect(report).toHaveBeenCalledWith('2026-11-20');
    change(null);
    expect(report).toHaveBeenLastCalledWith(null);
  });
  it('gives the same object as long as the same is shown', () => {
    const { given, draw } = drawn();
    draw('2026-11-10');
    draw('2026-11-10', { invalid: true });
    expect(given.length).toBeGreaterThan(1);
    expect(new Set(given.map(({ value }) => value)).size).toBe(1);
  });
  it('takes what is told twice for no news', () => {
    const { report, draw, change } = drawn();
    draw('2026-11-10');
    change(new Day('2026-11-10'));
    expect(report).not.toHaveBeenCalled();
  });
  it('shows none for what cannot be read, or what stands for none where the input cannot be without', () => {
    const { given, draw } = drawn();
    for (const shown of [undefined, 'tomorrow', { start: '2026-11-10' }]) {
      draw(shown);
      expect(given.at(-1)?.value).toBeNull();
    }
    const always = drawn({ ...description, value: { ...description.value, empty: '2026-11-01' } });
    always.draw(undefined);
    expect(always.given.at(-1)?.value).toEqual(new Day('2026-11-01'));
  });
  it('has the text submitted by a hidden input, since nobody knows what the object would submit', () => {
    const { host, given, draw } = drawn();
    draw('2026-11-10', { sent: '2026-11-10' });
    expect(given.at(-1)?.name).toBeUndefined();
    expect(host.querySelector('input')).toMatchObject({ type: 'hidden', name: '/day', value: '2026-11-10' });
  });
  it('names what is missing, and what makes nothing', () => {
    expect(() => adapt('b', description)).toThrow('“days#parseDay” beside its input');
    expect(() => adapt('b', description, 'component', { 'days#parseDay': 'Day' })).toThrow('which is no function');
  });
});
