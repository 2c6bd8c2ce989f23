import { batch, computed, signal, type Signal } from '@preact/signals-core';
import { guarded, type Codec } from '../codec/index.js';
import { reasonOf, type Pointer, type Problem } from '../json/index.js';
import type { Facts } from '../schema/index.js';
import type { Typed } from './acts.js';
import { Described, type Describing } from './described.js';
import { FormDocument } from './document.js';
import type { FormField, PlaceSettings, TellWhen } from './types.js';

/** A condition that places depend on, and its verdict when it was last asked. */
export interface Watch {
  holds(): boolean;
  last: boolean;
  readonly dependents: Set<Place>;
  /** Changes of the verdict since settling began. */
  turns: number;
}

/** What is said of a place by others than the schema: rules, and checks that ask somebody. */
export interface Ruling {
  readonly problems: readonly Problem[];
  /** Somebody is being asked. */
  readonly pending: boolean;
}
export const unruled: Ruling = { problems: [], pending: false };

/** Entries of a list: from an index up to another, which is none of them. */
export type Span = readonly [first: number, end: number];

/** What a place needs of the form around it. */
export interface PlaceHolder extends Describing {
  /** Who watches conditions (`Force`): it is told of a place that was made, and of values that have changed. */
  readonly force: { join(place: Place): boolean | undefined; touched(place: Place): void };
  readonly tell: TellWhen;
  /** Whether all that is wrong at a place is told by now: sending was tried, or what is around it was asked for. */
  isTold(at: Pointer): boolean;
  settingsAt(at: Pointer): PlaceSettings | undefined;
  /** What a text looks like while it is typed, where it is shown in its normal form. */
  whileTyping(codec: Codec, raw: string, shown: string): string;
  readonly disabled: boolean;
  /** What is out of force is sent, too. */
  readonly keepsHidden: boolean;
  codecFor(at: Pointer, facts: Facts): Codec;
  readonly expressions: { isComputed(at: Pointer): boolean } | undefined;
  isChanged(place: Place): boolean;
  problemsAt(place: Place): readonly Problem[];
  /** What is said of a text that could not be parsed. */
  sayTyped(place: Place, typed: Typed): Problem;
  /** A new value that the place's own input, or a caller in its stead, gave. */
  enter(place: Place, sent: unknown): void;
  /** Something about a place has changed that those who watch the whole want to know. */
  noticed(place: Place): void;
  trouble(at: Pointer, says: string): void;
}

const none: readonly Problem[] = [];

/**
 * One place of the form. Made when first asked for, and kept as long as the form.
 *
 * Three numbers say what has changed, each read by those who depend on it: `replacedVersion` grows when the value was
 * replaced by another than this place's own input, `subtreeVersion` when the value here or anything below it changed,
 * `problemsVersion` when problems here may have come or gone. `docs/architecture.md` draws who raises them.
 */
export class Place extends Described<PlaceHolder> implements FormField {
  declare readonly parent: Place | undefined;
  readonly children = new Map<string, Place>();
  /** For a list: what its items are told apart by, whatever their position. */
  keys: number[] = [];
  readonly replacedVersion = signal(0);
  readonly problemsVersion = signal(0);
  /** Set by `rulings.ts`. */
  readonly ruling = signal(unruled);
  /** The conditions that are asked of this place's value, by what they ask. */
  readonly watches = new Map<object | string, Watch>();
  /** Whether the conditions of this place itself hold; absent where it has none. Set by `Force` when it joins. */
  decide: (() => boolean) | undefined;
  /** The verdict of `decide` that the document follows. */
  #force: Signal<boolean> | undefined;
  /** The value while the place is out of force, unless a place around it keeps it. */
  kept: FormDocument | undefined;
  #inputs: { focus(): void }[] = [];

  /** Has its conditions watched; called once, when the place is among the children of the one around it. */
  join(): void {
    const isInForce = this.form.force.join(this);
    if (isInForce === undefined) return;
    // A value that is there has yet to be moved aside; `Force.discover` does that when it has seen all of it.
    const isThere = this.form.read(this) !== undefined;
    this.#force = signal(isInForce || isThere);
    if (!isInForce && !isThere && !this.keeper) this.kept = new FormDocument();
  }

  child(key: string): Place {
    let place = this.children.get(key);
    if (!place) {
      place = new Place(this.form, this, key);
      this.children.set(key, place);
      place.join();
    }
    return place;
  }

  /** Of the entries in a span, or of all that is inside, those that were asked for so far. */
  made([first, end]: Span = [0, Infinity]): Place[] {
    return [...this.children.values()].filter(({ key }) => !(+key < first || +key >= end));
  }

