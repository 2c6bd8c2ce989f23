import { LimitReached } from '../../json/index.js';
import type { ParsedPattern, Part } from './parse.js';

/** What comes after a part has matched up to `at`. */
type Next = (at: number) => boolean;
type Matcher = (at: number, next: Next) => boolean;

/**
 * A backtracking matcher that counts its steps and remembers dead ends. Without references back to a group,
 * "this part, from here" can only fail once, so the work stays proportional to pattern times text.
 */
export class GuardedPattern {
  readonly #parsed: ParsedPattern;
  readonly #remembers: boolean;

  constructor(
    parsed: ParsedPattern,
    private readonly maxSteps: number,
  ) {
    this.#parsed = parsed;
    this.#remembers = !hasReference(parsed.root);
  }

  /** @throws {LimitReached} when the text would take more steps than allowed. */
  test(text: string): boolean {
    const chars = [...text];
    const groups: (readonly [number, number] | undefined)[] = [];
    let steps = 0;
    const step = (): void => {
      if (++steps > this.maxSteps)
        throw new LimitReached(`The pattern needs more than ${this.maxSteps} steps for this text.`);
    };
    const isWord = (at: number): boolean => /^\w$/.test(chars[at] ?? '');

    const sequence = (parts: readonly Part[]): Matcher => {
      const matchers = parts.map(matcher);
      return matchers.reduceRight<Matcher>(
        (rest, first) => (at, next) => first(at, (then) => rest(then, next)),
        (at, next) => next(at),
      );
    };

    const repeat = (part: Extract<Part, { kind: 'repeat' }>): Matcher => {
      const body = matcher(part.part);
      return (start, next) => {
        const deadEnds = new Set<number>();
        const from = (at: number, count: number): boolean => {
          step();
          // Past the minimum, how often it has repeated makes no difference without an upper bound.
          const memory =
            this.#remembers && count >= part.min
              ? part.max === Infinity
                ? at
                : at * (part.max + 1) + count
              : undefined;
          if (memory !== undefined && deadEnds.has(memory)) return false;
          const more = (): boolean =>
            count < part.max && body(at, (then) => (then === at && count >= part.min ? false : from(then, count + 1)));
          const enough = (): boolean => count >= part.min && next(at);
          const matched = part.lazy ? enough() || more() : more() || enough();
          if (!matched && memory !== undefined) deadEnds.add(memory);
          return matched;
        };
        return from(start, 0);
      };
    };

    const look = (part: Extract<Part, { kind: 'look' }>): Matcher => {
      const body = matcher(part.part);
      return (at, next) => {
        let found = false;
        if (part.behind) for (let from = at; from >= 0 && !found; from--) found = body(from, (end) => end === at);
        else found = body(at, () => true);
        return found !== part.negative && next(at);
      };
    };

    const matcher = (part: Part): Matcher => {
      switch (part.kind) {
        case 'one':
          return (at, next) => {
            step();
            const char = chars[at];
            return char !== undefined && part.test(char) && next(at + 1);
          };
        case 'edge':
          return (at, next) => {
            const onEdge =
              part.which === 'start'
                ? at === 0
                : part.which === 'end'
                  ? at === chars.length
                  : (isWord(at - 1) !== isWord(at)) === (part.which === 'word');
            return onEdge && next(at);
          };
        case 'sequence':
          return sequence(part.parts);
        case 'choice': {
          const matchers = part.parts.map(matcher);
          return (at, next) => {
            // Two alternatives that end at the same place lead to the same rest: try it once.
            const tried = new Set<number>();
            return matchers.some((alternative) =>
              alternative(at, (then) => {
                step();
                if (this.#remembers && tried.has(then)) return false;
                tried.add(then);
                return next(then);
              }),
            );
          };
        }
        case 'repeat':
          return repeat(part);
        case 'capture': {
          const body = matcher(part.part);
          return (at, next) =>
            body(at, (end) => {
              const before = groups[part.index];
              groups[part.index] = [at, end];
              if (next(end)) return true;
              groups[part.index] = before;
              return false;
            });
        }
        case 'look':
          return look(part);
        case 'again':
          return (at, next) => {
            const index = typeof part.group === 'number' ? part.group : (this.#parsed.names.get(part.group) ?? 0);
            const [from, to] = groups[index] ?? [0, 0];
            const wanted = chars.slice(from, to);
            step();
            return wanted.every((char, i) => chars[at + i] === char) && next(at + wanted.length);
          };
      }
    };

    const whole = matcher(this.#parsed.root);
    try {
      for (let from = 0; from <= chars.length; from++) if (whole(from, () => true)) return true;
    } catch (error) {
      if (error instanceof RangeError) throw new LimitReached('The pattern goes too deep for this text.');
      throw error;
    }
    return false;
  }
}

function hasReference(part: Part): boolean {
  if (part.kind === 'again') return true;
  if ('parts' in part) return part.parts.some(hasReference);
  return 'part' in part && hasReference(part.part);
}
