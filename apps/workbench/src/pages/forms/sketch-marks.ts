/** A small true drawing of a form: where its fields lie and how large they are, from its plan. */
import type { Plan, PlanNode } from '@poietra/core';

/** One thing drawn, in units of the drawing. */
export interface Mark {
  readonly kind: 'field' | 'choice' | 'tick' | 'group' | 'list' | 'chooser';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
export interface Drawn {
  readonly marks: readonly Mark[];
  readonly height: number;
}

const line = 4;
const gap = 2;
const inset = 3;
/** Deeper than this nobody sees anything. */
const deepest = 4;

/** The marks of a plan on a sheet of a width. Whatever lies below `most` is left out. */
export function sketch(plan: Plan, width: number, most: number): Drawn {
  const marks: Mark[] = [];
  const height = put(plan.root, 0, 0, width, 0, { marks, most });
  return { marks, height: Math.min(height, most) };
}

interface Sheet {
  readonly marks: Mark[];
  readonly most: number;
}

/** Gives back how tall the node is. */
function put(node: PlanNode, x: number, y: number, width: number, depth: number, sheet: Sheet): number {
  if (y > sheet.most || node.hints.hidden) return 0;
  switch (node.kind) {
    case 'field': {
      const isTick = node.facts.kinds?.join() === 'boolean';
      const height = (node.hints.lines ?? 1) > 1 ? 2 * line + gap : line;
      const kind = isTick ? 'tick' : node.choices ? 'choice' : 'field';
      sheet.marks.push({ kind, x, y, width: isTick ? line : width, height });
      return height;
    }
    case 'group':
      return node.again || depth > deepest
        ? framed('group', x, y, width, sheet, () => line)
        : depth === 0
          ? members(node.children, node.hints.layout, x, y, width, depth, sheet)
          : framed('group', x, y, width, sheet, (innerX, innerY, innerWidth) =>
              members(node.children, node.hints.layout, innerX, innerY, innerWidth, depth, sheet),
            );
    case 'list':
      return framed('list', x, y, width, sheet, (innerX, innerY, innerWidth) =>
        depth > deepest ? line : put(node.item, innerX, innerY, innerWidth, depth + 1, sheet),
      );
    case 'chooser': {
      const [first] = node.options;
      return framed('chooser', x, y, width, sheet, (innerX, innerY, innerWidth) =>
        depth > deepest || node.again || !first ? line : put(first.node, innerX, innerY, innerWidth, depth + 1, sheet),
      );
    }
  }
}

function framed(
  kind: Mark['kind'],
  x: number,
  y: number,
  width: number,
  { marks }: Sheet,
  draw: (x: number, y: number, width: number) => number,
): number {
  const at = marks.length;
  const height = Math.max(line, draw(x + inset, y + inset, Math.max(line, width - 2 * inset))) + 2 * inset;
  // Behind what it holds.
  marks.splice(at, 0, { kind, x, y, width, height });
  return height;
}

/** Members one under the other, or in a grid of twelve columns where spans say so. */
function members(
  nodes: readonly PlanNode[],
  layout: string | undefined,
  x: number,
  y: number,
  width: number,
  depth: number,
  sheet: Sheet,
): number {
  const columns = 12;
  const column = (width + gap) / columns;
  let [left, top, tall] = [0, y, 0];
  for (const node of nodes) {
    const span =
      layout === 'grid' ? spanOf(node) : layout === 'row' ? Math.max(1, Math.floor(columns / nodes.length)) : columns;
    if (left + span > columns) {
      if (tall > 0) top += tall + gap;
      [left, tall] = [0, 0];
    }
    tall = Math.max(tall, put(node, x + left * column, top, span * column - gap, depth + 1, sheet));
    left += span;
    if (top > sheet.most) break;
  }
  return top + tall - y;
}

function spanOf({ hints: { span } }: PlanNode): number {
  const wide = typeof span === 'object' ? (span.wide ?? span.medium ?? span.narrow) : span;
  return typeof wide === 'number' && wide >= 1 && wide <= 12 ? Math.round(wide) : 12;
}
