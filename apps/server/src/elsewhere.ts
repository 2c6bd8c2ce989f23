/** What somebody else's server gives: asked without cookies, and without saying who asks. */
import { Refusal } from './problem.js';

/** In bytes, milliseconds and steps. */
const limits = { size: 5_000_000, time: 10_000, redirects: 5 };

/** Somebody has said that this host may be asked; where it leads to another, that is asked for anew. */
export async function fetched(address: string, accept: string): Promise<{ readonly text: string }> {
  let url = webAddress(address);
  const { origin } = url;
  const signal = AbortSignal.timeout(limits.time);
  for (let i = 0; i <= limits.redirects; i++) {
    const response = await answerOf(url, accept, signal);
    const next = response.status >= 300 && response.status < 400 ? response.headers.get('location') : null;
    if (next === null) {
      if (!response.ok) throw new Refusal(502, 'It was not had', `${url.host} answers ${response.status}.`);
      return { text: await bodyOf(response, url) };
    }
    await response.body?.cancel();
    url = webAddress(new URL(next, url).href);
    if (url.origin !== origin)
      throw new Refusal(
        502,
        'It is elsewhere',
        `${new URL(address).host} sends on to ${url.href}, which is another host. Ask there, if you trust it.`,
      );
  }
  throw new Refusal(502, 'It was not had', `${url.host} sends on and on.`);
}

function webAddress(text: string): URL {
  const url = URL.canParse(text) ? new URL(text) : undefined;
  if (!url || (url.protocol !== 'https:' && url.protocol !== 'http:'))
    throw new Refusal(422, 'No address of the web', `“${text}” is not an http or https address.`);
  if (url.username !== '' || url.password !== '')
    throw new Refusal(422, 'No address without a secret', 'An address with a user and a password is not asked.');
  return url;
}

/** Without cookies, and without saying who asks. */
async function answerOf(url: URL, accept: string, signal: AbortSignal): Promise<Response> {
  try {
    return await fetch(url, {
      redirect: 'manual',
      signal,
      headers: { Accept: accept },
      credentials: 'omit',
      referrerPolicy: 'no-referrer',
    });
  } catch (error) {
    throw new Refusal(502, 'It was not had', whyNot(url, error));
  }
}

function whyNot(url: URL, error: unknown): string {
  if (error instanceof DOMException && error.name === 'TimeoutError')
    return `${url.host} has not answered within ${limits.time / 1000} s.`;
  const cause = error instanceof Error && error.cause instanceof Error ? `: ${error.cause.message}` : '';
  return `${url.host} cannot be reached${cause}.`;
}

/** As text, as far as the limit: what is larger is not read to its end. */
async function bodyOf(response: Response, url: URL): Promise<string> {
  const parts: Uint8Array[] = [];
  let size = 0;
  try {
    for await (const part of response.body ?? []) {
      size += (part as Uint8Array).byteLength;
      if (size > limits.size) throw new Refusal(502, 'Too large', `It has more than ${limits.size / 1_000_000} MB.`);
      parts.push(part);
    }
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal(502, 'It was not had', whyNot(url, error));
  }
  return new TextDecoder().decode(Buffer.concat(parts));
}
