import { documentUri, joinPointer, ownMember, usesOfDocument, type DocumentDescription } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Board, type Column } from '../../parts/board.js';
import { Button } from '../../parts/button.js';
import { documentFrom, hostOf } from '../../parts/fetch-documents.js';
import { Remove } from '../../parts/remove-part.js';
import { useKit } from '../../store/kit.js';
import { documentPath, titleOfDocument } from './document-words.js';

interface Row {
  readonly uri: string;
  readonly document: DocumentDescription;
}

/** Documents of others that the kit's schemas refer to. */
export function Component(): ReactNode {
  const documents = useKit(({ kit }) => kit.documents);
  return (
    <Board
      name="Documents"
      rows={Object.entries(documents ?? {}).map(([uri, document]): Row => ({ uri, document }))}
      columns={columns}
      idOf={({ uri }) => uri}
      titleOf={titleOfDocument}
      to={({ uri }) => documentPath(uri)}
      words={(row) => `${row.uri} ${titleOfDocument(row)}`}
      actions={<Keep />}
      rowActions={(row) => (
        <Remove
          what="document"
          title={titleOfDocument(row)}
          usesOf={(kit) => usesOfDocument(kit, row.uri)}
          editsOf={() => ({ [joinPointer('/documents', row.uri)]: undefined })}
        />
      )}
      teach={
        <p>
          A schema may refer to others by their address:{' '}
          <code>{'"$ref": "https://schemas.example.org/party.json"'}</code>. They are kept in the kit as they were when
          they were had, so that a form stays the same until somebody renews them. A form that leads to one that is
          missing offers to fetch it.
        </p>
      }
    />
  );
}

const columns: readonly Column<Row>[] = [
  { name: 'Document', width: 'minmax(0,1fr)', cell: () => null, by: titleOfDocument },
  {
    name: 'Address',
    width: 'minmax(0,2fr)',
    cell: ({ uri }) => <span className="mono">{uri}</span>,
    by: ({ uri }) => uri,
  },
  {
    name: 'Had',
    width: '180px',
    cell: ({ document: { fetched } }) =>
      fetched === undefined ? <span className="text-ink-2">by hand</span> : new Date(fetched).toLocaleString(),
    by: ({ document: { fetched } }) => fetched ?? '',
  },
  {
    name: 'Length',
    width: '90px',
    cell: ({ document: { schema } }) => <span className="mono">{JSON.stringify(schema).length}</span>,
    by: ({ document: { schema } }) => JSON.stringify(schema).length,
  },
];

/** One more, by its address: fetched, or begun by hand. */
function Keep(): ReactNode {
  const edit = useKit((kit) => kit.edit);
  const navigate = useNavigate();
  const [address, setAddress] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const [isBusy, setBusy] = useState(false);
  const keep = async (isFetched: boolean): Promise<void> => {
    setTrouble(undefined);
    setBusy(true);
    try {
      const uri = documentUri(address);
      if (ownMember(useKit.getState().kit.documents, uri) === undefined) {
        const document = isFetched ? await documentFrom(uri, 'address') : { schema: {} };
        edit(`Keep ${uri}`, { [joinPointer('/documents', uri)]: document });
      }
      void navigate(documentPath(uri));
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error));
    }
    setBusy(false);
  };
  const host = hostOf(address.trim());
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isBusy) void keep(host !== undefined);
      }}
    >
      <input
        aria-label="Address of a document"
        aria-invalid={trouble !== undefined}
        placeholder="https://…"
        className="mono w-72 max-w-full rounded-sm border border-edge bg-sheet px-2 py-0.5"
        value={address}
        onChange={({ target }) => {
          setAddress(target.value);
          setTrouble(undefined);
        }}
      />
      {host !== undefined && (
        <Button aria-disabled={isBusy} onClick={() => isBusy || void keep(true)}>
          Fetch from {host}
        </Button>
      )}
      <Button aria-disabled={isBusy} onClick={() => isBusy || void keep(false)}>
        Begin by hand
      </Button>
      {trouble !== undefined && (
        <span role="alert" className="text-fail">
          {trouble}
        </span>
      )}
    </form>
  );
}
