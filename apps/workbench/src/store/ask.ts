import { readProblemDetails, type Outcome } from '@poietra/core';

/** A request that did not bring what was asked for; the message is for people. */
export class AskError extends Error {
  override name = 'AskError';
  constructor(
    message: string,
    readonly status: number,
  ) {
    super(message);
  }
}

/** Asks the server for JSON. @throws {AskError} with the server's own words where it gives any. */
export async function ask(
  address: string,
  body?: { readonly method: string; readonly json: unknown },
): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(
      address,
      body && { method: body.method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body.json) },
    );
  } catch {
    throw new AskError('The server does not answer. Is “npm start” still running?', 0);
  }
  if (response.status === 204) return undefined;
  const answer: unknown = await response.json().catch(() => undefined);
  if (response.ok) return answer;
  const { title, detail } = readProblemDetails(answer);
  throw new AskError(detail ?? title, response.status);
}

/** Sends a form's value. A refusal comes back with the fields it names; nothing is thrown. */
export async function sendForm(address: string, method: 'POST' | 'PUT', sent: unknown): Promise<Outcome> {
  let response: Response;
  try {
    response = await fetch(address, {
      method,
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(sent),
    });
  } catch {
    return { kind: 'failed', message: 'The server does not answer. What you typed is kept; try again.' };
  }
  const answer: unknown = await response.json().catch(() => undefined);
  if (response.ok) return { kind: 'accepted', answer };
  const { title, detail, problems } = readProblemDetails(answer);
  const message = detail === undefined ? title : `${title}: ${detail}`;
  return problems.length > 0 || response.status === 422
    ? { kind: 'refused', problems, message }
    : { kind: 'failed', message };
}
