import type { Kit } from '@poietra/core';
import { handOver, type HandoverFile, type OwnSources } from '@poietra/core/handover';
import { expose } from 'comlink';
import { strToU8, zipSync } from 'fflate';
import * as estree from 'prettier/plugins/estree';
import * as typescript from 'prettier/plugins/typescript';
import { format } from 'prettier/standalone';

/** Writes and formats the source, and packs it: work of seconds for a large kit, so it is not done on the page. */
export const handOverWork = {
  /** @param own The source of the libraries, for a kit that stands on its own. */
  async files(
    kit: Kit,
    own: OwnSources | undefined,
    tell: (done: number, total: number) => void,
  ): Promise<HandoverFile[]> {
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
