/**
 * Which folders the workbench may open. What it opens is read, bundled and run in frames, so a page cannot choose any: what
 * lies in the home folder, or below a folder that was named at the start, is opened; for any other the terminal asks.
 */
import { realpathSync } from 'node:fs';
import { isAbsolute, relative } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { Refusal } from './problem.js';

/** Asks whoever started the server; undefined where nobody can be asked. */
export type AskTerminal = (question: string) => Promise<string | undefined>;

/** In ms: a question that nobody answers is answered with no. */
const patience = 60_000;

export class Permit {
  readonly #given = new Set<string>();
  #last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly roots: readonly string[],
    private readonly ask: AskTerminal = askTerminal,
  ) {}

  /** @throws {Refusal} where the folder may not be opened; one question is asked at a time. */
  async check(folder: string): Promise<void> {
    const asked = this.#last.then(() => this.#check(folder));
    this.#last = asked.catch(() => undefined);
    return asked;
  }

  async #check(folder: string): Promise<void> {
    // A link may lead anywhere.
    const real = realpathSync(folder);
    if (this.roots.some((root) => isBelow(realOf(root), real)) || this.#given.has(real)) return;
    // A name may hold what moves the cursor of a terminal, and with it what seems to be asked.
    const name = real.replace(/[^\x20-\x7e\u00a1-\uffff]/g, '?');
    const answer = await this.ask(
      `The workbench asks to open ${name}, which is outside your home folder. What it opens is read and run in frames. Open it? (y/N) `,
    );
    if (answer === undefined)
      throw new Refusal(
        403,
        'The folder is outside your home folder',
        'Nobody can be asked on the terminal. Start Poietra on it (npm start -- --project FOLDER), or name it at the start: POIETRA_FOLDERS=FOLDER npm start.',
      );
    if (!/^y(es)?$/i.test(answer.trim()))
      throw new Refusal(403, 'The folder is outside your home folder', 'The terminal was asked, and did not say yes.');
    this.#given.add(real);
  }
}

const realOf = (root: string): string => {
  try {
    return realpathSync(root);
  } catch {
    return root;
  }
};
function isBelow(root: string, folder: string): boolean {
  const way = relative(root, folder);
  return way === '' || (!isAbsolute(way) && way.split(/[\\/]/)[0] !== '..');
}

async function askTerminal(question: string): Promise<string | undefined> {
  if (!process.stdin.isTTY || !process.stdout.isTTY) return undefined;
  const terminal = createInterface({ input: process.stdin, output: process.stdout });
  try {
    return await terminal.question(question, { signal: AbortSignal.timeout(patience) });
  } catch {
    process.stdout.write('\n');
    return '';
  } finally {
    terminal.close();
  }
}
