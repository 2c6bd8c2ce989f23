/** What the schema says is wrong with a form's value, in the form's own words and sorted to the places concerned. */
import { joinPointer, type Pointer, type Problem } from '../json/index.js';
import { reword, textFor, type Messages } from '../schema/index.js';
import type { FormOptions } from './types.js';

const none: readonly Problem[] = [];

export class FormProblems {
  #verdict: { readonly problems: readonly Problem[] } = { problems: none };
  #listed: readonly Problem[] | undefined;
  #sorted: ReadonlyMap<Pointer, readonly Problem[]> | undefined;
  /** A problem that stays keeps its object, and so its words. */
  readonly #worded = new WeakMap<Problem, Problem>();

  /** `compiled` are the words that the schema was compiled with; the form's own go before them. */
  constructor(
    private readonly words: Pick<FormOptions, 'messages' | 'settingsAt'>,
    private readonly compiled: Messages = {},
  ) {}

  /** A text that could not be parsed is a problem of the keyword `parse`, with `{typed}` and `{reason}` to speak of. */
  typed(at: Pointer, typed: unknown, reason: string): Problem {
    const problem = { at, keyword: 'parse', schemaAt: '', params: { typed, reason }, message: reason };
    return reword(problem, this.#messagesFor(at));
  }
  #messagesFor(at: Pointer): Messages {
    return { ...this.compiled, ...this.words.messages, ...this.words.settingsAt?.(at)?.messages };
  }

  /** The schema's verdict on the value as it stands; listed and sorted when somebody asks. */
  take(verdict: { readonly problems: readonly Problem[] }): void {
    this.#verdict = verdict;
    this.#listed = undefined;
    this.#sorted = undefined;
  }
  get all(): readonly Problem[] {
    return (this.#listed ??= this.#verdict.problems.map((problem) => this.#onField(problem)));
  }
  at(place: Pointer): readonly Problem[] {
    return this.#byPlace.get(place) ?? none;
  }

  get #byPlace(): ReadonlyMap<Pointer, readonly Problem[]> {
    if (this.#sorted) return this.#sorted;
    const sorted = new Map<Pointer, Problem[]>();
    for (const problem of this.all) {
      const known = sorted.get(problem.at);
      if (known) known.push(problem);
      else sorted.set(problem.at, [problem]);
    }
    return (this.#sorted = sorted);
  }

  #onField(problem: Problem): Problem {
    let worded = this.#worded.get(problem);
    if (!worded) {
      worded = this.#wordedFor(problem);
      this.#worded.set(problem, worded);
    }
    return worded;
  }

  /** A missing member is the field's own matter, not that of the object around it. */
  #wordedFor(problem: Problem): Problem {
    const name =
      problem.keyword === 'required'
        ? problem.params['missing']
        : problem.keyword === 'dependentRequired'
          ? problem.params['name']
          : undefined;
    const messages = this.#messagesFor(typeof name === 'string' ? joinPointer(problem.at, name) : problem.at);
    const moved =
      typeof name === 'string'
        ? {
            ...problem,
            at: joinPointer(problem.at, name),
            message: textFor(
              { required: 'Is needed.', dependentRequired: 'Is needed.', ...messages },
              problem.keyword,
              problem.params,
            ),
          }
        : problem;
    return Object.keys(messages).length > 0 ? reword(moved, messages) : moved;
  }
}
