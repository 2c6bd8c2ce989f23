import { batch, computed } from '@preact/signals-core';
import type { Codec } from '../codec/index.js';
import { copyOf, warnDeveloper, type Pointer, type Problem } from '../json/index.js';
import type { CompiledSchema, Condition, Facts } from '../schema/index.js';
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
import { addNeeded, addNeededGroups, type Needing } from './needed.js';
import { pointerOf, type Where } from './path.js';
import type { FormSchema } from './form-schema.js';
import type { Attended, Ground, OpenOptions } from './ground.js';
import { FormProblems } from './problems.js';
import { Place, places, type PlaceHolder, type Span } from './place.js';
import { Holding } from './holding.js';
import { restore } from './snapshot.js';
import type { Chooser, Form, FormField, PlaceSettings, TellWhen } from './types.js';

const notLoaded: Expressed = { missing: 'Expressions are not loaded.' };

export class OpenForm extends Holding implements Form, PlaceHolder, Attended, Movable, Needing {
  readonly schema: FormSchema;
  readonly tell: TellWhen;
  readonly disabled: boolean;
  readonly keepsHidden: boolean;
  readonly force: Force;
  readonly #beginning = new Beginning(this.document);
  protected readonly root: Place;
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
    this.root = new Place(this, undefined, '');
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
  settleAt(place: Place, span?: Span): void {
    this.force.discover(place, span);
    this.force.touched(place);
    addNeededGroups(this, place);
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
  #take(place: Place, sent: unknown, from: 'input' | 'outside', span?: Span): void {
    batch(() => {
      const { keeper } = place;
      this.#moves?.takeOptions(place);
      const changedAt = this.write(place, sent);
      if (from === 'outside') place.renew();
      for (const child of place.made(span)) child.renewAll();
      place.stir();
      this.#stirAbove(place);
      this.noticed(place);
      if (keeper) this.noticed(keeper);
      this.force.discover(place, span);
      if (keeper) this.force.settle();
      else this.#checked(changedAt);
      this.goOn();
    });
  }
  enter(place: Place, sent: unknown): void {
    this.#take(place, sent, 'input');
  }
  replace(place: Place, sent: unknown, span?: Span): void {
    this.#take(place, sent, 'outside', span);
  }

  /** Moves the value of a place whose conditions have turned: aside, or back into the document. */
  move(place: Place, isInForce: boolean): void {
    batch(() => {
      if (place.parent?.keeper) place.holdsItself = isInForce;
      else if (isInForce) {
        const value = place.kept?.root;
        place.kept = undefined;
        for (const inner of places(place)) inner.holdsItself = true;
        if (value !== undefined) this.bring(place, value);
        this.force.discover(place);
        if (place.parent) addNeeded(this, place);
      } else {
        const value = this.whole(place);
        if (this.document.read(place.at) !== undefined) this.bring(place, undefined);
        for (const inner of places(place)) inner.kept = undefined;
        place.kept = new FormDocument(value);
        place.holdsItself = false;
      }
      for (const inner of places(place)) inner.stir();
      this.noticed(place);
    });
  }
  /** Writes a value that nobody entered: what was entered elsewhere brought it along. */
  bring(place: Place, value: unknown): void {
    const changedAt = this.write(place, value);
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
    return this.#problems.open(this.marked, (at) => this.place(at).inForce);
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
    const [beginning, whole] = [copyOf(this.document.root), this.whole(this.root)];
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
    return this.schema.follow((at, { id }) => this.known(at)?.acts.chosen(id).peek());
  }
  #begin(values: unknown): void {
    this.begin();
    this.#follow = this.#memory();
    for (const place of places(this.root)) place.acts.visited.value = false;
    this.marked.clear();
    this.document.root = copyOf(values) ?? {};
    this.root.renewAll();
    this.force.discover(this.root);
    addNeededGroups(this, this.root);
    this.#checked('');
  }
  /** What stands there by now, computed values included, is where the form begins. */
  #settleBeginning(): void {
    this.#beginAt(copyOf(this.document.root), this.whole(this.root));
  }
  #beginAt(beginning: unknown, whole: unknown): void {
    this.#beginning.take(beginning, whole);
    for (const place of places(this.root)) place.subtreeVersion.value++;
    this.version.value++;
  }

  /** Everything is asked again: what was written at once, by a snapshot, and what nobody could check before. */
  settleAll(): void {
    batch(() => {
      for (const place of places(this.root)) place.stir();
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
    const verdict = this.#follow.recheck(this.document.root, changedAt);
    this.#problems.take(verdict);
    this.#beginning.note(changedAt);
    batch(() => {
      for (const at of new Set([...verdict.touched, changedAt])) {
        const place = this.known(at);
        if (place) place.problemsVersion.value++;
      }
      this.version.value++;
    });
  }
}
