/** Looking into what an input drew, open shadow trees included. */

const working =
  'input:not([type=hidden]), select, textarea, button, [contenteditable]:not([contenteditable="false"]), [tabindex]:not([tabindex="-1"]), [role=textbox], [role=searchbox], [role=spinbutton], [role=combobox], [role=slider], [role=checkbox], [role=switch], [role=radio]';

/**
 * Every element inside, in document order; those of an open shadow tree come right after its host. Walked by the browser:
 * elements that stand in for a shadow tree of their own say of their `children` only what was put into them.
 */
export function* everyElement(root: ParentNode): Generator<Element> {
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_ELEMENT);
  for (let element = walker.nextNode(); element; element = walker.nextNode()) {
    yield element as Element;
    const { shadowRoot } = element as Element;
    if (shadowRoot) yield* everyElement(shadowRoot);
  }
}

/** The first element inside that a selector finds, in open shadow trees, too. */
export function reach(root: ParentNode, selector: string): HTMLElement | undefined {
  const near = root.querySelector<HTMLElement>(selector);
  if (near) return near;
  for (const element of everyElement(root)) {
    const found = element.shadowRoot?.querySelector<HTMLElement>(selector);
    if (found) return found;
  }
  return undefined;
}

/** Whether a person could see and reach it. */
function isThere(element: Element): boolean {
  if (element.closest('[hidden], [aria-hidden="true"], [inert], [style*="display: none"]')) return false;
  const root = element.getRootNode();
  return root instanceof ShadowRoot ? isThere(root.host) : true;
}

/** The elements that a person works with. */
export function workingElements(root: ParentNode): HTMLElement[] {
  return [...everyElement(root)].filter(
    (element): element is HTMLElement => element instanceof HTMLElement && element.matches(working) && isThere(element),
  );
}

/** The element that has the focus, in open shadow trees, too. */
export function focused(root: DocumentOrShadowRoot = document): Element | null {
  const { activeElement } = root;
  return activeElement?.shadowRoot?.activeElement ? focused(activeElement.shadowRoot) : activeElement;
}
