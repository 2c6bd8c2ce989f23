import { formatPointer, parsePointer, planAt, type DrawnWords, type PlanNode } from '@poietra/core';
import { mendingWords } from './words/mending-words.js';

/** The label of a place, with those of the groups around it. */
export function labelAt(
  root: PlanNode,
  at: string,
  words: Pick<DrawnWords, 'entry' | 'wholeForm'> = mendingWords,
): string {
  const tokens = parsePointer(at);
  const labels = tokens.map((token, i) => {
    const node = planAt(root, formatPointer(tokens.slice(0, i + 1)));
    return node?.name === '*' ? `${words.entry} ${Number(token) + 1}` : (node?.label ?? token);
  });
  return labels.length > 0 ? labels.join(', ') : words.wholeForm;
}
