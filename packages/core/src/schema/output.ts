/** The standard's output formats (JSON Schema Core 2020-12, section 12): flag, basic, detailed. */
import { isObject, joinPointer, ownMember, parsePointer, type Pointer, type Problem } from '../json/index.js';
import type { CompiledSchema } from './compiled.js';
import { bitOf, eachWithin, Run, type Site, type Rule, type SchemaNode } from './rule.js';
import { absolute, wayOf } from './ways.js';

/** An output unit of JSON Schema 2020-12, section 12.4. */
export interface OutputUnit {
  readonly valid: boolean;
  /** The way through the schema, references included. */
  readonly keywordLocation: string;
  readonly absoluteKeywordLocation?: string;
  readonly instanceLocation: Pointer;
  readonly error?: string;
  readonly annotation?: unknown;
  readonly errors?: readonly OutputUnit[];
  readonly annotations?: readonly OutputUnit[];
}
/** An output format of JSON Schema 2020-12, section 12.4. */
export type OutputFormat = 'flag' | 'basic' | 'detailed';

/**
 * The verdict in one of the standard's formats. A failed run has errors and no annotations, a good one the other way
 * round.
 */
export function outputOf(
  compiled: CompiledSchema,
  value: unknown,
  format: OutputFormat,
): { readonly valid: boolean } | OutputUnit {
  const { valid, problems } = compiled.validate(value);
  if (format === 'flag') return { valid };
  const top = { valid, keywordLocation: '', instanceLocation: '' };
  if (valid)
    return { ...top, annotations: annotationsOf(compiled.root, value, { at: '', way: '' }, new Run(compiled.limits)) };
  return { ...top, errors: format === 'basic' ? problems.map(errorUnit) : nest(problems, 0) };
}

function errorUnit(problem: Problem): OutputUnit {
  const found = wayOf(problem);
  return {
    valid: false,
    keywordLocation: found?.way ?? problem.schemaAt,
    ...(found ? { absoluteKeywordLocation: found.absolute } : {}),
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
    if (name === undefined) here.push(errorUnit(problem));
    else below.set(name, [...(below.get(name) ?? []), problem]);
  }
  const nested = [...below.values()].map((group): OutputUnit => {
    const [only, ...others] = nest(group, depth + 1);
    if (only && others.length === 0) return only;
    const instanceLocation = parsePointer(group[0]?.at ?? '')
      .slice(0, depth + 1)
      .reduce<string>(joinPointer, '');
    return { valid: false, keywordLocation: '', instanceLocation, errors: only ? [only, ...others] : [] };
  });
  return [...here, ...nested];
}

/** Keywords that only tell something; their value is the annotation. */
const telling = [
  'title',
  'description',
  'default',
  'examples',
  'deprecated',
  'readOnly',
  'writeOnly',
  'format',
  'contentEncoding',
  'contentMediaType',
  'contentSchema',
];

/** One unit for each keyword that was asked and accepted, with the annotation where it gives one. */
function annotationsOf(node: SchemaNode, value: unknown, site: Site, run: Run, into: OutputUnit[] = []): OutputUnit[] {
  const unit = (keyword: string, annotation?: { readonly is: unknown }): void => {
    const below = joinPointer('', keyword);
    into.push({
      valid: true,
      keywordLocation: site.way + below,
      absoluteKeywordLocation: absolute(node, below),
      instanceLocation: site.at,
      ...(annotation ? { annotation: annotation.is } : {}),
    });
  };
  const { keywords } = node.resource.dialect;
  for (const keyword of telling)
    if (isObject(node.raw) && Object.hasOwn(node.raw, keyword) && keywords.has(keyword))
      unit(keyword, { is: node.raw[keyword] });
  for (const rule of node.rules) {
    if (rule.keyword !== '' && !telling.includes(rule.keyword)) unit(rule.keyword);
    if ((rule.on & bitOf(value)) !== 0) goInto(rule, value, site, run, into);
  }
  return into;
}

function goInto(rule: Rule, value: unknown, site: Site, run: Run, into: OutputUnit[]): void {
  const at = (below: string): Site => ({ at: site.at, way: site.way + below });
  if (rule.kind === 'within') {
    eachWithin(rule, run, (inner, i) =>
      annotationsOf(
        inner,
        value,
        rule.keyword === '' ? site : at(`/${rule.keyword}${rule.keyword === 'allOf' ? `/${i}` : ''}`),
        run,
        into,
      ),
    );
  } else if (rule.kind === 'members') {
    for (const key of rule.keys(value as object)) {
      const member = ownMember(value, key);
      if (member !== undefined)
        rule
          .nodesFor(key)
          .forEach((inner, i) =>
            annotationsOf(
              inner,
              member,
              { at: joinPointer(site.at, key), way: site.way + rule.step(key, i) },
              run,
              into,
            ),
          );
    }
  } else if (rule.kind === 'whole' && rule.branching) {
    const { branching } = rule;
    if (branching.kind === 'choice')
      branching.nodes.forEach(
        (inner, i) => inner.accepts(value, run) && annotationsOf(inner, value, at(`/${rule.keyword}/${i}`), run, into),
      );
    else if (branching.kind === 'if') {
      const holds = branching.test.accepts(value, run);
      if (holds) annotationsOf(branching.test, value, at('/if'), run, into);
      const next = holds ? branching.yes : branching.no;
      if (next) annotationsOf(next, value, at(holds ? '/then' : '/else'), run, into);
    } else
      for (const [name, inner] of branching.entries)
        if (ownMember(value, name) !== undefined)
          annotationsOf(inner, value, at(joinPointer(`/${rule.keyword}`, name)), run, into);
  }
}
