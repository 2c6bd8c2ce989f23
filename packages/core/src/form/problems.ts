/** What the schema says is wrong with a form's value, in the form's own words and sorted to the places concerned. */
import { signal, type Signal } from '@preact/signals-core';
import { joinPointer, type Pointer, type Problem } from '../json/index.js';
import { reword, type Messages } from '../schema/index.js';
import type { Words } from '../words/index.js';
import type { Typed } from './acts.js';
import type { Place } from './place.js';
import type { FormOptions } from './types.js';

const none: readonly Problem[] = [];

export class FormProblems {
  #verdict: { readonly problems: readonly Problem[] } = { problems: none };
  #listed: readonly Problem[] | undefined;
  #sorted: ReadonlyMap<Pointer, readonly Problem[]> | undefined;
  /** A problem that stays keeps its object, and so its words. */
  #worded = new WeakMap<Problem, Problem>();
  /** The language; English without one. */
  readonly words: Signal<Words | undefined>;

  /** `compiled` are the words that the schema was compiled with; they go before the language, the form's own before them. */
  constructor(
    private readonly own: Pick<FormOptions, 'messages' | 'settingsAt' | 'words'>,
    private readonly compiled: Messages = {},
  ) {
    this.words = signal(own.words);
  }

  /** A text that could not be parsed is a problem of the keyword `parse`, with `{typed}` and `{reason}` to speak of. */
  typed(at: Pointer, { raw: typed, ...why }: Typed): Problem {
    const problem = { at, keyword: 'parse', schemaAt: '', params: { typed, ...why }, message: why.reason };
    return reword(problem, this.#messagesFor(at));
  }
  #messagesFor(at: Pointer): Messages {
    return {
      ...this.words.value?.messages,
      ...this.compiled,
      ...this.own.messages,
      ...this.own.settingsAt?.(at)?.messages,
    };
  }

  /** The schema's verdict on the value as it stands; listed and sorted when somebody asks. */
  take(verdict: { readonly problems: readonly Problem[] }): void {
    this.#verdict = verdict;
    this.#listed = undefined;
    this.#sorted = undefined;
  }
  /** From now on all problems are told in these words. */
  speak(words: Words | undefined): void {
    this.#worded = new WeakMap();
    this.take(this.#verdict);
    this.words.value = words;
  }
  get all(): readonly Problem[] {
    // Also where they are known: who reads them reads them in a language.
    void this.words.value;
    return (this.#listed ??= this.#verdict.problems.map((problem) => this.#onField(problem)));
  }
  /** What is open in the whole: what was typed goes before what the schema says of the same place, and what others say after. */
  open(marked: ReadonlySet<Place>, isInForce: (at: Pointer) => boolean): readonly Problem[] {
    const own = [...marked];
    const typed = new Set(own.flatMap((place) => (place.acts.typed.value && place.inForce ? [place.at] : [])));
    // A rule that is told at several places is one thing to mend.
    return [
      ...new Set([
        ...this.all.filter(({ at }) => !typed.has(at) && isInForce(at)),
        ...own.flatMap((place) =>
          typed.has(place.at)
            ? place.problems
            : [...(place.inForce ? place.ruling.value.problems : []), ...place.acts.refusals.value],
        ),
      ]),
    ];
  }
  at(place: Pointer): readonly Problem[] {
    void this.words.value;
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
    const { keyword, params } = problem;
    const name = keyword === 'required' ? params['missing'] : keyword === 'dependentRequired' && params['name'];
    if (typeof name !== 'string') return reword(problem, this.#messagesFor(problem.at));
    const at = joinPointer(problem.at, name);
    return reword({ ...problem, at }, { [keyword]: 'Is needed.', ...this.#messagesFor(at) });
  }
}
