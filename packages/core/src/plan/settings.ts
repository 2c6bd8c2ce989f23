import type { PlaceSettings } from '../form/index.js';
import type { PlanTree } from './nodes.js';
import { planAt } from './walk.js';

/** What the hints of each place say of how it is told and shown, for `openForm`. */
export function settingsOf({ root }: PlanTree): (at: string) => PlaceSettings | undefined {
  return (at) => planAt(root, at)?.hints;
}
