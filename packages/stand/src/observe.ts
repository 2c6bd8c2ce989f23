/** Trying an input: what it does tells what its declarations leave open, and where they mislead. */
import {
  canBeWritten,
  emptiesFor,
  gestureWords,
  pathWords,
  readingsOf,
  reportsOf,
  same,
  samplesFor,
  valueKind,
  readWritten,
  write,
  type AdapterDescription,
  type Finding,
  type FoundInput,
  type Gesture,
  type Heard,
  type Reading,
} from '@poietra/core';
import { everyElement, focused, reach, workingElements, type AdaptedInput } from '@poietra/react';
import { attempts, follow } from './explore.js';
import { GestureError, leave, perform, roleOf } from './hands.js';
import { fullLook, look } from './look.js';
import { sampleChoices } from './sample-choices.js';
import { settle } from './settle.js';
import { Trial, type TrialOptions } from './trial.js';
import { watch } from './watch.js';

export interface Observed {
  readonly adapter: AdapterDescription;
  readonly findings: readonly Finding[];
  /** Why it could not be tried, if so. */
  readonly failed?: string;
}
/** The living input for a description. */
export type Make = (adapter: AdapterDescription) => AdaptedInput | undefined;

const single = /^(textbox|searchbox|spinbutton|combobox|slider|checkbox|switch|listbox|password|color|date|time|file)$/;
/** What a `<label for>` reaches (HTML, labelable elements). */
const labelable = 'button, input, meter, output, progress, select, textarea';
const selectors = [
  '[role=radiogroup]',
  'input:not([type=hidden])',
  'textarea',
  'select',
  '[role=combobox]',
  '[role=slider]',
  '[role=switch]',
  '[role=checkbox]',
  '[role=spinbutton]',
  '[role=textbox]',
  '[role=listbox]',
  'button',
];

/** Tries the drafted adapter and gives it back as behaviour speaks for it, with what was seen. */
export async function observe(input: FoundInput, draft: AdapterDescription, make: Make): Promise<Observed> {
  const bench = new Observation(input, draft, make);
  try {
    return await bench.run();
  } finally {
    await bench.end();
  }
}

/**
 * The adapter with a gesture and samples for the checks, where it has none: tried for, without being shown. What else it
 * says stays as it is.
 */
export async function prepare(adapter: AdapterDescription, make: Make): Promise<AdapterDescription> {
  if (adapter.gesture && adapter.samples) return adapter;
  const bare: FoundInput = { ...unknownInput, id: adapter.input };
  const bench = new Observation(bare, adapter, make);
  try {
    return await bench.prepare();
  } finally {
    await bench.end();
  }
}
const unknownInput: Omit<FoundInput, 'id'> = {
  family: 'component',
  package: '',
  version: '',
  export: '',
  module: '',
  properties: [],
  events: [],
  methods: [],
  css: [],
};

class Observation {
  readonly #findings: Finding[] = [];
  readonly #watch = watch();
  readonly #made: Trial[] = [];
  #adapter: AdapterDescription;

  constructor(
    readonly input: FoundInput,
    draft: AdapterDescription,
    readonly make: Make,
  ) {
    this.#adapter = draft;
  }

