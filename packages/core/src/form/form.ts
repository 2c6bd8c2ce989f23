import { batch, computed, signal } from '@preact/signals-core';
import type { Codec } from '../codec/index.js';
import {
  copyOf,
  equalJson,
  isWithin,
  parsePointer,
  reasonOf,
  warnDeveloper,
  type Pointer,
  type Problem,
} from '../json/index.js';
import { namedMembers, type CompiledSchema, type Condition, type Facts } from '../schema/index.js';
import type { Expressed } from '../expression/index.js';
import { Changes } from './changes.js';
import type { FormExpressions } from './computed.js';
import type { Trouble } from './trouble.js';
import { FormDocument } from './document.js';
import { Force, type HintCondition } from './force.js';
import type { FormList } from './list.js';
import type { Movable, Moves } from './moves.js';
import { acceptedWords, outcomeOf } from './outcome.js';
import { fits, pointerOf, type Where } from './path.js';
import { FormProblems } from './problems.js';
import { Place, places, type PlaceHolder } from './place.js';
import type {
  Chooser,
  Form,
  FormField,
  FormOptions,
  FormStatus,
  LeftOver,
  Outcome,
  PlaceSettings,
  Snapshot,
  Submitted,
  TellWhen,
} from './types.js';

/** What those who look after values beside the schema need of the form. */
export interface Attended {
  place(at: Pointer): Place;
  ask(at: Pointer, text: string): Expressed;
  /** The places that an expression looks at. */
  looksAt(at: Pointer, text: string): readonly Place[];
  /** Whether a value is not one that a saved record came with. */
  isNews(place: Place): boolean;
  trouble(at: Pointer, says: string): void;
}
/** Looks after rules, or after checks. `settled` gives what sending waits for; `isFirst` where an attempt begins. */
export interface Attendant {
  settled?(isFirst: boolean): Promise<void> | undefined;
}

/** What a form stands on: a schema made ready, and codecs for places that nobody has chosen one for. */
export interface Ground {
  readonly compiled: CompiledSchema;
  codec(facts: Facts): Codec;
  /** What a new record begins with, and the schema's defaults. */
  fill(begin: unknown): unknown;
  /** Moves entries and options; absent where a schema has neither lists nor choices. */
  moves?(form: Movable): Moves;
  /** Follows the expressions; absent where there are none. */
  express?(...args: ConstructorParameters<typeof FormExpressions>): FormExpressions;
  /** Follows rules and checks; absent where there are none. */
  attend?(form: Attended, options: Pick<FormOptions, 'rules' | 'checks'>): readonly Attendant[];
  /** Shows texts in their normal form while they are typed; absent where no place asks for it. */
  normal?(codec: Codec, raw: string, shown: string): string;
}
const notLoaded = signal<Expressed>({ missing: 'Expressions are not loaded.' });

