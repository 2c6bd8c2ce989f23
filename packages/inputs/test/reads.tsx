import { readFileSync } from 'node:fs';

/** An input that tries to read what is none of its business. */
export function Reads(): string {
  return readFileSync('/etc/hostname', 'utf8');
}
