import {
  addStep,
  describeValue,
  fromNotation,
  reportsOf,
  type AdapterDescription,
  type Described,
  type FoundInput,
  type Gesture,
  type Step,
} from '@poietra/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Post } from '../../parts/stand-frame.js';
import type { FromFrame } from '../../sandbox/checked.js';

const mostReports = 200;

/** One thing on the tape: what the input told, what was pushed into it, what a person did. */
export type TapeEntry = {
  readonly id: number;
  /** Milliseconds since the input was mounted. */
  readonly time: number;
} & (
  | { readonly kind: 'report' | 'change'; readonly name: string; readonly args: readonly Described[] }
  | { readonly kind: 'warning'; readonly text: string }
  | { readonly kind: 'pushed'; readonly value: Described }
  /** A step that is being recorded; without one, a whole gesture that was replayed. */
  | { readonly kind: 'gesture'; readonly step?: Step }
);
type NewEntry = TapeEntry extends infer Entry ? (Entry extends TapeEntry ? Omit<Entry, 'id' | 'time'> : never) : never;

export type Replayed = 'none' | 'running' | 'done' | { readonly trouble: string };

/** A stand as a page sees it. */
export interface Stand {
  readonly tape: readonly TapeEntry[];
  readonly lastWritten: unknown;
  readonly failed: string | undefined;
  /** Whether a person works on the stand: begun by a press or a key in it, over when the focus is elsewhere. */
  readonly isTouched: boolean;
  onReady(post: Post): void;
  onMessage(message: FromFrame): void;
  onLost(): void;
  readonly steps: readonly Step[];
  readonly isRecording: boolean;
  readonly replayed: Replayed;
  push(written: unknown): void;
  record(is: boolean): void;
  replay(gesture: Gesture): void;
  clear(): void;
}

/** One input on the stand: what it reported, and the value that it reported last. */
export function useStand(input: FoundInput | undefined, adapter: AdapterDescription | undefined): Stand {
  const [tape, setTape] = useState<readonly TapeEntry[]>([]);
  const [lastWritten, setLast] = useState<unknown>();
  const [failed, setFailed] = useState<string>();
  const [isTouched, setTouched] = useState(false);
  useEffect(() => {
    const over = (): void => setTouched(false);
    document.addEventListener('focusin', over);
    document.addEventListener('pointerdown', over);
    return () => {
      document.removeEventListener('focusin', over);
      document.removeEventListener('pointerdown', over);
    };
  }, []);
  const [isRecording, setRecording] = useState(false);
  const [steps, setSteps] = useState<readonly Step[]>([]);
  const [replayed, setReplayed] = useState<Replayed>('none');
  const post = useRef<Post>(undefined);
  const counter = useRef(0);
  const began = useRef(performance.now());
  const mount = useCallback(() => {
    if (!input || !adapter) return;
    setFailed(undefined);
    post.current?.({ kind: 'mount', input: input.id, adapter, listen: reportsOf(input), recording: isRecording });
    began.current = performance.now();
  }, [input, adapter, isRecording]);
  useEffect(mount, [mount]);
  useEffect(() => {
    setTape([]);
    setLast(undefined);
    setFailed(undefined);
    setSteps([]);
    setRecording(false);
  }, [input?.id]);
  const add = (entry: NewEntry): void => {
    const stamped = { ...entry, id: counter.current++, time: performance.now() - began.current };
    setTape((before) => [stamped, ...before].slice(0, mostReports));
  };
  return {
    tape,
    lastWritten,
    failed,
    isTouched,
    onReady: (ready) => {
      post.current = ready;
      mount();
    },
    // Frames of one page share a process: a trial beside one that hangs keeps it alive, and hangs with it.
    onLost: () => setTouched(true),
    onMessage: (message) => {
      if (message.kind === 'touched') setTouched(true);
      else if (message.kind === 'report') {
        add({ kind: message.isChange ? 'change' : 'report', name: message.name, args: message.args });
        if (message.isChange) setLast(message.written);
      } else if (message.kind === 'warning') add({ kind: 'warning', text: message.text });
      else if (message.kind === 'failed') setFailed(message.message);
      else if (message.kind === 'step') {
        setSteps((before) => addStep(before, message.step));
        add({ kind: 'gesture', step: message.step });
      } else if (message.kind === 'replayed')
        setReplayed(message.trouble === undefined ? 'done' : { trouble: message.trouble });
    },
    push: (written) => {
      setLast(written);
      add({ kind: 'pushed', value: describeValue(fromNotation(written), 0) });
      post.current?.({ kind: 'push', written });
    },
    steps,
    isRecording,
    replayed,
    record: (is) => {
      if (is) setSteps([]);
      setRecording(is);
    },
    replay: (gesture) => {
      setReplayed('running');
      add({ kind: 'gesture' });
      post.current?.({ kind: 'replay', gesture });
    },
    clear: () => setTape([]),
  };
}
