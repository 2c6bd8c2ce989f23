/** The part of URIs that every schema has to do with: fragments. `resolve-uri.ts` has the rest. */

/** A reference into the same document, as seen from its `base`; others are what they say. */
export function resolveInside(base: string, reference: string): string {
  return reference.startsWith('#') ? splitFragment(base).document + reference : reference;
}

/** A URI in two: what comes before `#`, and the fragment decoded (`''` where there is none). */
export function splitFragment(uri: string): { document: string; fragment: string } {
  const hash = uri.indexOf('#');
  if (hash < 0) return { document: uri, fragment: '' };
  const raw = uri.slice(hash + 1);
  let fragment = raw;
  try {
    fragment = decodeURIComponent(raw);
  } catch {
    // A stray "%" stands for itself: the reference will then be reported as missing, with its own spelling.
  }
  return { document: uri.slice(0, hash), fragment };
}
