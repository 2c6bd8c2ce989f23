import { batch, computed, signal } from '@preact/signals-core';
import type { Codec } from '../codec/index.js';
import { copyOf, parsePointer, warnDeveloper, type Pointer, type Problem } from '../json/index.js';
import { namedMembers, type CompiledSchema, type Condition, type Facts } from '../schema/index.js';
import type { Expressed } from '../expression/index.js';
import type { Words } from '../words/index.js';
import type { Typed } from './acts.js';
import { Beginning } from './beginning.js';
import type { FormExpressions } from './computed.js';
import type { Trouble } from './trouble.js';
import { FormDocument } from './document.js';
import { Force } from './force.js';
import type { FormList } from './list.js';
import type { Movable, Moves } from './moves.js';
import { pointerOf, type Where } from './path.js';
import type { FormSchema } from './form-schema.js';
import type { Attended, Ground, OpenOptions } from './ground.js';
import { FormProblems } from './problems.js';
import { Place, places, type PlaceHolder } from './place.js';
import { Sending } from './sending.js';
import { restore, snapshotOf } from './snapshot.js';
import type { Chooser, Form, FormField, LeftOver, PlaceSettings, Snapshot, TellWhen } from './types.js';

const notLoaded: Expressed = { missing: 'Expressions are not loaded.' };

export class OpenForm extends Sending implements Form, PlaceHolder, Attended, Movable {
  readonly schema: FormSchema;
  readonly tell: TellWhen;
  readonly disabled: boolean;
  readonly keepsHidden: boolean;
  readonly version = signal(0);
  readonly force: Force;
  /** What is in force, as it would be sent; changed in place. */
  readonly #document = new FormDocument();
  readonly #beginning = new Beginning(this.#document);
  readonly #root: Place;
  readonly #problems: FormProblems;
  readonly #moves: Moves | undefined;
  readonly expressions: FormExpressions | undefined;
  /** Whether it began with a record that was saved. */
  #isRecord: boolean;
  readonly #troubles = new Map<string, Trouble>();
  #follow: Pick<CompiledSchema, 'recheck'>;

  constructor(
    protected readonly options: OpenOptions,
    private readonly ground: Ground,
  ) {
    super();
    this.schema = ground.schema;
    this.#problems = new FormProblems(options, this.schema.messages);
    this.#moves = ground.moves?.(this);
    this.tell = options.tell ?? 'leave';
    this.disabled = options.disabled ?? false;
    this.keepsHidden = options.hidden === 'keep';
    this.#follow = this.#memory();
    const { conditions = [], computed: computedAt = [], rules = [] } = options;
    this.force = new Force(this);
    this.#root = new Place(this, undefined, '');
    this.expressions = ground.express?.(this, options.expressions, computedAt, conditions);
    const { values, begin = {} } = options;
    this.#isRecord = values !== undefined;
    this.#begin(values === undefined ? this.ground.fill(begin) : values);
    this.expressions?.start(rules);
    this.#settleBeginning();
    if (options.restore) restore(this, options.restore);
    this.attendants = [
      ...(ground.awaits?.(this, () => this.settleAll()) ?? []),
      ...(ground.attend?.(this, options) ?? []),
    ];
  }
  looksAt(at: Pointer, text: string): readonly Place[] {
    return this.expressions?.looksAt(at, text) ?? [];
  }
  isNews(place: Place): boolean {
    return !this.#isRecord || place.changed;
  }

  /** What was moved is there: conditions and schema are asked again. */
  settleAt(place: Place): void {
    this.force.discover(place);
    this.force.touched(place);
    this.#addNeededGroups(place, 0);
    this.#checked(place.at);
  }

