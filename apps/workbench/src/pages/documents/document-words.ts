import { ownMember, type DocumentDescription } from '@poietra/core';

/** What a document calls itself, or else how its address ends. */
export function titleOfDocument({
  uri,
  document,
}: {
  readonly uri: string;
  readonly document: DocumentDescription;
}): string {
  const title = ownMember(document.schema, 'title');
  return typeof title === 'string' && title.trim() !== '' ? title : (/[^/:]+(?=\/?$)/.exec(uri)?.[0] ?? uri);
}

export function documentPath(uri: string): string {
  return `/documents/${encodeURIComponent(uri)}`;
}
