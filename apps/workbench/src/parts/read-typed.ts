import { copyJson } from '@poietra/core';
import { parse } from 'yaml';
import { meaningOf } from '../store/written.js';

/** What was read: one document, or several of JSON, one a line. */
export type Typed =
  | { readonly ok: true; readonly value: unknown; readonly several?: readonly unknown[] }
  | { readonly ok: false; readonly reason: string };

/** Reads JSON with comments, JSON documents one a line, or YAML 1.2. Too large or too deep ones are refused. */
export function readTyped(text: string): Typed {
  if (text.trim() === '') return { ok: false, reason: 'There is nothing yet.' };
  try {
    const { value, several } = parsed(text);
    return { ok: true, value: copyJson(value), ...(several ? { several: several.map((one) => copyJson(one)) } : {}) };
  } catch (error) {
    return { ok: false, reason: error instanceof Error ? error.message : String(error) };
  }
}

function parsed(text: string): { value: unknown; several?: unknown[] } {
  const looksLikeJson = /^\s*[[{"]/.test(text);
  if (!looksLikeJson) return { value: parse(text, { maxAliasCount: 100, schema: 'core' }) as unknown };
  try {
    return { value: meaningOf(text) };
  } catch (error) {
    const several = linesOf(text);
    if (!several) throw error;
    return { value: several[0], several };
  }
}

function linesOf(text: string): unknown[] | undefined {
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  if (lines.length < 2) return undefined;
  try {
    return lines.map((line) => JSON.parse(line) as unknown);
  } catch {
    return undefined;
  }
}
