import { reach } from './reach.js';

/**
 * Puts files into the box for them that an input drew (HTML, `HTMLInputElement.files`); what is no file, and no list of
 * files, empties it. The box tells of it as of a choice: an input may list the names by itself.
 */
export function putFiles(box: ParentNode | null, shown: unknown): void {
  const input = box && reach(box, 'input[type=file]');
  if (!(input instanceof HTMLInputElement)) return;
  const files = (
    shown instanceof FileList || Array.isArray(shown) ? [...(shown as Iterable<unknown>)] : [shown]
  ).filter((one) => one instanceof File);
  const { files: there } = input;
  // Given the very same once more, the browser would take it for another choice.
  if (there?.length === files.length && files.every((file, i) => file === there[i])) return;
  const held = new DataTransfer();
  for (const file of files) held.items.add(file);
  input.files = held.files;
  input.dispatchEvent(new Event('change', { bubbles: true }));
}
