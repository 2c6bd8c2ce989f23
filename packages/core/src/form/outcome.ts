import { isObject, type Problem } from '../json/index.js';
import { textFor } from '../schema/index.js';
import type { Outcome } from './types.js';

/** What an application's `send` gave, read with care: one that gives nothing must not leave the form sending for ever. */
export function outcomeOf(given: unknown): Outcome {
  const { kind, answer, message, problems } = isObject(given) ? given : ({} as Record<string, unknown>);
  const words = typeof message === 'string' ? { message } : {};
  if (kind === 'accepted') return { kind, answer };
  if (kind === 'refused')
    return { kind, problems: (Array.isArray(problems) ? problems : []).filter(isProblem), ...words };
  return { kind: 'failed', message: kind === 'failed' ? 'Sending failed.' : 'Sending gave no outcome.', ...words };
}

const isProblem = (one: unknown): one is Problem =>
  isObject(one) && typeof one['at'] === 'string' && typeof one['message'] === 'string';

/** What is told once something was accepted: `{number}` and the like are members of what the server answered. */
export const acceptedWords = (words: string, answer: unknown): string =>
  textFor({ words }, 'words', isObject(answer) ? answer : {});
