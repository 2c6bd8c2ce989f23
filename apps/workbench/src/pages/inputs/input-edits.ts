import {
  calledAs,
  faceOf,
  fingerprint,
  freeName,
  joinPointer,
  type AdapterDescription,
  type CheckVerdict,
  type FoundInput,
  type Kit,
} from '@poietra/core';

/** What the kit comes to hold of an input and its draft, and the adapter's new name. */
export function draftChanges(
  kit: Kit,
  input: FoundInput,
  adapter: AdapterDescription,
): { readonly name: string; readonly changes: Readonly<Record<string, unknown>> } {
  const { id, family, package: pkg, version, export: exported, module, registers, css, tag, item } = input;
  const title = calledAs(input);
  const name = freeName(tag && family === 'element' ? tag : title.replace('.', '-'), kit.adapters);
  return {
    name,
    changes: {
      [joinPointer('/inputs', id)]: {
        family,
        package: pkg,
        version,
        export: exported,
        module,
        ...(registers === undefined ? {} : { registers }),
        css,
        ...(tag ? { tag } : {}),
        ...(item ? { item } : {}),
      },
      [joinPointer('/adapters', name)]: { ...adapter, title },
    },
  };
}

/** The adapter's proof with this run as the newest; the one before is kept beside it. */
export function proofChanges(
  { proofs }: Kit,
  name: string,
  input: FoundInput | undefined,
  of: AdapterDescription,
  verdicts: readonly CheckVerdict[],
  /** The browser that it was proved in fully; absent where it was proved in a frame. */
  browser?: string,
): Readonly<Record<string, unknown>> {
  const before = proofs?.[name]?.now;
  const now = {
    version: input?.version ?? '',
    time: new Date().toISOString(),
    ...(browser === undefined ? {} : { depth: 'full', browser }),
    adapter: fingerprint(of),
    ...(input ? { face: faceOf(input) } : {}),
    verdicts,
  };
  const next = { now, ...(before ? { before } : {}) };
  return proofs ? { [joinPointer('/proofs', name)]: next } : { '/proofs': { [name]: next } };
}
