/** What sentences are made of: words, and words that can be changed. */

/** A word of a sentence that can be changed. */
export interface Slot {
  /** Where in the description. */
  readonly at: string;
  readonly value: string;
  /** What it says where it is shown, if that differs from the value. */
  readonly words?: string;
  readonly choices: readonly string[];
  /** Whether anything else may be typed, too. */
  readonly open: boolean;
}
/** What an adapter says, as a sentence whose words can be changed. */
export interface Sentence {
  readonly about: string;
  readonly parts: readonly (string | Slot)[];
}
