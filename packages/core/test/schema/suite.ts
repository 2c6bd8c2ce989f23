/** The official JSON Schema test suite, as Debian packs it. */
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';

export const home = '/usr/share/perl5/auto/share/dist/Test-JSON-Schema-Acceptance';
export const drafts = [
  ['draft4', 'http://json-schema.org/draft-04/schema'],
  ['draft6', 'http://json-schema.org/draft-06/schema'],
  ['draft7', 'http://json-schema.org/draft-07/schema'],
  ['draft2019-09', 'https://json-schema.org/draft/2019-09/schema'],
  ['draft2020-12', 'https://json-schema.org/draft/2020-12/schema'],
] as const;

export interface Group {
  readonly description: string;
  readonly schema: unknown;
  readonly tests: readonly { readonly description: string; readonly data: unknown; readonly valid: boolean }[];
}

export function files(folder: string): string[] {
  return readdirSync(folder)
    .sort()
    .flatMap((name) => {
      const path = join(folder, name);
      return statSync(path).isDirectory() ? files(path) : name.endsWith('.json') ? [path] : [];
    });
}
export const read = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8'));

const remotes = join(home, 'remotes');
/** The documents that its schemas refer to, by their addresses. */
export const documents: Readonly<Record<string, unknown>> = Object.fromEntries(
  (existsSync(home) ? files(remotes) : []).map((path) => [
    `http://localhost:1234/${relative(remotes, path)}`,
    read(path),
  ]),
);
