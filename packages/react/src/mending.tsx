/** What a person mends by: where all problems stand, and the way to the first of them. Fetched once a form stands. */
import { formatPointer, parsePointer, planAt, type DrawnWords, type PlanNode, type Problem } from '@poietra/core';
import type { ReactNode } from 'react';
import type { Mending } from './drawing.js';
import { partId } from './ids.js';
import { focusFirst } from './reveal.js';
import { useScope, useWords } from './scope.js';
import { mendingWords } from './words/mending-words.js';

/** The problems, each with a way to its field. */
function ProblemList({
  root,
  problems,
}: {
  readonly root: PlanNode;
  readonly problems: readonly Problem[];
}): ReactNode {
  const { form, baseId } = useScope();
  const words = useWords(mendingWords);
  return (
    <>
      <p>{words.toMend(problems.length)}</p>
      <ul>
        {problems.slice(0, 20).map((problem) => (
          <li key={`${problem.at} ${problem.keyword} ${problem.message}`}>
            <a
              href={`#${partId(baseId, problem.at, 'input')}`}
              onClick={(event) => {
                event.preventDefault();
                const sheet = event.currentTarget.closest('form');
                focusFirst(sheet, form, [problem]);
              }}
            >
              {labelAt(root, problem.at, words)}
            </a>
            : {problem.message}
          </li>
        ))}
      </ul>
    </>
  );
}
export const mending: Mending = { ProblemList, focusFirst };

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
