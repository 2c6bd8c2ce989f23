/** Expressions in a form: asked again when what they look at changes, and run in an order that ends. */
import { batch, computed, effect, untracked, type ReadonlySignal } from '@preact/signals-core';
import type { Expressed, Expression, Expressions } from '../expression/index.js';
import { equalJson, isObject, parentPointer, parsePointer, type Pointer } from '../json/index.js';
import { eachPlace } from './each-place.js';
import type { HintCondition } from './force.js';
import { fits } from './fits.js';
import type { Place } from './place.js';
import type { PlacedExpression } from './types.js';

interface Around {
  place(at: Pointer): Place;
  trouble(at: Pointer, says: string): void;
}

/** The place that a reference of an expression at `at` means. */
function target(at: Pointer, [root, below]: Expression['references'][number]): Pointer {
  return root === 'form' ? below : root === 'value' ? at + below : `${parentPointer(at)}${below}`;
}

/** The expressions of a form: `ask` says what one is at a place, and follows it. */
export class FormExpressions {
  readonly #asked = new Map<string, ReadonlySignal<Expressed>>();
  readonly #conditions: readonly (PlacedExpression & { readonly tokens: readonly string[] })[];

  constructor(
    private readonly form: Around,
    private readonly language: Expressions | undefined,
    private readonly placed: readonly PlacedExpression[],
    conditions: readonly PlacedExpression[],
  ) {
    this.#conditions = conditions.map(({ at, text }) => ({ at, tokens: parsePointer(at), text }));
  }

  /** The conditions that hints set for a place. */
  conditionsAt({ at }: Place): HintCondition[] {
    if (this.#conditions.length === 0) return [];
    return this.#conditions
      .filter((one) => fits(one.at, at))
      .map(({ text }) => {
        const asked = this.ask(at, text);
        return { holds: () => isTrue(asked.peek()), looksAt: this.looksAt(at, text) };
      });
  }

  /** Makes the places in the value of a place that conditions speak of, so that they are watched. */
  reveal(place: Place): void {
    for (const { tokens } of this.#conditions) this.#visit(place, tokens, parsePointer(place.at));
  }
  #visit(place: Place, pattern: readonly string[], own: readonly string[]): void {
    if (pattern.length < own.length || !own.every((token, i) => pattern[i] === '*' || pattern[i] === token)) return;
    const token = pattern[own.length];
    if (token === undefined) return;
    const value = place.form.read(place);
    if (!Array.isArray(value) && !isObject(value)) return;
    const names = token === '*' ? Object.keys(value) : Object.hasOwn(value, token) ? [token] : [];
    for (const name of names) this.#visit(place.child(name), pattern, [...own, name]);
  }

  /** Begins to follow the computed values. */
  start(rules: readonly unknown[]): void {
    if (!this.language && this.placed.length + this.#conditions.length + rules.length > 0)
      this.form.trouble('', 'Its expressions cannot be read: the option “expressions” was not given.');
    for (const { at, text } of this.#withoutCycles(this.placed))
      eachPlace(this.form, at, (each) => this.#run(each, text));
  }

  /** The places that an expression looks at. */
  looksAt(at: Pointer, text: string): Place[] {
    return (this.language?.read(text).references ?? []).map((reference) => this.form.place(target(at, reference)));
  }

  /** What an expression says; the signal is kept, so that many may ask. */
  ask(at: Pointer, text: string): ReadonlySignal<Expressed> {
    // As JSON, since a name may hold whatever would tell place and text apart.
    const key = JSON.stringify([at, text]);
    let asked = this.#asked.get(key);
    if (!asked) {
      const expression = this.language?.read(text);
      asked = computed((): Expressed => {
        if (!expression) return { missing: 'Expressions are not loaded.' };
        for (const place of this.looksAt(at, text)) void place.subtreeVersion.value;
        const read = (where: Pointer): unknown => untracked(() => this.form.place(where).sent);
        const said = expression.ask({ form: read(''), here: read(parentPointer(at)), value: read(at) });
        if ('trouble' in said) this.form.trouble(at, `The expression “${text}” cannot be asked: ${said.trouble}`);
        return said;
      });
      this.#asked.set(key, asked);
    }
    return asked;
  }

  isComputed(at: Pointer): boolean {
    return this.placed.some((one) => fits(one.at, at));
  }

  /** Follows an expression and writes what it says. */
  #run(place: Pointer, text: string): () => void {
    const asked = this.ask(place, text);
    return effect(() => {
      const said = asked.value;
      const next = 'value' in said ? said.value : undefined;
      untracked(() => {
        const target = this.form.place(place);
        if (!equalJson(target.sent ?? null, next ?? null)) batch(() => this.#put(target, next));
      });
    });
  }

  /** What was computed, as it is sent; the place's own codec shows it. */
  #put(place: Place, sent: unknown): void {
    const revived = place.codec.peek().revive(sent);
    if (revived.ok) place.write(revived.held);
    else this.form.trouble(place.at, `What was computed cannot be held: ${revived.reason}`);
  }

  /** Those that depend on each other are told, and not run. */
  #withoutCycles(placed: readonly PlacedExpression[]): readonly PlacedExpression[] {
    if (!this.language) return [];
    const { language } = this;
    const looksAt = (one: PlacedExpression): PlacedExpression[] =>
      language.read(one.text).references.flatMap((reference) => {
        const where = target(one.at, reference);
        return placed.filter(({ at }) => isOn(at, where));
      });
    const leadsTo = (from: PlacedExpression, to: PlacedExpression, seen: Set<PlacedExpression>): boolean =>
      looksAt(from).some((next) => {
        if (next === to) return true;
        if (seen.has(next)) return false;
        seen.add(next);
        return leadsTo(next, to, seen);
      });
    return placed.filter((one) => {
      if (!leadsTo(one, one, new Set())) return true;
      const others = [...new Set(looksAt(one))].filter((other) => other !== one && leadsTo(other, one, new Set()));
      const way = others.length > 0 ? `, by way of ${others.map(({ at }) => at).join(', ')}` : '';
      this.form.trouble(one.at, `The computed value at ${one.at} depends on itself${way}. It is not computed.`);
      return false;
    });
  }
}

const isTrue = (said: Expressed): boolean => 'value' in said && said.value === true;

/** Whether one place is the other, or around or inside it; `*` is any item. */
function isOn(a: Pointer, b: Pointer): boolean {
  const [one, other] = [parsePointer(a), parsePointer(b)];
  return one.slice(0, other.length).every((token, i) => token === '*' || other[i] === '*' || token === other[i]);
}
