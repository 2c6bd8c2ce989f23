import { reasonOf } from '../json/index.js';
import type { Codec } from './codec.js';
import { refused } from './maker.js';

/**
 * A codec whose four functions do not throw, whatever one of somebody's own does: what throws in reading is refused with
 * the reason, what throws in showing shows nothing. `make` may throw, too: then everything is refused.
 */
export function guarded(make: () => Codec): Codec & { readonly trouble?: string } {
  let codec: Codec;
  try {
    codec = make();
  } catch (error) {
    const refusal = refused(reasonOf(error));
    return {
      parse: () => refusal,
      show: () => '',
      serialise: () => undefined,
      revive: () => refusal,
      trouble: refusal.reason,
    };
  }
  const read =
    (name: 'parse' | 'revive'): Codec['parse'] =>
    (value) => {
      try {
        return codec[name](value);
      } catch (error) {
        return refused(reasonOf(error));
      }
    };
  return {
    parse: read('parse'),
    revive: read('revive'),
    // A value that cannot be sent is for whoever wrote it to be told of.
    serialise: (held) => codec.serialise(held),
    show(held) {
      try {
        return codec.show(held);
      } catch {
        return '';
      }
    },
  };
}
