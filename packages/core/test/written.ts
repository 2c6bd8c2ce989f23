/** A form as its application has it: written out, and read back as a module. Tests do not run as modules. */
import * as checking from '../src/written/checks.js';
import * as parts from '../src/written/index.js';
import * as whole from '../src/written/whole.js';
import { writeForm, type FormToWrite, type FormWritten } from '../src/handover/index.js';
import type { WrittenChecks } from '../src/written/nodes.js';

type Source = Omit<FormToWrite, 'file' | 'rules'> & Partial<Pick<FormToWrite, 'rules'>>;

function formWritten(form: Source): FormWritten {
  const written = writeForm({ file: './form.schema.json', rules: {}, ...form });
  if (!('text' in written)) throw new Error(written.reason);
  return written;
}
export const writtenText = (form: Source): string => formWritten(form).text;

/** `fetched` gives the schema when it is asked for. */
export function loadWritten(text: string, fetched: () => Promise<unknown>): parts.WrittenForm {
  const source = text
    .replace(/^import \{ (.*) \} from '@poietra\/core\/written';$/m, 'const { $1 } = parts;')
    .replace(/^import \{ (.*) \} from '@poietra\/core\/written\/whole';$/m, 'const { $1 } = whole;')
    .replace('export const written =', 'return')
    .replace(/async \(\) => \(await import\(.*\)\)\.(default|checks\(\))/, 'fetched');
  // eslint-disable-next-line no-new-func, @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call
  return new Function('parts', 'whole', 'fetched', source)(parts, whole, fetched) as parts.WrittenForm;
}

/** A form with what checks its values put together ahead, as a hand-over has it; that comes when `arrived` does. */
export function loadWithChecks(form: Source, arrived: Promise<void>): parts.WrittenForm {
  const { text, checks } = formWritten({ ...form, checks: './form.checks.js' });
  if (checks === undefined) return loadWritten(text, () => arrived.then(() => structuredClone(form.schema)));
  const source = checks
    .replace(/^import \{ (.*) \} from '@poietra\/core\/written\/checks';$/m, 'const { $1 } = checking;')
    .replace(/^import schema .*$/m, '')
    .replace('export const checks =', 'return');
  // eslint-disable-next-line no-new-func, @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call
  const made = new Function('checking', 'schema', source)(
    checking,
    structuredClone(form.schema),
  ) as () => WrittenChecks;
  return loadWritten(text, () => arrived.then(made));
}
