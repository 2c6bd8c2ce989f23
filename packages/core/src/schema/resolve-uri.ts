/** URI references, resolved as RFC 3986 section 5 has it. No platform class: `urn:` and relative bases have to work too. */
interface Parts {
  scheme: string | undefined;
  authority: string | undefined;
  path: string;
  query: string | undefined;
  fragment: string | undefined;
}

/** The pattern of RFC 3986, appendix B. */
const shape = /^(?:([^:/?#]+):)?(?:\/\/([^/?#]*))?([^?#]*)(?:\?([^#]*))?(?:#(.*))?$/s;

function split(uri: string): Parts {
  const [, scheme, authority, path = '', query, fragment] = shape.exec(uri) ?? [];
  return { scheme, authority, path, query, fragment };
}

function join({ scheme, authority, path, query, fragment }: Parts): string {
  return (
    (scheme === undefined ? '' : `${scheme}:`) +
    (authority === undefined ? '' : `//${authority}`) +
    path +
    (query === undefined ? '' : `?${query}`) +
    (fragment === undefined ? '' : `#${fragment}`)
  );
}

function withoutDots(path: string): string {
  const kept: string[] = [];
  const segments = path.split('/');
  segments.forEach((segment, i) => {
    const last = i === segments.length - 1;
    if (segment === '..') {
      if (kept.length > 1 || (kept.length === 1 && kept[0] !== '')) kept.pop();
      if (last) kept.push('');
    } else if (segment === '.') {
      if (last) kept.push('');
    } else kept.push(segment);
  });
  return kept.join('/');
}

/** `reference` as seen from `base`; `base` may be relative or empty. */
export function resolveUri(base: string, reference: string): string {
  const ref = split(reference);
  if (ref.scheme !== undefined) return join({ ...ref, path: withoutDots(ref.path) });
  const from = split(base);
  if (ref.authority !== undefined) return join({ ...ref, scheme: from.scheme, path: withoutDots(ref.path) });
  const { scheme, authority } = from;
  if (ref.path === '') {
    return join({ scheme, authority, path: from.path, query: ref.query ?? from.query, fragment: ref.fragment });
  }
  const folder = authority !== undefined && from.path === '' ? '/' : from.path.slice(0, from.path.lastIndexOf('/') + 1);
  const path = withoutDots(ref.path.startsWith('/') ? ref.path : folder + ref.path);
  return join({ scheme, authority, path, query: ref.query, fragment: ref.fragment });
}
