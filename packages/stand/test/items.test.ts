/** @jest-environment jsdom */
import type { AdapterDescription, ChoicesUse } from '@poietra/core';
import type { Observation } from '../src/observe/observation.js';
import { findWords } from '../src/observe/items.js';

/** An element for a choice that draws what `drawn` says of it, in a tree of its own. */
const define = (tag: string, drawn: (element: HTMLElement) => string): void =>
  customElements.define(
    tag,
    class extends HTMLElement {
      connectedCallback(): void {
        this.attachShadow({ mode: 'open' }).innerHTML = drawn(this);
      }
    },
  );
define('tide-slotted', () => '<i><slot></slot></i>');
define('tide-headed', (element) => `<b>${element.getAttribute('title') ?? ''}</b><slot name="icon"></slot>`);
define('tide-mute', () => '');

/** The choices as they come to stand after looking, and what was noted. */
async function choicesOf(tag: string): Promise<{ readonly choices?: ChoicesUse | undefined; readonly notes: number }> {
  let notes = 0;
  const seen = {
    adapter: { choices: { tag, value: 'value' } } as Partial<AdapterDescription>,
    mount: () => {
      const box = document.body.appendChild(document.createElement('div'));
      const line = document.createElement(tag);
      const { text } = seen.adapter.choices as { readonly text?: string };
      if (text === undefined) line.textContent = 'Aldervik';
      else line.setAttribute(text, 'Aldervik');
      box.append(line);
      return Promise.resolve({ box });
    },
    clean: () => Promise.resolve(document.body.replaceChildren()),
    note: () => notes++,
  };
  await findWords(seen as unknown as Observation);
  return { choices: seen.adapter.choices, notes };
}

it.each([
  ['has a place for what stands inside it: nowhere else', 'tide-slotted', undefined, 0],
  ['draws what a property says: there', 'tide-headed', 'title', 1],
  ['draws nothing of either: inside, as before', 'tide-mute', undefined, 0],
])('the words of an element for a choice that %s', async (_, tag, text, notes) => {
  const found = await choicesOf(tag);
  expect(found).toEqual({ choices: { tag, value: 'value', ...(text === undefined ? {} : { text }) }, notes });
});
