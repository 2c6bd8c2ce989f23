/** What the server drew beside what the browser made of it: links that differ, places that are drawn otherwise. */
import { inShort, type LinkBreak } from './links.js';

/**
 * Styles that a library drew between the elements, under a mark of its own, go to the head before the page is taken over:
 * it does so itself where the page stands before its script is loaded, as any does that a server drew.
 */
export function setStylesAside(place: Element): void {
  for (const style of place.querySelectorAll('style'))
    if (Object.keys(style.dataset).length > 0) document.head.append(style);
}

const linking = ['id', 'for', 'name', 'role', 'aria-label', 'aria-labelledby', 'aria-describedby', 'aria-controls'];

/**
 * Walks both trees side by side. What the browser adds to a place that the server left empty (an element's own tree, a
 * widget) is no difference; what it takes away, or gives another id, is.
 */
export function servedDifferences(served: Element, living: Element): LinkBreak[] {
  const found: LinkBreak[] = [];
  const walk = (server: Element, browser: Element): void => {
    for (const name of linking) {
      const [first, second] = [server.getAttribute(name), browser.getAttribute(name)];
      if (first === null || first === second) continue;
      found.push({
        kind: name === 'id' ? 'id invented anew' : 'server and browser differ',
        where: inShort(browser),
        says: `${name} is “${first}” as the server drew it, and ${second === null ? 'missing' : `“${second}”`} in the browser.`,
        advice:
          name === 'id'
            ? 'Take ids from the field (from React’s own id source); an id that is counted or drawn by lot differs at each drawing.'
            : 'Whatever it is made of must be the same on both sides: no time, no chance, no look at the window.',
      });
    }
    const [left, right] = [server, browser].map(({ children }) =>
      [...children].filter((one) => !one.matches('.link-lines')),
    ) as [Element[], Element[]];
    if (left.length === 0) return;
    const at = left.findIndex((child, i) => child.tagName !== right[i]?.tagName);
    if (at >= 0) {
      found.push({
        kind: 'server and browser differ',
        where: inShort(browser),
        says: `The server drew <${left[at]?.tagName.toLowerCase() ?? ''}> where the browser has ${right[at] ? `<${right[at].tagName.toLowerCase()}>` : 'nothing'}.`,
        advice: 'Draw the same at first on both sides, and change it in an effect.',
      });
      return;
    }
    left.forEach((child, i) => {
      const other = right[i];
      if (other) walk(child, other);
    });
  };
  walk(served, living);
  return found;
}
