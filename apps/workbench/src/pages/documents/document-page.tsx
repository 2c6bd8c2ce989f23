import { documentUri, joinPointer, ownMember, usesOfDocument, type DocumentDescription } from '@poietra/core';
import { createTwoFilesPatch } from 'diff';
import { useEffect, useState, type ReactNode } from 'react';
import { useNavigate, useParams } from 'react-router';
import { Button } from '../../parts/button.js';
import { CopyButton } from '../../parts/copy-button.js';
import { Difference } from '../../parts/difference.js';
import { documentFrom, hostOf, type Source } from '../../parts/fetch-documents.js';
import { schemaOffers } from '../../parts/json-offers.js';
import { JsonText } from '../../parts/json-text.js';
import { NoSuch } from '../../parts/no-such.js';
import { Remove } from '../../parts/remove-part.js';
import { SlotText } from '../../parts/slot.js';
import { Busy, Failed } from '../../parts/states.js';
import { useAttempt } from '../../parts/use-attempt.js';
import { UseList } from '../../parts/use-list.js';
import { useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';
import { plainText } from '../../store/written.js';
import { documentPath, titleOfDocument } from './document-words.js';

/** A document of somebody else's: its text, who leads to it, and what has become of it where it came from. */
export function Component(): ReactNode {
  const { uri = '' } = useParams();
  const document = useKit(({ kit }) => ownMember(kit.documents, uri)) as DocumentDescription | undefined;
  if (!document) return <NoSuch what="document" name={uri} board="/documents" />;
  return <Document key={uri} uri={uri} document={document} />;
}

function Document({ uri, document }: { readonly uri: string; readonly document: DocumentDescription }): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const at = joinPointer('/documents', uri);
  const title = titleOfDocument({ uri, document });
  const move = (text: string): void => {
    const next = documentUri(text);
    if (next === uri) return;
    if (ownMember(kit.documents, next) !== undefined)
      throw new TypeError('The kit has another document of this address.');
    edit(`Address of ${title}: ${next}`, {
      '/documents': Object.fromEntries(
        Object.entries(kit.documents ?? {}).map(([key, one]) => [key === uri ? next : key, one]),
      ),
    });
    const lost = usesOfDocument(kit, uri).length;
    if (lost > 0)
      useView
        .getState()
        .say(
          `What led to ${uri} leads nowhere now: ${lost === 1 ? 'one part' : `${lost} parts`}. Undo brings it back.`,
        );
    void navigate(documentPath(next), { replace: true });
  };
  return (
    <div className="flex min-h-full flex-col lg:h-full">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline px-4 py-1.5">
        <h1 className="min-w-0">{title}</h1>
        <span className="min-w-0 text-[13px] text-ink-2">
          document <SlotText label="Address" value={uri} onChange={move} />
        </span>
        <span className="ml-auto flex items-center gap-1">
          <CopyButton text={uri} what="the address" />
          <Remove
            what="document"
            title={title}
            usesOf={(now) => usesOfDocument(now, uri)}
            editsOf={() => ({ [at]: undefined })}
            onRemoved={() => void navigate('/documents')}
          />
        </span>
      </header>
      <div className="grid min-h-0 flex-1 gap-4 p-4 lg:grid-cols-[320px_minmax(0,1fr)]">
        <div className="grid content-start gap-4 overflow-auto">
          <Renewal uri={uri} document={document} />
          <UsedBy uri={uri} />
        </div>
        <section aria-label="Text" className="grid min-h-80 content-stretch">
          <JsonText
            label={`Text of ${title}`}
            value={document.schema}
            offers={schemaOffers(kit)}
            onChange={(schema) => {
              // What was changed by hand is not what was fetched.
              const { fetched: _, ...rest } = document;
              edit(`Text of ${title}`, { [at]: { ...rest, schema } }, `document ${uri}`);
            }}
          />
        </section>
      </div>
    </div>
  );
}

/** Looked for when the page has nothing better to do: every schema of the kit is read once. */
function UsedBy({ uri }: { readonly uri: string }): ReactNode {
  const kit = useKit((store) => store.kit);
  const [uses, setUses] = useState<ReturnType<typeof usesOfDocument>>();
  useEffect(() => {
    const work = setTimeout(() => setUses(usesOfDocument(kit, uri)), 0);
    return () => clearTimeout(work);
  }, [kit, uri]);
  return (
    <section aria-label="Used by" className="grid gap-1">
      <h2>Used by</h2>
      {!uses && <Busy>Looking …</Busy>}
      {uses?.length === 0 && <p className="text-ink-2">No form and no group leads to it.</p>}
      {uses && uses.length > 0 && <UseList uses={uses} />}
    </section>
  );
}

/** Had anew, as a difference one can read before anything is taken. */
function Renewal({ uri, document }: { readonly uri: string; readonly document: DocumentDescription }): ReactNode {
  const edit = useKit((kit) => kit.edit);
  const [next, setNext] = useState<DocumentDescription>();
  const { isBusy, trouble, attempt } = useAttempt();
  const host = hostOf(uri);
  const again = (from: Source): void =>
    attempt(async () => {
      setNext(undefined);
      setNext(await documentFrom(uri, from));
    });
  const take = (what: string): void => {
    edit(`${what} ${uri}`, { [joinPointer('/documents', uri)]: { ...document, ...next } });
    setNext(undefined);
  };
  const [before, after] = [plainText(document.schema), next && plainText(next.schema)];
  return (
    <section aria-label="Where it comes from" className="grid gap-2">
      <h2>Where it comes from</h2>
      <p>
        {document.fetched === undefined
          ? 'It was put in by hand.'
          : `It was fetched on ${new Date(document.fetched).toLocaleString()}.`}
      </p>
      <div className="flex flex-wrap gap-1">
        {host !== undefined && (
          <Button aria-disabled={isBusy} onClick={() => again('address')}>
            Fetch from {host}
          </Button>
        )}
        <Button look="quiet" aria-disabled={isBusy} onClick={() => again('project')}>
          Look in the project
        </Button>
      </div>
      {isBusy && <Busy>Being fetched …</Busy>}
      {trouble !== undefined && <Failed title="It was not had" message={trouble} />}
      {after === before && (
        <p role="status">
          It is the same as here.{' '}
          {next?.fetched !== undefined && (
            <Button look="quiet" onClick={() => take('Renew')}>
              Note the time
            </Button>
          )}
        </p>
      )}
      {after !== undefined && after !== before && (
        <>
          <p role="status">It has changed:</p>
          <div className="max-h-72 overflow-auto border border-hairline">
            <Difference patch={createTwoFilesPatch(uri, uri, before, after, 'as it is here', 'as it is there')} />
          </div>
          <div className="flex gap-1">
            <Button look="main" onClick={() => take('Renew')}>
              Take it
            </Button>
            <Button onClick={() => setNext(undefined)}>Leave it</Button>
          </div>
        </>
      )}
    </section>
  );
}
