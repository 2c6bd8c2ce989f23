import { handOver, type HandoverFile, type Kit, type OwnSources } from '@poietra/core';
import { expose } from 'comlink';
import { strToU8, zipSync } from 'fflate';
import * as estree from 'prettier/plugins/estree';
import * as typescript from 'prettier/plugins/typescript';
import { format } from 'prettier/standalone';

let sources: Promise<OwnSources> | undefined;
/** Fetched when it is first asked for, and again where that failed. */
function ownSources(): Promise<OwnSources> {
  sources ??= fetch('/api/own-sources').then((response) => {
    if (!response.ok) throw new Error('The source of the libraries cannot be had; is the server built?');
    return response.json() as Promise<OwnSources>;
  });
  sources.catch(() => (sources = undefined));
  return sources;
}

/** Writes and formats the source, and packs it: work of seconds for a large kit, so it is not done on the page. */
export const handOverWork = {
  async files(kit: Kit, tell: (done: number, total: number) => void): Promise<HandoverFile[]> {
    const own = kit.standsAlone ? await ownSources() : undefined;
    const files = handOver(kit, { own });
    const formatted: HandoverFile[] = [];
    for (const [i, file] of files.entries()) {
      // What came along of the libraries is formatted already.
      const isSource = /\.tsx?$/.test(file.path) && !file.path.startsWith('own/');
      const text = isSource
        ? await format(file.text, {
            parser: 'typescript',
            plugins: [typescript, estree],
            singleQuote: true,
            printWidth: 100,
          })
        : file.text;
      formatted.push({ ...file, text });
      tell(i + 1, files.length);
    }
    return formatted;
  },
  zip(files: readonly HandoverFile[]): Uint8Array<ArrayBuffer> {
    return zipSync(Object.fromEntries(files.map(({ path, text }) => [path, strToU8(text)])));
  },
};
export type HandOverWork = typeof handOverWork;
expose(handOverWork);
