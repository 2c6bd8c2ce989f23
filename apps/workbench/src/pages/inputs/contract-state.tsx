import { staleness, tally } from '@poietra/core';
import type { ReactNode } from 'react';
import { Verdict } from '../../parts/verdict.js';
import { useKit } from '../../store/kit.js';

/** How the contract stands for an adapter, in a word. */
export function ContractState({ name, version }: { readonly name: string; readonly version: string }): ReactNode {
  const { adapters, proofs } = useKit(({ kit }) => kit);
  const proof = proofs?.[name];
  if (!proof) return <Verdict kind="unknown">adapted</Verdict>;
  if (staleness(proof.now, adapters[name], version) !== undefined) return <Verdict kind="warning">stale</Verdict>;
  const { fail, pass, open } = tally(proof.now.verdicts);
  if (fail === 0 && open > 0) return <Verdict kind="warning">{open} not decided</Verdict>;
  return fail > 0 ? <Verdict kind="fail">{fail} failed</Verdict> : <Verdict kind="pass">{pass} passed</Verdict>;
}
