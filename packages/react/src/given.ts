/** What an adapted input is to a field, and what it is given. */
import {
  ownProperties,
  propertiesFor,
  reportedBy,
  type AdapterDescription,
  type InputState,
  type FromNotation,
} from '@poietra/core';
import type { FunctionComponent } from 'react';
import { listFor, type Choices, type Making } from './choices.js';

export type { Choices, Making };
export type Handler = (...args: unknown[]) => unknown;
export const isHandler = (value: unknown): value is Handler => typeof value === 'function';

/** How a field reaches its input. */
export interface Reached {
  focus(): void;
  /** What a press on the label does. */
  press?(): void;
}

/** What a field gives its input. */
export interface AdaptedProps {
  readonly state: InputState;
  /** The values to choose from, for inputs that take them. */
  readonly choices?: Choices | undefined;
  /** Gives `true` where what is reported is what the form now shows: the input then need not be told. */
  report(raw: unknown): unknown;
  leave(): void;
  attach(input: Reached): () => void;
  /** Further properties from the place of use. They win, but for those that carry the line; handlers of both are called. */
  readonly extra?: Readonly<Record<string, unknown>> | undefined;
}

/** The words of a field that its input draws itself; whoever draws the field leaves them out. */
export interface OwnWords {
  readonly label?: boolean;
  /** It marks by itself that it is required. */
  readonly required?: boolean;
  readonly hint?: boolean;
  readonly message?: boolean;
}

/**
 * An input that a field can use. `takesLabel`: a `<label for>` reaches it. `keepsText`: the text that it reports stands
 * in it already, so it is not drawn for that. `draws`: words that it draws itself. `making`: how its values, objects of a library, come of texts.
 */
export type AdaptedInput = FunctionComponent<AdaptedProps> & {
  takesLabel?: boolean;
  keepsText?: boolean;
  draws?: OwnWords;
  making?: Making;
};

/** Properties from the adapter and the place of use, with the handlers of both. */
export function joined(
  description: AdapterDescription,
  { state, choices, extra = {}, report, leave }: AdaptedProps,
  read?: FromNotation,
  beside: Readonly<Record<string, unknown>> = {},
): Record<string, unknown> {
  const properties = propertiesFor(description, state, read);
  if (description.name && !submitsItself(description, state)) delete properties[description.name.property];
  const { choices: use } = description;
  if (use && 'property' in use && choices) properties[use.property] = listFor(use, choices, beside);
  for (const [name, value] of Object.entries(extra))
    if (!ownProperties(description).has(name)) properties[name] = value;
  const on = (name: string, handler: Handler): void => {
    const theirs = properties[name];
    properties[name] = function (this: unknown, ...args: unknown[]) {
      handler(...args);
      if (isHandler(theirs)) theirs.apply(this, args);
    };
  };
  on(description.change.report, (...args) => report(reportedBy(description.change, args, state.shown)));
  if (description.leave) on(description.leave.report, () => leave());
  return properties;
}

/** The input submits itself only where the text that it shows is what is sent. */
function submitsItself({ name, choices, input }: AdapterDescription, { sent, shown }: InputState): boolean {
  if (name === undefined || sent === undefined) return name !== undefined;
  return typeof shown === 'string' && shown === sent && choices === undefined && input !== 'native#file';
}
/** What a hidden input beside it has to submit; one that is not there, as on a server, submits nothing itself. */
export function hiddenValue(description: AdapterDescription, state: InputState, isThere = true): string | undefined {
  return typeof state.sent === 'string' && !(isThere && submitsItself(description, state)) ? state.sent : undefined;
}

/** What a native submission carries: texts as they are, everything else as JSON. */
export function sentText(sent: unknown): string | null {
  if (sent === undefined) return null;
  return typeof sent === 'string' ? sent : JSON.stringify(sent);
}
