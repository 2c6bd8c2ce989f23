/** The rivals of the form benchmark: one schema-driven form, and the same inputs written by hand in three ways. */
import { codecsOf, compileSchema, makePlan, openForm } from '@poietra/core';
import { PlannedForm } from '@poietra/react';
import { memo, useCallback, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { createRoot, type Root } from 'react-dom/client';

const names = (count: number): string[] => Array.from({ length: count }, (_, i) => `field${i}`);

function Planned({ count }: { readonly count: number }): ReactNode {
  const [{ form, plan }] = useState(() => {
    const schema = {
      type: 'object',
      properties: Object.fromEntries(names(count).map((name) => [name, { type: 'string', maxLength: 40 }])),
    };
    const compiled = compileSchema(schema);
    const made = makePlan(compiled);
    return { plan: made, form: openForm({ schema, compiled, codecs: codecsOf(made.root) }) };
  });
  return <PlannedForm form={form} plan={plan} />;
}

function Bare({ count }: { readonly count: number }): ReactNode {
  return (
    <form>
      {names(count).map((name) => (
        <div key={name}>
          <label htmlFor={name}>{name}</label>
          <input id={name} name={name} />
        </div>
      ))}
    </form>
  );
}

function Own({ name }: { readonly name: string }): ReactNode {
  const [value, setValue] = useState('');
  return (
    <div>
      <label htmlFor={name}>{name}</label>
      <input id={name} name={name} value={value} onChange={(event) => setValue(event.target.value)} />
    </div>
  );
}
const OnePerField = ({ count }: { readonly count: number }): ReactNode => (
  <form>
    {names(count).map((name) => (
      <Own key={name} name={name} />
    ))}
  </form>
);

function OneForAll({ count }: { readonly count: number }): ReactNode {
  const [values, setValues] = useState<Record<string, string>>({});
  const set = useCallback((name: string, value: string) => setValues((before) => ({ ...before, [name]: value })), []);
  return (
    <form>
      {names(count).map((name) => (
        <Row key={name} name={name} value={values[name] ?? ''} onChange={set} />
      ))}
    </form>
  );
}
/** Drawn only when its own value changes, as a careful author would have it. */
const Row = memo(function Row({
  name,
  value,
  onChange,
}: {
  readonly name: string;
  readonly value: string;
  onChange(name: string, value: string): void;
}): ReactNode {
  return (
    <div>
      <label htmlFor={name}>{name}</label>
      <input id={name} name={name} value={value} onChange={(event) => onChange(name, event.target.value)} />
    </div>
  );
});

const rivals = { planned: Planned, bare: Bare, 'one state per field': OnePerField, 'one state for all': OneForAll };
export type Rival = keyof typeof rivals;
let root: Root | undefined;
const atOnce = 25;

const nextTask = (): Promise<void> =>
  new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => resolve();
    port2.postMessage(undefined);
  });

const bench = {
  /** Draws a rival anew: the milliseconds until its first fields are there, until all are, and the longest that held the page. */
  async draw(rival: Rival, count: number): Promise<{ first: number; whole: number; held: number }> {
    root?.unmount();
    document.body.replaceChildren(document.createElement('div'));
    const host = document.body.firstElementChild as HTMLElement;
    root = createRoot(host);
    const Drawn = rivals[rival];
    const own = root;
    await new Promise((resolve) => setTimeout(resolve));
    const began = performance.now();
    flushSync(() => own.render(<Drawn count={count} />));
    // Layout is the browser's; what is asked for is what the scripts need.
    const first = performance.now() - began;
    let held = first;
    while (host.getElementsByTagName('input').length < count) {
      const before = performance.now();
      await nextTask();
      held = Math.max(held, performance.now() - before);
    }
    return { first, whole: performance.now() - began, held };
  },
  /** The script time of a key press in the field in the middle, in milliseconds: the middle of many. */
  async press(times: number): Promise<number> {
    const inputs = document.querySelectorAll('input');
    const input = inputs[Math.floor(inputs.length / 2)];
    if (!input) throw new Error('There is no input.');
    const write = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
    const taken: number[] = [];
    input.focus();
    for (let i = 0; i < times; i++) {
      const began = performance.now();
      // The clock is coarse, and a single press within its noise, so several are timed at once.
      for (let k = 0; k < atOnce; k++) {
        write?.call(input, `Torsund ${(i * atOnce + k) % 10}`);
        input.dispatchEvent(new InputEvent('input', { bubbles: true }));
        // The framework draws in a microtask after the event.
        await Promise.resolve();
        await Promise.resolve();
      }
      taken.push((performance.now() - began) / atOnce);
      await new Promise((resolve) => setTimeout(resolve));
    }
    return taken.sort((a, b) => a - b)[Math.floor(times / 2)] ?? 0;
  },
  /** Puts on a look, or takes it off. */
  wear(css: string): void {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(css);
    document.adoptedStyleSheets = css ? [sheet] : [];
  },
  /** Focuses the field in the middle, for the browser's own keys. */
  aim(): void {
    const inputs = document.querySelectorAll('input');
    inputs[Math.floor(inputs.length / 2)]?.focus();
  },
  memory(): number {
    (globalThis as { gc?: () => void }).gc?.();
    return (performance as unknown as { memory: { usedJSHeapSize: number } }).memory.usedJSHeapSize;
  },
  /** How many fields were changed in the page by one key press. */
  async drawn(): Promise<number> {
    const touched = new Set<Element>();
    const observer = new MutationObserver((records) => {
      for (const { target } of records) {
        const field = (target instanceof Element ? target : target.parentElement)?.closest('.poietra-field');
        if (field) touched.add(field);
      }
    });
    observer.observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true });
    await bench.press(1);
    await new Promise((resolve) => setTimeout(resolve, 20));
    observer.disconnect();
    return touched.size;
  },
};
Object.assign(globalThis, { bench });
