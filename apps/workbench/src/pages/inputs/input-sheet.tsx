import {
  componentsBeside,
  partsToTry,
  foreignInputs,
  ownProperties,
  type AdapterDescription,
  type CodecDescription,
  type Finding,
  type FoundInput,
  type Gesture,
} from '@poietra/core';
import type { ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { SendToCodec } from '../../parts/send-to-codec.js';
import { Failed } from '../../parts/states.js';
import { StandFrame } from '../../parts/frames.js';
import { lineFor } from '../../parts/line-for.js';
import { ValueLine } from '../../parts/value-line.js';
import { Around } from './around.js';
import { PutTogether } from './put-together.js';
import { Declared } from './declared.js';
import { GesturePane } from './gesture-pane.js';
import { PushValues } from './push-values.js';
import { Speaks } from './speaks.js';
import { Tape } from './tape.js';
import type { Stand } from './use-stand.js';
import { ValueMatrix } from './value-matrix.js';

/** What a person gives to an input: to the draft, or to the kit's adapter. */
export type Given = Pick<AdapterDescription, 'constants' | 'wrappers' | 'inside' | 'gesture'>;

interface Props {
  readonly title: string;
  readonly input: FoundInput | undefined;
  readonly adapter: AdapterDescription | undefined;
  readonly findings: readonly Finding[];
  readonly stand: Stand;
  /** The codec that the value line goes through, and its name in the kit. */
  readonly codec: CodecDescription;
  readonly codecName?: string | undefined;
  onWord(at: string, value: string): void;
  onGive(given: Given): void;
  /** In the left margin: above the sentences, and below them. */
  readonly above?: ReactNode;
  readonly below?: ReactNode;
  /** Below the tape. */
  readonly children?: ReactNode;
}

/**
 * An input's sheet: the living thing in the middle, what it is at the left, what it carries at the right, what happened
 * on the tape below. What it declares opens beside it.
 */
export function InputSheet(props: Props): ReactNode {
  const { title, input, adapter, findings, stand, codec, codecName, onWord, onGive, above, below, children } = props;
  const [search] = useSearchParams();
  const isDeclaredOpen = search.get('open') === 'declared' && input !== undefined;
  const bundled = adapter ? foreignInputs(adapter) : input && input.family !== 'native' ? [input.id] : [];
  const used = new Set(findings.flatMap(({ says }) => [...says.matchAll(/“([^”]+)”/g)].map((match) => match[1] ?? '')));
  return (
    <>
      <div
        className={`grid grid-cols-1 lg:h-[calc(100vh-250px)] lg:min-h-[420px] ${isDeclaredOpen ? 'lg:grid-cols-[280px_minmax(0,1fr)_240px_280px]' : 'lg:grid-cols-[300px_minmax(0,1fr)_280px]'}`}
      >
        <section
          aria-label="How it speaks"
          tabIndex={0}
          className="grid grid-cols-[minmax(0,1fr)] content-start gap-2 overflow-auto px-4 py-3 text-[13px]"
        >
          {above}
          {adapter ? (
            <Speaks adapter={adapter} input={input} findings={findings} onChange={onWord} />
          ) : (
            <p className="text-ink-2">
              Neither a value nor a report of its change was found among what it declares, so nothing is drafted. Open
              what it declares, above.
            </p>
          )}
          {below}
        </section>
        <section
          aria-label="Stand"
          className="min-h-[420px] min-w-0 overflow-auto border-hairline bg-sheet lg:border-x"
        >
          {stand.failed !== undefined && <Failed title="The input failed" message={stand.failed} />}
          <StandFrame
            title={`Stand: ${title}`}
            inputs={bundled}
            wrappers={adapter && componentsBeside(adapter)}
            minHeight={380}
            onReady={stand.onReady}
            onMessage={stand.onMessage}
            onLost={stand.onLost}
          />
        </section>
        <section
          aria-label="What it carries"
          tabIndex={0}
          className="grid grid-cols-[minmax(0,1fr)] content-start gap-3 overflow-auto px-4 py-3"
        >
          <ValueLine column value={lineFor(stand.lastWritten ?? { $is: 'undefined' }, codec)} />
          {stand.lastWritten !== undefined && (
            <span>
              <SendToCodec name={codecName} codec={codec} written={stand.lastWritten} />
            </span>
          )}
          <PushValues onPush={stand.push} />
          <GesturePane
            gesture={adapter?.gesture}
            isRecording={stand.isRecording}
            steps={stand.steps}
            replay={stand.replayed}
            onRecord={stand.record}
            onReplay={stand.replay}
            onKeep={(gesture: Gesture) => onGive({ gesture })}
          />
          {adapter && !adapter.parts && (
            <>
              <Around wrappers={adapter.wrappers ?? []} onChange={(wrappers) => onGive({ wrappers })} />
              {input?.family === 'component' && (
                <PutTogether
                  inside={adapter.inside ?? []}
                  known={partsToTry(input)}
                  onChange={(inside) => onGive({ inside })}
                />
              )}
            </>
          )}
        </section>
        {isDeclaredOpen && (
          <div className="relative min-h-64 border-l border-hairline bg-sheet">
            <div className="inset-0 lg:absolute">
              <Declared
                input={input}
                used={used}
                taken={adapter ? ownProperties(adapter) : new Set()}
                constants={adapter?.constants ?? {}}
                onChange={(constants) => onGive({ constants })}
              />
            </div>
          </div>
        )}
      </div>
      <Tape entries={stand.tape} onClear={stand.clear} />
      {adapter && (
        <div className="border-t border-hairline px-4 py-2">
          <ValueMatrix adapter={adapter} inputs={bundled} />
        </div>
      )}
      {children}
    </>
  );
}
