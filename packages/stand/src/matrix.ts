/** Pushing values in, one after another, and seeing what an input makes of each. */
import { describeValue, fromNotation, type AdapterDescription, type Described } from '@poietra/core';
import type { AdaptedInput } from '@poietra/react';
import { leave, perform } from './hands.js';
import { fullLook, look } from './look.js';
import { everyElement } from '@poietra/react';
import { sampleChoices } from './sample-choices.js';
import { nameOf, roleOf } from './targets.js';
import { Trial } from './trial.js';
import { watch } from './watch.js';

export interface PushedRow {
  readonly value: Described;
  /** What is to be seen of it. */
  readonly shows: string;
  readonly isEmpty: boolean;
  readonly warns?: string;
  readonly fails?: string;
  /** It went from uncontrolled to controlled, or back. */
  readonly flips: boolean;
  /** Whether it still changes while the property stands still; absent where no gesture is known. */
  readonly moves?: boolean;
}

/** One row for each value, in turn; each on a copy of its own. */
export async function pushMatrix(
  input: AdaptedInput,
  adapter: AdapterDescription,
  values: readonly unknown[],
  tell: (row: PushedRow) => void,
): Promise<void> {
  const { kind: _, ...value } = adapter.value;
  // As the input itself is, without the adapter's care: no other kind is kept away from it.
  const bare: AdapterDescription = { ...adapter, value };
  const options = { input, adapter: bare, choices: sampleChoices };
  const none = await Trial.mount(options);
  const empty = fullLook(none.box);
  none.end();
  for (const written of values) {
    const watching = watch();
    const pushed = fromNotation(written);
    const trial = await Trial.mount(options);
    await trial.set({ shown: pushed });
    const seen = look(trial.box);
    const isEmpty = fullLook(trial.box) === empty;
    const shows = trial.error === undefined ? summary(trial.box) : '';
    trial.end();
    const moves = await movesAlone({ ...options, pushed });
    const [warning] = watching.warnings;
    watching.stop();
    tell({
      value: describeValue(pushed, 0),
      shows: shows === '' && seen !== '' ? 'nothing in words' : shows,
      isEmpty,
      ...(warning === undefined ? {} : { warns: warning }),
      ...(trial.error === undefined ? {} : { fails: trial.error }),
      flips: watching.warnings.some((text) => /uncontrolled/.test(text)),
      ...(moves === undefined ? {} : { moves }),
    });
  }
}

async function movesAlone({
  input,
  adapter,
  choices,
  pushed,
}: {
  readonly input: AdaptedInput;
  readonly adapter: AdapterDescription;
  readonly choices: typeof sampleChoices;
  readonly pushed: unknown;
}): Promise<boolean | undefined> {
  if (!adapter.gesture) return undefined;
  const trial = await Trial.mount({ input, adapter, choices, state: { shown: pushed }, form: 'refuses' });
  const before = look(trial.box);
  try {
    await perform(trial.box, adapter.gesture);
    await leave();
    return look(trial.box) !== before;
  } catch {
    return false;
  } finally {
    trial.end();
  }
}

/** What a person would read off it, in one line. */
function summary(box: Element): string {
  const parts: string[] = [];
  for (const element of everyElement(box)) {
    if (element instanceof HTMLInputElement && /^(checkbox|radio)$/.test(element.type)) {
      if (element.checked) parts.push(`✓ ${nameOf(element)}`.trim());
    } else if (element instanceof HTMLSelectElement) parts.push(element.selectedOptions[0]?.text ?? '');
    else if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement) {
      if (element.type !== 'hidden' && element.value !== '') parts.push(element.value);
    } else if (element.matches('[aria-checked=true], [aria-selected=true], [aria-pressed=true]'))
      parts.push(`✓ ${nameOf(element)}`);
    else if (element.hasAttribute('aria-valuenow'))
      parts.push(
        `${roleOf(element)} ${element.getAttribute('aria-valuetext') ?? element.getAttribute('aria-valuenow') ?? ''}`,
      );
  }
  const text = [...new Set(parts)].filter((part) => part !== '').join(', ');
  return text === '' ? box.textContent.replace(/\s+/g, ' ').trim().slice(0, 60) : text.slice(0, 120);
}
