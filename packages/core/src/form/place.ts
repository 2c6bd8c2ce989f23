import { batch, computed, signal, type ReadonlySignal, type Signal } from '@preact/signals-core';
import type { Codec } from '../codec/index.js';
import { joinPointer, type Pointer, type Problem } from '../json/index.js';
import {
  applied,
  appliedBelow,
  factsOf,
  holds,
  requiring,
  type Applied,
  type CompiledSchema,
  type Condition,
  type Facts,
} from '../schema/index.js';
import type { FormDocument } from './document.js';
import type { FormField, TellWhen } from './types.js';

/** What a place needs of the form around it. */
export interface PlaceHolder {
  readonly compiled: CompiledSchema;
  readonly document: FormDocument;
  readonly beginning: FormDocument;
  readonly tell: TellWhen;
  readonly submitted: ReadonlySignal<boolean>;
  codecFor(at: Pointer, facts: Facts): Codec;
  isComputed(place: Place): boolean;
  readonly disabled: boolean;
  problemsAt(place: Place): readonly Problem[];
  /** A new value on its way into the document. */
  putAt(place: Place, sent: unknown): void;
  /** Something about a place has changed that those who watch the whole want to know. */
  noticed(): void;
}

/** What a person did at a place and below it. */
export interface Remembered {
  readonly typed: { readonly value: unknown; readonly reason: string | undefined } | undefined;
  readonly seen: boolean;
  readonly chosen: readonly (readonly [object, number])[];
  readonly children: readonly (readonly [string, Remembered])[];
}

const missing = Symbol('nothing typed');
const none: readonly Problem[] = [];

/** One place of the form. Made when first asked for. */
export class Place implements FormField {
  readonly children = new Map<string, Place>();
  /** For a list: what its items are told apart by, whatever their position. */
  keys: number[] = [];
  /** Grows when the value here was replaced from outside this place's own input. */
  readonly replaced = signal(0);
  /** Grows when the value here or anything below has changed. */
  readonly deep = signal(0);
  readonly typed = signal<unknown>(missing);
  readonly reason = signal<string | undefined>(undefined);
  readonly seen = signal(false);
  readonly looked = signal(0);
  readonly refusals = signal<readonly Problem[]>(none);
  readonly applied: readonly Applied[];
  readonly at: Pointer;
  #inputs: { focus(): void }[] = [];
  /** What this place's own input gave, until the value is replaced from elsewhere: not every held value survives JSON the same. */
  readonly #kept = signal<{ held: unknown; version: number } | undefined>(undefined);

  constructor(
    readonly form: PlaceHolder,
    readonly parent: Place | undefined,
    readonly key: string,
  ) {
    this.at = parent ? joinPointer(parent.at, key) : '';
    this.applied = parent
      ? appliedBelow(parent.applied, Array.isArray(form.document.read(parent.at)) ? Number(key) : key)
      : applied(form.compiled.root);
  }

  child(key: string): Place {
    let place = this.children.get(key);
    if (!place) {
      place = new Place(this.form, this, key);
      this.children.set(key, place);
    }
    return place;
  }

  /** Which of the schemas that could speak of this place do so now. */
  readonly active: ReadonlySignal<readonly Applied[]> = computed(() =>
    this.applied.filter(({ when }) => when.every((condition) => this.holdsAbove(condition))),
  );
  readonly #facts = computed(() => factsOf(this.active.value.map(({ node }) => node)));
  readonly codec = computed(() => this.form.codecFor(this.at, this.#facts.value));

  /** Conditions of one place are asked once a change there, however many fields depend on them. */
  holdsAbove(condition: Condition): boolean {
    const place = this.ancestor(condition.up);
    return place.verdict(condition.about).value;
  }
  readonly #verdicts = new Map<Condition['about'], ReadonlySignal<boolean>>();
  verdict(about: Condition['about']): ReadonlySignal<boolean> {
    let verdict = this.#verdicts.get(about);
    if (!verdict) {
      verdict = computed(() => {
        const chosen = about.kind === 'branch' ? this.chosen(about.choice).value : undefined;
        if (about.kind === 'branch' && chosen !== undefined) return chosen === about.index;
        void this.deep.value;
        return holds({ up: 0, about }, this.form.document.read(this.at));
      });
      this.#verdicts.set(about, verdict);
    }
    return verdict;
  }
  /** The branch that a person has chosen here, until the value is replaced from elsewhere. */
  readonly #chosen = new Map<object, Signal<number | undefined>>();
  chosen(key: object): Signal<number | undefined> {
    let own = this.#chosen.get(key);
    if (!own) {
      own = signal<number | undefined>(undefined);
      this.#chosen.set(key, own);
    }
    return own;
  }
  ancestor(up: number): Place {
    // The root has no ancestor; a condition never reaches above it.
    return up === 0 || !this.parent ? this : this.parent.ancestor(up - 1);
  }

  /**
   * The only value that it may have. One of several values to choose from is none, nor is a mark that a person has to
   * set: that terms are accepted is not for the form to say.
   */
  get fixed(): { readonly value: unknown } | undefined {
    const settled = this.active
      .peek()
      .filter(({ when }) => !when.some(({ up, about }) => up === 0 && about.kind === 'branch'));
    const { allowed = [] } = factsOf(settled.map(({ node }) => node));
    const [value] = allowed;
    return allowed.length === 1 && typeof value !== 'boolean' ? { value } : undefined;
  }
  /** Whether its value is a list, as far as the schema says. */
  get isList(): boolean {
    const { kinds } = this.facts;
    return kinds !== undefined && kinds.includes('array') && !kinds.includes('object');
  }
  get facts(): Facts {
    return this.#facts.value;
  }
  get isTyped(): boolean {
    return this.typed.value !== missing;
  }
  readonly #held = computed(() => {
    const version = this.replaced.value;
    const kept = this.#kept.value;
    if (kept?.version === version) return kept.held;
    const revived = this.codec.value.revive(this.form.document.read(this.at));
    return revived.ok ? revived.held : undefined;
  });
  get held(): unknown {
    return this.isTyped ? undefined : this.#held.value;
  }
  get shown(): unknown {
    return this.isTyped ? this.typed.value : (this.draft.value ?? this.codec.value.show(this.#held.value));
  }
  get sent(): unknown {
    void this.looked.value;
    void this.deep.value;
    return this.form.document.read(this.at);
  }
  readonly #required = computed(() => {
    if (!this.parent) return false;
    return requiring(this.parent.active.value, this.key).length > 0;
  });
  get required(): boolean {
    return this.#required.value;
  }
  get disabled(): boolean {
    return this.form.disabled;
  }
  get readOnly(): boolean {
    return this.facts.readOnly || this.form.isComputed(this);
  }

