import type { Kit } from '@poietra/core';
import type { ReactNode } from 'react';
import { Toggle } from './toggle.js';

interface Props {
  readonly forms: Kit['forms'];
  readonly name: string | undefined;
  onChoose(name: string): void;
  /** Whether every problem is shown at once. */
  readonly isTold: boolean;
  onTell(is: boolean): void;
  readonly children?: ReactNode;
}

/** Over which form of the kit something is looked at, and whether with its problems. */
export function OverForm({ forms, name, onChoose, isTold, onTell, children }: Props): ReactNode {
  return (
    <div className="flex flex-wrap items-center gap-2">
      {name !== undefined && (
        <label className="flex items-center gap-2">
          Over
          <select
            className="max-w-60 rounded-sm border border-edge bg-sheet px-1 py-0.5"
            value={name}
            onChange={({ target }) => onChoose(target.value)}
          >
            {Object.entries(forms).map(([id, { title }]) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </select>
        </label>
      )}
      <Toggle isOn={isTold} onChange={() => onTell(!isTold)}>
        With its problems told
      </Toggle>
      {children}
    </div>
  );
}
