import { builtIn } from '../codec/index.js';
import { inputsOf, nativeAdapters } from '../adapter/index.js';
import type { z } from 'zod';
import { copyJson, formatPointer, LimitReached, lookUp, type Pointer } from '../json/index.js';
import { compileSchema, SchemaError } from '../schema/index.js';
import { codecProblems } from './check-codecs.js';
import { kitDocuments, missingIn } from './documents.js';
import type { KitProblem } from './problem.js';
import { kitSchema, kitVersion, type Kit } from './kit.js';
import { largestKit } from './write.js';

/**
 * A sound kit, or what is wrong. `gaps` are names of parts and documents that are not there: what was exported after one
 * was deleted is read again, and each gap is told where it is used. Who hands a kit over or checks it refuses gaps.
 */
export type KitReading =
  | { readonly ok: true; readonly kit: Kit; readonly gaps: readonly KitProblem[] }
  | { readonly ok: false; readonly problems: readonly KitProblem[] };

/** Reads a kit file. Either the whole kit is sound but for gaps, or nothing of it is taken. */
export function readKitText(text: string): KitReading {
  if (text.length > largestKit)
    return bad(
      '',
      `The file has ${text.length.toLocaleString('en')} characters; kits up to ${largestKit.toLocaleString('en')} are read.`,
    );
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    return { ok: false, problems: [placeInText(text, error)] };
  }
  return readKit(document);
}

export function readKit(foreign: unknown): KitReading {
  let document: unknown;
  try {
    document = copyJson(foreign);
  } catch (error) {
    if (error instanceof RangeError) return bad('', error.message);
    throw error;
  }
  const version = (document as { poietra?: unknown } | null)?.poietra;
  if (typeof document !== 'object' || document === null || version === undefined)
    return bad('/poietra', 'This is no kit file: it has no member “poietra” with the version.');
  if (typeof version === 'number' && version > kitVersion)
    return bad(
      '/poietra',
      `The file was written by a newer Poietra (format ${version}; this one reads up to ${kitVersion}).`,
    );
  const read = kitSchema.safeParse(document);
  if (!read.success) {
    return {
      ok: false,
      problems: read.error.issues.map((issue) => ({
        at: formatPointer(issue.path.map((part) => (typeof part === 'number' ? part : String(part)))),
        message: inWords(issue, document),
      })),
    };
  }
  const kit = document as Kit;
  const schemas = readSchemas(kit);
  const problems = [...unknownKinds(kit), ...codecProblems(kit.codecs), ...schemas.problems];
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, kit, gaps: [...missingNames(kit), ...schemas.gaps] };
}

function unknownKinds({ codecs }: Kit): KitProblem[] {
  return Object.entries(codecs).flatMap(([name, { kind }]) =>
    Object.hasOwn(builtIn, kind)
      ? []
      : [{ at: formatPointer(['codecs', name, 'kind']), message: `No codec of the kind “${kind}” is known.` }],
  );
}

function missingNames(kit: Kit): KitProblem[] {
  const problems: KitProblem[] = [];
  for (const [name, field] of Object.entries(kit.fields)) {
    const native =
      field.adapter.startsWith('native:') && Object.hasOwn(nativeAdapters, field.adapter.slice('native:'.length));
    if (!native && !Object.hasOwn(kit.adapters, field.adapter))
      problems.push({
        at: formatPointer(['fields', name, 'adapter']),
        message: `There is no adapter “${field.adapter}” in the kit.`,
      });
    if (!Object.hasOwn(kit.codecs, field.codec) && !Object.hasOwn(builtIn, field.codec))
      problems.push({ at: formatPointer(['fields', name, 'codec']), message: `There is no codec “${field.codec}”.` });
  }
  for (const [name, adapter] of Object.entries(kit.adapters)) {
    for (const input of inputsOf(adapter))
      if (!Object.hasOwn(kit.inputs, input) && !(adapter.parts && input.startsWith('native#')))
        problems.push({
          at: formatPointer(['adapters', name, adapter.parts ? 'parts' : 'input']),
          message: `There is no input “${input}” in the kit.`,
        });
  }
  return problems;
}

interface SchemasRead {
  readonly problems: readonly KitProblem[];
  readonly gaps: readonly KitProblem[];
}

function readSchemas(kit: Kit): SchemasRead {
  const documents = kitDocuments(kit);
  const [problems, gaps]: [KitProblem[], KitProblem[]] = [[], []];
  for (const kind of ['groups', 'forms'] as const)
    for (const [name, { schema }] of Object.entries(kit[kind])) {
      const at = formatPointer([kind, name, 'schema']);
      try {
        compileSchema(schema, { documents });
      } catch (error) {
        if (error instanceof LimitReached) problems.push({ at, message: error.message });
        else if (error instanceof SchemaError) {
          const missing = new Set(missingIn(error));
          for (const { at: place, message, params } of error.problems) {
            const problem = { at: `${at}${place.startsWith('/') ? place : ''}`, message };
            if (missing.has(String(params['document']))) gaps.push(problem);
            else problems.push(problem);
          }
        } else throw error;
      }
    }
  return { problems, gaps };
}

const kindWords: Readonly<Record<string, string>> = {
  record: 'an object',
  object: 'an object',
  array: 'a list',
  string: 'a text',
  number: 'a number',
  boolean: 'true or false',
};

/** What is wrong, in words for a person: which kind of value is asked for, or what a name has to be. */
function inWords(issue: z.core.$ZodIssue, document: unknown): string {
  // What is wrong with a name stands within; the issue itself says only that something is.
  if (issue.code === 'invalid_key') return issue.issues[0]?.message ?? issue.message;
  const wanted = issue.code === 'invalid_type' ? kindWords[issue.expected] : undefined;
  if (wanted === undefined) return issue.message;
  const isMissing = lookUp(document, formatPointer(issue.path.map(String))) === undefined;
  return isMissing ? `It is missing: it has to be ${wanted}.` : `It has to be ${wanted}.`;
}

function bad(at: Pointer, message: string): KitReading {
  return { ok: false, problems: [{ at, message }] };
}

/** Engines word their errors differently; most name a position, some a line and a column. */
function placeInText(text: string, error: unknown): KitProblem {
  const message = error instanceof Error ? error.message : String(error);
  const position = /position (\d+)/.exec(message)?.[1];
  const upTo = position === undefined ? (/end of/i.test(message) ? text : undefined) : text.slice(0, Number(position));
  const words = 'This is no JSON';
  if (upTo === undefined) return { at: '', message: `${words}: ${message}` };
  const lines = upTo.split('\n');
  const [line, column] = [lines.length, (lines.at(-1)?.length ?? 0) + 1];
  return { at: '', message: `${words}: it breaks off at line ${line}, column ${column}.`, line, column };
}
