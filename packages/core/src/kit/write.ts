/** What is said of kit files without reading one: apart, since what reads them is large and not always there. */
import type { Kit } from './kit.js';

/** The largest kit file that is read, in characters. */
export const largestKit = 20_000_000;

/** The file's text: readable, with members in the kit's own order. */
export function writeKit(kit: Kit): string {
  return `${JSON.stringify(kit, undefined, 2)}\n`;
}
