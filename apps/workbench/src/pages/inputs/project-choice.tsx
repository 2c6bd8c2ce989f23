import { useState, type ReactNode } from 'react';
import { SlotText } from '../../parts/slot.js';
import { Button } from '../../parts/button.js';
import { chooseProject, useProject } from '../../store/project.js';

/** Which folder is open, edited where it stands. */
export function ProjectChoice(): ReactNode {
  const { name, folder, status } = useProject();
  const [trouble, setTrouble] = useState<string>();
  const [asked, setAsked] = useState(false);
  const open = (wanted: string, again: boolean): void => {
    setTrouble(undefined);
    // It opens at once, unless the terminal asks whoever started this.
    const wait = setTimeout(() => setAsked(true), 800);
    const over = (): void => {
      clearTimeout(wait);
      setAsked(false);
    };
    chooseProject(wanted, again, over).catch((error: unknown) => {
      over();
      setTrouble(error instanceof Error ? error.message : String(error));
    });
  };
  return (
    <div className="flex flex-wrap items-center gap-x-2 text-[13px] text-ink-2">
      <span>of {name === '' ? 'the project folder' : name}</span>
      <span className="min-w-0 truncate" title={folder}>
        <SlotText
          label="Project folder"
          value={folder}
          words={folder === '' ? 'open a folder' : folder.split('/').slice(-2).join('/')}
          onChange={(text) => open(text.trim(), false)}
        />
      </span>
      <Button look="quiet" onClick={() => open(folder, true)} aria-disabled={status !== 'ready'}>
        Read again
      </Button>
      {asked && (
        <p role="status">Opening … Outside your home folder, the terminal in which Poietra was started asks first.</p>
      )}
      {trouble !== undefined && (
        <p role="alert" className="text-fail">
          {trouble} The folder that was open stays.
        </p>
      )}
    </div>
  );
}
