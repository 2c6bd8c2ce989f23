import { batch, signal, type ReadonlySignal } from '@preact/signals-core';
import type { Codec } from '../codec/index.js';
import { ownMember, parsePointer, type Pointer, type Problem } from '../json/index.js';
import { fillDefaults, namedMembers, type CompiledSchema, type Condition, type Facts } from '../schema/index.js';
import { FormDocument } from './document.js';
import type { Expressed } from '../expression/index.js';
import type { FormExpressions } from './computed.js';
import { openList, type FormList, type Origin } from './list.js';
import { pointerOf, type Where } from './path.js';
import { FormProblems } from './problems.js';
import { Place, places, type PlaceHolder, type Remembered } from './place.js';
import type {
  Chooser,
  Form,
  FormField,
  FormOptions,
  FormStatus,
  Outcome,
  Snapshot,
  Submitted,
  TellWhen,
} from './types.js';

/** What a form stands on: a schema made ready, and codecs for places that nobody has chosen one for. */
export interface Ground {
  readonly compiled: CompiledSchema;
  codec(facts: Facts): Codec;
  /** Follows the expressions; absent where there are none. */
  express?(...args: ConstructorParameters<typeof FormExpressions>): FormExpressions;
}
const notLoaded = signal<Expressed>({ missing: 'Expressions are not loaded.' });

export class OpenForm implements Form, PlaceHolder {
  readonly compiled: CompiledSchema;
  readonly document: FormDocument;
  readonly beginning: FormDocument;
  readonly tell: TellWhen;
  readonly disabled: boolean;
  readonly submitted = signal(false);
  readonly version = signal(0);
  readonly #status = signal<FormStatus>('open');
  readonly #message = signal<string | undefined>(undefined);
  #follow: Pick<CompiledSchema, 'recheck'>;
  readonly #root: Place;
  readonly #expressions: FormExpressions | undefined;
  readonly #problems: FormProblems;

  constructor(
    private readonly options: Omit<FormOptions, 'schema' | 'compiled' | 'compile'>,
    private readonly ground: Ground,
  ) {
    this.compiled = ground.compiled;
    this.#problems = new FormProblems(options);
    this.tell = options.tell ?? 'leave';
    this.disabled = options.disabled ?? false;
    this.#follow = this.#memory();
    // A new value begins with the schema's defaults; one that was saved before is taken as it is.
    const begin = options.values === undefined ? fillDefaults(this.compiled, {}) : options.values;
    const start = options.restore ? options.restore.value : begin;
    this.beginning = new FormDocument(copy(begin));
    this.document = new FormDocument(copy(start ?? {}));
    this.#root = new Place(this, undefined, '');
    this.#addNeededGroups(this.#root, 0);
    this.beginning.root ??= {};
    this.#check('');
    this.#expressions = ground.express?.(
      { root: this.#root, place: (at) => this.place(at), put: (place, sent) => this.#putSent(place, sent) },
      options.expressions,
      options.computed ?? [],
    );
    if (!options.restore) this.beginning.root = copy(this.document.root);
    if (options.restore) this.#restore(options.restore);
  }

