/** A form as its application has it: written out, and read back as a module. Tests do not run as modules. */
import * as parts from '../src/written/index.js';
import { writeForm, type FormToWrite } from '../src/index.js';

export function writtenText(form: Omit<FormToWrite, 'file' | 'rules'> & Partial<Pick<FormToWrite, 'rules'>>): string {
  const written = writeForm({ file: './form.schema.json', rules: {}, ...form });
  if (!('text' in written)) throw new Error(written.reason);
  return written.text;
}

/** `fetched` gives the schema when it is asked for. */
export function loadWritten(text: string, fetched: () => Promise<unknown>): parts.WrittenForm {
  const source = text
    .replace(/^import \{ (.*) \} from '@poietra\/core\/written';$/m, 'const { $1 } = parts;')
    .replace('export const written =', 'return')
    .replace(/async \(\) => \(await import\(.*\)\)\.default/, 'fetched');
  // eslint-disable-next-line no-new-func, @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call
  return new Function('parts', 'fetched', source)(parts, fetched) as parts.WrittenForm;
}
