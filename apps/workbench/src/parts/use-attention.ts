import { kitDocuments, missingDocuments, staleness, tally, versionOf, type Kit, type PartKind } from '@poietra/core';
import { useEffect, useMemo, useState } from 'react';
import { isCalm } from '../frame/calm.js';
import { useKit } from '../store/kit.js';
import { useProject } from '../store/project.js';
import { useFailing } from './use-failing.js';
import type { VerdictKind } from './verdict.js';

/** Kind and name: no two parts share it. */
export const partKey = (kind: PartKind, name: string): string => `${kind}:${name}`;

/** What is to be said of a part at a glance. */
export interface Attention {
  readonly kind: VerdictKind;
  readonly says: string;
}

/** How the parts of the kit stand, by their keys; what nothing is to be said of is left out. */
export function useAttention(): ReadonlyMap<string, Attention> {
  const kit = useKit((store) => store.kit);
  const { adapters, proofs, inputs, codecs } = kit;
  const failing = useFailing();
  const found = useProject(({ inputs }) => inputs);
  const missing = useMissing(kit);
  return useMemo(() => {
    const all = new Map<string, Attention>();
    // What is installed by now counts, where the project is open.
    const versions = { ...inputs, ...Object.fromEntries(found.map(({ input }) => [input.id, input])) };
    for (const name of Object.keys(adapters))
      all.set(partKey('adapters', name), proofOf({ adapters, proofs }, name, versions));
    for (const [name, { cases = [] }] of Object.entries(codecs)) {
      const failed = failing?.[name] ?? 0;
      if (failed > 0)
        all.set(partKey('codecs', name), {
          kind: 'fail',
          says: failed === 1 ? 'one case fails' : `${failed} cases fail`,
        });
      else if (failing && cases.length > 0)
        all.set(partKey('codecs', name), {
          kind: 'pass',
          says: cases.length === 1 ? 'its case holds' : `${cases.length} cases hold`,
        });
    }
    for (const [key, count] of missing)
      all.set(key, { kind: 'fail', says: count === 1 ? 'a document is missing' : `${count} documents are missing` });
    return all;
    // Not the kit: an edit of a form or a text changes none of these.
  }, [adapters, proofs, inputs, codecs, failing, found, missing]);
}

/** Whether a person has to see to it. */
export const isOpen = ({ kind }: Attention): boolean => kind === 'fail' || kind === 'warning';

const none: ReadonlyMap<string, number> = new Map();
/** How many documents the schemas of groups and forms lack, read in turns once the page rests: no drawing waits for it. */
function useMissing(kit: Kit): ReadonlyMap<string, number> {
  const [missing, setMissing] = useState(none);
  useEffect(() => {
    let isCurrent = true;
    const read = async (): Promise<void> => {
      const next = new Map<string, number>();
      for (const kind of ['groups', 'forms'] as const)
        for (const [name, { schema }] of Object.entries(kit[kind])) {
          const count = missingIn(kit, schema);
          if (count > 0) next.set(partKey(kind, name), count);
          await new Promise((resolve) => setTimeout(resolve));
          if (!isCurrent) return;
        }
      setMissing((before) => (before.size === 0 && next.size === 0 ? before : next));
    };
    const timer = setTimeout(() => {
      if (!isCalm()) void read();
    }, 500);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [kit]);
  return missing;
}

/** A schema of megabytes is walked once, not with every edit of another part. */
const walked = new WeakMap<object, { readonly of: readonly unknown[]; readonly missing: number }>();
function missingIn(kit: Kit, schema: unknown): number {
  if (typeof schema !== 'object' || schema === null) return 0;
  const of = [kit.documents, kit.groups];
  const known = walked.get(schema);
  if (known?.of.every((one, i) => one === of[i])) return known.missing;
  const missing = missingDocuments(schema, kitDocuments(kit)).length;
  walked.set(schema, { of, missing });
  return missing;
}

function proofOf(
  { adapters, proofs }: { readonly adapters: Kit['adapters']; readonly proofs: Kit['proofs'] },
  name: string,
  inputs: Readonly<Record<string, { readonly version: string }>>,
): Attention {
  const proof = proofs?.[name]?.now;
  const adapter = adapters[name];
  if (!proof || !adapter) return { kind: 'unknown', says: 'not proved yet' };
  if (staleness(proof, adapter, versionOf(adapter, inputs)) !== undefined)
    return { kind: 'warning', says: 'changed since it was proved' };
  const { fail, pass, open } = tally(proof.verdicts);
  if (fail === 0 && open > 0)
    return { kind: 'warning', says: open === 1 ? 'one check was not decided' : `${open} checks were not decided` };
  return fail > 0
    ? { kind: 'fail', says: fail === 1 ? 'one check of the contract fails' : `${fail} checks of the contract fail` }
    : { kind: 'pass', says: `${pass} checks of the contract pass` };
}
