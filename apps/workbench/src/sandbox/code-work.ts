/** What runs in the worker of a codec's code: it is given cases or laws, and answers. It can reach nothing. */
import { codecFromCode, runCase, type Case, type CaseResult, type CodecCode } from '@poietra/core';
import { passedNoted } from './passed.js';
import { searchLaws, type LawResult } from '../workers/law-search.js';

export type CodeTask =
  | { readonly kind: 'cases'; readonly id: number; readonly rows: readonly Case[] }
  | {
      readonly kind: 'laws';
      readonly id: number;
      readonly rows: readonly Case[];
      readonly wanted: number;
      readonly seed: number;
    };
export type CodeAnswer =
  | { readonly kind: 'case'; readonly id: number; readonly index: number; readonly result: CaseResult }
  | { readonly kind: 'law'; readonly id: number; readonly result: LawResult }
  | { readonly kind: 'done'; readonly id: number }
  | { readonly kind: 'failed'; readonly id: number; readonly message: string };

/** The code's own script calls it, as the second one that the worker runs. */
Object.assign(self, { startCode });

function startCode(code: CodecCode): void {
  const tell = (answer: CodeAnswer): void => self.postMessage(passedNoted(answer));
  self.addEventListener('message', ({ data }: MessageEvent<CodeTask>) => {
    void work(data);
  });
  const work = async (task: CodeTask): Promise<void> => {
    const { id } = task;
    try {
      if (task.kind === 'cases')
        task.rows.forEach((row, index) => tell({ kind: 'case', id, index, result: runCase(codecFromCode(code), row) }));
      else
        await searchLaws(codecFromCode(code, { faults: true }), task.rows, task, (result) =>
          tell({ kind: 'law', id, result }),
        );
      tell({ kind: 'done', id });
    } catch (error) {
      tell({ kind: 'failed', id, message: error instanceof Error ? error.message : String(error) });
    }
  };
  self.postMessage(passedNoted({ kind: 'ready' }));
}
