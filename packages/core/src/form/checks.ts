/**
 * Checks that ask somebody: a function of the application, or a server. A value is asked about once it is sound; what
 * comes back is kept by value, so that nothing is asked twice. An answer about a value that has been typed over is
 * dropped. Sending waits for those that are open.
 */
import { effect, untracked } from '@preact/signals-core';
import { lookUp, parentPointer, reasonOf } from '../json/index.js';
import { eachPlace } from './each-place.js';
import type { Attended, Attendant } from './ground.js';
import type { Place } from './place.js';
import { newSource, problemOf, rule } from './rulings.js';
import { later, never, newStop, type Stop, type StopSignal, type Timer } from './runtime.js';
import type { PlacedCheck } from './types.js';

/** After the last key press. In milliseconds. */
const patience = 300;

/** What was answered: words where the value is not good. */
type Answer = string | undefined;

export function attendChecks(form: Attended, checks: readonly PlacedCheck[]): Attendant {
  const open = new Set<Check>();
  for (const check of checks) {
    const answers = new Map<string, Answer>();
    eachPlace(form, check.at, (at) => {
      const one = new Check(form, check, form.place(at), answers);
      open.add(one);
      return () => {
        open.delete(one);
        one.end();
      };
    });
  }
  return {
    settled(isFirst) {
      const asked = [...open].flatMap((one) => one.settled(isFirst) ?? []);
      return asked.length === 0 ? undefined : Promise.all(asked).then(() => undefined);
    },
  };
}

/** One check at one place. */
class Check {
  readonly #source = newSource();
  readonly #stop: () => void;
  /** The question that stands now, as text; absent while there is none. */
  #key: string | undefined;
  #running: { readonly given: Stop; readonly done: Promise<void>; giveUp(): void } | undefined;
  #timer: Timer | undefined;
  #hasFailed = false;

  constructor(
    private readonly form: Attended,
    private readonly check: PlacedCheck,
    private readonly place: Place,
    private readonly answers: Map<string, Answer>,
  ) {
    this.#stop = effect(() => {
      const question = this.#question();
      untracked(() => this.#turn(question));
    });
  }

  end(): void {
    this.#stop();
    this.#turn(undefined);
  }

  /** What is to be asked, if anything: of a value that is there, in force, sound, and not one that the record came with. */
  #question(): string | undefined {
    const { place, form } = this;
    const value = place.value;
    const isAsked =
      value !== undefined && value !== '' && value !== null && place.inForce && place.isSound && form.isNews(place);
    return isAsked ? JSON.stringify([value, this.check.with?.(this.#around())]) : undefined;
  }
  #around() {
    const { form, place } = this;
    if (this.check.with) void form.place('').subtreeVersion.value;
    const whole = untracked(() => form.place('').sent);
    return { form: whole, here: lookUp(whole, parentPointer(place.at)) };
  }

  #turn(key: string | undefined): void {
    if (key === this.#key) return;
    this.#key = key;
    this.#hasFailed = false;
    never(this.#timer);
    this.#timer = undefined;
    this.#running?.given.abort();
    // Who is asked may never notice; those who wait go on all the same.
    this.#running?.giveUp();
    this.#running = undefined;
    if (key === undefined) this.#say(undefined);
    else if (this.answers.has(key)) this.#say(this.answers.get(key));
    else {
      this.#wait();
      this.#timer = later(() => void this.#ask(key), this.check.patience ?? patience);
    }
  }

  #ask(key: string): Promise<void> {
    never(this.#timer);
    this.#timer = undefined;
    const given = newStop();
    let giveUp = (): void => undefined;
    const givenUp = new Promise<void>((resolve) => (giveUp = resolve));
    const done = Promise.race([this.#answer(key, given.signal), givenUp]);
    this.#running = { given, done, giveUp };
    return done;
  }
  async #answer(key: string, signal: StopSignal): Promise<void> {
    const { place, check, form } = this;
    try {
      const answer = await check.ask(place.value, { ...this.#around(), at: place.at, signal });
      this.answers.set(key, answer);
      if (!signal.aborted) this.#say(answer);
    } catch (error) {
      if (signal.aborted) return;
      this.#hasFailed = true;
      const words = `Could not be checked: ${reasonOf(error)}`;
      if (check.failing === 'hold') this.#say(words);
      else {
        form.trouble(place.at, `${words} It was let pass.`);
        this.#say(undefined);
      }
    } finally {
      if (!signal.aborted) this.#running = undefined;
    }
  }

  /** Asks at once what is still to be asked; what has failed and holds sending up once more with each attempt. */
  settled(isFirst: boolean): Promise<void> | undefined {
    if (this.#key === undefined) return undefined;
    if (this.#running) return this.#running.done;
    const isToRepeat = isFirst && this.#hasFailed && this.check.failing === 'hold';
    if (this.#timer === undefined && !isToRepeat) return undefined;
    this.#hasFailed = false;
    this.#wait();
    return this.#ask(this.#key);
  }

  #wait(): void {
    rule(this.#source, new Map([[this.place, { problems: [], pending: true }]]));
  }
  #say(words: Answer): void {
    const { place } = this;
    const problems = words === undefined ? [] : [problemOf(place, 'check', words)];
    rule(this.#source, problems.length === 0 ? new Map() : new Map([[place, { problems, pending: false }]]));
  }
}
