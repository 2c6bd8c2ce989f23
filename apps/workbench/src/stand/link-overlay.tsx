import { linkMap, servedDifferences, type Link, type LinkBreak } from '@poietra/stand';
import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { tell } from './tell.js';

interface Line {
  readonly path: string;
  readonly by: Link['by'];
}

/** Lines from labels, hints and messages to what they are for, over the living page; what is broken is told. */
export function LinkOverlay({ served }: { readonly served?: string | undefined }): ReactNode {
  const anchor = useRef<SVGSVGElement>(null);
  const [lines, setLines] = useState<readonly Line[]>([]);
  useLayoutEffect(() => {
    const root = anchor.current?.parentElement;
    if (!root) return undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const measure = (): void => {
      const { links, breaks: own, controls } = linkMap(root);
      const breaks = [...own, ...(served === undefined ? [] : fromServer(served, root))];
      const box = root.getBoundingClientRect();
      const next = links.map(({ from, to, by }): Line => {
        const [a, b] = [from.getBoundingClientRect(), to.getBoundingClientRect()];
        // From below the words, so that no line strikes them out, to the nearer edge of what they are for.
        const isBelow = b.top >= a.bottom - 4;
        const [x1, y1] = [
          a.left - box.left + Math.min(a.width / 2, 40),
          (isBelow || b.bottom > a.top ? a.bottom : a.top) - box.top,
        ];
        const [x2, y2] = [b.left - box.left + Math.min(b.width / 2, 60), (isBelow ? b.top : b.bottom) - box.top];
        return { by, path: `M ${x1} ${y1} Q ${(x1 + x2) / 2} ${Math.max(y1, y2) + (isBelow ? 0 : 14)} ${x2} ${y2}` };
      });
      setLines((before) => (JSON.stringify(before) === JSON.stringify(next) ? before : next));
      tell({
        kind: 'links',
        count: links.length,
        breaks: breaks
          .slice(0, 200)
          .map((one) => ({ ...one, where: one.where.slice(0, 200), says: one.says.slice(0, 400) })),
        controls: controls.slice(0, 500).map(({ role, name, description }) => ({
          role,
          name: name.slice(0, 200),
          description: description.slice(0, 400),
        })),
      });
    };
    // Later by a moment, so that one change of many parts is measured once.
    const soon = (): void => {
      clearTimeout(timer);
      timer = setTimeout(measure, 80);
    };
    const sizes = new ResizeObserver(soon);
    sizes.observe(root);
    const changes = new MutationObserver((records) => {
      if (records.some(({ target }) => !anchor.current?.contains(target))) soon();
    });
    changes.observe(root, { subtree: true, childList: true, attributes: true });
    measure();
    return () => {
      clearTimeout(timer);
      sizes.disconnect();
      changes.disconnect();
    };
  }, [served]);
  return (
    <svg ref={anchor} className="link-lines" aria-hidden="true">
      {lines.map(({ path, by }, i) => (
        <path key={i} d={path} data-by={by} />
      ))}
    </svg>
  );
}

/** The markup is parsed apart from the page, so nothing in it runs. */
function fromServer(html: string, sheet: HTMLElement): LinkBreak[] {
  const parsed = new DOMParser().parseFromString(html, 'text/html').body.firstElementChild;
  return parsed ? servedDifferences(parsed, sheet) : [];
}
