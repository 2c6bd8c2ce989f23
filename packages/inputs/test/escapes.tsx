/** Components that would like to do more than be drawn; for the tests of the process that draws. */
declare const require: (name: string) => Record<string, (...args: unknown[]) => unknown>;

const attempt = (act: () => unknown): string => {
  try {
    const got = act();
    return got === undefined || got === 0 ? 'no' : `got ${typeof got}`;
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
};

export function Escapes() {
  const all = {
    fetch: attempt(() => (globalThis as { fetch?: unknown }).fetch),
    net: attempt(() => require('net')['connect']?.(80) ?? undefined),
    child: attempt(() => require('child_process')['execSync']?.('id') ?? undefined),
    binding: attempt(() => (process as unknown as { binding(name: string): unknown }).binding('tcp_wrap')),
    kill: attempt(() => process.kill(process.ppid, 0)),
    parent: attempt(() => process.ppid),
    files: attempt(() => require('fs')['readFileSync']?.('/etc/hostname') ?? undefined),
  };
  return <output>{JSON.stringify(all)}</output>;
}

export function Hungry() {
  const kept: Buffer[] = [];
  for (;;) kept.push(Buffer.alloc(50_000_000, kept.length + 1));
}

export function Forger() {
  process.on('exit', () => process.stdout.write('\n{"html":{"toString":"boom"}}\n'));
  return null;
}