  readonly #changed = computed(() => {
    void this.version.value;
    return this.#beginning.isLeft || [...this.marked].some((place) => place.acts.typed.peek() !== undefined);
  });
  get changed(): boolean {
    return this.#changed.value;
  }
  isChanged(place: Place): boolean {
    return this.#beginning.isLeftAt(place.at);
  }

  place(at: Pointer): Place {
    return parsePointer(at).reduce((place, token) => place.child(token), this.#root);
  }
  read(place: Place): unknown {
    const keeper = this.marked.size > 0 ? place.keeper : undefined;
    return keeper ? keeper.kept?.read(place.at.slice(keeper.at.length)) : this.#document.read(place.at);
  }
  field(where: Where<unknown>): FormField {
    return this.place(pointerOf(where));
  }
  list(where: Where<unknown>): FormList {
    if (!this.#moves) throw new Error('No list.');
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
    this.#moves?.choose(place, chooser.key, this.chosen(at, chooser), index, value);
  }
  put(at: Pointer, sent: unknown): void {
    this.replace(this.place(at), sent);
  }
  ask(at: Pointer, text: string): Expressed {
    return this.expressions?.ask(at, text).value ?? notLoaded;
  }
  get words(): Words | undefined {
    return this.#problems.words.value;
  }
  speak(words: Words | undefined): void {
    this.#problems.speak(words);
  }
  get troubles(): readonly Trouble[] {
    void this.version.value;
    return [...this.#troubles.values()];
  }
  trouble(at: Pointer, says: string): void {
    const key = `${at}\n${says}`;
    if (this.#troubles.has(key)) return;
    this.#troubles.set(key, { at, says });
    warnDeveloper(`${at || 'The form'}: ${says}`);
  }
  valueAt(at: Pointer): unknown {
    return this.place(at).value;
  }
  holds(at: Pointer, conditions: readonly Condition[]): boolean {
    const place = this.place(at);
    return conditions.every((condition) => place.holdsAbove(condition));
  }
  codecFor(at: Pointer, facts: Facts): Codec {
    const choose = (where: Pointer, chooser: Chooser): number => this.chosen(where, chooser);
    return this.options.codecs?.(at, facts, choose, this.words?.lang) ?? this.ground.codec(facts);
  }

  /**
   * The one way in which a value comes in. From a place's own input, what that input holds stays; from outside, all that
   * was typed, held, refused and chosen here was about another value. Tells those who depend on it, and nobody else.
   */
  #take(place: Place, sent: unknown, from: 'input' | 'outside'): void {
    batch(() => {
      const { keeper } = place;
      this.#moves?.takeOptions(place);
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
      this.goOn();
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
    for (const { kept, at } of this.marked) {
      if (kept?.root === undefined || !(at === place.at || at.startsWith(`${place.at}/`))) continue;
      const document: FormDocument = new FormDocument(whole);
      document.write(at.slice(place.at.length), copyOf(kept.root), yes, no);
      whole = document.root;
    }
    return whole;
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
  sayTyped({ at }: Place, typed: Typed): Problem {
    return this.#problems.typed(at, typed);
  }
  /** Keeps the short list of places that are asked whenever the whole is. */
  noticed(place: Place): void {
    const { typed, refusals } = place.acts;
    const isMarked =
      typed.peek() !== undefined ||
      refusals.peek().length > 0 ||
      place.ruling.peek().problems.length > 0 ||
      place.kept?.root !== undefined;
    if (isMarked) this.marked.add(place);
    else this.marked.delete(place);
    this.version.value++;
  }

  problems(): readonly Problem[] {
    void this.version.value;
    const marked = [...this.marked];
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
  sent(): unknown {
    void this.version.value;
    return this.keepsHidden ? this.whole(this.#root) : copyOf(this.#document.root);
  }
  get leftOver(): readonly LeftOver[] {
    return this.#kept(true);
  }
  get aside(): readonly LeftOver[] {
    return this.#kept(false);
  }
  #kept(isLeftOver: boolean): LeftOver[] {
    void this.version.value;
    return [...this.marked].flatMap((place) =>
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

  protected beginHere(): () => void {
    const [beginning, whole] = [copyOf(this.#document.root), this.whole(this.#root)];
    return () => this.#beginAt(beginning, whole);
  }

  load(values: unknown): void {
    batch(() => {
      this.#isRecord = true;
      this.#begin(values);
      this.#settleBeginning();
    });
  }
  restart(): void {
    this.load(this.#beginning.whole);
  }

  #memory(): Pick<CompiledSchema, 'recheck'> {
    return this.schema.follow((at, { id }) => this.#known(at)?.acts.chosen(id).peek());
  }
  #begin(values: unknown): void {
    this.begin();
    this.#follow = this.#memory();
    for (const place of places(this.#root)) place.acts.visited.value = false;
    this.marked.clear();
    this.#document.root = copyOf(values) ?? {};
    this.#root.renewAll();
    this.force.discover(this.#root);
    this.#addNeededGroups(this.#root, 0);
    this.#checked('');
  }
  /** What stands there by now, computed values included, is where the form begins. */
  #settleBeginning(): void {
    this.#beginAt(copyOf(this.#document.root), this.whole(this.#root));
  }
  #beginAt(beginning: unknown, whole: unknown): void {
    this.#beginning.take(beginning, whole);
    for (const place of places(this.#root)) place.subtreeVersion.value++;
    this.version.value++;
  }

  /**
   * A group that the schema requires is there from the start, if empty: a person is then told which of its members
   * are missing rather than that "the consignor" is. Members out of force are made places, too, and get what they need
   * when their conditions turn. The depth ends what a schema that requires itself would go on with.
   */
  #addNeededGroups(place: Place, depth: number): void {
    if (depth > 20) return;
    for (const name of namedMembers(place.applied)) this.#addNeeded(place.child(name), depth);
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
    return snapshotOf(places(this.#root), this.whole(this.#root));
  }
  /** Everything is asked again: what was written at once, by a snapshot, and what nobody could check before. */
  settleAll(): void {
    batch(() => {
      for (const place of places(this.#root)) place.stir();
      this.#checked('');
    });
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
    this.#beginning.note(changedAt);
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
