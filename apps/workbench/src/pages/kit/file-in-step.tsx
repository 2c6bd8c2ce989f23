import { joinPointer, lookUp, parsePointer, type Kit, type PartDifference, type Pointer } from '@poietra/core';
import { createTwoFilesPatch } from 'diff';
import { useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { Difference } from '../../parts/difference.js';
import { Verdict } from '../../parts/verdict.js';
import { useKit } from '../../store/kit.js';
import {
  endStep,
  keepInStep,
  kitFileName,
  takeIn,
  useKitFile,
  writeAnew,
  type FileState,
} from '../../store/kit-file.js';
import { useView } from '../../store/view.js';
import { plainText } from '../../store/written.js';

const attempt = (work: Promise<void>): void =>
  void work.catch((error: unknown) => useView.getState().say(error instanceof Error ? error.message : String(error)));

/** The open kit and the file in the project: whether they say the same, and what one has that the other has not. */
export function FileInStep(): ReactNode {
  const { state } = useKitFile();
  const name = useKit(({ kit }) => kit.name);
  return (
    <section aria-label="In step with a file of the project" className="grid gap-2">
      <h2>In step with a file of the project</h2>
      {state.is === 'apart' ? (
        <>
          <p className="text-ink-2">
            “{name}” is kept in this browser alone. In step with <code>{kitFileName}</code> it stands in the project’s
            folder as well: every edit is written there, and what a pull brings is shown and taken in.
          </p>
          <div>
            <Button onClick={() => attempt(keepInStep())}>Keep it in step with {kitFileName}</Button>
          </div>
        </>
      ) : (
        <>
          <div className="flex flex-wrap items-center gap-2">
            <Says state={state} />
            {state.is === 'trouble' && state.isGone && (
              <Button onClick={() => attempt(writeAnew())}>Write it anew</Button>
            )}
            <Button look="quiet" onClick={() => attempt(endStep())}>
              End it
            </Button>
          </div>
          {state.is === 'ahead' && <Ahead key={state.tag} state={state} />}
        </>
      )}
    </section>
  );
}

function Says({ state }: { readonly state: Exclude<FileState, { is: 'apart' }> }): ReactNode {
  if (state.is === 'same')
    return (
      <Verdict kind="pass">
        as <code className="wrap-anywhere">{`${state.folder}/${kitFileName}`}</code> has it
      </Verdict>
    );
  if (state.is === 'trouble') return <Verdict kind="fail">{state.message}</Verdict>;
  return (
    <Verdict kind="warning">
      <code className="wrap-anywhere">{`${state.folder}/${kitFileName}`}</code> has changed: nothing is written there
      until that is taken in.
    </Verdict>
  );
}

/** Part by part, who has done what; where both have said something else, one of them is chosen. */
function Ahead({ state: { there, merged } }: { readonly state: Extract<FileState, { is: 'ahead' }> }): ReactNode {
  const kit = useKit((store) => store.kit);
  const [chosen, setChosen] = useState<ReadonlySet<Pointer>>(new Set());
  const choose = (at: Pointer, isThere: boolean): void =>
    setChosen((before) => {
      const next = new Set(before);
      if (isThere) next.add(at);
      else next.delete(at);
      return next;
    });
  const conflicts = merged.differences.reduce((sum, one) => sum + one.conflicts.length, 0);
  return (
    <>
      <ul className="border-t border-hairline">
        {merged.differences.map((one) => (
          <Part key={one.at} difference={one} kit={kit} there={there} chosen={chosen} onChoose={choose} />
        ))}
      </ul>
      <div className="flex flex-wrap items-center gap-2">
        <Button look="main" onClick={() => attempt(takeIn([...chosen]))}>
          Take it in
        </Button>
        <span className="text-[13px] text-ink-2">
          {conflicts === 0
            ? 'What was done on either side is kept. It is one step, and can be undone.'
            : `What was done on either side is kept, but for ${conflicts === 1 ? 'one place where both differ' : `${conflicts} places where both differ`}: there it is as chosen above.`}
        </span>
      </div>
    </>
  );
}

const words: Readonly<Record<PartDifference['by'], string>> = {
  here: 'changed here',
  there: 'changed in the file',
  both: 'changed on both sides',
};
function wordsFor({ by, here, there }: PartDifference): string {
  if (here === undefined) return by === 'here' ? 'gone here' : by === 'there' ? 'new in the file' : 'in the file only';
  if (there === undefined) return by === 'there' ? 'gone from the file' : by === 'here' ? 'new here' : 'here only';
  return words[by];
}

function Part({
  difference,
  kit,
  there,
  chosen,
  onChoose,
}: {
  readonly difference: PartDifference;
  readonly kit: Kit;
  readonly there: Kit;
  readonly chosen: ReadonlySet<Pointer>;
  onChoose(at: Pointer, isThere: boolean): void;
}): ReactNode {
  const { at } = difference;
  const [kind = '', name] = parsePointer(at);
  const [mine, theirs] = [lookUp(kit, at), lookUp(there, at)].map((one) => (one === undefined ? '' : plainText(one)));
  return (
    <li className="grid gap-1 border-b border-hairline py-1">
      <details>
        <summary className="min-h-6 cursor-pointer">
          {name === undefined ? kind : `${kind}: ${name}`} <span className="text-ink-2">{wordsFor(difference)}</span>
        </summary>
        <div className="max-h-72 overflow-auto border border-hairline">
          <Difference
            patch={createTwoFilesPatch(at, at, mine ?? '', theirs ?? '', 'as it is here', 'as the file has it')}
          />
        </div>
      </details>
      {difference.conflicts.map((place) => (
        <fieldset key={place} className="flex flex-wrap items-center gap-x-3 pl-4">
          <legend className="sr-only">Which counts at {place}</legend>
          <code className="wrap-anywhere">{place}</code>
          {[false, true].map((isThere) => (
            <label key={String(isThere)} className="inline-flex min-h-6 items-center gap-1">
              <input
                type="radio"
                name={joinPointer('/conflict', place)}
                checked={chosen.has(place) === isThere}
                onChange={() => onChoose(place, isThere)}
              />
              {isThere ? 'as the file has it' : 'as it is here'}:{' '}
              <code className="max-w-60 truncate">{shortText(lookUp(isThere ? there : kit, place))}</code>
            </label>
          ))}
        </fieldset>
      ))}
    </li>
  );
}

const shortText = (value: unknown): string => (value === undefined ? 'nothing' : JSON.stringify(value).slice(0, 200));