  /** Whether its own conditions hold, as far as the document has followed them. */
  get holdsItself(): boolean {
    return this.#force?.peek() ?? true;
  }
  set holdsItself(isInForce: boolean) {
    if (this.#force) this.#force.value = isInForce;
  }
  get inForce(): boolean {
    return (this.#force?.value ?? true) && (this.parent?.inForce ?? true);
  }
  /** The place, this one or one around it, that keeps the value while it is out of force. */
  get keeper(): Place | undefined {
    return this.kept ? this : this.parent?.keeper;
  }
  /** Whether no schema speaks of it whatever holds: a member of an earlier schema, or one that is not allowed. */
  get isLeftOver(): boolean {
    return this.#force !== undefined && !this.applied.some(({ node }) => node.raw !== false);
  }

  readonly codec = computed(() => guarded(() => this.form.codecFor(this.at, this.facts)));

  readonly #held = computed(() => {
    const version = this.replacedVersion.value;
    const own = this.acts.held.value;
    if (own?.version === version) return own.held;
    const revived = this.codec.value.revive(this.form.read(this));
    return revived.ok ? revived.held : undefined;
  });
  get held(): unknown {
    return this.acts.typed.value ? undefined : this.#held.value;
  }
  get shown(): unknown {
    const typed = this.acts.typed.value;
    return typed ? typed.raw : (this.acts.draft.value ?? this.codec.value.show(this.#held.value));
  }
  /** The value as it would be sent were it in force. */
  get value(): unknown {
    void this.problemsVersion.value;
    void this.subtreeVersion.value;
    return this.form.read(this);
  }
  get sent(): unknown {
    return this.form.keepsHidden || this.inForce ? this.value : undefined;
  }
  get disabled(): boolean {
    return this.form.disabled;
  }
  get readOnly(): boolean {
    return this.facts.readOnly || this.form.expressions?.isComputed(this.at) === true;
  }

  readonly #problems = computed((): readonly Problem[] => {
    void this.problemsVersion.value;
    const typed = this.acts.typed.value;
    if (!this.inForce) return this.acts.refusals.value;
    if (typed) return [this.form.sayTyped(this, typed)];
    const told = [...this.form.problemsAt(this), ...this.ruling.value.problems];
    // Looking the order up costs a walk through the plan; with one problem, or none, there is nothing to order.
    if (told.length > 1) told.sort(byMending([...(this.form.settingsAt(this.at)?.tells ?? []), ...order]));
    return told.concat(this.acts.refusals.value);
  });
  get problems(): readonly Problem[] {
    return this.#problems.value;
  }
  /** Whether its value is one, and the schema has nothing against it. */
  get isSound(): boolean {
    void this.problemsVersion.value;
    return this.acts.typed.value === undefined && this.form.problemsAt(this).length === 0;
  }
  get pending(): boolean {
    return this.ruling.value.pending;
  }
  get shownProblems(): readonly Problem[] {
    const { tell } = this.form;
    const isTime =
      this.form.isTold(this.at) ||
      this.acts.refusals.value.length > 0 ||
      (tell !== 'submit' && this.visited) ||
      (tell === 'change' && this.changed);
    return isTime ? this.problems : none;
  }
  get visited(): boolean {
    return this.acts.visited.value;
  }
  get changed(): boolean {
    void this.subtreeVersion.value;
    return this.acts.typed.value !== undefined || this.form.isChanged(this);
  }

  report(raw: unknown): void {
    const codec = this.codec.peek();
    const parsed = codec.parse(raw);
    batch(() => {
      if (!parsed.ok) {
        this.#keepTyped({ raw, reason: parsed.reason, refusal: parsed.refusal });
        return;
      }
      this.#hold(parsed.held);
      // What was typed stays as it is while the person is in the field: "12." must not become "12".
      const shown = codec.show(parsed.held);
      this.acts.draft.value =
        typeof raw === 'string' && typeof shown === 'string' && raw !== shown ? this.#draftOf(raw, shown) : undefined;
    });
  }

  #draftOf(raw: string, shown: string): string {
    const isNormal = this.form.settingsAt(this.at)?.normal === 'typing';
    return isNormal ? this.form.whileTyping(this.codec.peek(), raw, shown) : raw;
  }

  write(held: unknown): void {
    batch(() => {
      this.acts.draft.value = undefined;
      this.#hold(held);
    });
  }

  #hold(held: unknown): void {
    let sent: unknown;
    try {
      sent = this.codec.peek().serialise(held);
    } catch (error) {
      const reason = reasonOf(error);
      this.form.trouble(this.at, `Cannot be sent: ${reason}`);
      this.#keepTyped({ raw: held, reason });
      return;
    }
    this.acts.typed.value = undefined;
    this.acts.accept();
    this.acts.held.value = { held, version: this.replacedVersion.peek() };
    this.form.enter(this, sent);
  }
  #keepTyped(typed: Typed): void {
    this.acts.typed.value = typed;
    this.acts.accept();
    this.form.enter(this, undefined);
  }

  leave(): void {
    batch(() => {
      this.acts.visited.value = true;
      this.acts.draft.value = undefined;
      this.form.noticed(this);
    });
  }

  focus(): void {
    this.#inputs.at(-1)?.focus();
  }
  attach(input: { focus(): void }): () => void {
    this.#inputs.push(input);
    return () => {
      this.#inputs = this.#inputs.filter((other) => other !== input);
    };
  }

  /** The value was replaced from above or below: what was typed, held and kept here no longer counts. */
  renew(): void {
    this.acts.forget();
    this.replacedVersion.value++;
    if (this.keys.length > 0) this.keys = [];
    // Whether the new value is in force has yet to be asked; until then it is where the rest of the value is.
    this.kept = undefined;
    this.holdsItself = true;
    this.isWanted = false;
  }
  renewAll(): void {
    this.renew();
    this.stir();
    for (const child of this.children.values()) child.renewAll();
  }
  /** Those who read the value or its problems look again. */
  stir(): void {
    this.subtreeVersion.value++;
    this.problemsVersion.value++;
    this.form.force.touched(this);
  }
}

/** The order in which a person mends: what is missing, then its kind, its choice, its size, its form. */
const order = 'required dependentRequired type enum const minLength minItems maxLength maxItems'.split(' ');
const byMending = (keywords: readonly string[]) => {
  const rank = ({ keyword }: Problem): number => keywords.indexOf(keyword) + 1 || Infinity;
  // Two that are not named keep their order: infinity less infinity is no number.
  return (a: Problem, b: Problem): number => rank(a) - rank(b) || 0;
};

/** A place and all below it that were asked for so far. */
export function* places(root: Place): Generator<Place> {
  yield root;
  for (const child of root.children.values()) yield* places(child);
}
