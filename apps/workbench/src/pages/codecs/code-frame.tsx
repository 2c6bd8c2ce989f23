import { useEffect, useRef, type ReactNode } from 'react';
import { codeAnswer } from '../../sandbox/checked.js';
import { readNoted } from '../../sandbox/passed.js';
import type { CodeAnswer, CodeTask } from '../../sandbox/code-work.js';
import { ask } from '../../store/ask.js';
import { useServed } from '../../parts/use-served.js';

/** Runs a task on the code; every answer is told until the last one. What is given back stops listening. */
export type RunCode = (task: TaskWithoutId, tell: (answer: CodeAnswer) => void) => () => void;
type TaskWithoutId = CodeTask extends infer Task ? (Task extends CodeTask ? Omit<Task, 'id'> : never) : never;

interface Props {
  readonly source: string;
  /** Called when the code can be run, anew for each new code. */
  onReady(run: RunCode): void;
  /** Why it cannot be. */
  onTrouble(reason: string | undefined): void;
}

/** The code of a codec, in a worker inside a frame without origin. It is checked and stripped of its types by the server. */
export function CodeFrame({ source, onReady, onTrouble }: Props): ReactNode {
  const handlers = useRef({ onReady, onTrouble });
  useEffect(() => {
    handlers.current = { onReady, onTrouble };
  });
  const served = useServed(source, async () => {
    const { key } = (await ask('/api/codec', { method: 'POST', json: { source } })) as { key: string };
    return `/stand/code-frame/${key}`;
  });
  useEffect(() => handlers.current.onTrouble(served.trouble), [served.trouble]);
  const frame = useRef<HTMLIFrameElement>(null);
  useEffect(() => {
    const waiting = new Map<number, (answer: CodeAnswer) => void>();
    let next = 0;
    const run: RunCode = (task, tell) => {
      const id = next++;
      waiting.set(id, tell);
      frame.current?.contentWindow?.postMessage({ ...task, id }, '*');
      return () => void waiting.delete(id);
    };
    const listen = ({ source: from, data }: MessageEvent<unknown>): void => {
      if (from !== frame.current?.contentWindow) return;
      const told = readNoted(data);
      const read = 'message' in told ? codeAnswer.safeParse(told.message) : undefined;
      if (!read?.success) return;
      const answer = read.data;
      if (answer.kind === 'ready') handlers.current.onReady(run);
      else waiting.get(answer.id)?.(answer);
    };
    window.addEventListener('message', listen);
    return () => window.removeEventListener('message', listen);
  }, [served.value]);
  return served.value === undefined ? null : (
    <iframe
      key={served.value}
      ref={frame}
      title="Code of the codec"
      src={served.value}
      sandbox="allow-scripts"
      hidden
    />
  );
}
