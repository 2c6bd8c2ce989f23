import { useState, type ReactNode } from 'react';
import { Button } from './button.js';
import { documentsFrom, hostOf, schemaIn, type Documents, type Source } from './fetch-documents.js';

interface Props {
  /** URIs, without fragment. */
  readonly missing: readonly string[];
  /** What leads to them, and the documents that are at hand. */
  readonly schema: unknown;
  readonly known: Readonly<Record<string, unknown>>;
  onHave(documents: Documents): void;
}

/** Documents that a schema leads to and that the kit has not: each can be fetched, found in the project, or pasted. */
export function MissingDocuments({ missing, schema, known, onHave }: Props): ReactNode {
  const [busy, setBusy] = useState<string>();
  const [trouble, setTrouble] = useState<Readonly<Record<string, string>>>({});
  const [pasting, setPasting] = useState<string>();
  const said = (uri: string, words: string): void => setTrouble((before) => ({ ...before, [uri]: words }));
  const attempt = async (uri: string, work: () => Promise<Documents>): Promise<void> => {
    setBusy(uri);
    said(uri, '');
    try {
      onHave(await work());
      setPasting(undefined);
    } catch (error) {
      said(uri, error instanceof Error ? error.message : String(error));
    }
    setBusy(undefined);
  };
  const get = (uri: string, from: Source): void => void attempt(uri, () => documentsFrom(uri, from, schema, known));
  return (
    <section aria-label="Documents that are missing" className="grid gap-1 border border-hairline bg-ground p-2">
      <h3>{missing.length === 1 ? 'One document is missing' : `${missing.length} documents are missing`}</h3>
      <ul className="grid max-h-96 gap-1 overflow-auto">
        {missing.map((uri) => (
          <li key={uri} className="grid gap-1">
            <code className="wrap-anywhere">{uri}</code>
            <div className="flex flex-wrap gap-1">
              {hostOf(uri) !== undefined && (
                <Button aria-disabled={busy !== undefined} onClick={() => busy ?? get(uri, 'address')}>
                  Fetch from {hostOf(uri)}
                </Button>
              )}
              <Button look="quiet" aria-disabled={busy !== undefined} onClick={() => busy ?? get(uri, 'project')}>
                Look in the project
              </Button>
              <Button
                look="quiet"
                aria-expanded={pasting === uri}
                onClick={() => setPasting(pasting === uri ? undefined : uri)}
              >
                Paste it
              </Button>
              <Button
                look="quiet"
                title="A document of yours that takes every value, to be replaced later"
                aria-disabled={busy !== undefined}
                onClick={() => busy ?? onHave({ [uri]: { schema: true } })}
              >
                Anything, for now
              </Button>
              {busy === uri && <span role="status">Being fetched …</span>}
            </div>
            {pasting === uri && (
              <Pasted
                uri={uri}
                onPaste={(text) => void attempt(uri, () => Promise.resolve({ [uri]: { schema: schemaIn(text) } }))}
              />
            )}
            {trouble[uri] && (
              <p role="alert" className="text-fail">
                {trouble[uri]}
              </p>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Pasted({ uri, onPaste }: { readonly uri: string; onPaste(text: string): void }): ReactNode {
  const [text, setText] = useState('');
  return (
    <div className="grid gap-1">
      <textarea
        aria-label={`Text of ${uri}`}
        rows={5}
        spellCheck={false}
        className="mono w-full rounded-sm border border-edge bg-sheet p-1"
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      <span>
        <Button look="main" onClick={() => onPaste(text)}>
          Keep it
        </Button>
      </span>
    </div>
  );
}
