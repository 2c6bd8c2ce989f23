/** Where an input is tried: it is mounted on trials, its adapter is changed as behaviour speaks for it, and what was seen is noted. */
import {
  fromNotation,
  same,
  type AdapterDescription,
  type Finding,
  type FoundInput,
  type Gesture,
} from '@poietra/core';
import type { AdaptedInput } from '@poietra/react';
import { leave, perform } from '../hands.js';
import { sampleChoices } from '../sample-choices.js';
import { settle } from '../settle.js';
import { Trial, type TrialOptions } from '../trial.js';
import { watch } from '../watch.js';

/** The living input for a description. */
export type Make = (adapter: AdapterDescription) => AdaptedInput | undefined;

export class Observation {
  readonly findings: Finding[] = [];
  readonly watch = watch();
  readonly #made: Trial[] = [];

  constructor(
    readonly input: FoundInput,
    public adapter: AdapterDescription,
    readonly make: Make,
  ) {}

  note(about: Finding['about'], says: string, evidence: string, certainty: number): void {
    this.findings.push({ about, says, evidence, from: 'observed', certainty });
  }

  async mount(more: Partial<TrialOptions> = {}): Promise<Trial | undefined> {
    const input = this.make(this.adapter);
    if (!input) return undefined;
    const trial = await Trial.mount({ input, adapter: this.adapter, choices: sampleChoices, ...more });
    this.#made.push(trial);
    return trial;
  }

  async clean(): Promise<void> {
    await leave();
    for (const trial of this.#made.splice(0)) trial.end();
  }

  /** How much is warned of while it is drawn so. */
  async warningsWith(state: NonNullable<TrialOptions['state']> = {}): Promise<number> {
    const { told } = this.watch;
    await this.mount({ state });
    await settle(60);
    await this.clean();
    return this.watch.told - told;
  }

  /** An attempt that fails is no news. */
  async quietly<T>(work: () => Promise<T>): Promise<T | undefined> {
    try {
      return await work();
    } catch (error) {
      console.debug('An attempt ended:', error);
      await this.clean();
      return undefined;
    }
  }

  /** A value that it shows: one that was pushed in, or what the gesture reports. */
  async sample(): Promise<unknown> {
    const { samples, gesture } = this.adapter;
    return samples ? fromNotation(samples[0]) : gesture && (await this.quietly(() => this.reported(gesture)));
  }

  async reported(gesture: Gesture): Promise<unknown> {
    const trial = await this.mount();
    if (!trial) return undefined;
    await perform(trial.box, gesture);
    await leave();
    const value = trial.reports.at(-1);
    await this.clean();
    return value;
  }

  /** Another value than the gesture makes, or nothing would be seen to change. */
  async start(gesture: Gesture): Promise<unknown> {
    const reported = await this.quietly(() => this.reported(gesture));
    const { samples } = this.adapter;
    return samples?.map(fromNotation).find((value) => !same(value, reported));
  }

  async end(): Promise<void> {
    await this.clean();
    this.watch.stop();
  }
}

/** Whether something was warned of that names one of the texts: they do not fit what the input takes. */
export const complainsOf = ({ watch: { warnings } }: Observation, texts: readonly string[]): boolean =>
  texts.some((text) => text !== '' && warnings.some((warning) => warning.includes(text)));
