/**
 * The frames that run foreign code, fetched when one is first drawn: every message of theirs is checked, and what checks
 * them takes longer to start than most pages to be drawn.
 */
import { late } from './late.js';
import { Busy } from './states.js';

export const StandFrame = late(
  async () => (await import('./stand-frame.js')).StandFrame,
  <Busy>Opening the frame …</Busy>,
);
/** Who tries or proves says how far it is; the frame itself says nothing. */
export const ProverFrame = late(async () => (await import('./prover-frame.js')).ProverFrame);
