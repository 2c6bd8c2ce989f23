import { documentUri, joinPointer, ownMember, usesOfDocument, type DocumentDescription } from '@poietra/core';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { AddressBox } from '../../parts/address-box.js';
import { Board, type Column } from '../../parts/board.js';
import { documentFrom } from '../../parts/fetch-documents.js';
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
  /** What the kit has already is only opened. */
  const keep = (uri: string, document: DocumentDescription | undefined): void => {
    if (document) edit(`Keep ${uri}`, { [joinPointer('/documents', uri)]: document });
    void navigate(documentPath(uri));
  };
  const isKept = (uri: string): boolean => ownMember(useKit.getState().kit.documents, uri) !== undefined;
  return (
    <AddressBox
      label="Address of a document"
      onFetch={async (address) => {
        const uri = documentUri(address);
        keep(uri, isKept(uri) ? undefined : await documentFrom(uri, 'address'));
      }}
      other={{
        words: 'Begin by hand',
        does: (address) => {
          const uri = documentUri(address);
          keep(uri, isKept(uri) ? undefined : { schema: {} });
        },
      }}
    />
  );
}
