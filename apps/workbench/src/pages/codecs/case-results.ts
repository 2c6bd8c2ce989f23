import { guarded, makeCodec, runCase, type Case, type CaseResult, type CodecDescription } from '@poietra/core';
import { useEffect, useMemo, useState } from 'react';
import type { RunCode } from './code-frame.js';

export interface CaseResults {
  /** One for each row; missing while it has not come yet. */
  readonly results: readonly (CaseResult | undefined)[];
  readonly trouble?: string | undefined;
}

/** What becomes of rows: at once for built-in codecs, and when the worker has answered for code. */
export function useCaseResults(codec: CodecDescription, rows: readonly Case[], run: RunCode | undefined): CaseResults {
  const isCode = codec.kind === 'code';
  const direct = useMemo(() => {
    if (isCode) return undefined;
    const made = guarded(() => makeCodec(codec));
    return rows.map((row) => runCase(made, row));
  }, [isCode, codec, rows]);
  const [told, setTold] = useState<CaseResults>({ results: [] });
  useEffect(() => {
    if (!isCode || !run) return undefined;
    const results: (CaseResult | undefined)[] = [];
    return run({ kind: 'cases', rows }, (answer) => {
      if (answer.kind === 'case') results[answer.index] = answer.result;
      else if (answer.kind === 'done') setTold({ results });
      else if (answer.kind === 'failed')
        setTold({
          results,
          trouble: `Case ${results.length === 0 ? 'on the value line' : results.length}: ${answer.message}`,
        });
    });
  }, [isCode, run, rows]);
  return direct ? { results: direct } : told;
}
