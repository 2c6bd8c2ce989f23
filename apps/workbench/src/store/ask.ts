import { isObject, readProblemDetails, type Outcome, type Purpose, type SendDescription } from '@poietra/core';

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

const usual: Readonly<Record<Purpose, string>> = { create: 'POST', replace: 'PUT', change: 'PATCH', delete: 'DELETE' };

/** How a purpose is asked for: by its own method, or by POST with a header where only that passes. */
export function methodFor(
  { methods = {}, methodHeader }: SendDescription,
  purpose: Purpose,
): { readonly method: string; readonly headers: Readonly<Record<string, string>> } {
  const meant = methods[purpose] ?? usual[purpose];
  return methodHeader === undefined || meant === 'POST'
    ? { method: meant, headers: {} }
    : { method: 'POST', headers: { [methodHeader]: meant } };
}

/** A token against forged requests, where the form asks for one. */
async function tokenFor({ token }: SendDescription): Promise<Readonly<Record<string, string>>> {
  if (!token) return {};
  const answer = await ask(token.path);
  const found: unknown = isObject(answer) ? answer[token.member] : undefined;
  if (typeof found !== 'string') throw new AskError(`${token.path} gave no “${token.member}”.`, 0);
  return { [token.header]: found };
}

/** Sends a form's value, or takes a record away. A refusal comes back with the fields it names; nothing is thrown. */
export async function sendForm(
  send: SendDescription,
  purpose: Purpose,
  record: string | undefined,
  sent?: unknown,
): Promise<Outcome> {
  const address = record === undefined ? send.path : `${send.path}/${encodeURIComponent(record)}`;
  const { method, headers } = methodFor(send, purpose);
  let response: Response;
  try {
    response = await fetch(address, {
      method,
      headers: { 'Content-Type': 'application/json', ...headers, ...(await tokenFor(send)) },
      ...(sent === undefined ? {} : { body: JSON.stringify(sent) }),
    });
  } catch (error) {
    const reason = error instanceof AskError ? error.message : 'The server does not answer.';
    return { kind: 'failed', message: `${reason} What you typed is kept; try again.` };
  }
  const answer: unknown = await response.json().catch(() => undefined);
  if (response.ok) return { kind: 'accepted', answer };
  const { title, detail, problems } = readProblemDetails(answer);
  const message = detail === undefined ? title : `${title}: ${detail}`;
  return problems.length > 0 || response.status === 422
    ? { kind: 'refused', problems, message }
    : { kind: 'failed', message };
}
