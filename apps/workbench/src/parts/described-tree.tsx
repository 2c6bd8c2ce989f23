import type { Described } from '@poietra/core';
import type { ReactNode } from 'react';

/** A value as it came out of the stand: in short, and unfolded where there is something inside. */
export function DescribedTree({ name, value }: { readonly name?: string; readonly value: Described }): ReactNode {
  const head = (
    <>
      {name !== undefined && <span className="text-ink-2">{name}: </span>}
      <span>{value.text}</span>
    </>
  );
  if (!value.members) return <div className="mono pl-4 break-words">{head}</div>;
  return (
    <details className="mono">
      <summary className="cursor-pointer break-words">{head}</summary>
      <div className="border-l border-hairline pl-2">
        {value.members.map(([key, member]) => (
          <DescribedTree key={key} name={key} value={member} />
        ))}
      </div>
    </details>
  );
}
