import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { fromFrame, type FromFrame } from '../stand/checked.js';
import type { ToFrame } from '../stand/messages.js';
import { ask } from '../store/ask.js';
import { useKit } from '../store/kit.js';
import { useView } from '../store/view.js';
import { Busy, Failed } from './states.js';

export type Post = (message: ToFrame) => void;
interface Props {
  readonly title: string;
  /** The inputs to be bundled, by id. */
  readonly inputs: readonly string[];
  readonly minHeight?: number;
  /** Called when the frame can listen. */
  onReady(post: Post): void;
  onMessage(message: FromFrame): void;
}

/**
 * A frame without origin that runs foreign inputs. It can reach neither storage nor server; messages are all that passes,
 * and each one is checked on its way out.
 */
export function StandFrame({ title, inputs, minHeight = 120, onReady, onMessage }: Props): ReactNode {
  const wanted = inputs.map((id) => `input=${encodeURIComponent(id)}`).join('&');
  const [opened, setOpened] = useState<{ readonly wanted: string; readonly src?: string; readonly trouble?: string }>();
  const [height, setHeight] = useState(minHeight);
  const frame = useRef<HTMLIFrameElement>(null);
  const theme = useView((view) => view.theme);
  const [isReady, setReady] = useState(false);
  const handlers = useRef({ onReady, onMessage });
  useEffect(() => {
    handlers.current = { onReady, onMessage };
  });

  useEffect(() => {
    let isCurrent = true;
    setReady(false);
    ask(`/api/stand?${wanted}`).then(
      (answer) => isCurrent && setOpened({ wanted, src: (answer as { frame: string }).frame }),
      (error: unknown) =>
        isCurrent && setOpened({ wanted, trouble: error instanceof Error ? error.message : String(error) }),
    );
    return () => {
      isCurrent = false;
    };
  }, [wanted]);

  const post = useCallback<Post>((message) => frame.current?.contentWindow?.postMessage(message, '*'), []);
  useEffect(() => {
    const listen = (event: MessageEvent<unknown>): void => {
      if (event.source !== frame.current?.contentWindow) return;
      const read = fromFrame.safeParse(event.data);
      if (!read.success) return;
      const message = read.data;
      if (message.kind === 'height') setHeight(Math.max(minHeight, message.height));
      else if (message.kind === 'key') shortcut(message);
      else if (message.kind === 'ready') {
        setReady(true);
        handlers.current.onReady(post);
      }
      handlers.current.onMessage(message);
    };
    window.addEventListener('message', listen);
    return () => window.removeEventListener('message', listen);
  }, [post, minHeight]);
  useEffect(() => {
    if (isReady) post({ kind: 'theme', theme });
  }, [isReady, theme, post]);

  if (!opened || opened.wanted !== wanted) return <Busy>Bundling from the project’s own packages …</Busy>;
  if (opened.trouble !== undefined) return <Failed title="The stand does not open" message={opened.trouble} />;
  return (
    <iframe
      ref={frame}
      title={title}
      src={opened.src}
      sandbox="allow-scripts"
      className="block w-full border-0 bg-sheet"
      style={{ height }}
    />
  );
}

/** Shortcuts work wherever the focus is, also inside the frame. */
function shortcut({ key, shift }: Extract<FromFrame, { kind: 'key' }>): void {
  const { undo, redo } = useKit.getState();
  if (key === 'k') useView.getState().setPalette(true);
  else if (key === 'y' || (key === 'z' && shift)) redo();
  else if (key === 'z') undo();
}
