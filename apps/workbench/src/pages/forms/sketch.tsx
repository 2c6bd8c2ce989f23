import type { HintsBeside, Kit } from '@poietra/core';
import { useMemo, type ReactNode } from 'react';
import { usePlanned } from '../../parts/use-planned.js';
import { sketch, type Mark } from './sketch-marks.js';

const width = 200;
const looks: Readonly<Record<Mark['kind'], string>> = {
  field: 'fill-ground stroke-edge',
  choice: 'fill-mark stroke-edge',
  tick: 'fill-sheet stroke-held',
  group: 'fill-none stroke-hairline',
  list: 'fill-none stroke-held',
  chooser: 'fill-none stroke-sent',
};

/** A form or group, drawn small as it lies on its sheet. */
export function Sketch({
  schema,
  hints,
  documents,
  height = 26,
}: {
  readonly schema: unknown;
  readonly hints?: HintsBeside | undefined;
  /** Beside those of the kit. */
  readonly documents?: Kit['documents'];
  readonly height?: number;
}): ReactNode {
  const planned = usePlanned(schema, hints, documents);
  const drawn = useMemo(() => {
    try {
      return planned && 'plan' in planned ? sketch(planned.plan, width, height) : undefined;
    } catch {
      // A plan is made as it is read; what cannot be planned is told by the form's own page.
      return undefined;
    }
  }, [planned, height]);
  if (planned && 'trouble' in planned)
    return (
      <span className="text-[13px] text-warn" title={planned.trouble}>
        {planned.trouble}
      </span>
    );
  if (!drawn) return null;
  return (
    <svg
      width={width}
      height={drawn.height + 2}
      viewBox={`-1 -1 ${width + 2} ${drawn.height + 2}`}
      aria-hidden="true"
      className="block"
    >
      {drawn.marks.map(({ kind, ...place }, i) => (
        <rect key={i} {...place} rx={1} strokeWidth={1} className={looks[kind]} />
      ))}
    </svg>
  );
}
