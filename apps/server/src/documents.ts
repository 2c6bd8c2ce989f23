/** Schema documents of others: asked for where they say they are, or looked for in the opened project. */
import express, { Router } from 'express';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, sep } from 'node:path';
import { z } from 'zod';
import { Refusal } from './problem.js';

const request = z.object({ address: z.string().min(1).max(2000), from: z.enum(['address', 'project']) });

/** In bytes, milliseconds and steps. */
const limits = { size: 5_000_000, time: 10_000, redirects: 5, files: 5000, depth: 12 };

export function documentRouter(project: () => string): Router {
  const router = Router();
  // A POST, though nothing is changed: it makes the server ask somebody else, which no link may do.
  router.post('/document', express.json({ limit: '10kb' }), async ({ body }, response) => {
    const asked = request.safeParse(body);
    if (!asked.success) throw new Refusal(422, 'No address', 'Say which document, as “address”.');
    const { address, from } = asked.data;
    response.json(from === 'project' ? inProject(project(), address) : await fetched(address));
  });
  return router;
}

/** Somebody has said that this host may be asked; where it leads to another, that is asked for anew. */
async function fetched(address: string): Promise<{ readonly text: string }> {
  let url = webAddress(address);
  const { origin } = url;
  const signal = AbortSignal.timeout(limits.time);
  for (let i = 0; i <= limits.redirects; i++) {
    const response = await answerOf(url, signal);
    const next = response.status >= 300 && response.status < 400 ? response.headers.get('location') : null;
    if (next === null) {
      if (!response.ok) throw new Refusal(502, 'The document was not had', `${url.host} answers ${response.status}.`);
      return { text: await bodyOf(response, url) };
    }
    await response.body?.cancel();
    url = webAddress(new URL(next, url).href);
    if (url.origin !== origin)
      throw new Refusal(
        502,
        'The document is elsewhere',
        `${new URL(address).host} sends on to ${url.href}, which is another host. Fetch it from there, if you trust it.`,
      );
  }
  throw new Refusal(502, 'The document was not had', `${url.host} sends on and on.`);
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
async function answerOf(url: URL, signal: AbortSignal): Promise<Response> {
  try {
    const headers = { Accept: 'application/schema+json, application/json, application/yaml;q=0.8, */*;q=0.1' };
    return await fetch(url, {
      redirect: 'manual',
      signal,
      headers,
      credentials: 'omit',
      referrerPolicy: 'no-referrer',
    });
  } catch (error) {
    throw new Refusal(502, 'The document was not had', whyNot(url, error));
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
      if (size > limits.size)
        throw new Refusal(502, 'Too large', `The document has more than ${limits.size / 1_000_000} MB.`);
      parts.push(part);
    }
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal(502, 'The document was not had', whyNot(url, error));
  }
  return new TextDecoder().decode(Buffer.concat(parts));
}

/** A JSON file of the project whose own address it is, or else one whose path is how the address ends. */
function inProject(folder: string, address: string): { readonly text: string; readonly file: string } {
  const files = jsonFiles(folder);
  const texts = (file: string): string => readFileSync(file, 'utf8');
  const byId = files.find((file) => idOf(texts(file)) === address);
  const path = address.replace(/^[a-z][a-z0-9+.-]*:\/*/i, '').split('/');
  const byPath = path
    .map((_, i) => sep + path.slice(i).join(sep))
    .flatMap((end) => files.find((file) => file.endsWith(end)) ?? [])[0];
  const file = byId ?? byPath;
  if (file === undefined)
    throw new Refusal(
      404,
      'Not in the project',
      `No JSON file of the project has the address ${address}, or its name.`,
    );
  return { text: texts(file), file: file.slice(folder.length + 1) };
}

function idOf(text: string): unknown {
  try {
    const { $id, id } = JSON.parse(text) as { $id?: unknown; id?: unknown };
    const own = $id ?? id;
    return typeof own === 'string' ? own.replace(/#$/, '') : undefined;
  } catch {
    return undefined;
  }
}

function jsonFiles(folder: string, depth = 0): string[] {
  if (depth > limits.depth) return [];
  return readdirSync(folder, { withFileTypes: true })
    .flatMap((entry) => {
      if (entry.name.startsWith('.') || entry.name === 'node_modules') return [];
      const path = join(folder, entry.name);
      if (entry.isDirectory()) return jsonFiles(path, depth + 1);
      return entry.isFile() && entry.name.endsWith('.json') && statSync(path).size <= limits.size ? [path] : [];
    })
    .slice(0, limits.files);
}
