import { useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { readCell } from '../../parts/cell-text.js';

/** Those that tell the most about how an input takes its values. */
export const standardValues: readonly (readonly [string, unknown])[] = [
  ['undefined', { $is: 'undefined' }],
  ['null', null],
  ['""', ''],
  ['0', 0],
  ['false', false],
  ['true', true],
  ['12', 12],
  ['"12"', '12'],
  ['a date', { $is: 'Date', value: '2026-12-01T00:00:00.000' }],
  ['"2026-12-01"', '2026-12-01'],
  ['[ ]', []],
  ['{ }', {}],
];

/** Values to push into the input, to see what it shows. */
export function PushValues({ onPush }: { onPush(written: unknown): void }): ReactNode {
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const push = (): void => {
    const read = readCell(text);
    setTrouble(read.ok ? undefined : read.reason);
    if (read.ok) onPush(read.written);
  };
  return (
    <section aria-label="Push values in" className="grid content-start gap-1">
      <h2>Push a value in</h2>
      <div className="flex flex-wrap gap-1">
        {standardValues.map(([name, written]) => (
          <Button key={name} className="mono min-h-6! px-1.5!" onClick={() => onPush(written)}>
            {name}
          </Button>
        ))}
        <form
          className="flex gap-1"
          onSubmit={(event) => {
            event.preventDefault();
            push();
          }}
        >
          <input
            aria-label="Any JSON"
            aria-invalid={trouble !== undefined}
            placeholder="any JSON, or date 2026-12-01"
            className="mono w-44 rounded-sm border border-edge bg-sheet px-2"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <button type="submit" className="rounded-sm border border-edge bg-sheet px-2.5 hover:bg-mark">
            Push
          </button>
        </form>
      </div>
      {trouble !== undefined && (
        <p role="alert" className="text-fail">
          {trouble}
        </p>
      )}
    </section>
  );
}
