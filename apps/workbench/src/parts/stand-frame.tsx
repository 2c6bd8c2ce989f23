import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { fromFrame, type FromFrame } from '../sandbox/checked.js';
import { meter, readPassed } from '../sandbox/passed.js';
import type { ToFrame } from '../sandbox/messages.js';
import { useKit } from '../store/kit.js';
import { useView } from '../store/view.js';
import { Button } from './button.js';
import { answered, focusTaken, pressedIn } from './focus-guard.js';
import { useFrameSource } from './frame-source.js';
import { giveSecret, noSecretYet } from './frame-secret.js';
import { Busy, Failed } from './states.js';

export type Post = (message: ToFrame) => void;
interface Props {
  readonly title: string;
  /** The inputs to be bundled, by id. */
  readonly inputs: readonly string[];
  readonly wrappers?: readonly string[] | undefined;
  /** Codecs that are code, as `name:key`. */
  readonly codecs?: readonly string[];
  readonly minHeight?: number;
  /** Other inputs are another frame: what it draws stays in sight, out of reach, until that one can be opened. */
  readonly isKept?: boolean;
  /** Called when the frame can listen. */
  onReady(post: Post): void;
  onMessage(message: FromFrame): void;
  /** The frame was taken away: it hung or flooded. */
  onLost?(): void;
  /** How much it is given to draw, as characters of JSON: what is large takes its time. Asked only while it is silent. */
  weigh?(): number;
}

/** A frame that was asked and has not answered for so long hangs. In milliseconds. */
const patience = 5000;
/** What is large is given more: so many milliseconds a character, and no more than two minutes. */
const patienceFor = (weight: number): number => patience + Math.min(120_000, weight / 4);
/** An input may ask for the focus when it is drawn; none needs it from somebody who writes. */
const mostTakings = 5;
/** Higher than any form; a frame that asks for more is shown so far. In pixels. */
const mostHeight = 100_000;

/**
 * A frame without origin that runs foreign inputs. It can reach neither storage nor server; messages are all that passes,
 * and each one is checked on its way out. One that hangs or floods is taken away.
 */
