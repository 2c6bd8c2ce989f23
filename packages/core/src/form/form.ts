import { batch, computed, signal, type ReadonlySignal } from '@preact/signals-core';
import { makeCodec, type Codec } from '../codec/index.js';
import { joinPointer, ownMember, parsePointer, type Pointer, type Problem } from '../json/index.js';
import {
  applied, appliedBelow, compileSchema, factsOf, holds, messageFor, namedMembers, requiring, reword,
  type Applied, type CompiledSchema, type CompileOptions, type Condition, type Facts, type Messages,
} from '../schema/index.js';
import { FormDocument } from './document.js';
import { openList, type FormList } from './list.js';
import { pointerOf, type Where } from './path.js';

/** When a field's problems are shown to the person. Once shown, they follow every change. */
export type TellWhen = 'leave' | 'change' | 'submit';

export interface FormOptions {
  /** A JSON Schema, or one that has been compiled already. */
  readonly schema: unknown;
  readonly compiled?: CompiledSchema;
  readonly compile?: CompileOptions;
  /** The codec of a place; without one it is chosen by the schema's type. */
  readonly codecs?: Readonly<Record<Pointer, Codec>> | ((at: Pointer, facts: Facts) => Codec | undefined);
  readonly values?: unknown;
  readonly tell?: TellWhen;
  /** What happens to values that no branch of the schema in force speaks of: left out of what is sent, or kept. */
  readonly hidden?: 'drop' | 'keep';
  readonly messages?: Messages;
  /** What an earlier form gave with `snapshot()`. */
  readonly restore?: Snapshot;
}

/** What was typed so far, as JSON: survives a reload. */
export interface Snapshot {
  readonly value: unknown;
  /** Texts that could not be parsed, by place, exactly as typed. */
  readonly typed: Readonly<Record<Pointer, unknown>>;
  readonly visited: readonly Pointer[];
}

/** What became of sending. `problems` name the fields that were refused; `message` speaks of the whole. */
export type Outcome =
  | { readonly kind: 'accepted'; readonly answer: unknown }
  | { readonly kind: 'refused'; readonly problems: readonly Problem[]; readonly message?: string }
  | { readonly kind: 'failed'; readonly message: string };
/** `invalid`: nothing was sent, since the form has problems of its own. */
export type Submitted = Outcome | { readonly kind: 'invalid'; readonly problems: readonly Problem[] };

export type FormStatus = 'open' | 'sending' | 'accepted' | 'refused' | 'failed';

/** One field: a place in the form with what it shows, holds and sends. Reading inside an `effect` follows the value. */
export interface FormField {
  readonly at: Pointer;
  /** What the input has to show: the typed text where it could not be parsed. */
  readonly shown: unknown;
  readonly held: unknown;
  readonly sent: unknown;
  readonly problems: readonly Problem[];
  /** The problems that the person should see by now. */
  readonly told: readonly Problem[];
  readonly visited: boolean;
  readonly changed: boolean;
  readonly required: boolean;
  readonly disabled: boolean;
  readonly facts: Facts;
  /** The input told something: it is parsed, or kept as typed. */
  report(raw: unknown): void;
  write(held: unknown): void;
  /** The person left the input. */
  leave(): void;
  focus(): void;
  /** How `focus` reaches the real input; gives back the way to take it off again. */
  attach(input: { focus(): void }): () => void;
}

export interface Form<T = unknown> {
  readonly compiled: CompiledSchema;
  readonly tell: TellWhen;
  readonly status: FormStatus;
  readonly changed: boolean;
  readonly submittedOnce: boolean;
  /** What the server said of the whole. */
  readonly message: string | undefined;
  field(at: Where<T>): FormField;
  list(at: Where<T>): FormList;
  /** The sent value at a place, followed as a whole. */
  valueAt(at: Pointer): unknown;
  /** Whether conditions hold that are told from a place. */
  holds(at: Pointer, conditions: readonly Condition[]): boolean;
  /** The JSON to be sent. */
  sent(): unknown;
  problems(): readonly Problem[];
  submit(send: (sent: unknown) => Promise<Outcome>): Promise<Submitted>;
  /** Puts the server's problems onto the fields. */
  refuse(problems: readonly Problem[], message?: string): void;
  /** Takes a record as the new beginning. */
  load(values: unknown): void;
  /** Back to the beginning. */
  restart(): void;
  snapshot(): Snapshot;
  /** A number that grows with every change, for those who save or draw the whole. */
  readonly version: ReadonlySignal<number>;
}

/** Opens a form on a schema. @throws {SchemaError} as `compileSchema` does. */
export function openForm<T = unknown>(options: FormOptions): Form<T> {
  return new OpenForm(options);
}

const missing = Symbol('nothing typed');

