/**
 * A place as the schemas describe it: which of them speak of it, on which conditions, and what they say together. What
 * is done there is the place's own (`place.ts`).
 */
import { computed, signal, type ReadonlySignal } from '@preact/signals-core';
import { joinPointer, type Pointer } from '../json/index.js';
import {
  applied,
  appliedBelow,
  factsOf,
  holds,
  namedMembers,
  requiring,
  type Applied,
  type Condition,
  type Facts,
} from '../schema/index.js';
import { Acts } from './acts.js';
import type { FormSchema } from './form-schema.js';

/** What the form around says. */
export interface Describing {
  readonly schema: FormSchema;
  /** The value of a place as it would be sent: in the document, or where it is kept while out of force. */
  read(place: Described<Describing>): unknown;
}

export abstract class Described<Form extends Describing> {
  readonly at: Pointer;
  readonly applied: readonly Applied[];
  readonly subtreeVersion = signal(0);
  readonly acts = new Acts();
  /** A person wants to send it though no schema speaks of it. */
  isWanted = false;

  constructor(
    readonly form: Form,
    readonly parent: Described<Form> | undefined,
    readonly key: string,
  ) {
    this.at = parent ? joinPointer(parent.at, key) : '';
    const isItem = parent !== undefined && Array.isArray(form.read(parent));
    this.applied = parent ? appliedBelow(parent.applied, isItem ? Number(key) : key) : applied(form.schema.root);
  }

  get isSpokenOf(): boolean {
    return (
      this.isWanted ||
      this.required ||
      this.applied.some(({ node, when }) => node.raw !== false && when.every((one) => this.holdsAbove(one)))
    );
  }

  /** Which of the schemas that could speak of this place do so now. */
  readonly active: ReadonlySignal<readonly Applied[]> = computed(() =>
    this.applied.filter(({ when }) => when.every((condition) => this.holdsAbove(condition))),
  );
  /** Of a place that none speaks of now, what those say that may. */
  readonly #facts = computed(() => {
    const active = this.active.value;
    return factsOf((active.length > 0 ? active : this.applied).map(({ node }) => node));
  });

  /** Conditions of one place are asked once a change there, however many fields depend on them. */
  holdsAbove(condition: Condition): boolean {
    return ancestor<Described<Form>>(this, condition.up).verdict(condition.about).value;
  }
  readonly #verdicts = new Map<Condition['about'], ReadonlySignal<boolean>>();
  verdict(about: Condition['about']): ReadonlySignal<boolean> {
    let verdict = this.#verdicts.get(about);
    if (!verdict) {
      verdict = computed(() => {
        const chosen = about.kind === 'branch' ? this.acts.chosen(about.choice.id).value : undefined;
        if (about.kind === 'branch' && chosen !== undefined) return chosen === about.index;
        void this.subtreeVersion.value;
        return holds({ up: 0, about }, this.form.read(this));
      });
      this.#verdicts.set(about, verdict);
    }
    return verdict;
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
  /** Whether it is there because somebody gave it a name: it then stays when the last of its members goes. */
  get isOwnName(): boolean {
    return this.parent !== undefined && !namedMembers(this.parent.applied).includes(this.key);
  }
  /** Whether its value is a list, as far as the schema says. */
  get isList(): boolean {
    const { kinds } = this.facts;
    return kinds !== undefined && kinds.includes('array') && !kinds.includes('object');
  }
  get facts(): Facts {
    return this.#facts.value;
  }
  readonly #required = computed(() => {
    if (!this.parent) return false;
    return requiring(this.parent.active.value, this.key).length > 0;
  });
  get required(): boolean {
    return this.#required.value;
  }
}

/** So many places further out. The root has none around it; a condition never reaches above it. */
export function ancestor<Of extends { readonly parent: Of | undefined }>(place: Of, up: number): Of {
  return up === 0 || !place.parent ? place : ancestor(place.parent, up - 1);
}
