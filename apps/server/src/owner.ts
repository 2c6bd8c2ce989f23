/** Who is at the other end of a connection within this machine. */
import { readFileSync } from 'node:fs';
import type { Socket } from 'node:net';

const judged = new WeakMap<Socket, boolean>();

/** Whether a socket's other end belongs to another user; a connection is looked up once. Root may anything anyway. */
export function isOfAnother(socket: Socket): boolean {
  let isForeign = judged.get(socket);
  if (isForeign === undefined) {
    const user = userOf(tables(), socket.remotePort ?? 0, socket.localPort ?? 0);
    isForeign = user !== undefined && user !== 0 && user !== process.getuid?.();
    judged.set(socket, isForeign);
  }
  return isForeign;
}

/**
 * The user whose socket leads from one port of this machine to another, by the kernel's table of connections
 * (`proc_pid_net(5)`: local address, remote address, …, uid, each port in hexadecimal). None where it is not listed.
 */
export function userOf(table: string, from: number, to: number): number | undefined {
  const port = (wanted: number): string => `:${wanted.toString(16).toUpperCase().padStart(4, '0')}`;
  const [own, far] = [port(from), port(to)];
  for (const line of table.split('\n')) {
    const [, local, remote, , , , , uid] = line.trim().split(/\s+/);
    if (local?.endsWith(own) && remote?.endsWith(far)) return Number(uid);
  }
  return undefined;
}

/** Only Linux has these; elsewhere nothing is known, and so nobody is turned away. */
function tables(): string {
  return ['/proc/net/tcp', '/proc/net/tcp6']
    .map((path) => {
      try {
        return readFileSync(path, 'utf8');
      } catch {
        return '';
      }
    })
    .join('\n');
}
