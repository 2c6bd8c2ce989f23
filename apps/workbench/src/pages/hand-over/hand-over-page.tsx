import { DownloadSimpleIcon } from '@phosphor-icons/react';
import type { Kit } from '@poietra/core';
import type { HandoverFile, OwnSources } from '@poietra/core/handover';
import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useState, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { Button } from '../../parts/button.js';
import { saveFile } from '../../parts/save-file.js';
import { SlotText } from '../../parts/slot.js';
import { Busy, Failed } from '../../parts/states.js';
import { Toggle } from '../../parts/toggle.js';
import { ask } from '../../store/ask.js';
import { useKit } from '../../store/kit.js';
import { useProject } from '../../store/project.js';
import type { HandOverWork } from '../../workers/hand-over-worker.js';
import { Compared } from './compared.js';
import { FileView } from './file-view.js';

interface Written {
  readonly kit: Kit;
  readonly files?: readonly HandoverFile[];
  readonly trouble?: string;
}

/** The files to be, as a tree with their text; the zip that takes them away, and the folder that they go to. */
export function Component(): ReactNode {
  const kit = useKit((state) => state.kit);
  const edit = useKit((state) => state.edit);
  const project = useProject(({ name }) => name);
  const [parameters, setParameters] = useSearchParams();
  const { work, written, progress } = useWritten(kit);
  const into = parameters.get('into');
  const files = written?.files ?? [];
  const standsAlone = kit.standsAlone === true;
  const choose = (isAlone: boolean): void =>
    edit(`Hand-over: ${isAlone ? 'on its own' : 'with the libraries'}`, { '/standsAlone': isAlone || undefined });
  const pack = async (): Promise<void> => {
    if (work) saveFile(`${fileName(kit.name)}.zip`, await work.zip(files), 'application/zip');
  };
  return (
    <div className="flex h-full flex-col">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hairline px-4 py-2">
        <h1>Hand-over</h1>
        <div role="group" aria-label="What it stands on" className="flex">
          <Toggle isOn={!standsAlone} onChange={() => choose(false)}>
            With the libraries
          </Toggle>
          <Toggle isOn={standsAlone} onChange={() => choose(true)}>
            On its own
          </Toggle>
        </div>
        <Toggle
          isOn={kit.formatTypes === true}
          onChange={() =>
            edit(`Hand-over: formats ${kit.formatTypes ? 'as texts' : 'as types of their own'}`, {
              '/formatTypes': !kit.formatTypes || undefined,
            })
          }
        >
          Formats as types
        </Toggle>
        <p className="flex flex-wrap items-center gap-1.5 text-[13px] text-ink-2">
          Into
          <SlotText
            label="Folder of the project"
            value={into ?? ''}
            words={into ?? 'a folder'}
            onChange={(text) => {
              const folder = text.trim();
              setParameters(folder === '' ? {} : { into: folder });
            }}
          />
          of {project === '' ? 'the project' : project}
          {into !== null && (
            <Button look="quiet" onClick={() => setParameters({})}>
              Back to the files
            </Button>
          )}
        </p>
        <Button look="main" className="ml-auto" aria-disabled={files.length === 0} onClick={() => void pack()}>
          <DownloadSimpleIcon size={16} aria-hidden="true" />
          Zip
        </Button>
        <p className="basis-full text-[13px] text-ink-2">
          {standsAlone
            ? 'No package of ours is imported: plain components, plain functions, and what the forms need as source. '
            : 'Thin source on the libraries: what is mended in them reaches it. '}
          {kit.formatTypes && 'A text of a format is of a type of its own, which only a text has that was checked. '}
          {files.length > 0 && `${files.length} files, typed and formatted, from the kit as it stands. `}
          {written && written.kit !== kit && 'Being written anew …'}
        </p>
      </header>
      {into !== null ? (
        <Compared kit={kit} folder={into} />
      ) : written?.trouble !== undefined ? (
        <Failed title="The source cannot be written" message={written.trouble} />
      ) : files.length === 0 ? (
        <Busy>Writing the source … {progress}</Busy>
      ) : (
        <FileView files={files} />
      )}
    </div>
  );
}

let sources: Promise<OwnSources> | undefined;
/** Fetched when it is first asked for, and again where that failed. */
function ownSources(): Promise<OwnSources> {
  sources ??= ask('/api/own-sources') as Promise<OwnSources>;
  sources.catch(() => (sources = undefined));
  return sources;
}

/** The source of the kit as it stands, written in a worker. */
function useWritten(kit: Kit): {
  readonly work: Remote<HandOverWork> | undefined;
  readonly written: Written | undefined;
  readonly progress: string;
} {
  const [written, setWritten] = useState<Written>();
  const [progress, setProgress] = useState('');
  const [work, setWork] = useState<Remote<HandOverWork>>();
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/hand-over-worker.ts', import.meta.url), { type: 'module' });
    const remote = wrap<HandOverWork>(worker);
    setWork(() => remote);
    return () => worker.terminate();
  }, []);
  useEffect(() => {
    if (!work) return undefined;
    let isCurrent = true;
    Promise.resolve(kit.standsAlone ? ownSources() : undefined)
      .then((own) =>
        work.files(
          kit,
          own,
          proxy((done, total) => isCurrent && setProgress(`${done} of ${total}`)),
        ),
      )
      .then(
        (files) => isCurrent && setWritten({ kit, files }),
        (error: unknown) =>
          isCurrent && setWritten({ kit, trouble: error instanceof Error ? error.message : String(error) }),
      );
    return () => {
      isCurrent = false;
    };
  }, [kit, work]);
  return { work, written, progress };
}

function fileName(name: string): string {
  return (
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'kit'
  );
}
