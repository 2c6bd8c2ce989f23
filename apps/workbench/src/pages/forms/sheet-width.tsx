import type { ReactNode } from 'react';
import { Toggle } from '../../parts/toggle.js';

const widths = [
  ['Phone', 375],
  ['Tablet', 600],
  ['Desktop', 720],
] as const;
const [least, most] = [240, 1600];

interface Props {
  /** In pixels. */
  readonly width: number;
  onChange(width: number): void;
}

/** How wide the sheet is: as on a phone, a tablet, a desktop, or as wide as one says. */
export function SheetWidth({ width, onChange }: Props): ReactNode {
  return (
    <div role="group" aria-label="Width of the sheet" className="flex items-center">
      {widths.map(([title, pixels]) => (
        <Toggle key={title} isOn={width === pixels} onChange={() => onChange(pixels)}>
          {title}
        </Toggle>
      ))}
      <input
        key={width}
        type="number"
        aria-label="Width in pixels"
        min={least}
        max={most}
        step={5}
        defaultValue={width}
        className="mono ml-1 w-16 rounded-sm border border-edge bg-sheet px-1 py-0.5"
        onBlur={({ target }) => take(target)}
        onKeyDown={({ key, currentTarget }) => {
          if (key === 'Enter') take(currentTarget);
        }}
      />
    </div>
  );
  function take(box: HTMLInputElement): void {
    const wanted = Math.min(most, Math.max(least, Math.round(box.valueAsNumber)));
    if (Number.isNaN(wanted)) box.value = String(width);
    else onChange(wanted);
  }
}
