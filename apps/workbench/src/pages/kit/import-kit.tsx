import { largestKit, type Kit, type KitProblem } from '@poietra/core';
import { useRef, useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { readInWorker } from '../../parts/read-kit.js';
import { Busy } from '../../parts/states.js';
import { useView } from '../../store/view.js';

/** Takes a kit file in, as another kit beside those there are. It is read in a worker, and can be stopped. */
export function ImportKit({ onTake }: { onTake(kit: Kit): Promise<void> }): ReactNode {
  const say = useView((view) => view.say);
  const [problems, setProblems] = useState<readonly KitProblem[]>([]);
  const [reading, setReading] = useState<{ readonly name: string; stop(): void }>();
  const picker = useRef<HTMLInputElement>(null);
  const read = async (file: File | undefined): Promise<void> => {
    setProblems([]);
    if (!file) return;
    // Bytes are at least as many as characters, so a file within the limit is never refused for nothing.
    if (file.size > largestKit) {
      const megabytes = Math.round(largestKit / 1_000_000);
      setProblems([{ at: '', message: `The file is larger than ${megabytes} MB; larger kits are not read.` }]);
      return;
    }
    const work = readInWorker(file);
    setReading({ name: file.name, stop: work.stop });
    const result = await work.done;
    setReading(undefined);
    if (!result) return;
    if (!result.ok) {
      setProblems(result.problems);
      return;
    }
    await onTake(result.kit);
    const [gap] = result.gaps;
    const others = result.gaps.length > 1 ? `, and ${result.gaps.length - 1} more` : '';
    say(
      `The kit “${result.kit.name}” is open, beside those there were.${gap ? ` It names what it does not have: ${gap.at}: ${gap.message}${others}` : ''}`,
    );
  };
  return (
    <>
      <Button onClick={() => picker.current?.click()}>Import a kit file …</Button>
      <input
        ref={picker}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        tabIndex={-1}
        aria-label="Kit file"
        onChange={({ target }) => {
          void read(target.files?.[0]);
          target.value = '';
        }}
      />
      {reading && (
        <span className="flex items-center">
          <Busy>Reading {reading.name} …</Busy>
          <Button onClick={reading.stop}>Stop</Button>
        </span>
      )}
      {problems.length > 0 && (
        <section role="alert" className="basis-full border-l-4 border-fail bg-sheet p-3">
          <h2 className="text-fail">The file was not taken; the kits are as they were</h2>
          <ul className="mt-1 grid gap-1">
            {problems.slice(0, 20).map(({ at, message, line }) => (
              <li key={`${at} ${message}`}>
                {line === undefined && <code className="mr-2">{at === '' ? 'the file' : at}</code>}
                {message}
              </li>
            ))}
          </ul>
          {problems.length > 20 && <p>And {problems.length - 20} more.</p>}
        </section>
      )}
    </>
  );
}
