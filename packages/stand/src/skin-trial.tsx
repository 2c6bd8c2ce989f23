/** Trying a component of a suite as a part of a skin: what of it is seen, by which property it looks wrong, whether its presses arrive. */
import type { SeenPart, SkinTask, Wrapper } from '@poietra/core';
import { everyElement } from '@poietra/react';
import { createElement, type ElementType, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import type { BundledInputs } from './live.js';
import { settle } from './settle.js';

type Properties = Readonly<Record<string, unknown>>;

/** What it looked like, and what could be asked while it stood. */
interface Drawn<Told> {
  readonly failed?: string;
  readonly styles: readonly string[];
  readonly told: Told | undefined;
}

/** Draws it as it would be drawn in a form, asks, and takes it away. */
async function draw<Told>(
  component: unknown,
  properties: Properties,
  children: ReactNode,
  askOf: (place: HTMLElement) => Told,
): Promise<Drawn<Told>> {
  const place = document.createElement('div');
  place.className = 'poietra-form';
  document.body.append(place);
  let failed: string | undefined;
  const root = createRoot(place, {
    onUncaughtError: (error) => (failed ??= error instanceof Error ? error.message : String(error)),
  });
  try {
    root.render(createElement(component as ElementType, properties, children));
    await settle();
    return failed === undefined
      ? { styles: stylesOf(place), told: askOf(place) }
      : { failed: failed.split('\n')[0] ?? '', styles: [], told: undefined };
  } finally {
    root.unmount();
    place.remove();
  }
}

/**
 * Alone; and inside of what its suite has for standing around others, where it cannot be drawn alone, or has its colours
 * from a theme that is given there.
 */
export async function trySkinPart(
  task: SkinTask,
  around: readonly Wrapper[],
  inputs: BundledInputs,
): Promise<SeenPart> {
  const valueOf = (id: string): unknown => (Object.hasOwn(inputs, id) ? inputs[id]?.value : undefined);
  const component = valueOf(task.component);
  const alone = await tryPart(task, component);
  const isThemed = around.some(({ imports }) => imports !== undefined);
  if (alone.failed === undefined && !isThemed) return alone;
  let last = alone;
  for (const wrapper of around) {
    const { properties, imports = {} } = wrapper;
    const given = {
      ...properties,
      ...Object.fromEntries(Object.entries(imports).map(([to, from]) => [to, valueOf(from)])),
    };
    const within = (own: Properties): ReactNode =>
      createElement(valueOf(wrapper.component) as ElementType, given, createElement(component as ElementType, own));
    const seen = await tryPart(task, within);
    if (seen.failed === undefined && (alone.failed !== undefined || wrapper.imports))
      return { ...seen, around: wrapper };
    last = seen;
  }
  return alone.failed === undefined ? alone : last;
}

async function tryPart(task: SkinTask, component: unknown): Promise<SeenPart> {
  const { part } = task;
  const inside = part === 'box' ? <input data-seen="inside" /> : <span data-seen="inside">Torsund</span>;
  let usual: Properties = part === 'button' ? { type: 'button' } : {};
  let plain = await draw(component, usual, inside, (place) => sees(place, 'inside'));
  const base = { part, component: task.component };
  if (plain.failed !== undefined) return { ...base, failed: plain.failed, inside: false, words: {} };
  const open =
    plain.told === true
      ? undefined
      : await firstThat(task.opens, async (name) => {
          const drawn = await draw(component, { ...usual, [name]: true }, inside, (place) => sees(place, 'inside'));
          return drawn.told ? name : undefined;
        });
  if (open !== undefined) {
    usual = { ...usual, [open]: true };
    plain = await draw(component, usual, inside, (place) => sees(place, 'inside'));
  }
  const words: Partial<Record<string, string[]>> = {};
  for (const [word, names] of Object.entries(task.words))
    for (const name of names) {
      const given = { ...usual, [name]: <span data-seen="word">Torsund</span> };
      const drawn = await draw(component, given, inside, (place) => sees(place, 'word'));
      if (drawn.told) (words[word] ??= []).push(name);
    }
  // Some colour only what is told.
  const [error] = words['error'] ?? [];
  const withError = error === undefined ? usual : { ...usual, [error]: 'Torsund' };
  const told = await draw(component, withError, inside, () => undefined);
  const invalid = await firstThat(task.invalid, async (one) => {
    if (one.name === error) return undefined;
    const drawn = await draw(component, { ...withError, [one.name]: one.value }, inside, () => undefined);
    const seen = drawn.failed === undefined ? difference(told.styles, drawn.styles) : undefined;
    return seen === undefined ? undefined : { ...one, seen };
  });
  const required = await firstThat(task.required, async (name) => {
    // The mark of a needed value stands at the label.
    const [label] = words['label'] ?? [];
    const said = label === undefined ? {} : { [label]: 'Torsund' };
    const without = await draw(component, said, inside, wordsOf);
    const drawn = await draw(component, { ...said, [name]: true }, inside, wordsOf);
    return drawn.failed === undefined && drawn.told !== without.told ? name : undefined;
  });
  return {
    ...base,
    inside: plain.told === true,
    words,
    ...(open === undefined ? {} : { open }),
    ...(invalid ? { invalid } : {}),
    ...(required === undefined ? {} : { required }),
    ...(part === 'box' ? await ownLabel(task, component, words['label']?.[0]) : {}),
    ...(part === 'label' ? { isLabel: await isLabel(component) } : {}),
    ...(part === 'button' ? { button: await tryButton(task, component, plain.styles) } : {}),
  };
}

/** Whether a box draws a label around what it is given as one, and by which property that leads to the input. */
async function ownLabel(
  { ids }: SkinTask,
  component: unknown,
  label: string | undefined,
): Promise<{ labelFor?: string }> {
  if (label === undefined) return {};
  const words = { [label]: <span data-seen="word">Torsund</span> };
  const labelOf = (place: HTMLElement): HTMLLabelElement | undefined =>
    [...everyElement(place)]
      .find((one) => one instanceof HTMLElement && one.dataset['seen'] === 'word')
      ?.closest('label') ?? undefined;
  const { told: isOwn } = await draw(component, words, <input />, (place) => labelOf(place) !== undefined);
  if (!isOwn) return {};
  const labelFor = await firstThat(ids, async (name) => {
    const { told } = await draw(
      component,
      { ...words, [name]: 'trial-input' },
      <input />,
      // The id is the input's own: a box that takes it for itself would have it twice.
      (place) => labelOf(place)?.htmlFor === 'trial-input' && !place.querySelector('#trial-input'),
    );
    return told ? name : undefined;
  });
  return { labelFor: labelFor ?? '' };
}

async function isLabel(component: unknown): Promise<boolean> {
  const given = { id: 'trial-label', htmlFor: 'trial-input' };
  const { told } = await draw(component, given, 'Torsund', (place) =>
    [...everyElement(place)].some(
      (one) => one instanceof HTMLLabelElement && one.htmlFor === 'trial-input' && one.id === 'trial-label',
    ),
  );
  return told === true;
}

async function tryButton(
  { types, presses, sends }: SkinTask,
  component: unknown,
  usual: readonly string[],
): Promise<NonNullable<SeenPart['button']>> {
  const press = await firstThat([...new Set(['onClick', ...presses])], async (name) => {
    let count = 0;
    await draw(component, { type: 'button', [name]: () => void count++ }, 'Torsund', (place) =>
      pressed(place)?.click(),
    );
    return count > 0 ? name : undefined;
  });
  const type = await firstThat([...new Set(['type', ...types])], async (name) => {
    for (const wanted of ['submit', 'button']) {
      const { told } = await draw(component, { [name]: wanted }, 'Torsund', (place) => typeOf(pressed(place)));
      if (told !== wanted) return undefined;
    }
    return name;
  });
  const named = await draw(component, { 'aria-label': 'Take Torsund away' }, '×', (place) =>
    [...everyElement(place)].some((one) => one.getAttribute('aria-label') === 'Take Torsund away'),
  );
  const look = await firstThat(sends, async (one) => {
    const drawn = await draw(
      component,
      { type: 'button', [one.name]: one.value },
      <span data-seen="inside">Torsund</span>,
      () => undefined,
    );
    return drawn.failed === undefined && difference(usual, drawn.styles) !== undefined ? one : undefined;
  });
  return {
    ...(press === undefined ? {} : { press }),
    ...(type === undefined ? {} : { type }),
    keepsName: named.told === true,
    ...(look ? { sends: look } : {}),
  };
}

/** What a person would press: the button inside, or the element that is one. */
function pressed(place: HTMLElement): HTMLElement | undefined {
  const all = [...everyElement(place)].filter((one): one is HTMLElement => one instanceof HTMLElement);
  return all.find((one) => one.matches('button, [role=button]')) ?? all[0];
}
const typeOf = (element: HTMLElement | undefined): string | undefined =>
  element && 'type' in element ? String(element.type) : undefined;

const sees = (place: HTMLElement, what: string): boolean =>
  [...everyElement(place)].some(
    (one) => one instanceof HTMLElement && one.dataset['seen'] === what && one.checkVisibility(),
  );

/** All words that are seen, those that a style sheet adds among them. */
const wordsOf = (place: HTMLElement): string =>
  [...everyElement(place)]
    .map((one) =>
      [
        ...[...one.childNodes]
          .filter(({ nodeType }) => nodeType === Node.TEXT_NODE)
          .map(({ textContent }) => textContent),
        getComputedStyle(one, '::before').content,
        getComputedStyle(one, '::after').content,
      ].join(' '),
    )
    .join('\n');

const telling = [
  'color',
  'background-color',
  'border-top-color',
  'border-left-color',
  'border-bottom-color',
  'border-top-width',
  'outline-color',
  'box-shadow',
  'fill',
  'font-weight',
];
/** What of each element is seen as colour and border; one line an element. */
function stylesOf(place: HTMLElement): string[] {
  return [...everyElement(place)].map((one) => {
    const style = getComputedStyle(one);
    return telling.map((name) => `${name}: ${style.getPropertyValue(name)}`).join('; ');
  });
}

/** How two drawings differ, in words; nothing where they look alike. */
function difference(before: readonly string[], after: readonly string[]): string | undefined {
  if (before.length !== after.length) return 'it draws something more, or less';
  for (const [i, line] of after.entries()) {
    const parts = before[i]?.split('; ') ?? [];
    const other = line.split('; ').find((part, at) => part !== parts[at]);
    if (other !== undefined) return `its ${other.slice(0, other.indexOf(':')).replaceAll('-', ' ')} is another`;
  }
  return undefined;
}

async function firstThat<Item, Found>(
  items: readonly Item[],
  look: (item: Item) => Promise<Found | undefined>,
): Promise<Found | undefined> {
  for (const item of items) {
    const found = await look(item);
    if (found !== undefined) return found;
  }
  return undefined;
}