export class OpenForm implements Form, PlaceHolder, Attended, Movable {
  readonly compiled: CompiledSchema;
  readonly tell: TellWhen;
  readonly disabled: boolean;
  readonly keepsHidden: boolean;
  /** Where all that is wrong is told by now: within each of these places. Once sending was tried, that is everywhere. */
  readonly #told = signal<readonly Pointer[]>([]);
  readonly version = signal(0);
  readonly force: Force;
  /** What is in force, as it would be sent; changed in place. */
  readonly #document = new FormDocument();
  /** Where the form began: what is in force of it, and the whole, to which `restart` goes back. */
  readonly #beginning = new FormDocument();
  #begun: unknown;
  readonly #changes = new Changes(
    () => this.#document.root ?? {},
    () => this.#beginning.root ?? {},
  );
  readonly #status = signal<FormStatus>('open');
  readonly #message = signal<string | undefined>(undefined);
  readonly #root: Place;
  readonly #problems: FormProblems;
  readonly #expressions: FormExpressions | undefined;
  readonly #attendants: readonly Attendant[];
  /** Whether it began with a record that was saved. */
  #isRecord: boolean;
  readonly #troubles = new Map<string, Trouble>();
  /** Places with a text that could not be parsed, a refusal, a broken rule, or a value kept aside: so that nobody walks all places. */
  readonly #marked = new Set<Place>();
  #follow: Pick<CompiledSchema, 'recheck'>;

  constructor(
    private readonly options: Omit<FormOptions, 'schema' | 'compiled' | 'compile'>,
    private readonly ground: Ground,
  ) {
    this.compiled = ground.compiled;
    this.#problems = new FormProblems(options, ground.compiled.messages);
    this.tell = options.tell ?? 'leave';
    this.disabled = options.disabled ?? false;
    this.keepsHidden = options.hidden === 'keep';
    this.#follow = this.#memory();
    const { conditions = [], computed: computedAt = [], rules = [] } = options;
    this.force = new Force(this);
    this.#root = new Place(this, undefined, '');
    this.#expressions = ground.express?.(this, options.expressions, computedAt, conditions);
    const { values, begin = {} } = options;
    this.#isRecord = values !== undefined;
    this.#begin(values === undefined ? this.ground.fill(begin) : values);
    this.#expressions?.start(rules);
    this.#settleBeginning();
    if (options.restore) this.#restore(options.restore);
    this.#attendants = this.ground.attend?.(this, options) ?? [];
  }
  looksAt(at: Pointer, text: string): readonly Place[] {
    return this.#expressions?.looksAt(at, text) ?? [];
  }
  isNews(place: Place): boolean {
    return !this.#isRecord || place.changed;
  }

  get #moves(): Moves {
    const moves = (this.#made ??= this.ground.moves?.(this));
    if (!moves) throw new Error('Prepared without lists and choices.');
    return moves;
  }
  #made: Moves | undefined;
  /** What was moved is there: conditions and schema are asked again. */
  settleAt(place: Place): void {
    this.force.discover(place);
    this.force.touched(place);
    this.#addNeededGroups(place, 0);
    this.#checked(place.at);
  }

  get status(): FormStatus {
    return this.#status.value;
  }
  get message(): string | undefined {
    return this.#message.value;
  }
  get submittedOnce(): boolean {
    return this.isTold('');
  }
  readonly #changed = computed(() => {
    void this.version.value;
    return this.#changes.some || [...this.#marked].some((place) => place.acts.typed.peek() !== undefined);
  });
  get changed(): boolean {
    return this.#changed.value;
  }
  isChanged(place: Place): boolean {
    return !equalJson(this.#document.read(place.at), this.#beginning.read(place.at));
  }

  place(at: Pointer): Place {
    return parsePointer(at).reduce((place, token) => place.child(token), this.#root);
  }
  read(place: Place): unknown {
    const keeper = this.#marked.size > 0 ? place.keeper : undefined;
    return keeper ? keeper.kept?.read(place.at.slice(keeper.at.length)) : this.#document.read(place.at);
  }
  field(where: Where<unknown>): FormField {
    return this.place(pointerOf(where));
  }
  list(where: Where<unknown>): FormList {
    return this.#moves.list(this.place(pointerOf(where)));
  }
  chosen(at: Pointer, chooser: Chooser): number {
    const place = this.place(at);
    const own = place.acts.chosen(chooser.key).value;
    if (own !== undefined) return own;
    void place.subtreeVersion.value;
    return chooser.pick(this.read(place));
  }
  choose(at: Pointer, chooser: Chooser, index: number, value: unknown): void {
    const place = this.place(at);
    this.#moves.choose(place, chooser.key, this.chosen(at, chooser), index, value);
  }
  put(at: Pointer, sent: unknown): void {
    this.replace(this.place(at), sent);
  }
  ask(at: Pointer, text: string): Expressed {
    return this.#expressions?.ask(at, text).value ?? notLoaded.value;
  }
  get troubles(): readonly Trouble[] {
    void this.version.value;
    return [...this.#troubles.values()];
  }
  trouble(at: Pointer, says: string): void {
    const key = `${at}\n${says}`;
    if (this.#troubles.has(key)) return;
    this.#troubles.set(key, { at, says });
    warnDeveloper(`${at === '' ? 'The form' : at}: ${says}`);
  }
  isComputed(place: Place): boolean {
    return this.#expressions?.isComputed(place.at) ?? false;
  }
  valueAt(at: Pointer): unknown {
    return this.place(at).value;
  }
  holds(at: Pointer, conditions: readonly Condition[]): boolean {
    const place = this.place(at);
    return conditions.every((condition) => place.holdsAbove(condition));
  }
  codecFor(at: Pointer, facts: Facts): Codec {
    const { codecs = {} } = this.options;
    const chosen =
      typeof codecs === 'function'
        ? codecs(at, facts, (where, chooser) => this.chosen(where, chooser))
        : (codecs[at] ?? Object.entries(codecs).find(([pattern]) => pattern.includes('*') && fits(pattern, at))?.[1]);
    return chosen ?? this.ground.codec(facts);
  }

  /**
   * The one way in which a value comes in. From a place's own input, what that input holds stays; from outside, all that
   * was typed, held, refused and chosen here was about another value. Tells those who depend on it, and nobody else.
   */
  #take(place: Place, sent: unknown, from: 'input' | 'outside'): void {
    batch(() => {
      const { keeper } = place;
      const changedAt = this.#write(place, sent);
      if (from === 'outside') place.renew();
      for (const child of place.children.values()) child.renewAll();
      place.stir();
      this.#stirAbove(place);
      this.noticed(place);
      if (keeper) this.noticed(keeper);
      this.force.discover(place);
      if (keeper) this.force.settle();
      else this.#checked(changedAt);
      if (this.#status.peek() !== 'sending') this.#status.value = 'open';
    });
  }
  enter(place: Place, sent: unknown): void {
    this.#take(place, sent, 'input');
  }
  replace(place: Place, sent: unknown): void {
    this.#take(place, sent, 'outside');
  }

  /** Writes a value where the place has its own: in the document, or where it is kept. */
  #write(place: Place, value: unknown): Pointer {
    const { keeper } = place;
    const from = keeper?.at.length ?? 0;
    return (keeper?.kept ?? this.#document).write(
      place.at.slice(from),
      value,
      (where) => {
        const around = this.place(place.at.slice(0, from) + where);
        return around.required || around.isOwnName;
      },
      (where) => this.place(place.at.slice(0, from) + where).isList,
    );
  }

  conditionsAt(place: Place): readonly HintCondition[] {
    return this.#expressions?.conditionsAt(place) ?? [];
  }
  reveal(place: Place): void {
    this.#expressions?.reveal(place);
  }
  /** Moves the value of a place whose conditions have turned: aside, or back into the document. */
  move(place: Place, isInForce: boolean): void {
    batch(() => {
      if (place.parent?.keeper) place.holdsItself = isInForce;
      else if (isInForce) {
        const value = place.kept?.root;
        place.kept = undefined;
        for (const inner of places(place)) inner.holdsItself = true;
        if (value !== undefined) this.#moved(this.#write(place, value), place);
        this.force.discover(place);
        if (place.parent) this.#addNeeded(place, 0);
      } else {
        const value = this.whole(place);
        if (this.#document.read(place.at) !== undefined) this.#moved(this.#write(place, undefined), place);
        for (const inner of places(place)) inner.kept = undefined;
        place.kept = new FormDocument(value);
        place.holdsItself = false;
      }
      for (const inner of places(place)) inner.stir();
      this.noticed(place);
    });
  }
  #moved(changedAt: Pointer, place: Place): void {
    this.#stirAbove(place);
    this.#check(changedAt);
  }
  /** To the places around, what has changed below was not their own input's doing. */
  #stirAbove(place: Place): void {
    for (let up = place.parent; up; up = up.parent) {
      up.subtreeVersion.value++;
      up.replacedVersion.value++;
      this.force.touched(up);
    }
  }

  /** The value at a place and all that is kept inside it, as a copy. */
  whole(place: Place): unknown {
    let whole = copyOf(this.read(place));
    if (place.keeper) return whole;
    for (const { kept, at } of this.#marked) {
      if (kept?.root === undefined || !(at === place.at || at.startsWith(`${place.at}/`))) continue;
      const document: FormDocument = new FormDocument(whole);
      document.write(at.slice(place.at.length), copyOf(kept.root), yes, no);
      whole = document.root;
    }
    return whole;
  }

  isTold(at: Pointer): boolean {
    return this.#told.value.some((told) => isWithin(at, told));
  }
  settingsAt(at: Pointer): PlaceSettings | undefined {
    return this.options.settingsAt?.(at);
  }
  whileTyping(codec: Codec, raw: string, shown: string): string {
    return this.ground.normal?.(codec, raw, shown) ?? shown;
  }

  problemsAt(place: Place): readonly Problem[] {
    return this.#problems.at(place.at);
  }
  sayTyped({ at }: Place, { raw, reason }: { readonly raw: unknown; readonly reason: string }): Problem {
    return this.#problems.typed(at, raw, reason);
  }
  /** Keeps the short list of places that are asked whenever the whole is. */
  noticed(place: Place): void {
    const { typed, refusals } = place.acts;
    const isMarked =
      typed.peek() !== undefined ||
      refusals.peek().length > 0 ||
      place.ruling.peek().problems.length > 0 ||
      place.kept?.root !== undefined;
    if (isMarked) this.#marked.add(place);
    else this.#marked.delete(place);
    this.version.value++;
  }

  problems(): readonly Problem[] {
    void this.version.value;
    const marked = [...this.#marked];
    const typed = new Set(marked.flatMap((place) => (place.acts.typed.value && place.inForce ? [place.at] : [])));
    // A rule that is told at several places is one thing to mend.
    return [
      ...new Set([
        ...this.#problems.all.filter(({ at }) => !typed.has(at) && this.place(at).inForce),
        ...marked.flatMap((place) =>
          typed.has(place.at)
            ? place.problems
            : [...(place.inForce ? place.ruling.value.problems : []), ...place.acts.refusals.value],
        ),
      ]),
    ];
  }
  tellWithin(at: Pointer): readonly Problem[] {
    batch(() => this.#tell(at));
    return this.problems().filter((problem) => isWithin(problem.at, at));
  }
  #tell(at: Pointer): void {
    for (const place of [...this.#marked].filter((one) => isWithin(one.at, at))) {
      // What a server refused has been told; another attempt says whether it still stands.
      place.acts.accept();
      place.problemsVersion.value++;
      this.noticed(place);
    }
    this.#told.value = [...new Set(this.#told.peek()).add(at)];
  }

  sent(): unknown {
    void this.version.value;
    return this.keepsHidden ? this.whole(this.#root) : copyOf(this.#document.root);
  }
  get leftOver(): readonly LeftOver[] {
    void this.version.value;
    return this.#kept(true);
  }
  get aside(): readonly LeftOver[] {
    void this.version.value;
    return this.#kept(false);
  }
  #kept(isLeftOver: boolean): LeftOver[] {
    return [...this.#marked].flatMap((place) =>
      place.kept?.root !== undefined && place.isLeftOver === isLeftOver
        ? [{ at: place.at, value: copyOf(place.kept.root), isAllowed: place.applied.length === 0 }]
        : [],
    );
  }
  keep(at: Pointer): void {
    const place = this.place(at);
    if (!place.isLeftOver) return;
    batch(() => {
      place.isWanted = true;
      this.force.renew(place);
      this.force.settle();
    });
  }

  async submit(send: (sent: unknown) => Promise<Outcome>): Promise<Submitted> {
    if (this.#status.peek() === 'sending') return { kind: 'failed', message: 'It is being sent.' };
    batch(() => {
      this.#tell('');
      this.#message.value = undefined;
    });
    for (let asked = this.#settled(true); asked; asked = this.#settled(false)) {
      this.#status.value = 'sending';
      await asked;
    }
    const problems = this.problems();
    if (problems.length > 0) {
      this.#status.value = 'open';
      return { kind: 'invalid', problems };
    }
    this.#status.value = 'sending';
    const [beginning, whole] = [copyOf(this.#document.root), this.whole(this.#root)];
    let outcome: Outcome;
    try {
      outcome = outcomeOf(await send(this.sent()));
    } catch (error) {
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
        this.#beginAt(beginning, whole);
      }
      this.version.value++;
    });
    return outcome;
  }

  /** While somebody is being asked. */
  #settled(isFirst: boolean): Promise<unknown> | undefined {
    const asked = this.#attendants.flatMap((one) => one.settled?.(isFirst) ?? []);
    return asked.length > 0 ? Promise.all(asked) : undefined;
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

  load(values: unknown): void {
    batch(() => {
      this.#isRecord = true;
      this.#begin(values);
      this.#settleBeginning();
    });
  }
  restart(): void {
    this.load(this.#begun);
  }

  #memory(): Pick<CompiledSchema, 'recheck'> {
    return this.compiled.follow((at, { id }) => this.#known(at)?.acts.chosen(id).peek());
  }
  #begin(values: unknown): void {
    this.#told.value = [];
    this.#message.value = undefined;
    this.#follow = this.#memory();
    for (const place of places(this.#root)) place.acts.visited.value = false;
    this.#marked.clear();
    this.#document.root = copyOf(values) ?? {};
    this.#root.renewAll();
    this.force.discover(this.#root);
    this.#addNeededGroups(this.#root, 0);
    this.#checked('');
    this.#status.value = 'open';
  }
  /** What stands there by now, computed values included, is where the form begins. */
  #settleBeginning(): void {
    this.#beginAt(copyOf(this.#document.root), this.whole(this.#root));
  }
  #beginAt(beginning: unknown, whole: unknown): void {
    this.#beginning.root = beginning;
    this.#begun = whole;
    this.#changes.note('');
    for (const place of places(this.#root)) place.subtreeVersion.value++;
    this.version.value++;
  }

  /**
   * A group that the schema requires is there from the start, if empty: a person is then told which of its members
   * are missing rather than that "the consignor" is. The depth ends what a schema that requires itself would go on with.
   */
  #addNeededGroups(place: Place, depth: number): void {
    if (depth > 20) return;
    for (const name of namedMembers(place.active.peek())) this.#addNeeded(place.child(name), depth);
  }
  #addNeeded(place: Place, depth: number): void {
    const { kinds } = place.facts;
    const only = place.fixed;
    if (only && place.required && this.read(place) === undefined) this.#moved(this.#write(place, only.value), place);
    if (kinds?.length !== 1 || kinds[0] !== 'object') return;
    const value = this.read(place);
    if (value === undefined && place.required) this.#moved(this.#write(place, {}), place);
    if (value !== undefined || place.required) this.#addNeededGroups(place, depth + 1);
  }

  snapshot(): Snapshot {
    const typed: Record<Pointer, unknown> = {};
    const chosen: Record<Pointer, Record<string, number>> = {};
    const visited: Pointer[] = [];
    for (const { at, acts } of places(this.#root)) {
      const text = acts.typed.peek();
      if (text) typed[at] = text.raw;
      if (acts.choices.length > 0) chosen[at] = Object.fromEntries(acts.choices);
      if (acts.visited.peek()) visited.push(at);
    }
    return { value: this.whole(this.#root), typed, visited, chosen };
  }
  #restore({ value, typed, visited, chosen = {} }: Snapshot): void {
    batch(() => {
      this.replace(this.#root, copyOf(value) ?? {});
      for (const [at, options] of Object.entries(chosen)) {
        const place = this.place(at);
        for (const [key, index] of Object.entries(options)) place.acts.chosen(key).value = index;
        this.force.touched(place);
      }
      this.#checked('');
      for (const [at, text] of Object.entries(typed)) this.place(at).report(text);
      for (const at of visited) this.place(at).acts.visited.value = true;
    });
  }

  /** What was computed, as it is sent; the place's own codec shows it. */
  putComputed(place: Place, sent: unknown): void {
    const revived = place.codec.peek().revive(sent);
    if (revived.ok) place.write(revived.held);
    else this.trouble(place.at, `What was computed cannot be held: ${revived.reason}`);
  }

  /** Asks the schema again and lets conditions move what they move, until both agree. */
  #checked(changedAt: Pointer): void {
    this.#check(changedAt);
    this.force.settle();
  }
  /** Asks the schema again, only about what the change can have touched, and tells the fields concerned. */
  #check(changedAt: Pointer): void {
    const verdict = this.#follow.recheck(this.#document.root, changedAt);
    this.#problems.take(verdict);
    this.#changes.note(changedAt);
    batch(() => {
      for (const at of new Set([...verdict.touched, changedAt])) {
        const place = this.#known(at);
        if (place) place.problemsVersion.value++;
      }
      this.version.value++;
    });
  }

  #known(at: Pointer): Place | undefined {
    let place: Place | undefined = this.#root;
    for (const token of parsePointer(at)) place = place?.children.get(token);
    return place;
  }
}

const yes = (): boolean => true;
const no = (): boolean => false;
