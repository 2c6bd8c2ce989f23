import { LimitReached } from '../../json/index.js';
import type { ParsedPattern, Part } from './parse.js';

/** What comes after a part has matched up to `at`. */
type Next = (at: number) => boolean;
type Matcher = (at: number, next: Next) => boolean;
type Repeat = Extract<Part, { kind: 'repeat' }>;

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

    const sequence = (parts: readonly Part[], isOuter: boolean): Matcher => {
      const matchers = parts.map((part) => matcher(part, isOuter));
      return matchers.reduceRight<Matcher>(
        (rest, first) => (at, next) => first(at, (then) => rest(then, next)),
        (at, next) => next(at),
      );
    };

    /** The commonest repeat, of a single character, without going deeper for each of them. */
    const run = (part: Repeat, test: (char: string) => boolean, isOuter: boolean): Matcher => {
      const mayRemember = isOuter && this.#remembers;
      let known = { from: 0, to: 0 };
      let dead = { from: 1, to: 0 };
      return (start, next) => {
        let end = mayRemember && part.max === Infinity && start >= known.from && start < known.to ? known.to : start;
        for (let char = chars[end]; char !== undefined && end - start < part.max && test(char); char = chars[++end])
          step();
        known = { from: start, to: end };
        const least = start + part.min;
        if (end < least || (mayRemember && least >= dead.from && end <= dead.to)) return false;
        for (let i = 0; i <= end - least; i++) {
          step();
          if (next(part.lazy ? least + i : end - i)) return true;
        }
        dead = { from: least, to: end };
        return false;
      };
    };

    const repeat = (part: Repeat, isOuter: boolean): Matcher => {
      if (part.part.kind === 'one') return run(part, part.part.test, isOuter);
      const body = matcher(part.part, false);
      // Outside other repeats the same rest follows from wherever the search began, so dead ends stay dead.
      const shared = new Set<number>();
      return (start, next) => {
        const deadEnds = isOuter ? shared : new Set<number>();
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
      const body = matcher(part.part, false);
      const [fewest, most] = widths(part.part);
      return (at, next) => {
        let found = false;
        if (part.behind) {
          const least = Math.max(0, at - most);
          for (let from = at - fewest; from >= least && !found; from--) found = body(from, (end) => end === at);
        } else found = body(at, () => true);
        return found !== part.negative && next(at);
      };
    };

    const matcher = (part: Part, isOuter: boolean): Matcher => {
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
          return sequence(part.parts, isOuter);
        case 'choice': {
          const matchers = part.parts.map((alternative) => matcher(alternative, isOuter));
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
          return repeat(part, isOuter);
        case 'capture': {
          const body = matcher(part.part, isOuter);
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

    const whole = matcher(this.#parsed.root, true);
    try {
      for (let from = 0; from <= chars.length; from++) if (whole(from, () => true)) return true;
    } catch (error) {
      if (error instanceof RangeError && !(error instanceof LimitReached))
        throw new LimitReached('The pattern goes too deep for this text.');
      throw error;
    }
    return false;
  }
}

/** How many characters a part can take at least and at most. */
function widths(part: Part): readonly [number, number] {
  switch (part.kind) {
    case 'one':
      return [1, 1];
    case 'edge':
    case 'look':
      return [0, 0];
    case 'again':
      return [0, Infinity];
    case 'capture':
      return widths(part.part);
    case 'sequence':
      return part.parts.map(widths).reduce(([a, b], [c, d]) => [a + c, b + d], [0, 0]);
    case 'choice':
      return part.parts.map(widths).reduce(([a, b], [c, d]) => [Math.min(a, c), Math.max(b, d)]);
    case 'repeat': {
      const [least, most] = widths(part.part);
      return [least * part.min, most === 0 ? 0 : most * part.max];
    }
  }
}

function hasReference(part: Part): boolean {
  if (part.kind === 'again') return true;
  if ('parts' in part) return part.parts.some(hasReference);
  return 'part' in part && hasReference(part.part);
}
