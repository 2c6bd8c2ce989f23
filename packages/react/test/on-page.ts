import { act } from 'react';
import { createRoot, type Root } from 'react-dom/client';

/** Each test of the file gets a place of its own on the page, which is taken away afterwards. */
export function onPage(take: (host: HTMLElement, root: Root) => void): void {
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
  let host: HTMLElement;
  let root: Root;
  beforeEach(() => {
    host = document.body.appendChild(document.createElement('div'));
    root = createRoot(host);
    take(host, root);
  });
  afterEach(() => {
    act(() => root.unmount());
    host.remove();
  });
}