  async run(): Promise<Observed> {
    const first = await this.#mountSomehow();
    if (first?.error !== undefined || !first) {
      const failed = first?.error ?? 'It is not in the bundle.';
      this.#note('value', `It cannot be drawn: ${failed}`, 'It was mounted alone.', 1);
      return { adapter: this.#adapter, findings: this.#findings, failed };
    }
    this.#reality(first);
    await this.#focus();
    await this.#change();
    await this.#samples();
    const before = this.#adapter;
    await this.#empty();
    await this.#changeAgain(before);
    await this.#goingBack();
    await this.#kind();
    await this.#native();
    await this.#leaving();
    await this.#flags();
    return { adapter: this.#adapter, findings: this.#findings };
  }

  async prepare(): Promise<AdapterDescription> {
    const given = this.#adapter;
    if (!given.gesture) await this.#change();
    const { gesture } = this.#adapter;
    this.#adapter = { ...given, ...(gesture ? { gesture } : {}) };
    if (!given.samples) await this.#samples();
    const { samples } = this.#adapter;
    return { ...given, ...(gesture ? { gesture } : {}), ...(samples ? { samples } : {}) };
  }

  async end(): Promise<void> {
    await this.#clean();
    this.#watch.stop();
  }

  /** As drafted; where it cannot be drawn without a value, with something for "no value". */
  async #mountSomehow(): Promise<Trial | undefined> {
    const before = this.#adapter;
    const first = await this.#mount();
    if (first?.error === undefined) return first;
    for (const empty of [null, '', 0, [], false]) {
      this.#adapter = { ...before, value: { ...before.value, empty } };
      const trial = await this.#mount();
      if (trial && trial.error === undefined) {
        this.#note('value', 'It cannot be drawn without a value.', first.error, 1);
        return trial;
      }
    }
    this.#adapter = before;
    return first;
  }

  /** Another "no value" is another start, from which the gesture may lead nowhere. */
  async #changeAgain(before: AdapterDescription): Promise<void> {
    if (!this.#adapter.gesture || (await this.#quietly(() => this.#goesRound()))) return;
    const { gesture: _, ...rest } = this.#adapter;
    this.#adapter = rest;
    await this.#change();
    if (!this.#adapter.gesture) this.#adapter = before;
  }

  /** Some keep what was changed in themselves, whatever they are given. */
  async #goingBack(): Promise<void> {
    const { gesture, change } = this.#adapter;
    if (!gesture) return;
    const goesBack = async (): Promise<boolean> => {
      const shown = await this.#start(gesture);
      const trial = await this.#mount({ state: { shown }, form: 'refuses' });
      if (!trial) return false;
      const wanted = look(trial.box);
      await perform(trial.box, gesture);
      await leave();
      await settle();
      const is = trial.reports.length === 0 || look(trial.box) === wanted;
      await this.#clean();
      return is;
    };
    if ((await this.#quietly(goesBack)) !== false) return;
    const before = this.#adapter;
    this.#adapter = { ...before, change: { ...change, refused: 'anew' } };
    if (await this.#quietly(goesBack)) {
      this.#note(
        'change',
        'It keeps a change that is refused; it is made anew then.',
        'It was given the old value and showed the new one.',
        0.95,
      );
      return;
    }
    this.#adapter = before;
    this.#note('change', 'It keeps a change that is refused.', 'It was given the old value, and made anew.', 0.95);
  }

  /** Another value than the gesture makes, or nothing would be seen to change. */
  async #start(gesture: Gesture): Promise<unknown> {
    const reported = await this.#quietly(() => this.#reported(gesture));
    const { samples } = this.#adapter;
    return samples?.map(readWritten).find((value) => !same(value, reported));
  }

  /** Values of another kind may make it fail; then they count as none. */
  async #kind(): Promise<void> {
    const { value } = this.#adapter;
    const sample = await this.#sample();
    const kind = valueKind(sample);
    if (!kind) return;
    const shown = await this.#mount({ state: { shown: sample } });
    const wanted = shown && look(shown.box);
    await this.#clean();
    for (const other of [0, false, '', {}]) {
      if (valueKind(other) === kind) continue;
      const warned = this.#watch.warnings.length;
      const trial = await this.#mount({ state: { shown: other } });
      await trial?.set({ shown: sample });
      const bears =
        trial?.error === undefined && this.#watch.warnings.length === warned && trial && look(trial.box) === wanted;
      await this.#clean();
      if (bears) continue;
      this.#adapter = { ...this.#adapter, value: { ...value, kind } };
      this.#note(
        'value',
        `It bears ${kind} only; everything else is taken for “no value”.`,
        `${JSON.stringify(other)} was pushed in.`,
        0.9,
      );
      return;
    }
  }

  /** Whether it submits itself as the text that it shows; otherwise the field does. */
  async #native(): Promise<void> {
    const { name, samples } = this.#adapter;
    const shown = samples && readWritten(samples[0]);
    if (!name || typeof shown !== 'string') return;
    const trial = await this.#mount({ state: { shown, sent: shown } });
    const form = trial?.place.querySelector('form');
    const values = form ? new FormData(form).getAll('deck-plan') : [];
    await this.#clean();
    if (values.length === 1 && values[0] === shown) return;
    const { name: _, ...rest } = this.#adapter;
    this.#adapter = rest;
    this.#note(
      'id',
      `“${name.property}” does not submit its value; a hidden input does.`,
      'The form’s own data was looked at.',
      0.95,
    );
  }

  /** Which element inside is the one that a person works with. */
  #reality(trial: Trial): void {
    if (this.input.family === 'native') return;
    const { id, ...withoutId } = this.#adapter;
    const target = id && document.getElementById(`${trial.id}-input`);
    const working = workingElements(trial.box);
    if (target && working.includes(target) && target.matches(labelable)) {
      this.#note('id', `The id reaches the ${roleOf(target)}.`, 'It was found on it.', 1);
      return;
    }
    if (id) {
      this.#note('id', `“${id.property}” does not reach an element that takes the focus.`, 'The id was looked for.', 1);
      this.#adapter = withoutId;
    }
    const controls = working.filter((element) => single.test(roleOf(element)));
    const groups = [...everyElement(trial.box)].filter(
      (element): element is HTMLElement =>
        element instanceof HTMLElement &&
        element.matches('[role=radiogroup]') &&
        working.every((one) => element.contains(one)),
    );
    const only =
      groups.length === 1
        ? groups[0]
        : controls.length === 1
          ? controls[0]
          : controls.length === 0 && working.length === 1
            ? working[0]
            : undefined;
    if (!only) {
      this.#note(
        'id',
        'It is a group of elements.',
        `It has ${working.length} elements that a person works with.`,
        0.9,
      );
      return;
    }
    const selector = selectors.find((one) => only.matches(one) && reach(trial.box, one) === only);
    if (selector === undefined) return;
    this.#adapter = { ...this.#adapter, real: { selector } };
    this.#note(
      'id',
      `The real element is the ${roleOf(only)} inside.`,
      'It is the only one that a person works with.',
      0.9,
    );
  }

  async #focus(): Promise<void> {
    const takes = async (): Promise<boolean> => {
      await leave();
      const trial = await this.#mount();
      if (!trial) return false;
      trial.reached?.focus();
      await settle();
      const active = focused();
      const isIn =
        active !== null && active !== document.body && workingElements(trial.box).includes(active as HTMLElement);
      await this.#clean();
      return isIn;
    };
    if (await takes()) return;
    const before = this.#adapter;
    for (const focus of [
      { by: 'element' } as const,
      { by: 'inner', selector: 'input, button, select, textarea, [tabindex]' } as const,
    ]) {
      this.#adapter = { ...this.#adapter, focus };
      if (await takes()) {
        this.#note('focus', 'The focus goes to an element inside.', 'The declared way did not take it there.', 0.9);
        return;
      }
    }
    this.#adapter = before;
    this.#note(
      'focus',
      'No way was found to give it the focus.',
      'An element, a method and the first inside were tried.',
      0.9,
    );
  }

  /** Tries gestures until something is told, and reads the value out of it. */
  async #change(): Promise<void> {
    const { value } = this.#adapter;
    const declared = this.input.properties.find(({ name }) => name === value.property)?.type ?? '';
    const isFlag = /\bboolean\b/.test(declared) || value.property === 'checked';
    const probe = await this.#mount();
    const steps = probe ? attempts(probe.box) : [];
    await this.#clean();
    let tries = 0;
    for (const first of steps) {
      if (tries++ > 24) break;
      const { report } = this.#adapter.change;
      const trial = await this.#mount({ listen: [...new Set([report, ...reportsOf(this.input)])] });
      if (!trial) return;
      const readings = (): Reading[] => this.#readings(trial.heard, isFlag);
      const gesture = await this.#quietly(() => follow(trial, first(trial), () => readings().length > 0));
      const found = readings();
      await this.#clean();
      if (gesture && (await this.#settleOn(gesture, found))) return;
    }
    this.#note('change', 'No gesture was found that it reports as a change.', `${tries} were tried.`, 0.8);
  }

  #readings(heard: readonly Heard[], isFlag: boolean): Reading[] {
    const { change, value } = this.#adapter;
    const all = readingsOf(heard, value.property, isFlag);
    const declared = all.find(({ report, path }) => report === change.report && path === change.path);
    return declared ? [declared, ...all.filter((one) => one !== declared)] : all;
  }

  /** The first reading that, given back, looks as the gesture left it. */
  async #settleOn(gesture: Gesture, readings: readonly Reading[]): Promise<boolean> {
    const before = this.#adapter;
    for (const { report, path } of readings.slice(0, 6)) {
      this.#adapter = { ...before, change: { report, path }, gesture };
      if (!(await this.#quietly(() => this.#goesRound()))) continue;
      this.#note(
        'change',
        `After the gesture “${report}” told the value as ${pathWords(path)}.`,
        `To ${gestureWords(gesture)} led to it; given back as “${before.value.property}” it looked the same.`,
        0.95,
      );
      if (report !== before.change.report || path !== before.change.path)
        this.#note(
          'change',
          `“${before.change.report}” at ${pathWords(before.change.path)}, as declared, was not it.`,
          'Declaration and behaviour differ; behaviour counts.',
          0.95,
        );
      return true;
    }
    this.#adapter = before;
    return false;
  }

  async #goesRound(): Promise<boolean> {
    const { gesture } = this.#adapter;
    const trial = await this.#mount();
    if (!trial || !gesture) return false;
    await perform(trial.box, gesture);
    await leave();
    if (trial.reports.length === 0) return false;
    const after = look(trial.box);
    const shown = trial.wanted.shown;
    await this.#clean();
    const again = await this.#mount({ state: { shown } });
    const empty = await this.#mount();
    const isSame = again !== undefined && again.error === undefined && look(again.box) === after;
    const isVisible = again !== undefined && empty !== undefined && fullLook(again.box) !== fullLook(empty.box);
    await this.#clean();
    return isSame && isVisible;
  }

  /** Two values that it shows, of the kind that it reports. */
  async #samples(): Promise<void> {
    const { value, gesture, choices } = this.#adapter;
    const type = this.input.properties.find(({ name }) => name === value.property)?.type ?? '';
    const reported = gesture && (await this.#quietly(() => this.#reported(gesture)));
    const kindOf = (one: unknown): string =>
      Array.isArray(one)
        ? `list of ${typeof one[0]}`
        : one instanceof Date
          ? 'date'
          : one === null
            ? 'null'
            : typeof one;
    const usesChoices = choices !== undefined || this.#adapter.widget?.element === 'select';
    const pairs = samplesFor(type, new Date(), usesChoices ? sampleChoices.map((one) => one.value) : []);
    for (const [a, b] of pairs) {
      if (reported !== undefined && kindOf(reported) !== kindOf(a)) continue;
      if (!(await this.#tellsApart(a, b))) continue;
      this.#adapter = { ...this.#adapter, samples: [write(a), write(b)] };
      this.#note(
        'value',
        `“${value.property}” shows ${kindOf(a)} values.`,
        'Two were pushed in and looked different.',
        0.95,
      );
      return;
    }
    if (reported !== undefined && canBeWritten(reported))
      this.#adapter = { ...this.#adapter, samples: [write(reported), write(undefined)] };
  }

  /** A value that it shows: one that was pushed in, or what the gesture reports. */
  async #sample(): Promise<unknown> {
    const { samples, gesture } = this.#adapter;
    return samples ? readWritten(samples[0]) : gesture && (await this.#quietly(() => this.#reported(gesture)));
  }

  async #reported(gesture: Gesture): Promise<unknown> {
    const trial = await this.#mount();
    if (!trial) return undefined;
    await perform(trial.box, gesture);
    await leave();
    const value = trial.reports.at(-1);
    await this.#clean();
    return value;
  }

  async #tellsApart(a: unknown, b: unknown): Promise<boolean> {
    const warned = this.#watch.warnings.length;
    const looks: string[] = [];
    for (const shown of [undefined, a, b]) {
      const trial = await this.#mount({ state: { shown } });
      looks.push(trial?.error === undefined && trial ? fullLook(trial.box) : 'failed');
      await this.#clean();
    }
    const [empty, first, second] = looks;
    const isFlag = typeof b === 'boolean';
    return (
      !looks.includes('failed') &&
      first !== empty &&
      first !== second &&
      (isFlag || second !== empty) &&
      this.#watch.warnings.length === warned
    );
  }

  /** What it takes for "no value": that with which it clears, and goes back when a change is refused. */
  async #empty(): Promise<void> {
    const { samples, value, gesture } = this.#adapter;
    if (!samples && !gesture) return;
    const sample = await this.#sample();
    const type = this.input.properties.find(({ name }) => name === value.property)?.type ?? '';
    const declared = 'empty' in value ? [readWritten(value.empty)] : [];
    const before = this.#adapter;
    let best: { adapter: AdapterDescription; points: number } | undefined;
    for (const empty of [...declared, ...emptiesFor(sample, type)]) {
      const { empty: _, ...bare } = value;
      this.#adapter = { ...before, value: empty === undefined ? bare : { ...bare, empty: write(empty) } };
      const points = await this.#quietly(() => this.#emptyPoints(sample));
      if (points !== undefined && points > (best?.points ?? -1)) best = { adapter: this.#adapter, points };
      if (points === 3) break;
    }
    this.#adapter = best?.adapter ?? before;
    const { empty } = this.#adapter.value as { empty?: unknown };
    this.#note(
      'value',
      `For “no value” it takes ${'empty' in this.#adapter.value ? JSON.stringify(empty) : 'the property left out'}.`,
      best?.points === 3 ? 'It cleared with it, and went back to it.' : 'Of what was tried, it did best with it.',
      best?.points === 3 ? 0.95 : 0.5,
    );
  }

  async #emptyPoints(sample: unknown): Promise<number> {
    const warned = this.#watch.warnings.length;
    const { gesture } = this.#adapter;
    const empty = await this.#mount();
    if (!empty || empty.error !== undefined) return -1;
    const wanted = look(empty.box);
    const isThere = workingElements(empty.box).length > 0;
    const trial = await this.#mount({ state: { shown: sample } });
    await trial?.set({ shown: undefined });
    const clears = trial !== undefined && look(trial.box) === wanted;
    await this.#clean();
    const isQuiet = this.#watch.warnings.length === warned;
    let goesBack = true;
    if (gesture) {
      const refusing = await this.#mount({ form: 'refuses' });
      if (refusing) {
        await perform(refusing.box, gesture);
        await leave();
        goesBack = look(refusing.box) === wanted;
        if (refusing.reports.length === 0) return 0;
      }
      await this.#clean();
    }
    // Something to work with has to be left when it is empty.
    return isThere ? Number(clears) + Number(goesBack) + Number(isQuiet) : -1;
  }

  async #leaving(): Promise<void> {
    const count = async (): Promise<number> => {
      const trial = await this.#mount();
      trial?.reached?.focus();
      await settle();
      await leave();
      const { leaves = 0 } = trial ?? {};
      await this.#clean();
      return leaves;
    };
    if (!this.#adapter.leave || (await count()) === 1) return;
    const { leave: declared, ...rest } = this.#adapter;
    this.#adapter = rest;
    this.#note(
      'leave',
      'Leaving is the focus going out of its box.',
      `“${declared.report}”, as declared, did not tell it once.`,
      0.9,
    );
  }

  /** Disabled and read only, as declared: where the gesture still changes it, the box does it instead. */
  async #flags(): Promise<void> {
    const { gesture } = this.#adapter;
    if (!gesture) return;
    const shown = await this.#start(gesture);
    for (const flag of ['disabled', 'readOnly'] as const) {
      const { [flag]: declared, ...rest } = this.#adapter;
      if (!declared) continue;
      const trial = await this.#mount({ state: { shown, [flag]: true } });
      const wanted = trial && look(trial.box);
      try {
        if (trial) await perform(trial.box, gesture);
      } catch (error) {
        if (!(error instanceof GestureError)) throw error;
      }
      await leave();
      const bears =
        trial === undefined || (trial.error === undefined && trial.reports.length === 0 && look(trial.box) === wanted);
      const isOpen =
        flag === 'disabled' && trial !== undefined && bears && workingElements(trial.box).some(isOpenElement);
      await this.#clean();
      if (bears && !isOpen) {
        this.#note(flag, `“${declared.property}” does what it says.`, 'The gesture changed nothing.', 1);
        continue;
      }
      this.#adapter = rest;
      this.#note(
        flag,
        `“${declared.property}” does not keep it from being ${isOpen ? 'reached' : 'changed'}; its box does.`,
        'The gesture was tried.',
        0.95,
      );
    }
  }

  #note(about: Finding['about'], says: string, evidence: string, certainty: number): void {
    this.#findings.push({ about, says, evidence, from: 'observed', certainty });
  }

  async #mount(more: Partial<TrialOptions> = {}): Promise<Trial | undefined> {
    const input = this.make(this.#adapter);
    if (!input) return undefined;
    const trial = await Trial.mount({ input, adapter: this.#adapter, choices: sampleChoices, ...more });
    this.#made.push(trial);
    return trial;
  }
  async #clean(): Promise<void> {
    await leave();
    for (const trial of this.#made.splice(0)) trial.end();
  }
  /** An attempt that fails is no news. */
  async #quietly<T>(work: () => Promise<T>): Promise<T | undefined> {
    try {
      return await work();
    } catch (error) {
      console.debug('An attempt ended:', error);
      await this.#clean();
      return undefined;
    }
  }
}

function isOpenElement(element: Element): boolean {
  if (element.matches(':disabled, [aria-disabled=true], [aria-disabled=true] *, [inert] *')) return false;
  const root = element.getRootNode();
  return !(root instanceof ShadowRoot && (root.host.matches('[disabled]') || !isOpenElement(root.host)));
}
