/** What a person mends by: where all problems stand, and the way to the first of them. Fetched once a form stands. */
import type { ReactNode } from 'react';
import type { Mending, ProblemListProps } from './drawing.js';
import { focusFirst } from './reveal.js';

/** The problems, each with a way to its field. */
function ProblemList({ form, says, entries }: ProblemListProps): ReactNode {
  return (
    <>
      <p>{says}</p>
      <ul>
        {entries.map(({ problem, label, href }) => (
          <li key={`${problem.at} ${problem.keyword} ${problem.message}`}>
            <a
              href={href}
              onClick={(event) => {
                event.preventDefault();
                const sheet = event.currentTarget.closest('form');
                focusFirst(sheet, form, [problem]);
              }}
            >
              {label}
            </a>
            : {problem.message}
          </li>
        ))}
      </ul>
    </>
  );
}
export const mending: Mending = { ProblemList, focusFirst };
