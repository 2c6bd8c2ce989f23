/** One adapted input, mounted as a field would mount it, in hands that can ask and change everything. */
import { answersOf, type AdapterDescription, type Heard } from '@poietra/core';
import { plain, type AdaptedInput, type Reached } from '@poietra/react';
import { StrictMode, useEffect, useSyncExternalStore, type ReactNode } from 'react';
import { createRoot, hydrateRoot, type Root } from 'react-dom/client';
import { Catching } from './catching.js';
import type { MountOptions, Standing } from './ground.js';
import { setStylesAside } from './served.js';
import { settle, within } from './settle.js';
import { plainly, trialName, words, type Wanted } from './wanted.js';

export interface TrialOptions extends MountOptions {
  readonly input: AdaptedInput;
  readonly adapter: AdapterDescription;
  /** Every callback or event to be listened to. */
  readonly listen?: readonly string[];
  readonly choices?: readonly { readonly value: unknown; readonly text: string }[];
}

let count = 0;
export const newId = (): string => `trial-${count++}`;

export class Trial implements Drawable, Standing {
  readonly place: HTMLElement;
  readonly id: string;
  /** What the change report gave, in order. */
  readonly reports: unknown[] = [];
  readonly heard: Heard[] = [];
  leaves = 0;
  error: string | undefined;
  /** Differences that the browser found in what the server had rendered. */
  readonly differences: string[] = [];
  reached: Reached | undefined;
  #wanted: Wanted;
  #root: Root | undefined;
  #stands = (): void => undefined;
  readonly #followers = new Set<() => void>();

  private constructor(readonly options: TrialOptions) {
    this.id = options.rendered?.id ?? newId();
    this.#wanted = { ...plainly, ...options.state };
    this.place = document.createElement('div');
    this.place.dataset['trial'] = this.id;
    this.place.className = 'trial';
    document.body.append(this.place);
  }

