import { companyAddress } from '../parts/company-address.js';
import { fetchApi } from './secret.js';
import { readProblemDetails, sendTo, type Outcome, type Purpose, type SendDescription } from '@poietra/core';

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
  return (await askTagged(address, body)).answer;
}

/** The same with the tag of what was answered (RFC 9110, section 8.8.3), where the server gives one. */
export async function askTagged(
  address: string,
  body?: { readonly method: string; readonly json: unknown },
): Promise<{ readonly answer: unknown; readonly tag?: string }> {
  let response: Response;
  try {
    // The demo company is somebody else's server, as it were: it is told no secret.
    response = await (address.startsWith('/api/') ? fetchApi : fetch)(
      address,
      body && { method: body.method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body.json) },
    );
  } catch {
    throw new AskError('The server does not answer. Is “npm start” still running?', 0);
  }
  if (response.status === 204) return { answer: undefined };
  const answer: unknown = await response.json().catch(() => undefined);
  const tag = response.headers.get('ETag');
  if (response.ok) return { answer, ...(tag === null ? {} : { tag }) };
  const { title, detail } = readProblemDetails(answer);
  throw new AskError(detail ?? title, response.status);
}

/** Asks this server for JSON, one value a line (NDJSON), each told as it comes. @throws {AskError} as `ask` does. */
export async function askLines(
  address: string,
  json: unknown,
  hear: (line: unknown) => void,
  signal: AbortSignal,
): Promise<void> {
  const response = await fetchApi(address, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(json),
    signal,
  }).catch(() => undefined);
  if (!response) throw new AskError('The server does not answer. Is “npm start” still running?', 0);
  if (!response.ok || !response.body) {
    const { title, detail } = readProblemDetails(await response.json().catch(() => undefined));
    throw new AskError(detail ?? title, response.status);
  }
  let rest = '';
  for await (const piece of response.body.pipeThrough(new TextDecoderStream())) {
    const lines = `${rest}${piece}`.split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) hear(JSON.parse(line));
  }
}

/** Asks the demo company, and nobody else. @throws {AskError} also where an address leads elsewhere. */
export function askCompany(address: string): Promise<unknown> {
  const asked = companyAddress(address);
  if (asked === undefined)
    return Promise.reject(new AskError(`From here only addresses below /company/ are asked, not ${address}.`, 0));
  return ask(asked);
}

function onceHeaders({ key, match }: { readonly key?: string | undefined; readonly match?: string | undefined }) {
  return {
    ...(key === undefined ? {} : { 'Idempotency-Key': key }),
    ...(match === undefined ? {} : { 'If-Match': match }),
  };
}

/** Why the workbench does not send to an address. */
function notFromHere(address: string): string {
  return `“${address}” is for your application: the workbench itself sends only to the demo company, below /company/.`;
}

/** The records of a form, where it has an address that the workbench asks. */
export function recordsAddress(send: SendDescription | undefined, record?: string): string | undefined {
  const path = send && companyAddress(send.path);
  return path === undefined || record === undefined ? path : `${path}/${encodeURIComponent(record)}`;
}

/** Sends a form's value, or takes a record away. A refusal comes back with the fields it names; nothing is thrown. */
export async function sendForm(
  send: SendDescription,
  purpose: Purpose,
  record: string | undefined,
  sent?: unknown,
  /** A key by which the server knows the same sending again, and the tag that the record must still have. */
  once: { readonly key?: string | undefined; readonly match?: string | undefined } = {},
): Promise<Outcome> {
  // A kit is foreign: what it names must not reach the workbench's own API with what a person typed.
  for (const wanted of [send.path, ...(send.token ? [send.token.path] : [])])
    if (companyAddress(wanted) === undefined) return { kind: 'failed', message: notFromHere(wanted) };
  const path = companyAddress(send.path) ?? send.path;
  return sendTo({ ...send, path }, sent, { record, purpose, headers: onceHeaders(once) });
}
