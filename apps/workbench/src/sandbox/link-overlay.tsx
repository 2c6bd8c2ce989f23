import { linkMap, servedDifferences, type Link, type LinkBreak } from '@poietra/stand';
import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { tell } from './tell.js';

interface Line {
  readonly path: string;
  readonly by: Link['by'];
  /** What it leads from and to. */
  readonly ends: readonly [Element, Element];
}

/** More than anybody reads through. */
const mostControls = 500;

/** Where a person is: with the pointer, and with the focus. */
interface Near {
  readonly pointed?: Element | undefined;
  readonly focused?: Element | undefined;
}

/** A line is drawn for what one is at: an end of it, or the field that has an end of it inside. */
function isNear({ ends }: Line, { pointed, focused }: Near): boolean {
  return [pointed, focused].some((at) => {
    const field = at?.closest('.poietra-field, .poietra-summary') ?? at;
    return field !== undefined && ends.some((end) => field.contains(end) || end.contains(field));
  });
}

/**
 * Lines from labels, hints and messages to what they are for, over the living page: of what is pointed at or has the
 * focus, so that the text stays to be read. What is broken is told at once.
 */
export function LinkOverlay({ served }: { readonly served?: string | undefined }): ReactNode {
  const anchor = useRef<SVGSVGElement>(null);
  const [lines, setLines] = useState<readonly Line[]>([]);
  const [near, setNear] = useState<Near>({});
  useLayoutEffect(() => {
    const root = anchor.current?.parentElement;
    if (!root) return undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const measure = (): void => {
      const { links, breaks: own, controls, ids } = linkMap(root);
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
        return {
          by,
          ends: [from, to],
          path: `M ${x1} ${y1} Q ${(x1 + x2) / 2} ${Math.max(y1, y2) + (isBelow ? 0 : 14)} ${x2} ${y2}`,
        };
      });
      setLines((before) => (isSame(before, next) ? before : next));
      tell({
        kind: 'links',
        count: links.length,
        breaks: breaks
          .slice(0, 200)
          .map((one) => ({ ...one, where: one.where.slice(0, 200), says: one.says.slice(0, 400) })),
        controls: controls
          .slice(0, mostControls)
          .map(({ element, role, name, description, copy, groups, label, partOf }) => ({
            role,
            name: name.slice(0, 200),
            description: description.slice(0, 400),
            copy,
            groups: groups.join(' › ').slice(0, 400),
            label: label.slice(0, 200),
            id: element.id.slice(0, 200),
            part: partOf ? controls.findIndex((one) => one.element === partOf) : -1,
          })),
        ids: {
          count: ids.count,
          bases: ids.bases.length,
          escaped: ids.escaped.slice(0, 20).map((id) => id.slice(0, 200)),
          compared: served !== undefined,
        },
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
    const over = ({ target }: Event): void => {
      if (target instanceof Element)
        setNear((before) => ({ ...before, pointed: target === root ? undefined : target }));
    };
    const focus = ({ type, target }: Event): void => {
      const focused = type === 'focusin' && target instanceof Element ? target : undefined;
      setNear((before) => ({ ...before, focused }));
    };
    root.addEventListener('pointerover', over);
    root.addEventListener('focusin', focus);
    root.addEventListener('focusout', focus);
    measure();
    return () => {
      root.removeEventListener('pointerover', over);
      root.removeEventListener('focusin', focus);
      root.removeEventListener('focusout', focus);
      clearTimeout(timer);
      sizes.disconnect();
      changes.disconnect();
    };
  }, [served]);
  return (
    <svg ref={anchor} className="link-lines" aria-hidden="true">
      {lines.flatMap((line, i) => (isNear(line, near) ? [<path key={i} d={line.path} data-by={line.by} />] : []))}
    </svg>
  );
}

function isSame(before: readonly Line[], next: readonly Line[]): boolean {
  return (
    before.length === next.length &&
    before.every(({ path, ends }, i) => path === next[i]?.path && ends.every((end, j) => end === next[i]?.ends[j]))
  );
}

/** The markup is parsed apart from the page, so nothing in it runs. */
function fromServer(html: string, sheet: HTMLElement): LinkBreak[] {
  const parsed = new DOMParser().parseFromString(html, 'text/html').body.firstElementChild;
  return parsed ? servedDifferences(parsed, sheet) : [];
}
