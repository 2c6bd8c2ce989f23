import { DownloadSimpleIcon } from '@phosphor-icons/react';
import type { HandoverFile, Kit } from '@poietra/core';
import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Button } from '../../parts/button.js';
import { CodeView } from '../../parts/code-view.js';
import { CopyButton } from '../../parts/copy-button.js';
import { saveFile } from '../../parts/save-file.js';
import { Busy, Failed } from '../../parts/states.js';
import { useKit } from '../../store/kit.js';
import type { HandOverWork } from '../../workers/hand-over-worker.js';

interface Written {
  readonly kit: Kit;
  readonly files?: readonly HandoverFile[];
  readonly trouble?: string;
}

/** The files to be, as a tree with their text, and the zip that takes them away. */
export function Component(): ReactNode {
  const kit = useKit((state) => state.kit);
  const [parameters] = useSearchParams();
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
    work
      .files(
        kit,
        proxy((done, total) => isCurrent && setProgress(`${done} of ${total}`)),
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
  const files = useMemo(() => written?.files ?? [], [written]);
  const folders = useMemo(() => byFolder(files), [files]);
  const chosen = files.find(({ path }) => path === parameters.get('file')) ?? files[0];
  if (written?.trouble !== undefined) return <Failed title="The source cannot be written" message={written.trouble} />;
  if (!chosen) return <Busy>Writing the source … {progress}</Busy>;
  const pack = async (): Promise<void> => {
    if (work) saveFile(`${fileName(kit.name)}.zip`, await work.zip(files), 'application/zip');
  };
  return (
    <div className="grid h-full grid-cols-1 md:grid-cols-[260px_minmax(0,1fr)]">
      <nav aria-label="Files" className="overflow-auto border-b border-hairline p-2 md:border-r md:border-b-0">
        <div className="flex items-center justify-between px-2 py-1">
          <h1>Hand-over</h1>
          <Button look="main" onClick={() => void pack()}>
            <DownloadSimpleIcon size={16} aria-hidden="true" />
            Zip
          </Button>
        </div>
        <p className="px-2 text-[13px] text-ink-2">
          {files.length} files, typed and formatted, from the kit as it stands.{' '}
          {written?.kit !== kit && 'Being written anew …'}
        </p>
        {folders.map(([folder, list]) => (
          <section key={folder} className="mt-2">
            <h3 className="mono px-2">{folder === '' ? 'at the top' : `${folder}/`}</h3>
            <ul>
              {list.map(({ path }) => (
                <li key={path}>
                  <Link
                    to={`?file=${encodeURIComponent(path)}`}
                    aria-current={path === chosen.path ? 'true' : undefined}
                    className={`mono block truncate rounded-sm px-2 py-1 no-underline hover:bg-mark ${path === chosen.path ? 'bg-mark font-semibold' : ''}`}
                  >
                    {path.slice(path.lastIndexOf('/') + 1)}
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </nav>
      <section aria-label={chosen.path} className="flex min-h-96 flex-col">
        <div className="flex items-center justify-between border-b border-hairline px-4 py-1">
          <h2 className="mono">{chosen.path}</h2>
          <CopyButton text={chosen.text} what={chosen.path} />
        </div>
        <div className="min-h-0 flex-1">
          <CodeView
            label={chosen.path}
            text={chosen.text}
            language={chosen.path.endsWith('.json') ? 'json' : 'typescript'}
          />
        </div>
      </section>
    </div>
  );
}

function byFolder(files: readonly HandoverFile[]): [string, HandoverFile[]][] {
  const folders = new Map<string, HandoverFile[]>();
  for (const file of files) {
    const folder = file.path.slice(0, Math.max(0, file.path.lastIndexOf('/')));
    folders.set(folder, [...(folders.get(folder) ?? []), file]);
  }
  return [...folders];
}

function fileName(name: string): string {
  return (
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'kit'
  );
}