  get status(): FormStatus {
    return this.#status.value;
  }
  get message(): string | undefined {
    return this.#message.value;
  }
  get submittedOnce(): boolean {
    return this.submitted.value;
  }
  get changed(): boolean {
    void this.#root.deep.value;
    return (
      JSON.stringify(this.document.root ?? {}) !== JSON.stringify(this.beginning.root ?? {}) ||
      [...places(this.#root)].some((place) => place.isTyped)
    );
  }

  place(at: Pointer): Place {
    return parsePointer(at).reduce((place, token) => place.child(token), this.#root);
  }
  field(where: Where<unknown>): FormField {
    return this.place(pointerOf(where));
  }
  list(where: Where<unknown>): FormList {
    const at = pointerOf(where);
    const place = this.place(at);
    return openList({
      read: () => (void place.deep.value, this.document.read(at)),
      keys: () => (void place.deep.value, this.#keysOf(place)),
      remember: (index) => place.children.get(String(index))?.remember(),
      replace: (items, from) => this.#rearrange(place, items, from),
    });
  }
  chosen(at: Pointer, chooser: Chooser): number {
    const place = this.place(at);
    const own = place.chosen(chooser.key).value;
    if (own !== undefined) return own;
    void place.deep.value;
    return chooser.pick(this.document.read(at));
  }
  choose(at: Pointer, chooser: Chooser, index: number, value: unknown): void {
    const place = this.place(at);
    batch(() => {
      this.#replace(place, value);
      place.chosen(chooser.key).value = index;
      this.#addNeededGroups(place, 0);
      this.#check(at);
    });
  }
  put(at: Pointer, sent: unknown): void {
    this.#replace(this.place(at), sent);
  }
  ask(at: Pointer, text: string): Expressed {
    return this.#ask(at, text).value;
  }
  #ask(at: Pointer, text: string): ReadonlySignal<Expressed> {
    return this.#expressions?.ask(at, text) ?? notLoaded;
  }
  get troubles(): Form['troubles'] {
    return this.#expressions?.troubles ?? [];
  }
  isComputed(place: Place): boolean {
    return this.#expressions?.isComputed(place.at) ?? false;
  }
  valueAt(at: Pointer): unknown {
    return this.place(at).sent;
  }
  holds(at: Pointer, conditions: readonly Condition[]): boolean {
    const place = this.place(at);
    return conditions.every((condition) => place.holdsAbove(condition));
  }

  codecFor(at: Pointer, facts: Facts): Codec {
    const { codecs } = this.options;
    const chosen =
      typeof codecs === 'function' ? codecs(at, facts, (where, chooser) => this.chosen(where, chooser)) : codecs?.[at];
    return chosen ?? this.ground.codec(facts);
  }

  /** A field's new value on its way into the document; tells all that depends on it, and nothing else. */
  putAt(place: Place, sent: unknown): void {
    const changedAt = this.#write(place.at, sent);
    for (const child of place.children.values()) child.renewAll();
    for (let up: Place | undefined = place; up; up = up.parent) {
      up.deep.value++;
      if (up !== place) up.replaced.value++;
    }
    this.#check(changedAt);
    if (this.#status.peek() !== 'sending') this.#status.value = 'open';
  }

  problemsAt(place: Place): readonly Problem[] {
    return this.#problems.at(place.at);
  }
  noticed(): void {
    this.version.value++;
  }

  problems(): readonly Problem[] {
    void this.version.value;
    const own = [...places(this.#root)].filter(
      (place) => place.reason.value !== undefined || place.refusals.value.length > 0,
    );
    const replaced = new Set(own.filter((place) => place.reason.value !== undefined).map((place) => place.at));
    return [
      ...this.#problems.all.filter(({ at }) => !replaced.has(at)),
      ...own.flatMap((place) => (place.reason.value !== undefined ? place.problems : place.refusals.value)),
    ];
  }

  sent(): unknown {
    const value = copy(this.document.root);
    return this.options.hidden === 'keep' ? value : this.#withoutHidden(this.#root, value);
  }

  async submit(send: (sent: unknown) => Promise<Outcome>): Promise<Submitted> {
    if (this.#status.peek() === 'sending') return { kind: 'failed', message: 'The form is being sent already.' };
    const problems = batch(() => {
      for (const place of places(this.#root)) place.refusals.value = [];
      this.submitted.value = true;
      this.#message.value = undefined;
      return this.problems();
    });
    if (problems.length > 0) return { kind: 'invalid', problems };
    this.#status.value = 'sending';
    let outcome: Outcome;
    try {
      outcome = await send(this.sent());
    } catch (error) {
      outcome = { kind: 'failed', message: error instanceof Error ? error.message : String(error) };
    }
    batch(() => {
      this.#status.value = outcome.kind;
      if (outcome.kind === 'refused') this.refuse(outcome.problems, outcome.message);
      else if (outcome.kind === 'failed') this.#message.value = outcome.message;
      else this.beginning.root = copy(this.document.root);
      this.version.value++;
    });
    return outcome;
  }

  refuse(problems: readonly Problem[], message?: string): void {
    batch(() => {
      for (const problem of problems) {
        const place = this.place(problem.at);
        place.refusals.value = [...place.refusals.peek(), problem];
      }
      this.#message.value = message;
      this.#status.value = 'refused';
      this.version.value++;
    });
  }

  load(values: unknown): void {
    batch(() => {
      this.document.root = copy(values ?? {});
      this.#begin();
      this.beginning.root = copy(this.document.root);
    });
  }
  restart(): void {
    batch(() => {
      this.document.root = copy(this.beginning.root ?? {});
      this.#begin();
    });
  }
  /** What is wrong with a value that fits no branch is said of the branch that the person has chosen. */
  #memory(): Pick<CompiledSchema, 'recheck'> {
    return this.compiled.follow((at, choice) => this.#known(at)?.chosen(choice).peek());
  }
  #begin(): void {
    this.submitted.value = false;
    this.#status.value = 'open';
    this.#message.value = undefined;
    for (const place of places(this.#root)) place.seen.value = false;
    this.#follow = this.#memory();
    this.#root.renewAll();
    this.#addNeededGroups(this.#root, 0);
    this.#check('');
  }

  /**
   * A group that the schema requires is there from the start, if empty: a person is then told which of its members
   * are missing rather than that "the consignor" is. The depth ends what a schema that requires itself would go on with.
   */
  #addNeededGroups(place: Place, depth: number): void {
    if (depth > 20) return;
    for (const name of namedMembers(place.active.peek())) {
      const child = place.child(name);
      const { kinds } = child.facts;
      const only = child.fixed;
      if (only && child.required && this.document.read(child.at) === undefined) this.#write(child.at, only.value);
      if (kinds?.length !== 1 || kinds[0] !== 'object') continue;
      const value = this.document.read(child.at);
      if (value === undefined && child.required) this.#write(child.at, {});
      if (value !== undefined || child.required) this.#addNeededGroups(child, depth + 1);
    }
  }

  snapshot(): Snapshot {
    const all = [...places(this.#root)];
    return {
      value: copy(this.document.root),
      typed: Object.fromEntries(all.filter((place) => place.isTyped).map((place) => [place.at, place.typed.peek()])),
      visited: all.filter((place) => place.seen.peek()).map((place) => place.at),
    };
  }
  #restore({ typed, visited }: Snapshot): void {
    for (const [at, text] of Object.entries(typed)) this.place(at).report(text);
    for (const at of visited) this.place(at).seen.value = true;
  }

  #write(at: Pointer, value: unknown): Pointer {
    return this.document.write(
      at,
      value,
      (where) => this.place(where).required,
      (where) => this.place(where).isList,
    );
  }

  #keysOf(place: Place): readonly number[] {
    const value = this.document.read(place.at);
    const length = Array.isArray(value) ? value.length : 0;
    // A list that came from outside has items that nobody has told apart yet.
    if (place.keys.length !== length) place.keys = Array.from({ length }, () => this.#nextKey++);
    return place.keys;
  }
  #nextKey = 0;

  /** Items in another order, more or fewer of them: what was typed into each goes with it. */
  #rearrange(place: Place, items: readonly unknown[], from: readonly Origin[]): void {
    batch(() => {
      const keys = this.#keysOf(place);
      const kept = from.map((origin) =>
        typeof origin === 'number' ? place.children.get(String(origin))?.remember() : (origin?.back as Remembered),
      );
      place.keys = from.map((origin) => (typeof origin === 'number' ? (keys[origin] ?? 0) : this.#nextKey++));
      this.#replace(place, items);
      kept.forEach((one, i) => {
        if (one) place.child(String(i)).recall(one);
      });
    });
  }

  /** What was computed, as it is sent; the place's own codec shows it. */
  #putSent(place: Place, sent: unknown): void {
    const revived = place.codec.peek().revive(sent);
    if (revived.ok) place.write(revived.held);
  }

  #replace(place: Place, value: unknown): void {
    batch(() => {
      const changedAt = this.#write(place.at, value);
      place.renewAll();
      for (let up = place.parent; up; up = up.parent) {
        up.deep.value++;
        up.replaced.value++;
      }
      this.#check(changedAt);
    });
  }

  /** Asks the schema again, only about what the change can have touched, and tells the fields concerned. */
  #check(changedAt: Pointer): void {
    const verdict = this.#follow.recheck(this.document.root, changedAt);
    this.#problems.take(verdict);
    batch(() => {
      for (const at of new Set([...verdict.touched, changedAt])) {
        const place = this.#known(at);
        if (place) place.looked.value++;
      }
      this.version.value++;
    });
  }

  #known(at: Pointer): Place | undefined {
    let place: Place | undefined = this.#root;
    for (const token of parsePointer(at)) place = place?.children.get(token);
    return place;
  }

  #isConditionedAway(at: Pointer): boolean {
    return (this.options.conditions ?? []).some((one) => {
      const [pattern, tokens] = [parsePointer(one.at), parsePointer(at)];
      if (pattern.length !== tokens.length || !pattern.every((token, i) => token === '*' || token === tokens[i]))
        return false;
      const said = this.#ask(at, one.text).peek();
      return !('value' in said && said.value === true);
    });
  }

  /** Leaves out members that only branches not in force speak of. Members that no branch speaks of are not ours to drop. */
  #withoutHidden(place: Place, value: unknown): unknown {
    if (typeof value !== 'object' || value === null) return value;
    for (const key of Object.keys(value)) {
      const child = place.child(key);
      if ((child.applied.length > 0 && child.active.peek().length === 0) || this.#isConditionedAway(child.at))
        delete (value as Record<string, unknown>)[key];
      else this.#withoutHidden(child, ownMember(value, key));
    }
    return value;
  }
}

/** What is sent is JSON, so a copy by way of JSON loses nothing. */
function copy(value: unknown): unknown {
  return value === undefined ? undefined : (JSON.parse(JSON.stringify(value)) as unknown);
}
