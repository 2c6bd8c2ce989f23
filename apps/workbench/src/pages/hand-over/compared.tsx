import type { Kit } from '@poietra/core';
import { useEffect, useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { Busy, Empty, Failed } from '../../parts/states.js';
import { FileView } from './file-view.js';
import { does, intoProject, type WritingReport } from './into-project.js';

interface Answer {
  readonly kit: Kit;
  readonly folder: string;
  readonly report?: WritingReport;
  readonly trouble?: string;
}

/** What the hand-over would do in a folder of the project, file by file as a difference; then it is written, whole or not at all. */
export function Compared({ kit, folder }: { readonly kit: Kit; readonly folder: string }): ReactNode {
  const [answer, setAnswer] = useState<Answer>();
  const [isWriting, setIsWriting] = useState(false);
  useEffect(() => {
    let isCurrent = true;
    void asked(kit, folder, false).then((given) => isCurrent && setAnswer(given));
    return () => {
      isCurrent = false;
    };
  }, [kit, folder]);
  const write = async (): Promise<void> => {
    setIsWriting(true);
    setAnswer(await asked(kit, folder, true));
    setIsWriting(false);
  };
  if (!answer || answer.folder !== folder || answer.kit !== kit) return <Busy>Comparing with {folder} …</Busy>;
  if (answer.trouble !== undefined) return <Failed title="It cannot be compared" message={answer.trouble} />;
  const { steps = [], written = false } = answer.report ?? {};
  const conflicts = steps.filter((step) => step.does === 'conflict').length;
  if (steps.length === 0)
    return (
      <Empty title={`${folder} is as the kit has it`}>
        <p>Nothing is to be written. What you change by hand there stays: it is merged with what the kit brings.</p>
      </Empty>
    );
  return (
    <FileView
      files={steps.map(({ path, patch, says, ...step }) => ({
        path,
        ...(step.does === 'add' ? { text: added(patch) } : { text: patch, patch }),
        says,
        mark: does[step.does],
      }))}
      head={
        <div className="grid gap-1 px-2 py-1 text-[13px]">
          <p role="status">
            {written
              ? `Written into ${folder}: ${steps.length} files came, changed or went.`
              : `${steps.length} files of ${folder} would come, change or go.`}
            {conflicts > 0 && ` In ${conflicts} of them marks show where both changed the same lines.`}
          </p>
          {!written && (
            <Button look="main" aria-disabled={isWriting} onClick={() => isWriting || void write()}>
              {isWriting ? 'Writing …' : `Write them`}
            </Button>
          )}
        </div>
      }
    />
  );
}

/** A file that is new, out of its difference to nothing. */
const added = (patch: string): string =>
  patch
    .split('\n')
    .flatMap((line) => (line.startsWith('+') && !line.startsWith('+++ ') ? [line.slice(1)] : []))
    .join('\n');

async function asked(kit: Kit, folder: string, write: boolean): Promise<Answer> {
  try {
    return { kit, folder, report: await intoProject(kit, folder, write) };
  } catch (error) {
    return { kit, folder, trouble: error instanceof Error ? error.message : String(error) };
  }
}
