import { makeCodec, type CodecDescription } from '@poietra/core';
import { expose } from 'comlink';
import { searchLaws, type LawResult } from './law-search.js';

export const lawWork = {
  search(
    description: CodecDescription,
    wanted: number,
    seed: number,
    tell: (result: LawResult) => void,
  ): Promise<void> {
    return searchLaws(makeCodec(description), description.cases ?? [], { wanted, seed }, tell);
  },
};
export type LawWork = typeof lawWork;
expose(lawWork);