  readonly #problems = computed((): readonly Problem[] => {
    void this.looked.value;
    const reason = this.reason.value;
    if (reason !== undefined)
      return [{ at: this.at, keyword: 'parse', schemaAt: '', params: { typed: this.typed.value }, message: reason }];
    return [...this.form.problemsAt(this)].sort(byMending).concat(this.refusals.value);
  });
  get problems(): readonly Problem[] {
    return this.#problems.value;
  }
  get told(): readonly Problem[] {
    const { tell } = this.form;
    const isTime =
      this.form.submitted.value ||
      this.refusals.value.length > 0 ||
      (tell !== 'submit' && this.seen.value) ||
      (tell === 'change' && this.changed);
    return isTime ? this.problems : none;
  }
  get visited(): boolean {
    return this.seen.value;
  }
  get changed(): boolean {
    void this.deep.value;
    return (
      this.isTyped ||
      JSON.stringify(this.form.document.read(this.at)) !== JSON.stringify(this.form.beginning.read(this.at))
    );
  }

  report(raw: unknown): void {
    const parsed = this.codec.peek().parse(raw);
    batch(() => {
      this.#accept();
      if (!parsed.ok) {
        this.typed.value = raw;
        this.reason.value = parsed.reason;
        this.form.putAt(this, undefined);
        return;
      }
      // What was typed stays as it is while the person is in the field: "12." must not become "12".
      const shown = this.codec.peek().show(parsed.held);
      this.typed.value = missing;
      this.reason.value = undefined;
      this.#keep(parsed.held);
      this.form.putAt(this, this.codec.peek().serialise(parsed.held));
      if (typeof raw === 'string' && typeof shown === 'string' && raw !== shown) this.draft.value = raw;
      else this.draft.value = undefined;
    });
  }
  /** A typed text that could be parsed but would be shown another way; kept until the field is left. */
  readonly draft = signal<string | undefined>(undefined);

  write(held: unknown): void {
    batch(() => {
      this.typed.value = missing;
      this.reason.value = undefined;
      this.draft.value = undefined;
      this.#accept();
      this.#keep(held);
      this.form.putAt(this, this.codec.peek().serialise(held));
    });
  }

  leave(): void {
    batch(() => {
      this.seen.value = true;
      this.draft.value = undefined;
      this.form.noticed();
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

  /** What a server refused was another value. An empty list is left as it is, so that nobody is told of nothing. */
  #accept(): void {
    if (this.refusals.peek().length > 0) this.refusals.value = none;
  }
  #keep(held: unknown): void {
    this.#kept.value = { held, version: this.replaced.peek() };
  }
  /** The value was replaced from above or below: what was typed and kept here no longer counts. */
  renew(): void {
    this.#kept.value = undefined;
    this.replaced.value++;
    this.typed.value = missing;
    this.reason.value = undefined;
    this.draft.value = undefined;
    this.#accept();
    for (const own of this.#chosen.values()) own.value = undefined;
  }

  /** What the person did here and below, to be put back where the value is moved to. */
  remember(): Remembered {
    return {
      typed: this.isTyped ? { value: this.typed.peek(), reason: this.reason.peek() } : undefined,
      seen: this.seen.peek(),
      chosen: [...this.#chosen].flatMap(([key, { value }]) => (value === undefined ? [] : [[key, value] as const])),
      children: [...this.children].map(([key, child]) => [key, child.remember()] as const),
    };
  }
  recall({ typed, seen, chosen, children }: Remembered): void {
    this.seen.value = seen;
    for (const [key, index] of chosen) this.chosen(key).value = index;
    if (typed) {
      this.typed.value = typed.value;
      this.reason.value = typed.reason;
    }
    for (const [key, child] of children) this.child(key).recall(child);
  }
  renewAll(): void {
    this.renew();
    this.deep.value++;
    this.looked.value++;
    for (const child of this.children.values()) child.renewAll();
  }
}

/** The order in which a person mends: what is missing, then its kind, its choice, its size, its form. */
const order = [
  'required',
  'dependentRequired',
  'type',
  'enum',
  'const',
  'minLength',
  'minItems',
  'maxLength',
  'maxItems',
];
const rank = ({ keyword }: Problem): number => {
  const at = order.indexOf(keyword);
  return at < 0 ? order.length : at;
};
const byMending = (a: Problem, b: Problem): number => rank(a) - rank(b);

/** A place and all below it that were asked for so far. */
export function* places(root: Place): Generator<Place> {
  yield root;
  for (const child of root.children.values()) yield* places(child);
}
