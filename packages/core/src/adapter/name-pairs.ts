/**
 * A value and its report that share a name of their own: `mark` and `onMark`, `rating` and `onRatingChange`. Where the
 * type of an argument is that of the property, the two belong together, whatever the name means.
 */
import type { DeclaredProperty } from './face.js';

/** What shares a name with its report and is no value: what is open, shown, moved or looked for, and in which order. */
const noValues = new RegExp(
  `^(${`
  default is has show hide open(?:ed)? close[dr]? visible expand(?:ed|able)? collaps(?:e|ed|ible) hover(?:ed)?
  focus(?:ed)? active current pages? sort(?:ed|ing)? order filters? search query input zoom view layout size width
  height scroll load(?:ed|ing)? mount(?:ed)? ready modes? theme steps? tabs? index offset position drag(?:ged|ging)?
  drop columns? rows? select(?:ion)?Mode enter exit leave appear animat(?:e|ed|ion) transition error ok cancel
`
    .trim()
    .split(/\s+/)
    .join('|')})(?![a-z])`,
);

/** A value, and the report that is called after it. */
export interface NamePair {
  readonly value: DeclaredProperty;
  readonly report: DeclaredProperty;
  /** Which argument of the report is the value. */
  readonly index: number;
}

/** The first value with a report of its name, among the properties that a package declares itself. */
export function namePairIn(properties: readonly DeclaredProperty[]): NamePair | undefined {
  for (const value of properties) {
    if (value.args || value.inherited || value.deprecated || noValues.test(value.name)) continue;
    const reports = reportsOf(value.name);
    for (const report of properties) {
      const index = reports.test(report.name)
        ? (report.args ?? []).findIndex(({ type }) => alike(type, value.type))
        : -1;
      if (index >= 0) return { value, report, index };
    }
  }
  return undefined;
}

/** The names that a report of a value of this name may have. */
function reportsOf(name: string): RegExp {
  const own = name.replace(/[^\w]/g, '');
  return new RegExp(
    `^(on|set|handle)?${own}(s?Chang(e|ed)|Set|Update|Updated|Select|Selected)?$|^on(Change|Set|Update|Select)${own}$`,
    'i',
  );
}

const bare = (type: string): string =>
  type
    .replace(/\s*\|\s*(undefined|null)\b/g, '')
    .replace(/\b(undefined|null)\s*\|\s*/g, '')
    .trim();
/** Whether two types are the same but for nothing being among them; what may be anything speaks for nothing. */
export function alike(a: string, b: string): boolean {
  return bare(a) === bare(b);
}