export function StandFrame({
  title,
  inputs,
  wrappers,
  codecs = [],
  minHeight = 120,
  isKept = false,
  onReady,
  onMessage,
  onLost,
  weigh,
}: Props): ReactNode {
  const { src: wanted, trouble, again } = useFrameSource({ inputs, codecs, ...(wrappers ? { wrappers } : {}) });
  const [last, setLast] = useState(wanted);
  if (wanted !== undefined && wanted !== last) setLast(wanted);
  const src = wanted ?? (isKept ? last : undefined);
  const [height, setHeight] = useState(minHeight);
  const frame = useRef<HTMLIFrameElement>(null);
  const theme = useView((view) => view.theme);
  const [isReady, setReady] = useState(false);
  const [lost, setLost] = useState<string>();
  const [notLoaded, setNotLoaded] = useState<string>();
  const handlers = useRef({ onReady, onMessage, onLost, weigh });
  useEffect(() => {
    handlers.current = { onReady, onMessage, onLost, weigh };
  });
  useEffect(() => {
    setReady(false);
    setLost(undefined);
    setNotLoaded(undefined);
  }, [src]);

  useEffect(() => {
    if (lost !== undefined) handlers.current.onLost?.();
  }, [lost]);
  const post = useCallback<Post>((message) => frame.current?.contentWindow?.postMessage(message, '*'), []);
  const secret = useRef(noSecretYet());
  const heardAt = useRef(0);
  const flood = useRef(meter());
  useEffect(() => {
    const listen = (event: MessageEvent<unknown>): void => {
      if (event.source !== frame.current?.contentWindow) return;
      const stop = (why: string | undefined): boolean => {
        if (why !== undefined) setLost(`${why}, so it was stopped.`);
        return why !== undefined;
      };
      if (stop(flood.current.heard())) return;
      const told = readPassed(event.data, secret.current);
      if ('refused' in told) return void stop(flood.current.refused());
      if (stop(flood.current.read((event.data as string).length))) return;
      const read = readFrame(told.message);
      if (!read?.success) return void stop(flood.current.refused());
      heardAt.current = performance.now();
      const message = read.data;
      if (!isByHand(message)) return;
      if (message.kind === 'pressed') {
        pressedIn(frame.current);
        return;
      }
      if (message.kind === 'answered') {
        answered(frame.current, message.number);
        return;
      }
      if (message.kind === 'not loaded') {
        setNotLoaded(`It cannot be loaded: ${message.message}`);
        return;
      }
      if (message.kind === 'height') setHeight(Math.min(mostHeight, Math.max(minHeight, message.height)));
      else if (message.kind === 'key') shortcut(message);
      else if (message.kind === 'flooded')
        setLost(
          `It reported “${message.name}” hundreds of times within a second, so it was stopped. An input that reports a change when it is given a value leads round in a circle: look at its value and its empty value.`,
        );
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
    const own = frame.current;
    let times = 0;
    const count = (): void => {
      if (++times >= mostTakings)
        setLost('It took the focus again and again while you were writing elsewhere, so it was stopped.');
    };
    own?.addEventListener(focusTaken, count);
    return () => own?.removeEventListener(focusTaken, count);
  }, [src, lost]);
  useEffect(() => {
    if (isReady) post({ kind: 'theme', theme });
  }, [isReady, theme, post]);
  useEffect(() => {
    if (!isReady || lost !== undefined) return undefined;
    heardAt.current = performance.now();
    const timer = setInterval(() => {
      // A page in the background is slow in everything, so its frames are not to blame.
      if (document.hidden) heardAt.current = performance.now();
      const silence = performance.now() - heardAt.current;
      const most = silence > patience ? patienceFor(handlers.current.weigh?.() ?? 0) : patience;
      if (silence > most)
        setLost(
          `It has not answered for ${Math.round(most / 1000)} seconds, so it was stopped. It loops for ever, or works on something very large.`,
        );
      post({ kind: 'ping' });
    }, 1000);
    return () => clearInterval(timer);
  }, [isReady, lost, post]);

  if ((trouble ?? notLoaded) !== undefined)
    return (
      <Failed title="The stand does not open" message={trouble ?? notLoaded ?? ''}>
        <Button
          onClick={() => {
            setNotLoaded(undefined);
            again();
          }}
        >
          Try again
        </Button>
      </Failed>
    );
  if (lost !== undefined)
    return (
      <Failed title="The input was stopped" message={`${lost} The workbench and the kit are not touched.`}>
        <Button onClick={() => setLost(undefined)}>Start it again</Button>
      </Failed>
    );
  if (src === undefined) return <Busy>Bundling from the project’s own packages …</Busy>;
  return (
    <iframe
      ref={frame}
      key={src}
      inert={wanted === undefined}
      aria-busy={wanted === undefined}
      title={title}
      src={src}
      onLoad={({ currentTarget }) => (secret.current = giveSecret(currentTarget))}
      sandbox="allow-scripts"
      className="block w-full border-0 bg-sheet"
      style={{ height }}
    />
  );
}

/** What only looks like a message may nest its parts so that checking them ends by itself. */
function readFrame(message: unknown): ReturnType<typeof fromFrame.safeParse> | undefined {
  try {
    return fromFrame.safeParse(message);
  } catch {
    return undefined;
  }
}

/**
 * What changes the kit, sends, or undoes is only heard while a person has just pressed something: the browser knows, and
 * a press inside the frame counts for the page around it.
 */
function isByHand({ kind }: FromFrame): boolean {
  return !(kind === 'edit' || kind === 'send' || kind === 'key') || navigator.userActivation.isActive;
}

/** Shortcuts work wherever the focus is, also inside the frame. */
function shortcut({ key, shift }: Extract<FromFrame, { kind: 'key' }>): void {
  const { undo, redo } = useKit.getState();
  if (key === 'k') useView.getState().setPalette(true);
  else if (key === 'y' || (key === 'z' && shift)) redo();
  else if (key === 'z') undo();
}
