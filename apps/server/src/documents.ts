/** Schema documents of others: asked for where they say they are, or looked for in the opened project. */
import express, { Router } from 'express';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, sep } from 'node:path';
import { z } from 'zod';
import { fetched } from './elsewhere.js';
import { Refusal } from './problem.js';

const accepted = 'application/schema+json, application/json, application/yaml;q=0.8, */*;q=0.1';
const request = z.object({ address: z.string().min(1).max(2000), from: z.enum(['address', 'project']) });

/** Of files that are looked through, and of folders within one another. */
const limits = { size: 5_000_000, files: 5000, depth: 12 };

export function documentRouter(project: () => string): Router {
  const router = Router();
  // A POST, though nothing is changed: it makes the server ask somebody else, which no link may do.
  router.post('/document', express.json({ limit: '10kb' }), async ({ body }, response) => {
    const asked = request.safeParse(body);
    if (!asked.success) throw new Refusal(422, 'No address', 'Say which document, as “address”.');
    const { address, from } = asked.data;
    response.json(from === 'project' ? inProject(project(), address) : await fetched(address, accepted));
  });
  return router;
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
