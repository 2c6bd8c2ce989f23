import { guarded, makeCodec, runCase, type CodecDescription } from '@poietra/core';

/** How many cases of a codec fail; nothing is said of code, which runs on its own page. */
export type Failing = Readonly<Record<string, number>>;

/** Runs the cases of all codecs of a kit. They are foreign: whatever they do, they do it away from the page. */
export const caseCheck = {
  failing(codecs: Readonly<Record<string, CodecDescription>>): Failing {
    return Object.fromEntries(
      Object.entries(codecs)
        .filter(([, { kind }]) => kind !== 'code')
        .map(([name, codec]) => [name, (codec.cases ?? []).filter((row) => !passes(codec, row)).length]),
    );
  },
};
export type CaseCheck = typeof caseCheck;

function passes(codec: CodecDescription, row: Parameters<typeof runCase>[1]): boolean {
  try {
    return runCase(
      guarded(() => makeCodec(codec)),
      row,
    ).passed;
  } catch {
    return false;
  }
}
