import { joinPointer } from '@poietra/core';
import type { ReactNode } from 'react';
import { CodeView } from '../../parts/code-view.js';
import { late } from '../../parts/late.js';
import { useKit } from '../../store/kit.js';
import type { RunCode } from './code-frame.js';

const CodeFrame = late(async () => (await import('./code-frame.js')).CodeFrame);

/** What a codec of code starts with. */
export const firstCode = `/** What the input shows becomes what is held; an Error says why it cannot. */
export function parse(shown: unknown): string {
  if (typeof shown !== 'string') throw new Error('A text was expected.');
  return shown.trim();
}

/** What is held becomes what the input shows. */
export function show(held: string): string {
  return held;
}
`;

/** The code itself. It is kept as it is typed, also while it cannot be taken. */
export function CodecSource({
  name,
  source,
  trouble,
  onReady,
  onTrouble,
}: {
  readonly name: string;
  readonly source: string;
  readonly trouble: string | undefined;
  onReady(run: RunCode): void;
  onTrouble(reason: string | undefined): void;
}): ReactNode {
  const edit = useKit(({ edit: change }) => change);
  return (
    <section aria-label="Code" className="grid gap-1">
      <div className="h-64 border border-hairline">
        <CodeView
          label={`Code of ${name}`}
          text={source}
          language="typescript"
          onChange={(text) =>
            edit(`Code of ${name}`, { [`${joinPointer('/codecs', name)}/options/source`]: text }, `code ${name}`)
          }
        />
      </div>
      <p role="status" className="min-h-5 text-[13px] text-fail">
        {trouble}
      </p>
      <CodeFrame source={source} onReady={onReady} onTrouble={onTrouble} />
    </section>
  );
}
