/** A process that is given one task on its input and answers with one line on its output. */
export function answerOnce(work: (task: unknown) => string | Promise<string>): void {
  // What a package prints must not be taken for the answer.
  for (const level of ['log', 'info', 'debug', 'warn', 'error'] as const) console[level] = () => undefined;
  let text = '';
  process.stdin.setEncoding('utf8');
  process.stdin.on('data', (piece: string) => (text += piece));
  const answer = async (): Promise<object> => {
    try {
      return { html: await work(JSON.parse(text)) };
    } catch (error) {
      return { failed: error instanceof Error ? error.message : String(error) };
    }
  };
  process.stdin.on('end', () => {
    void answer().then((said) =>
      // A package may hold the process open; it has said all that is asked of it.
      process.stdout.write(`\n${JSON.stringify(said)}\n`, () => process.exit(0)),
    );
  });
}
