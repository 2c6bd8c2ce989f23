import { isObject, type Problem } from '../json/index.js';

/** What a server says went wrong, in the form of RFC 9457. */
export interface ProblemDetails {
  readonly title: string;
  readonly detail?: string;
  readonly status?: number;
  readonly problems: readonly Problem[];
}

/**
 * Reads an answer of the media type `application/problem+json`. The member `errors` (RFC 9457, section 3) lists the
 * fields: each with a `detail` and a `pointer`, a JSON Pointer with or without `#` before it. Anything else in it is
 * foreign and left out.
 */
export function readProblemDetails(answer: unknown): ProblemDetails {
  if (!isObject(answer)) return { title: 'The server refused, and did not say why.', problems: [] };
  const text = (value: unknown): string | undefined => (typeof value === 'string' && value !== '' ? value : undefined);
  const errors: unknown[] = Array.isArray(answer['errors']) ? answer['errors'] : [];
  const problems = errors.flatMap((error): Problem[] => {
    if (!isObject(error) || typeof error['pointer'] !== 'string') return [];
    const at = decodePointer(error['pointer']);
    return [
      {
        at,
        keyword: 'server',
        schemaAt: '',
        params: {},
        message: text(error['detail']) ?? text(error['title']) ?? 'The server refused this value.',
      },
    ];
  });
  const detail = text(answer['detail']);
  const status = answer['status'];
  return {
    title: text(answer['title']) ?? 'The server refused.',
    ...(detail === undefined ? {} : { detail }),
    ...(typeof status === 'number' ? { status } : {}),
    problems,
  };
}

function decodePointer(pointer: string): string {
  if (!pointer.startsWith('#')) return pointer;
  try {
    return decodeURIComponent(pointer.slice(1));
  } catch {
    return pointer.slice(1);
  }
}
