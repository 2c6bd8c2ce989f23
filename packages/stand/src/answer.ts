/** A process that is given one task on its input and answers with one line on its output. */
export function answerOnce(work: (task: unknown) => string): void {
  // What a package prints must not be taken for the answer.
  for (const level of ['log', 'info', 'debug', 'warn', 'error'] as const) console[level] = () => undefined;
  let text = '';
  process.stdin.setEncoding('utf8');
  process.stdin.on('data', (piece: string) => (text += piece));
  process.stdin.on('end', () => {
    let answer: object;
    try {
      answer = { html: work(JSON.parse(text)) };
    } catch (error) {
      answer = { failed: error instanceof Error ? error.message : String(error) };
    }
    // A package may hold the process open; it has said all that is asked of it.
    process.stdout.write(`\n${JSON.stringify(answer)}\n`, () => process.exit(0));
  });
}
