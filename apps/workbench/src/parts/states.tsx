/** The three states every view can be in when there is nothing to work on: empty, busy, failed. */
import { WarningCircleIcon } from '@phosphor-icons/react';
import type { ReactNode } from 'react';

export function Empty({
  title,
  example,
  children,
}: {
  readonly title: string;
  /** What of there would be some is shown alive. */
  readonly example?: ReactNode;
  readonly children: ReactNode;
}): ReactNode {
  return (
    <div className="grid max-w-3xl gap-2 p-4 text-ink-2 sm:p-8">
      <h2 className="text-ink">{title}</h2>
      <div className="max-w-prose">{children}</div>
      {example}
    </div>
  );
}

export function Busy({ children }: { readonly children: ReactNode }): ReactNode {
  return (
    <p role="status" className="flex items-center gap-2 p-4 text-ink-2">
      <span aria-hidden="true" className="inline-block size-3 animate-pulse rounded-full border-2 border-held" />
      {children}
    </p>
  );
}

export function Failed({
  title,
  message,
  children,
}: {
  readonly title: string;
  readonly message: string;
  readonly children?: ReactNode;
}): ReactNode {
  return (
    <div role="alert" className="m-4 grid justify-items-start gap-2 border-l-4 border-fail bg-sheet p-4">
      <h2 className="flex items-center gap-1.5 text-fail">
        <WarningCircleIcon size={16} weight="bold" aria-hidden="true" />
        {title}
      </h2>
      <p className="whitespace-pre-wrap">{message}</p>
      {children}
    </div>
  );
}
