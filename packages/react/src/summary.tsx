import type { PlanTree } from '@poietra/core';
import { useEffect, useState, type ReactNode, type Ref } from 'react';
import { useDrawing, type Mending } from './drawing.js';
import { useFollowed } from './follow.js';
import { partId } from './ids.js';
import { labelAt } from './label-at.js';
import { usePart } from './part.js';
import { useScope, useWords } from './scope.js';
import { mendingWords } from './words/mending-words.js';

/** Where what is needed for mending is not at hand: fetched, and `undefined` where it cannot be had. */
export const fetchMending = (): Promise<Mending | undefined> =>
  import('./mending.js').then(
    ({ mending }) => mending,
    () => undefined,
  );

/** So many problems are listed; the others are told by number, and at their fields. */
const most = 20;

/** What came of an attempt to send, and what is wrong, each with a way to its field. */
export function Summary({ plan, box }: { readonly plan: PlanTree; readonly box: Ref<HTMLDivElement> }): ReactNode {
  const { form, baseId } = useScope();
  const words = useWords(mendingWords);
  const { drawings } = useDrawing();
  const [mending, take] = useState(drawings.mending);
  useEffect(() => {
    if (!mending) void fetchMending().then(take);
  }, [mending]);
  const { problems, message, status } = useFollowed(() => {
    const { status, message } = form;
    const isTold = status !== 'open' && status !== 'sending';
    return { problems: form.submittedOnce ? form.problems() : [], message: isTold ? message : undefined, status };
  }, [form]);
  const isBad = problems.length > 0 || (message !== undefined && status !== 'accepted');
  const Part = usePart('summary');
  const told = (
    <>
      {message !== undefined && <p>{message}</p>}
      {mending && problems.length > 0 && (
        <mending.ProblemList
          form={form}
          says={words.toMend(problems.length)}
          entries={problems.slice(0, most).map((problem) => ({
            problem,
            label: labelAt(plan.root, problem.at, words),
            href: `#${partId(baseId, problem.at, 'input')}`,
          }))}
        />
      )}
    </>
  );
  const isDrawn = Part !== undefined && isBad;
  return (
    <div
      ref={box}
      tabIndex={-1}
      role="status"
      className={isBad && !isDrawn ? 'poietra-summary' : undefined}
      data-status={status}
    >
      {isDrawn ? <Part>{told}</Part> : told}
    </div>
  );
}
