/**
 * The frames that run foreign code, fetched when one is first drawn: every message of theirs is checked, and what checks
 * them takes longer to start than most pages to be drawn.
 */
import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { Busy } from './states.js';

/** A component that is fetched when it is first drawn; `meanwhile` stands in its place until then. */
export function late<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  meanwhile: ReactNode = null,
): ComponentType<Props> {
  const Loaded = lazy(async () => ({ default: await load() }));
  return function Late(props: Props): ReactNode {
    return (
      <Suspense fallback={meanwhile}>
        <Loaded {...props} />
      </Suspense>
    );
  };
}

export const StandFrame = late(
  async () => (await import('./stand-frame.js')).StandFrame,
  <Busy>Opening the frame …</Busy>,
);
/** Who tries or proves says how far it is; the frame itself says nothing. */
export const ProverFrame = late(async () => (await import('./prover-frame.js')).ProverFrame);
