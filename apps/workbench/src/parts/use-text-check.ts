import { kitDocuments } from '@poietra/core';
import { wrap, type Remote } from 'comlink';
import { useEffect, useRef } from 'react';
import { useKit } from '../store/kit.js';
import type { TextCheck, TextVerdict } from '../workers/text-check.js';

export type TextKind = 'schema' | 'hints' | 'json';

const startWorker = (): Worker =>
  new Worker(new URL('../workers/text-check-worker.ts', import.meta.url), { type: 'module' });

async function verdictOn(remote: Remote<TextCheck>, text: string, is: TextKind): Promise<TextVerdict> {
  const { kit } = useKit.getState();
  return is === 'schema'
    ? remote.schema(text, kitDocuments(kit))
    : is === 'hints'
      ? remote.hints(text, kit.hints ?? {})
      : remote.json(text);
}

/** What is wrong with a text that nobody looks at any more: asked in a worker of its own, which then ends. */
export async function checkOnce(text: string, is: TextKind): Promise<TextVerdict> {
  const worker = startWorker();
  try {
    return await verdictOn(wrap<TextCheck>(worker), text, is);
  } finally {
    worker.terminate();
  }
}

/** Asks the worker what is wrong with a text; the answer to one that is not the latest any more is `undefined`. */
export function useTextCheck(): (text: string, is: TextKind) => Promise<TextVerdict | undefined> {
  const own = useRef<{ readonly worker: Worker; readonly remote: Remote<TextCheck> }>(undefined);
  const round = useRef(0);
  useEffect(
    () => () => {
      own.current?.worker.terminate();
      own.current = undefined;
    },
    [],
  );
  return async (text, is) => {
    const mine = ++round.current;
    if (!own.current) {
      const worker = startWorker();
      own.current = { worker, remote: wrap<TextCheck>(worker) };
    }
    const { remote } = own.current;
    const verdict = await verdictOn(remote, text, is);
    return mine === round.current ? verdict : undefined;
  };
}
