import type { CodecDescription } from '@poietra/core';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { isCalm } from '../frame/calm.js';
import { useKit } from '../store/kit.js';
import type { CaseCheck, Failing } from '../workers/case-check.js';

/** Longer than the cases of any kit should take; then they are given up, and nothing is said of them. In milliseconds. */
const patience = 10_000;

/** One answer for all who ask about the same codecs. */
let last: { readonly codecs: object; readonly answer: Promise<Failing | undefined> } | undefined;

async function check(codecs: Readonly<Record<string, CodecDescription>>): Promise<Failing | undefined> {
  const worker = new Worker(new URL('../workers/case-worker.ts', import.meta.url), { type: 'module' });
  const late = new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), patience));
  try {
    return await Promise.race([wrap<CaseCheck>(worker).failing(codecs), late]);
  } catch {
    return undefined;
  } finally {
    worker.terminate();
  }
}

/** How many cases fail, by codec; `undefined` until it is known, or where it cannot be told. */
export function useFailing(): Failing | undefined {
  const codecs = useKit(({ kit }) => kit.codecs);
  const [failing, setFailing] = useState<Failing>();
  useEffect(() => {
    if (isCalm()) return undefined;
    let isCurrent = true;
    // While somebody types, only what stands at last is worth asking.
    const timer = setTimeout(() => {
      if (last?.codecs !== codecs) last = { codecs, answer: check(codecs) };
      void last.answer.then((answer) => isCurrent && setFailing(answer));
    }, 200);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [codecs]);
  return failing;
}
