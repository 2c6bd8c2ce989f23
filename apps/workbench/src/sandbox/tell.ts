import { say } from '@poietra/stand/say';
import type { FromFrame } from './checked.js';

const most = 300;
let count = 0;
let since = 0;
let isFlooded = false;

/** Tells the workbench. An input that reports without end is cut off; the frame then says so once and draws nothing more. */
export function tell(message: FromFrame): void {
  if (isFlooded) return;
  const now = performance.now();
  if (now - since > 1000) {
    since = now;
    count = 0;
  }
  if (message.kind === 'report' && ++count > most) {
    isFlooded = true;
    say({ kind: 'flooded', name: message.name });
    return;
  }
  say(message);
}
