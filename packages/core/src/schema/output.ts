/** The standard's output formats (JSON Schema Core 2020-12, section 12): flag, basic, detailed. */
import { parsePointer, type Problem } from '../json/index.js';
import type { Verdict } from './memory.js';

export interface OutputUnit {
  readonly valid: boolean;
  readonly keywordLocation: string;
  readonly absoluteKeywordLocation?: string;
  readonly instanceLocation: string;
  readonly error?: string;
  readonly errors?: readonly OutputUnit[];
}
export type OutputFormat = 'flag' | 'basic' | 'detailed';

/** A verdict in one of the standard's formats. `keywordLocation` is the keyword's place in its document. */
export function toOutput({ valid, problems }: Verdict, format: OutputFormat): { readonly valid: boolean } | OutputUnit {
  if (format === 'flag') return { valid };
  const top: OutputUnit = { valid, keywordLocation: '', instanceLocation: '' };
  if (valid) return top;
  if (format === 'basic') return { ...top, errors: problems.map(unit) };
  return { ...top, errors: nest(problems, 0) };
}

function unit(problem: Problem): OutputUnit {
  const hash = problem.schemaAt.indexOf('#');
  return {
    valid: false,
    keywordLocation: hash < 0 ? problem.schemaAt : problem.schemaAt.slice(hash + 1),
    ...(hash < 0 ? {} : { absoluteKeywordLocation: problem.schemaAt }),
    instanceLocation: problem.at,
    error: problem.message,
  };
}

/** Problems with a common way into the value become one unit; a unit with one child is that child. */
function nest(problems: readonly Problem[], depth: number): OutputUnit[] {
  const here: OutputUnit[] = [];
  const below = new Map<string, Problem[]>();
  for (const problem of problems) {
    const name = parsePointer(problem.at)[depth];
    if (name === undefined) here.push(unit(problem));
    else below.set(name, [...(below.get(name) ?? []), problem]);
  }
  const nested = [...below.values()].map((group): OutputUnit => {
    const [only, ...others] = nest(group, depth + 1);
    if (only && others.length === 0) return only;
    const at = group[0]?.at ?? '';
    const instanceLocation = parsePointer(at).slice(0, depth + 1).map((token) => `/${token.replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');
    return { valid: false, keywordLocation: '', instanceLocation, errors: only ? [only, ...others] : [] };
  });
  return [...here, ...nested];
}
