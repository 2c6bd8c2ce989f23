import type { FormDescription, Snapshot } from '@poietra/core';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { askTagged, recordsAddress } from '../../store/ask.js';
import { draftOf } from '../../store/drafts.js';

/** What a proof opens with: the record as it was loaded, and what was typed before. */
export interface Beginning {
  readonly id: string;
  readonly values?: unknown;
  /** Of the record as it was loaded. */
  readonly tag?: string | undefined;
  readonly restore?: Snapshot;
  readonly trouble?: string;
}
/** Fetches it, once for each opening (`id`, `round`); `tag` is that of the record, until it is replaced. */
export function useBeginning(
  id: string,
  sends: FormDescription['send'],
  record: string | undefined,
  round: number,
): { readonly beginning: Beginning | undefined; readonly tag: RefObject<string | undefined> } {
  const [beginning, setBeginning] = useState<Beginning>();
  const tag = useRef<string>(undefined);
  useEffect(() => {
    let isCurrent = true;
    const start = async (): Promise<Beginning> => {
      const restore = await draftOf(id);
      const address = record === undefined ? undefined : recordsAddress(sends, record);
      try {
        const loaded = address === undefined ? undefined : await askTagged(address);
        const values = loaded?.answer;
        return { id, tag: loaded?.tag, ...(values === undefined ? {} : { values }), ...(restore ? { restore } : {}) };
      } catch (error) {
        return { id, trouble: error instanceof Error ? error.message : String(error) };
      }
    };
    void start().then((next) => {
      if (!isCurrent) return;
      tag.current = next.tag;
      setBeginning(next);
    });
    return () => {
      isCurrent = false;
    };
    // The record is fetched once for each opening, not whenever the form's description changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, round]);

  return { beginning, tag };
}
