import type { ErrorRequestHandler, Response } from 'express';

/** Something the caller can act on; sent as problem details (RFC 9457). */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail?: string,
    readonly errors: readonly { readonly pointer: string; readonly detail: string }[] = [],
  ) {
    super(detail ?? title);
  }
}

export function sendProblem(response: Response, { status, title, detail, errors }: Refusal): void {
  response
    .status(status)
    .type('application/problem+json')
    .send(
      JSON.stringify({
        type: 'about:blank',
        title,
        status,
        ...(detail === undefined ? {} : { detail }),
        ...(errors.length > 0 ? { errors } : {}),
      }),
    );
}

/** Every error leaves as problem details; what we did not foresee keeps its words to the log. */
export const problems: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  if (error instanceof Refusal) {
    sendProblem(response, error);
    return;
  }
  const status =
    typeof error === 'object' && error !== null && 'status' in error && typeof error.status === 'number'
      ? error.status
      : 500;
  if (status === 413)
    sendProblem(response, new Refusal(413, 'Too large', 'The body is larger than this address takes.'));
  else if (status === 400) sendProblem(response, new Refusal(400, 'No JSON', 'The body could not be read as JSON.'));
  else {
    request.log.error({ err: error }, 'unforeseen');
    sendProblem(response, new Refusal(500, 'Something went wrong in the server', 'Its log says more.'));
  }
};
