import type { Codec } from '../codec/index.js';

/**
 * What a text that is being typed looks like in its normal form, so that more can be typed behind it: the normal form of
 * `a ` as a slug is `a`, and yet a hyphen has to stand there for `a b` to become `a-b`. What stands at the end is kept
 * where something behind it would keep it.
 */
export function normalWhileTyping(codec: Codec, raw: string, shown: string): string {
  const formOf = (text: string): string | undefined => {
    const parsed = codec.parse(text);
    const normal = parsed.ok ? codec.show(parsed.held) : undefined;
    return typeof normal === 'string' ? normal : undefined;
  };
  const more = formOf('x');
  const whole = formOf(`${raw}x`);
  return more !== undefined && whole?.endsWith(more) === true ? whole.slice(0, -more.length) : shown;
}
