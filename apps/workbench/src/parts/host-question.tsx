import type { ReactNode } from 'react';
import { useHostQuestions } from '../store/hosts.js';
import { useKit } from '../store/kit.js';
import { Button } from './button.js';

/** What has to be answered before a form may ask a host: it stands until somebody does. */
export function HostQuestion(): ReactNode {
  const [first, ...others] = useHostQuestions(({ questions }) => questions);
  const hosts = useKit(({ kit }) => kit.hosts);
  if (!first) return null;
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline bg-raised px-4 py-1.5 text-[13px]"
    >
      <p className="min-w-0 max-w-[100ch] break-words">
        A form wants to ask <b className="mono">{first.origin}</b> for values. What is typed into it may be part of what
        is asked.{' '}
        {hosts?.[first.origin] ? 'The kit names this host already, but nobody has allowed it in this browser.' : ''}
        {others.length > 0 && ` ${others.length} more after this one.`}
      </p>
      <span className="ml-auto flex gap-1">
        <Button onClick={() => first.answer(true)}>Allow it</Button>
        <Button look="quiet" onClick={() => first.answer(false)}>
          Not now
        </Button>
      </span>
    </div>
  );
}
