import type { ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { CodeView } from '../../parts/code-view.js';
import { CopyButton } from '../../parts/copy-button.js';
import { Difference } from '../../parts/difference.js';

/** A file of a tree: its text, or how it differs. */
export interface ShownFile {
  readonly path: string;
  readonly text: string;
  /** Instead of its text: how it differs, as a unified difference. */
  readonly patch?: string | undefined;
  /** Before its name: what becomes of it. */
  readonly mark?: { readonly sign: string; readonly word: string };
  /** Said above its text. */
  readonly says?: string | undefined;
}

/** A tree of files at the left, the chosen one at the right; which one stands in the address. */
export function FileView({
  files,
  head,
}: {
  readonly files: readonly ShownFile[];
  readonly head?: ReactNode;
}): ReactNode {
  const [parameters] = useSearchParams();
  const chosen = files.find(({ path }) => path === parameters.get('file')) ?? files[0];
  const addressOf = (path: string): string => {
    const next = new URLSearchParams(parameters);
    next.set('file', path);
    return `?${next}`;
  };
  return (
    <div className="grid min-h-0 flex-1 grid-cols-1 grid-rows-[11rem_minmax(0,1fr)] md:grid-cols-[260px_minmax(0,1fr)] md:grid-rows-[minmax(0,1fr)]">
      <nav aria-label="Files" className="overflow-auto border-b border-hairline p-2 md:border-r md:border-b-0">
        {head}
        {byFolder(files).map(([folder, list]) => (
          <section key={folder} className="mt-2">
            <h2 className="mono px-2 text-[13px]">{folder === '' ? 'at the top' : `${folder}/`}</h2>
            <ul>
              {list.map(({ path, mark }) => (
                <li key={path}>
                  <Link
                    to={addressOf(path)}
                    aria-current={path === chosen?.path ? 'true' : undefined}
                    className={`mono block truncate rounded-sm px-2 py-1 no-underline hover:bg-mark ${path === chosen?.path ? 'bg-mark font-semibold' : ''}`}
                  >
                    {mark && (
                      <span title={mark.word}>
                        <span aria-hidden="true">{mark.sign} </span>
                        <span className="sr-only">{mark.word}: </span>
                      </span>
                    )}
                    {path.slice(path.lastIndexOf('/') + 1)}
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </nav>
      {chosen && (
        <section aria-label={chosen.path} className="flex min-h-96 flex-col">
          <div className="flex items-center justify-between gap-2 border-b border-hairline px-4 py-1">
            <h2 className="mono">{chosen.path}</h2>
            <CopyButton text={chosen.text} what={chosen.path} />
          </div>
          {chosen.says !== undefined && <p className="border-b border-hairline px-4 py-2">{chosen.says}</p>}
          <div className="min-h-0 flex-1">
            {chosen.patch === undefined ? (
              <CodeView
                label={chosen.path}
                text={chosen.text}
                language={chosen.path.endsWith('.json') ? 'json' : 'typescript'}
              />
            ) : (
              <Difference patch={chosen.patch} />
            )}
          </div>
        </section>
      )}
    </div>
  );
}

function byFolder(files: readonly ShownFile[]): [string, ShownFile[]][] {
  const folders = new Map<string, ShownFile[]>();
  for (const file of files) {
    const folder = file.path.slice(0, Math.max(0, file.path.lastIndexOf('/')));
    const known = folders.get(folder);
    if (known) known.push(file);
    else folders.set(folder, [file]);
  }
  return [...folders];
}
