/** What must hold of a codec for every value. Said here; counterexamples are searched for by whoever has the time. */
import type { Codec } from './codec.js';
import { same, toNotation } from './notation.js';

/** One law: its name, what it says, and what breaks it for a value. */
export interface Law {
  readonly id: 'json' | 'shown' | 'throws' | 'stable' | 'empty';
  readonly says: string;
  /** What breaks it for this shown value; `undefined` where it holds. */
  broken(codec: Codec, shown: unknown): string | undefined;
}

const text = (value: unknown): string => JSON.stringify(toNotation(value));

function heldOf(codec: Codec, shown: unknown): { readonly held: unknown } | undefined {
  const parsed = codec.parse(shown);
  return parsed.ok ? { held: parsed.held } : undefined;
}
/** JSON knows no -0; nothing else may get lost. */
const alike = (a: unknown, b: unknown): boolean => same(a, b) || (a === 0 && b === 0);

/** What must hold of every codec, for every value that an input may show. */
export const laws: readonly Law[] = [
  {
    id: 'throws',
    says: 'No value makes it throw.',
    broken(codec, shown) {
      try {
        const parsed = codec.parse(shown);
        if (parsed.ok) codec.show(parsed.held);
        codec.revive(shown);
        return undefined;
      } catch (error) {
        return error instanceof Error ? error.message : String(error);
      }
    },
  },
  {
    id: 'json',
    says: 'Nothing is lost from held through JSON and back.',
    broken(codec, shown) {
      const start = heldOf(codec, shown);
      if (!start) return undefined;
      const sent = codec.serialise(start.held);
      const json = sent === undefined ? undefined : JSON.stringify(sent);
      const back = codec.revive(json === undefined ? undefined : JSON.parse(json));
      if (!back.ok)
        return `Held ${text(start.held)} was sent as ${String(json)} and is refused on the way back: ${back.reason}`;
      return alike(back.held, start.held)
        ? undefined
        : `Held ${text(start.held)} was sent as ${String(json)} and came back as ${text(back.held)}.`;
    },
  },
  {
    id: 'shown',
    says: 'Nothing is lost from held through shown and back.',
    broken(codec, shown) {
      const start = heldOf(codec, shown);
      if (!start) return undefined;
      const again = codec.parse(codec.show(start.held));
      if (!again.ok)
        return `Held ${text(start.held)} is shown as ${text(codec.show(start.held))}, which is refused: ${again.reason}`;
      return alike(again.held, start.held)
        ? undefined
        : `Held ${text(start.held)} is shown as ${text(codec.show(start.held))}, which is held as ${text(again.held)}.`;
    },
  },
  {
    id: 'stable',
    says: 'What is shown again looks the same from then on.',
    broken(codec, shown) {
      const start = heldOf(codec, shown);
      if (!start) return undefined;
      const once = codec.show(start.held);
      const again = heldOf(codec, once);
      const twice = again && codec.show(again.held);
      return again === undefined || alike(once, twice)
        ? undefined
        : `It is shown as ${text(once)}, then as ${text(twice)}.`;
    },
  },
  {
    id: 'empty',
    says: 'Nothing stays nothing, and something never becomes nothing.',
    broken(codec, shown) {
      const isNothing = (value: unknown): boolean => value === undefined || value === null || value === '';
      const start = heldOf(codec, shown);
      if (!start) return undefined;
      const sent = codec.serialise(start.held);
      if (isNothing(shown)) return isNothing(start.held) ? undefined : `${text(shown)} is held as ${text(start.held)}.`;
      return !isNothing(start.held) && sent === undefined ? `Held ${text(start.held)} is not sent at all.` : undefined;
    },
  },
];
