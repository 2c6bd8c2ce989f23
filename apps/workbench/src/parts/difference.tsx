import type { ReactNode } from 'react';

const looks: Readonly<Record<string, string>> = {
  '+': 'border-pass bg-mark',
  '-': 'border-fail text-ink-2',
  '@': 'border-transparent text-ink-2',
};

/** A unified difference, line by line; what comes and what goes is said by its sign as well as by its look. */
export function Difference({ patch }: { readonly patch: string }): ReactNode {
  // The head names the file twice more.
  const lines = patch.split('\n').slice(patch.split('\n').findIndex((line) => line.startsWith('@@')));
  return (
    <pre className="mono h-full overflow-auto bg-sheet py-2" tabIndex={0} aria-label="Difference">
      {lines.map((line, i) => (
        <span
          key={i}
          className={`block min-h-[1.4em] border-l-4 px-3 ${looks[line.charAt(0)] ?? 'border-transparent'}`}
        >
          {line}
        </span>
      ))}
    </pre>
  );
}
