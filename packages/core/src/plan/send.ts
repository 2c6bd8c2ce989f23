/** Sends a form's value where its description says, and reads what the server answers. */
import { reasonOf, isObject } from '../json/index.js';
import { readProblemDetails, type Outcome } from '../form/index.js';
import type { DrawnWords } from '../words/index.js';

/** What sending is for. */
export type Purpose = 'create' | 'replace' | 'change' | 'delete';

/** Where the records of a form live, and what its server expects. */
export interface SendDescription {
  readonly path: string;
  /** The member of an answer that names a record. */
  readonly key: string;
  /** The method for a purpose, where it is not POST, PUT, PATCH and DELETE. */
  readonly methods?: Readonly<Partial<Record<Purpose, string>>>;
  /** Where only GET and POST pass: everything else goes by POST, and this header names the method meant. */
  readonly methodHeader?: string;
  /** A token against forged requests: fetched from `path` before sending, and sent in `header`. */
  readonly token?: { readonly path: string; readonly member: string; readonly header: string };
}

/** What the platform's `fetch` answers, as far as it is read here. */
interface Answered {
  readonly ok: boolean;
  readonly status: number;
  json(): Promise<unknown>;
}
/** The platform's `fetch`, as far as it is used. */
export type Fetch = (address: string, how?: object) => Promise<Answered>;

/** How something is sent beside what its description says. */
export interface SendOptions {
  /** Of the record that is meant; without it a new one is made. */
  readonly record?: string | undefined;
  /** By default `create`, or `replace` where a record is named. */
  readonly purpose?: Purpose;
  /** Before every address: `https://api.skerryline.example`. */
  readonly base?: string;
  readonly headers?: Readonly<Record<string, string>>;
  /** Of an `AbortController`: ends it early. */
  readonly signal?: unknown;
  /** How often it is sent again where no answer came; each time under the same `Idempotency-Key`. */
  readonly retries?: number;
  /** In place of the platform's `fetch`. */
  readonly fetch?: Fetch;
  /** What is said where nothing came of it, in the language of the form (`form.words?.drawn`); English without. */
  readonly words?: SendingWords | undefined;
}
/** The words of a language that sending needs. */
export type SendingWords = Pick<DrawnWords, 'noAnswer' | 'stopped' | 'noToken' | 'typedIsKept'>;
/** The same in English. */
export const sendingWords: SendingWords = {
  noAnswer: 'The server does not answer.',
  stopped: 'It was stopped.',
  noToken: (address, member) => `${address} gave no “${member}”.`,
  typedIsKept: 'What you typed is kept; try again.',
};

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

/**
 * Sends a value as JSON. A refusal (problem details, RFC 9457) comes back with the fields that it names; nothing is thrown.
 * `undefined` sends no body.
 */
export async function sendTo(send: SendDescription, sent: unknown, options: SendOptions = {}): Promise<Outcome> {
  const { record, base = '', signal, retries = 0, fetch = ofPlatform, words = sendingWords } = options;
  const { method, headers } = methodFor(send, options.purpose ?? (record === undefined ? 'create' : 'replace'));
  const address = `${base}${send.path}${record === undefined ? '' : `/${encodeURIComponent(record)}`}`;
  // Sent again, it must not count twice.
  const once =
    retries > 0 ? { 'Idempotency-Key': `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}` } : {};
  for (let attempt = 0; ; attempt++) {
    let response: Answered;
    try {
      const token = await tokenFor(send, base, fetch, signal, words);
      response = await fetch(address, {
        method,
        signal,
        headers: { 'Content-Type': 'application/json', ...headers, ...token, ...once, ...options.headers },
        ...(sent === undefined ? {} : { body: JSON.stringify(sent) }),
      });
    } catch (error) {
      if (attempt < retries && !isStopped(signal)) continue;
      const reason =
        error instanceof NoToken ? error.message : isStopped(signal) ? words.stopped : noAnswer(error, words);
      return { kind: 'failed', message: `${reason} ${words.typedIsKept}` };
    }
    return outcomeOf(response);
  }
}

async function outcomeOf(response: Answered): Promise<Outcome> {
  const answer = await response.json().catch(() => undefined);
  if (response.ok) return { kind: 'accepted', answer };
  const { title, detail, problems } = readProblemDetails(answer);
  const message = detail === undefined ? title : `${title}: ${detail}`;
  return problems.length > 0 || response.status === 422
    ? { kind: 'refused', problems, message }
    : { kind: 'failed', message };
}

class NoToken extends Error {}

/** A token against forged requests, where the form asks for one. */
async function tokenFor(
  { token }: SendDescription,
  base: string,
  fetch: Fetch,
  signal: unknown,
  words: SendingWords,
): Promise<Readonly<Record<string, string>>> {
  if (!token) return {};
  const response = await fetch(`${base}${token.path}`, { signal });
  const answer = await response.json().catch(() => undefined);
  const found: unknown = isObject(answer) ? answer[token.member] : undefined;
  if (!response.ok || typeof found !== 'string') throw new NoToken(words.noToken(token.path, token.member));
  return { [token.header]: found };
}

const isStopped = (signal: unknown): boolean => isObject(signal) && signal['aborted'] === true;
/** Browsers tell of a server that is not there by a TypeError, whose words differ and help nobody. */
const noAnswer = (error: unknown, words: SendingWords): string =>
  error instanceof TypeError ? words.noAnswer : reasonOf(error);
const ofPlatform: Fetch = (address, how) => (globalThis as unknown as { readonly fetch: Fetch }).fetch(address, how);
