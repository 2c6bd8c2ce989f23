/** The codecs of a foreign kit: what their options are, by the schema of each, before anything is made of them. */
import { builtIn, type CodecDescription } from '../codec/index.js';
import { formatPointer, nearest } from '../json/index.js';
import { compileSchema, type CompiledSchema } from '../schema/index.js';
import type { KitProblem } from './problem.js';

const answers = (ask: () => unknown): boolean => {
  try {
    ask();
    return true;
  } catch {
    return false;
  }
};
/** What only the platform knows. */
const formats = {
  'language-tag': (tag: string) => answers(() => Intl.getCanonicalLocales(tag)) && tag !== '',
  'time-zone': (zone: string) => answers(() => new Intl.DateTimeFormat('en', { timeZone: zone })),
};
const compiled = new Map<string, CompiledSchema>();
function schemaOf(kind: string): CompiledSchema {
  let schema = compiled.get(kind);
  if (!schema) {
    const properties = builtIn[kind]?.options ?? {};
    schema = compileSchema({ type: 'object', properties }, { assertFormats: true, formats });
    compiled.set(kind, schema);
  }
  return schema;
}

/** What is wrong with the options of codecs: values that the codec cannot be made with, and names that it does not know. */
export function codecProblems(codecs: Readonly<Record<string, CodecDescription>>): KitProblem[] {
  return Object.entries(codecs).flatMap(([name, { kind, options = {} }]): KitProblem[] => {
    if (!Object.hasOwn(builtIn, kind)) return [];
    const at = formatPointer(['codecs', name, 'options']);
    const known = Object.keys(builtIn[kind]?.options ?? {});
    const unknown = Object.keys(options).filter((option) => !known.includes(option));
    return [
      ...schemaOf(kind)
        .validate(options)
        .problems.map((problem) => ({ at: at + problem.at, message: problem.message })),
      ...unknown.map((option) => ({
        at: `${at}${formatPointer([option])}`,
        message: `A codec of the kind “${kind}” has no option “${option}”${nearest(option, known)}`,
      })),
    ];
  });
}
