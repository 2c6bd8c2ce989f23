import { formatPointer, parsePointer, planAt, type DrawnWords, type PlanNode, type PlanTree } from '@poietra/core';
import type { ReactNode, Ref } from 'react';
import { useFollowed } from './follow.js';
import { partId } from './ids.js';
import { focusFirst } from './reveal.js';
import { useScope, useWords } from './scope.js';
import { fieldWords } from './words/field-words.js';

/** What is wrong after an attempt to send, each with a way to its field. */
export function Summary({ plan, box }: { readonly plan: PlanTree; readonly box: Ref<HTMLDivElement> }): ReactNode {
  const { form, baseId } = useScope();
  const words = useWords(fieldWords);
  const { problems, message, status } = useFollowed(() => {
    const { status, message } = form;
    const isTold = status !== 'open' && status !== 'sending';
    return { problems: form.submittedOnce ? form.problems() : [], message: isTold ? message : undefined, status };
  }, [form]);
  const isBad = problems.length > 0 || (message !== undefined && status !== 'accepted');
  return (
    <div ref={box} tabIndex={-1} role="status" className={isBad ? 'poietra-summary' : undefined} data-status={status}>
      {message !== undefined && <p>{message}</p>}
      {problems.length > 0 && (
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
                  {labelAt(plan.root, problem.at, words)}
                </a>
                : {problem.message}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** The label of a place, with those of the groups around it. */
export function labelAt(
  root: PlanNode,
  at: string,
  words: Pick<DrawnWords, 'entry' | 'wholeForm'> = fieldWords,
): string {
  const tokens = parsePointer(at);
  const labels = tokens.map((token, i) => {
    const node = planAt(root, formatPointer(tokens.slice(0, i + 1)));
    return node?.name === '*' ? `${words.entry} ${Number(token) + 1}` : (node?.label ?? token);
  });
  return labels.length > 0 ? labels.join(', ') : words.wholeForm;
}
