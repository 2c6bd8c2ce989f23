import { isObject, type Problem } from '../json/index.js';
import type { Outcome } from './types.js';

/** What an application's `send` gave, read with care: one that gives nothing must not leave the form sending for ever. */
export function outcomeOf(given: unknown): Outcome {
  const kind = isObject(given) ? given['kind'] : undefined;
  if (!isObject(given) || (kind !== 'accepted' && kind !== 'refused' && kind !== 'failed'))
    return {
      kind: 'failed',
      message: 'Sending gave no outcome.',
    };
  const message = typeof given['message'] === 'string' ? given['message'] : undefined;
  if (kind === 'accepted') return { kind, answer: given['answer'] };
  if (kind === 'failed') return { kind, message: message ?? 'Sending failed.' };
  const problems: unknown[] = Array.isArray(given['problems']) ? given['problems'] : [];
  return { kind, problems: problems.filter(isProblem), ...(message === undefined ? {} : { message }) };
}

const isProblem = (one: unknown): one is Problem =>
  isObject(one) && typeof one['at'] === 'string' && typeof one['message'] === 'string';
