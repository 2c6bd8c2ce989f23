import { describeValue, fromNotation, makeCodec, type CodecDescription } from '@poietra/core';
import type { LineValue } from './value-line.js';

/** A written value sent along a codec: the three stations. */
export function lineFor(written: unknown, codec: CodecDescription): LineValue {
  const shown = fromNotation(written);
  const made = makeCodec(codec);
  const parsed = made.parse(shown);
  const held = parsed.ok ? parsed.held : undefined;
  return {
    shown: describeValue(shown, 0),
    held: describeValue(held, 0),
    sent: describeValue(made.serialise(held), 0),
    broken: parsed.ok ? undefined : parsed.reason,
  };
}
