/** What an input looks like, as a text that can be compared: values and states, not ids or classes. */
import { everyElement } from '@poietra/react';
import { frames, settle } from './settle.js';
import { words } from './wanted.js';

const telling = ['aria-checked', 'aria-selected', 'aria-valuenow', 'aria-valuetext', 'aria-pressed', 'data-value'];
const unseen = /^(SCRIPT|STYLE|TEMPLATE|LINK|SLOT)$/;

/** Values, marks and words. Announcements are left out: they tell what happened, not what is. */
export function look(box: Element): string {
  const lines: string[] = [];
  for (const element of everyElement(box)) {
    if (unseen.test(element.tagName) || element.closest('[aria-live], [role=status], [role=alert], [role=log]'))
      continue;
    const line: string[] = [];
    if (element instanceof HTMLInputElement) {
      // A file field that is not drawn, or lies unseen over what is, is only the way to the browser's own dialog.
      if (element.type === 'hidden' || (element.type === 'file' && !isSeen(element))) continue;
      line.push(
        element.type === 'checkbox' || element.type === 'radio'
          ? String(element.checked)
          : JSON.stringify(element.value),
      );
      if (element.files && element.files.length > 0) line.push([...element.files].map(({ name }) => name).join());
    } else if (element instanceof HTMLTextAreaElement || element instanceof HTMLSelectElement)
      line.push(JSON.stringify(element.value));
    else if (element instanceof HTMLCanvasElement) line.push(canvasLook(element));
    else line.push(...statesOf(element));
    // What was opened and is shut again may stay in the page, as it was.
    const isDrawn = !isShut(element);
    for (const name of isDrawn ? telling : []) {
      const value = element.getAttribute(name);
      // "Not chosen" and "does not say" come to the same; some say it only once it was asked.
      if (value !== null && value !== 'false') line.push(`${name}=${value}`);
    }
    const shown = [...element.childNodes]
      .filter((node) => node.nodeType === Node.TEXT_NODE)
      .map((node) => withoutTold(node.textContent ?? ''))
      .join('');
    if (shown !== '' && isDrawn && !(element instanceof HTMLTextAreaElement) && !(element instanceof HTMLOptionElement))
      line.push(shown);
    if (line.length > 0) lines.push(`${element.tagName.toLowerCase()} ${line.join(' ')}`);
  }
  return lines.join('\n');
}

/** Custom states (HTML, `ElementInternals.states`) that say of an element of a package's own what it holds; where only its sheets see it, nothing else does. */
const states = ['checked', 'selected', 'pressed', 'on'].filter(
  (name) => 'CSS' in globalThis && CSS.supports(`selector(:state(${name}))`),
);
const statesOf = (element: Element): readonly string[] =>
  element.localName.includes('-') ? states.filter((name) => element.matches(`:state(${name})`)) : [];

/** With styles, classes and marks of its own, where a value shows only as a place, a colour or a mark. */
export function fullLook(box: Element): string {
  const lines: string[] = [look(box)];
  for (const element of everyElement(box)) {
    const classes = typeof element.className === 'string' ? element.className : '';
    const style = element.getAttribute('style') ?? '';
    const checked = element.hasAttribute('checked') ? ' checked' : '';
    const marks = marksOf(element);
    if (classes !== '' || style !== '' || checked !== '' || marks !== '')
      lines.push(`${element.tagName} ${classes} ${style}${checked}${marks}`);
  }
  return lines.join('\n');
}

/** What such marks say of what a person has done, and of what is wrong with the value, and not what the value is. */
const happened =
  /^data-(user-)?(in)?valid$|^data-(optional|required|touched|dirty|pristine|visited|filled|active|(is-)?(focus|hover|press)(ed|-?visible|-?within)?)$/;
/** States that style sheets ask for, `data-selected`; what is no plain word is an id, and another for each copy. */
const marksOf = ({ attributes }: Element): string =>
  [...attributes]
    .filter(({ name, value }) => name.startsWith('data-') && !happened.test(name) && /^[a-z-]{0,16}$/.test(value))
    .map(({ name, value }) => ` ${name}=${value}`)
    .sort()
    .join('');

/** What an input draws of a field's hint and message is about the value, and not how it looks. */
const withoutTold = (text: string): string => text.replace(words.hint, '').replace(words.error, '').trim();

const isSeen = (element: Element): boolean =>
  !('checkVisibility' in element) || element.checkVisibility({ opacityProperty: true, visibilityProperty: true });
const isShut = (element: Element): boolean => 'checkVisibility' in element && !element.checkVisibility();

function canvasLook(canvas: HTMLCanvasElement): string {
  try {
    const data = canvas.toDataURL();
    return `${data.length}${data.slice(-80)}`;
  } catch {
    return 'unreadable';
  }
}

/** What two looks say differently, in short: for a person to read. */
export function lookDifference(wanted: string, seen: string): string {
  const [a, b] = [wanted.split('\n'), seen.split('\n')];
  const missing = a.filter((line) => !b.includes(line)).slice(0, 2);
  const extra = b.filter((line) => !a.includes(line)).slice(0, 2);
  const clip = (line: string): string => (line.length > 90 ? `${line.slice(0, 89)}…` : line);
  return [
    missing.length > 0 && `without “${missing.map(clip).join('”, “')}”`,
    extra.length > 0 && `with “${extra.map(clip).join('”, “')}”`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** Waits until it looks the same for a while: what was opened shuts in its own time. */
export async function atRest({ box }: { readonly box: Element }): Promise<void> {
  let last = look(box);
  // What is changed in a shadow tree is told to nobody outside, and what shuts there waits for a frame or two first.
  const isShadowed = [...everyElement(box)].some(({ shadowRoot }) => shadowRoot !== null);
  for (let turn = 0; turn < 10; turn++) {
    await settle(40);
    if (isShadowed) await frames(4);
    const now = look(box);
    if (now === last) return;
    last = now;
  }
}
