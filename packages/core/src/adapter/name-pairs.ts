/**
 * A value and its report that share a name of their own: `mark` and `onMark`, `rating` and `onRatingChange`. Where the
 * type of an argument is that of the property, the two belong together, whatever the name means.
 */
import type { DeclaredProperty } from './face.js';

/** What shares a name with its report and is none of the values: what is open, shown or looked for, and in which order. */
const noValues =
  /^(default|is|has|show|hide|open|opened|visible|expand|collaps|hover|focus|active|current|page|sort|order|filter|search|query|input|zoom|view|layout|size|width|height|scroll|loading|mounted|ready|mode|theme|step|tab|index|offset|position|drag|drop|column|row|select(ion)?Mode|enter|exit|leave|appear|mount|animat|transition|close|load|error|ready|ok|cancel)/i;

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
