import type { ToProver } from '@poietra/stand';
import { useEffect, useRef, type ReactNode } from 'react';
import { fromProver, type FromProver } from '../sandbox/checked.js';
import { readPassed } from '../sandbox/passed.js';
import { ask } from '../store/ask.js';
import { giveSecret, noSecretYet } from './frame-secret.js';
import { useFrameSource } from './frame-source.js';
import { useTyping } from './use-typing.js';

interface Props {
  readonly title: string;
  readonly inputs: readonly string[];
  readonly wrappers?: readonly string[] | undefined;
  /** What it has to do, as soon as it can. */
  readonly task: ToProver;
  onMessage(message: FromProver): void;
  /** It cannot be bundled, or (`silent`) does not answer any more. */
  onLost(reason: string, how: 'broken' | 'silent'): void;
}

/** What the server draws of it, or why it could not. */
async function drawnByServer(
  { inputs, wrappers = [] }: { readonly inputs: readonly string[]; readonly wrappers?: readonly string[] | undefined },
  task: object,
): Promise<object> {
  try {
    return (await ask('/api/render', { method: 'POST', json: { what: 'input', inputs, wrappers, task } })) as object;
  } catch (error) {
    return { failed: error instanceof Error ? error.message : String(error) };
  }
}

/** Longer than any single check takes. In milliseconds. */
const patience = 15_000;

/** Trying takes the focus, so it waits while a person writes; what it had begun is begun anew. */
export function ProverFrame(props: Props): ReactNode {
  return useTyping() ? (
    <p className="p-4 text-ink-2">
      This takes the focus, so it waits while you write. It goes on when you leave the text box.
    </p>
  ) : (
    <TryingFrame {...props} />
  );
}

/** A frame in which an input is tried or proved. It stands where it can be seen: what is out of sight is not drawn. */
function TryingFrame({ title, inputs, wrappers, task, onMessage, onLost }: Props): ReactNode {
  const { src, trouble } = useFrameSource({ inputs, purpose: 'prove', ...(wrappers ? { wrappers } : {}) });
  const frame = useRef<HTMLIFrameElement>(null);
  const secret = useRef(noSecretYet());
  const handlers = useRef({ task, onMessage, onLost });
  const inputsNow = useRef({ inputs, wrappers });
  useEffect(() => {
    inputsNow.current = { inputs, wrappers };
    handlers.current = { task, onMessage, onLost };
  });
  useEffect(() => {
    if (trouble !== undefined) handlers.current.onLost(trouble, 'broken');
  }, [trouble]);
  // Trying takes the focus; a person gets it back where they were.
  useEffect(() => {
    const before = document.activeElement;
    return () => {
      const isAway = document.activeElement === null || document.activeElement === document.body;
      if (before instanceof HTMLElement && before !== document.body && isAway) before.focus();
    };
  }, []);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const wait = (): void => {
      clearTimeout(timer);
      timer = setTimeout(
        () => handlers.current.onLost('The stand does not answer any more; the input may loop for ever.', 'silent'),
        patience,
      );
    };
    const listen = (event: MessageEvent<unknown>): void => {
      if (event.source !== frame.current?.contentWindow) return;
      const told = readPassed(event.data, secret.current);
      const read = 'message' in told ? fromProver.safeParse(told.message) : undefined;
      if (!read?.success) return;
      if (read.data.kind === 'not loaded') {
        handlers.current.onLost(`It cannot be loaded: ${read.data.message}`, 'broken');
        return;
      }
      wait();
      if (read.data.kind === 'prover ready') frame.current.contentWindow?.postMessage(handlers.current.task, '*');
      if (read.data.kind === 'render') {
        const { ask: number, ...task } = read.data;
        const target = frame.current;
        // While the server draws, the frame has nothing to tell.
        clearTimeout(timer);
        void drawnByServer(inputsNow.current, task).then((answer) => {
          wait();
          target.contentWindow?.postMessage({ kind: 'rendered', ask: number, ...answer }, '*');
        });
      }
      if (['proved', 'observed', 'all pushed', 'skin tried', 'prover failed'].includes(read.data.kind))
        clearTimeout(timer);
      handlers.current.onMessage(read.data);
    };
    window.addEventListener('message', listen);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('message', listen);
    };
  }, []);
  return src === undefined ? null : (
    <iframe
      ref={frame}
      title={title}
      src={src}
      onLoad={({ currentTarget }) => (secret.current = giveSecret(currentTarget))}
      sandbox="allow-scripts"
      tabIndex={-1}
      className="block h-40 w-full border border-hairline bg-sheet"
    />
  );
}
