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
/** In a form that is still being drawn, once the place is there; but never from under somebody who went elsewhere meanwhile. */
const focusWhenDrawn: Mending['focusFirst'] = async (element, form, problems, turns) => {
  const before = document.activeElement;
  while (!focusFirst(element, form, problems)) {
    const drawn = turns?.next();
    if (!drawn) return false;
    await drawn;
    if (document.activeElement !== before) break;
  }
  return true;
};
export const mending: Mending = { ProblemList, focusFirst: focusWhenDrawn };