  /** Mounts it and waits until it stands. What goes wrong meanwhile is in `error`. */
  static async mount(options: TrialOptions): Promise<Trial> {
    const trial = new Trial(options);
    const standing = new Promise<void>((resolve) => (trial.#stands = resolve));
    const onUncaughtError = (error: unknown): void => {
      trial.error ??= error instanceof Error ? error.message : String(error);
      trial.stands();
    };
    const onRecoverableError = (error: unknown): void => {
      trial.differences.push(error instanceof Error ? (error.message.split('\n')[0] ?? '') : String(error));
    };
    const drawn = (
      <Catching tell={onUncaughtError}>
        <Drawn trial={trial} />
      </Catching>
    );
    const identifierPrefix = `${trial.id}-`;
    if (options.rendered) {
      trial.place.innerHTML = options.rendered.html;
      setStylesAside(trial.place);
      trial.#root = hydrateRoot(trial.place, drawn, { identifierPrefix, onUncaughtError, onRecoverableError });
    } else {
      trial.#root = createRoot(trial.place, { identifierPrefix, onUncaughtError });
      trial.#root.render(options.how === 'strict' ? <StrictMode>{drawn}</StrictMode> : drawn);
    }
    // One that waits for something has not been drawn; what there is of it is looked at all the same.
    await within(mostWait, standing, () => new Error()).catch(() => undefined);
    await settle();
    return trial;
  }

  get box(): HTMLElement {
    return this.place.querySelector<HTMLElement>('.poietra-box') ?? this.place;
  }
  get wanted(): Wanted {
    return this.#wanted;
  }
  readonly follow = (follower: () => void): (() => void) => {
    this.#followers.add(follower);
    return () => this.#followers.delete(follower);
  };
  readonly read = (): Wanted => this.#wanted;

  async set(wanted: Partial<Wanted>): Promise<void> {
    this.#wanted = { ...this.#wanted, ...wanted };
    for (const follower of this.#followers) follower();
    await settle();
  }
  take(raw: unknown): void {
    this.reports.push(raw);
    const { form = 'takes' } = this.options;
    if (form === 'refuses') return;
    this.#wanted = { ...this.#wanted, shown: raw, invalid: form === 'cannot parse' };
    for (const follower of this.#followers) follower();
  }
  left(): void {
    this.leaves++;
  }
  readonly stands = (): void => this.#stands();
  reach(reached: Reached): void {
    this.reached = reached;
  }
  takeFocus(): void {
    this.reached?.focus();
  }
  end(): void {
    this.#root?.unmount();
    this.#root = undefined;
    this.place.remove();
  }
}

/** What a widget answers, and the box that it was made on. */
function asked(made: unknown, id: string, update: string): Record<string, unknown> {
  const box = document.querySelector(`[data-trial="${id}"] .poietra-box > div > :is(input, textarea, select)`);
  return { ...(box ? { value: (box as HTMLInputElement).value } : {}), ...answersOf(made, update) };
}

/** In ms: how long a first drawing is waited for. */
const mostWait = 1500;

/** What is drawn of a trial; on the server there is nothing more of it. */
export interface Drawable {
  readonly id: string;
  readonly options: TrialOptions;
  readonly heard: Heard[];
  follow(follower: () => void): () => void;
  read(): Wanted;
  take(raw: unknown): void;
  left(): void;
  reach(reached: Reached): void;
  /** What was drawn has run its effects. */
  stands?(): void;
  reached?: Reached | undefined;
}

export function Drawn({ trial }: { readonly trial: Drawable }): ReactNode {
  const { shown, invalid, disabled, readOnly, required, sent } = useSyncExternalStore(
    trial.follow,
    trial.read,
    trial.read,
  );
  useEffect(() => trial.stands?.(), [trial]);
  const { input: Input, adapter, listen = [], choices } = trial.options;
  const ids = {
    input: `${trial.id}-input`,
    label: `${trial.id}-label`,
    hint: `${trial.id}-hint`,
    error: `${trial.id}-error`,
  };
  const extra = Object.fromEntries(
    listen.map((name) => [
      name,
      // A widget's reports come from what was made, which can be asked there and then.
      function (this: unknown, ...args: unknown[]): void {
        trial.heard.push({
          name,
          args,
          ...(adapter.widget ? { answers: asked(this, trial.id, adapter.widget.update) } : {}),
        });
      },
    ]),
  );
  const { draws = {} } = Input;
  const described = [!draws.hint && ids.hint, invalid && !draws.message && ids.error].filter(Boolean).join(' ');
  const field = plain({
    at: '/trial',
    label: words.label,
    hint: draws.hint ? undefined : words.hint,
    prefix: undefined,
    suffix: undefined,
    required,
    shownProblems:
      invalid && !draws.message
        ? [{ at: '/trial', keyword: 'trial', schemaAt: '', params: {}, message: words.error }]
        : [],
    ids,
    invalid,
    takesLabel: Input.takesLabel ?? false,
    drawsLabel: draws.label,
    pending: false,
    inline: false,
    focus: () => trial.reached?.press?.(),
    input: (
      <Input
        state={{
          shown,
          invalid,
          disabled,
          readOnly,
          required,
          id: ids.input,
          name: trialName,
          labelledBy: draws.label ? undefined : ids.label,
          describedBy: described === '' ? undefined : described,
          label: required && !(draws.label && draws.required) ? `${words.label} (required)` : words.label,
          description: [!draws.hint && words.hint, invalid && !draws.message && words.error].filter(Boolean).join(' '),
          hint: words.hint,
          message: invalid ? words.error : undefined,
          sent,
        }}
        choices={adapter.choices || adapter.widget?.element === 'select' ? choices : undefined}
        report={(raw) => trial.take(raw)}
        leave={() => trial.left()}
        attach={(reached) => {
          trial.reach(reached);
          return () => undefined;
        }}
        extra={extra}
      />
    ),
  });
  return (
    <form className="poietra-form" onSubmit={(event) => event.preventDefault()}>
      {field}
    </form>
  );
}
