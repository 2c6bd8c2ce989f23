/** How the sending of a form goes: what was told before, who is waited for, and what came of it. */
import { batch, signal } from '@preact/signals-core';
import { isWithin, reasonOf, type Pointer, type Problem } from '../json/index.js';
import type { Attendant } from './ground.js';
import { acceptedWords, outcomeOf } from './outcome.js';
import type { Place } from './place.js';
import type { FormOptions, FormStatus, Outcome, Submitted } from './types.js';

const nothing = (): void => undefined;

/** The part of a form that is about sending it; the value, and what is wrong with it, are the form's own. */
export abstract class Sending {
  /** Where all that is wrong is told by now: within each of these places. Once sending was tried, that is everywhere. */
  readonly #told = signal<readonly Pointer[]>([]);
  readonly #status = signal<FormStatus>('open');
  readonly #message = signal<string | undefined>(undefined);
  protected attendants: readonly Attendant[] = [];
  /** Places with a text that could not be parsed, a refusal, a broken rule, or a value kept aside: so that nobody walks all places. */
  protected readonly marked = new Set<Place>();

  protected abstract readonly options: Pick<FormOptions, 'accepted'>;
  abstract place(at: Pointer): Place;
  abstract noticed(place: Place): void;
  abstract problems(): readonly Problem[];
  abstract sent(): unknown;
  /** Takes note of what is being sent; calling what it gives makes that the form's new beginning. */
  protected abstract beginHere(): () => void;

  get status(): FormStatus {
    return this.#status.value;
  }
  get message(): string | undefined {
    return this.#message.value;
  }
  get submittedOnce(): boolean {
    return this.isTold('');
  }
  isTold(at: Pointer): boolean {
    return this.#told.value.some((told) => isWithin(at, told));
  }
  /** The form begins anew. */
  protected begin(): void {
    this.#told.value = [];
    this.#message.value = undefined;
    this.#status.value = 'open';
  }
  /** Somebody goes on with the form, and what came of the last attempt is past. */
  protected goOn(): void {
    if (this.#status.peek() !== 'sending') this.#status.value = 'open';
  }

  tellWithin(at: Pointer): readonly Problem[] {
    batch(() => this.#tell(at));
    return this.problems().filter((problem) => isWithin(problem.at, at));
  }
  #tell(at: Pointer): void {
    for (const place of [...this.marked].filter((one) => isWithin(one.at, at))) {
      // What a server refused has been told; another attempt says whether it still stands.
      place.acts.accept();
      place.problemsVersion.value++;
      this.noticed(place);
    }
    this.#told.value = [...new Set(this.#told.peek()).add(at)];
  }

  async submit(send: (sent: unknown) => Promise<Outcome>): Promise<Submitted> {
    if (this.#status.peek() === 'sending') return { kind: 'failed', message: 'It is being sent.' };
    batch(() => {
      this.#tell('');
      this.#message.value = undefined;
    });
    let begin = nothing;
    let outcome: Outcome;
    try {
      for (let asked = this.waitsFor(true); asked; asked = this.waitsFor()) {
        this.#status.value = 'sending';
        await asked;
      }
      const problems = this.problems();
      if (problems.length > 0) {
        this.#status.value = 'open';
        return { kind: 'invalid', problems };
      }
      this.#status.value = 'sending';
      begin = this.beginHere();
      outcome = outcomeOf(await send(this.sent()));
    } catch (error) {
      // Also where nobody could be asked: nothing is sent unchecked.
      outcome = { kind: 'failed', message: reasonOf(error) };
    }
    batch(() => {
      this.#status.value = outcome.kind;
      if (outcome.kind === 'refused') this.refuse(outcome.problems, outcome.message);
      else if (outcome.kind === 'failed') this.#message.value = outcome.message;
      else {
        const { accepted } = this.options;
        this.#message.value =
          typeof accepted === 'string' ? acceptedWords(accepted, outcome.answer) : accepted?.(outcome.answer);
        begin();
      }
    });
    return outcome;
  }

  refuse(problems: readonly Problem[], message?: string): void {
    batch(() => {
      for (const problem of problems) {
        const place = this.place(problem.at);
        place.acts.refusals.value = [...place.acts.refusals.peek(), problem];
        this.noticed(place);
      }
      this.#message.value = message;
      this.#status.value = 'refused';
    });
  }

  /** `isFirst`: an attempt begins, which asks again what could not be answered before. */
  waitsFor(isFirst = false): Promise<unknown> | undefined {
    const asked = this.attendants.flatMap((one) => one.settled?.(isFirst) ?? []);
    return asked[0] && Promise.all(asked);
  }
}
