/** Ids that stand twice in the page. */

/** Attributes that lead to an element by its id (HTML, ARIA, SVG). */
const leading = [
  'for',
  'form',
  'list',
  'headers',
  'href',
  'xlink:href',
  'aria-labelledby',
  'aria-describedby',
  'aria-details',
  'aria-controls',
  'aria-owns',
  'aria-flowto',
  'aria-activedescendant',
  'aria-errormessage',
];

/**
 * The first one; within a drawing only where something leads to it, since exporters of drawings name every path, and so of
 * what is hidden or announces and is empty, and of sheets, as providers have them: an application has one of them around
 * all.
 */
export function doubleId(): string | undefined {
  const seen = new Set<string>();
  for (const element of document.querySelectorAll('[id]')) {
    const { id } = element;
    if (id === '') continue;
    if (seen.has(id) && !((isInDrawing(element) || isBare(element)) && !isLedTo(id))) return id;
    seen.add(id);
  }
  return undefined;
}

const isInDrawing = (element: Element): boolean => element instanceof SVGElement && element.ownerSVGElement !== null;

const isBare = (element: Element): boolean =>
  element.matches('style, link, meta, script') ||
  (element instanceof HTMLElement && (element.hidden || element.ariaLive !== null) && element.childNodes.length === 0);

function isLedTo(id: string): boolean {
  for (const element of document.querySelectorAll('*'))
    for (const { name, value } of element.attributes)
      if (value.includes(`#${id}`) || (leading.includes(name) && value.split(/\s+/).includes(id))) return true;
  return false;
}