/** One place of the form. Made when first asked for. */
class Place implements FormField {
  readonly children = new Map<string, Place>();
  /** Grows when the value here was replaced from outside this place's own input. */
  readonly replaced = signal(0);
  /** Grows when the value here or anything below has changed. */
  readonly deep = signal(0);
  readonly typed = signal<unknown>(missing);
  readonly reason = signal<string | undefined>(undefined);
  readonly seen = signal(false);
  readonly looked = signal(0);
  readonly refusals = signal<readonly Problem[]>([]);
  readonly applied: readonly Applied[];
  #inputs: { focus(): void }[] = [];
  /** What this place's own input gave, until the value is replaced from elsewhere: not every held value survives JSON the same. */
  readonly #kept = signal<{ held: unknown; version: number } | undefined>(undefined);

  constructor(
    readonly form: OpenForm,
    readonly parent: Place | undefined,
    readonly key: string,
  ) {
    this.applied = parent ? appliedBelow(parent.applied, Array.isArray(form.document.read(parent.at)) ? Number(key) : key) : applied(form.compiled.root);
  }

  get at(): Pointer {
    return this.parent ? joinPointer(this.parent.at, this.key) : '';
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
  readonly active: ReadonlySignal<readonly Applied[]> = computed(() => this.applied.filter(({ when }) => when.every((condition) => this.holdsAbove(condition))));
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
        void this.deep.value;
        return holds({ up: 0, about }, this.form.document.read(this.at));
      });
      this.#verdicts.set(about, verdict);
    }
    return verdict;
  }
  ancestor(up: number): Place {
    // The root has no ancestor; a condition never reaches above it.
    return up === 0 || !this.parent ? this : this.parent.ancestor(up - 1);
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
    return this.facts.readOnly;
  }

  readonly #problems = computed((): readonly Problem[] => {
    void this.looked.value;
    const reason = this.reason.value;
    if (reason !== undefined) return [{ at: this.at, keyword: 'parse', schemaAt: '', params: { typed: this.typed.value }, message: reason }];
    return [...this.form.problemsAt(this), ...this.refusals.value];
  });
  get problems(): readonly Problem[] {
    return this.#problems.value;
  }
  get told(): readonly Problem[] {
    const { tell } = this.form;
    const isTime = this.form.submitted.value || this.refusals.value.length > 0 || (tell !== 'submit' && this.seen.value) || (tell === 'change' && this.changed);
    return isTime ? this.problems : [];
  }
  get visited(): boolean {
    return this.seen.value;
  }
  get changed(): boolean {
    void this.deep.value;
    return this.isTyped || JSON.stringify(this.form.document.read(this.at)) !== JSON.stringify(this.form.beginning.read(this.at));
  }

  report(raw: unknown): void {
    const parsed = this.codec.peek().parse(raw);
    batch(() => {
      this.refusals.value = [];
      if (!parsed.ok) {
        this.typed.value = raw;
        this.reason.value = parsed.reason;
        this.form.put(this, undefined);
        return;
      }
      // What was typed stays as it is while the person is in the field: "12." must not become "12".
      const shown = this.codec.peek().show(parsed.held);
      this.typed.value = missing;
      this.reason.value = undefined;
      this.#keep(parsed.held);
      this.form.put(this, this.codec.peek().serialise(parsed.held));
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
      this.refusals.value = [];
      this.#keep(held);
      this.form.put(this, this.codec.peek().serialise(held));
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
    this.refusals.value = [];
  }
  renewAll(): void {
    this.renew();
    this.deep.value++;
    this.looked.value++;
    for (const child of this.children.values()) child.renewAll();
  }
}

class OpenForm implements Form {
  readonly compiled: CompiledSchema;
  readonly document: FormDocument;
  readonly beginning: FormDocument;
  readonly tell: TellWhen;
  readonly submitted = signal(false);
  readonly version = signal(0);
  readonly #status = signal<FormStatus>('open');
  readonly #message = signal<string | undefined>(undefined);
  #follow: Pick<CompiledSchema, 'recheck'>;
  #byPlace = new Map<Pointer, readonly Problem[]>();
  readonly #root: Place;
  #all: readonly Problem[] = [];

  constructor(private readonly options: FormOptions) {
    this.compiled = options.compiled ?? compileSchema(options.schema, { assertFormats: true, ...options.compile });
    this.tell = options.tell ?? 'leave';
    this.#follow = this.compiled.follow();
    const start = options.restore ? options.restore.value : options.values;
    this.beginning = new FormDocument(copy(options.values));
    this.document = new FormDocument(copy(start ?? {}));
    this.#root = new Place(this, undefined, '');
    this.#addNeededGroups(this.#root, 0);
    this.beginning.root ??= {};
    if (!options.restore) this.beginning.root = copy(this.document.root);
    this.#check('');
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
    return JSON.stringify(this.document.root ?? {}) !== JSON.stringify(this.beginning.root ?? {}) || [...places(this.#root)].some((place) => place.isTyped);
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
      replace: (items) => this.#replace(place, items),
    });
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
    const chosen = typeof codecs === 'function' ? codecs(at, facts) : codecs?.[at];
    return chosen ?? makeCodec({ kind: codecKind(facts) });
  }

  /** A field's new value on its way into the document; tells all that depends on it, and nothing else. */
  put(place: Place, sent: unknown): void {
    const changedAt = this.document.write(place.at, sent, (at) => this.place(at).required);
    for (const child of place.children.values()) child.renewAll();
    for (let up: Place | undefined = place; up; up = up.parent) {
      up.deep.value++;
      if (up !== place) up.replaced.value++;
    }
    this.#check(changedAt);
    if (this.#status.peek() !== 'sending') this.#status.value = 'open';
  }

  problemsAt(place: Place): readonly Problem[] {
    return this.#byPlace.get(place.at) ?? [];
  }
  noticed(): void {
    this.version.value++;
  }

  problems(): readonly Problem[] {
    void this.version.value;
    const own = [...places(this.#root)].filter((place) => place.reason.value !== undefined || place.refusals.value.length > 0);
    const replaced = new Set(own.filter((place) => place.reason.value !== undefined).map((place) => place.at));
    return [...this.#all.map((problem) => this.#onField(problem)).filter(({ at }) => !replaced.has(at)), ...own.flatMap((place) => (place.reason.value !== undefined ? place.problems : place.refusals.value))];
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
  #begin(): void {
    this.submitted.value = false;
    this.#status.value = 'open';
    this.#message.value = undefined;
    for (const place of places(this.#root)) place.seen.value = false;
    this.#follow = this.compiled.follow();
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
      if (kinds?.length !== 1 || kinds[0] !== 'object') continue;
      const value = this.document.read(child.at);
      if (value === undefined && child.required) this.document.write(child.at, {}, () => true);
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

  #replace(place: Place, value: unknown): void {
    batch(() => {
      const changedAt = this.document.write(place.at, value, (at) => this.place(at).required);
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
    this.#all = verdict.problems;
    const byPlace = new Map<Pointer, Problem[]>();
    for (const problem of this.#all) {
      const moved = this.#onField(problem);
      const known = byPlace.get(moved.at);
      if (known) known.push(moved);
      else byPlace.set(moved.at, [moved]);
    }
    const before = this.#byPlace;
    this.#byPlace = byPlace;
    batch(() => {
      for (const at of new Set([...verdict.touched, changedAt])) {
        if (!before.has(at) && !byPlace.has(at) && at !== changedAt) continue;
        const place = this.#known(at);
        if (place) place.looked.value++;
      }
      this.version.value++;
    });
  }

  /** A missing member is the field's own matter, not that of the object around it. */
  #onField(problem: Problem): Problem {
    const { messages } = this.options;
    const name = problem.keyword === 'required' ? problem.params['missing'] : problem.keyword === 'dependentRequired' ? problem.params['name'] : undefined;
    const moved = typeof name === 'string' ? { ...problem, at: joinPointer(problem.at, name), message: messageFor({ required: 'Is needed.', dependentRequired: 'Is needed.', ...messages }, problem.keyword, problem.params) } : problem;
    return messages ? reword(moved, messages) : moved;
  }

  #known(at: Pointer): Place | undefined {
    let place: Place | undefined = this.#root;
    for (const token of parsePointer(at)) place = place?.children.get(token);
    return place;
  }

  /** Leaves out members that only branches not in force speak of. Members that no branch speaks of are not ours to drop. */
  #withoutHidden(place: Place, value: unknown): unknown {
    if (typeof value !== 'object' || value === null) return value;
    for (const key of Object.keys(value)) {
      const child = place.child(key);
      if (child.applied.length > 0 && child.active.peek().length === 0) delete (value as Record<string, unknown>)[key];
      else this.#withoutHidden(child, ownMember(value, key));
    }
    return value;
  }
}

function* places(root: Place): Generator<Place> {
  yield root;
  for (const child of root.children.values()) yield* places(child);
}

/** What is sent is JSON, so a copy by way of JSON loses nothing. */
function copy(value: unknown): unknown {
  return value === undefined ? undefined : (JSON.parse(JSON.stringify(value)) as unknown);
}

/** The codec for a place of which nothing but its schema is known. */
export function codecKind({ kinds }: Facts): string {
  const [kind] = kinds?.filter((one) => one !== 'null') ?? [];
  if (kind === 'string') return 'text';
  return kind === 'number' || kind === 'integer' || kind === 'boolean' ? kind : 'same';
}
