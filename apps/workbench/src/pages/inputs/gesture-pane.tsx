import { gestureWords, stepWords, type Gesture, type Step } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';

interface Props {
  /** The gesture that the checks use now. */
  readonly gesture: Gesture | undefined;
  readonly isRecording: boolean;
  readonly steps: readonly Step[];
  readonly replay: 'none' | 'running' | 'done' | { readonly trouble: string };
  onRecord(is: boolean): void;
  onReplay(gesture: Gesture): void;
  onKeep(gesture: Gesture): void;
}

/** Showing once what a person does: recorded on the stand as steps on roles and names, replayed by the checks. */
export function GesturePane({ gesture, isRecording, steps, replay, onRecord, onReplay, onKeep }: Props): ReactNode {
  const [name, setName] = useState('change');
  const shown: Gesture = { name: name.trim() === '' ? 'change' : name.trim(), steps };
  return (
    <section aria-label="Gesture" className="grid content-start gap-2 text-[13px]">
      <h2>Gesture</h2>
      <p>
        {gesture ? (
          <>
            The checks {gestureWords(gesture)}.{' '}
            <Button onClick={() => onReplay(gesture)} aria-disabled={replay === 'running'}>
              Replay it
            </Button>
          </>
        ) : (
          <span className="text-ink-2">
            No gesture is known. Record one: change the value on the stand as a person would, once.
          </span>
        )}
      </p>
      <div className="flex flex-wrap items-center gap-2">
        <Button look={isRecording ? 'main' : 'plain'} aria-pressed={isRecording} onClick={() => onRecord(!isRecording)}>
          {isRecording ? 'Stop recording' : 'Record a gesture'}
        </Button>
        <label className="flex items-center gap-1">
          called
          <input
            className="w-32 rounded-sm border border-edge bg-sheet px-2"
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        {steps.length > 0 && !isRecording && (
          <>
            <Button onClick={() => onReplay(shown)} aria-disabled={replay === 'running'}>
              Replay the recording
            </Button>
            <Button look="main" onClick={() => onKeep(shown)}>
              Use it for the checks
            </Button>
          </>
        )}
      </div>
      {isRecording && <p role="status">Recording: use the input on the sheet.</p>}
      {typeof replay === 'object' && (
        <p role="alert" className="text-fail">
          {replay.trouble}
        </p>
      )}
      {replay === 'done' && <p role="status">Replayed; what it reported stands on the tape.</p>}
      <ol className="list-decimal pl-6">
        {steps.map((step, i) => (
          <li key={i}>{stepWords(step)}</li>
        ))}
      </ol>
    </section>
  );
}
