import type { Case, Codec } from './codec.js';
import { fromNotation, same } from './notation.js';

/** One station of a case: what was wanted, what came, and whether they are the same. */
export interface Station {
  readonly name: 'held' | 'sent' | 'back' | 'again';
  readonly wanted: unknown;
  readonly seen: unknown;
  readonly fits: boolean;
}
/** What came of one row of a codec's table. */
export interface CaseResult {
  readonly passed: boolean;
  readonly stations: readonly Station[];
  /** Why `shown` could not be parsed, if so. */
  readonly refused?: string;
}

/** Runs one row all the way: shown → held → sent → JSON text → held again → shown again. */
export function runCase(codec: Codec, row: Case): CaseResult {
  const shown = fromNotation(row.shown);
  const parsed = codec.parse(shown);
  if (!parsed.ok) {
    const fits = row.refused !== undefined && parsed.reason.toLowerCase().includes(row.refused.toLowerCase());
    return { passed: fits, refused: parsed.reason, stations: [] };
  }
  const sent = codec.serialise(parsed.held);
  const text = sent === undefined ? undefined : JSON.stringify(sent);
  const revived = codec.revive(text === undefined ? undefined : JSON.parse(text));
  const back = revived.ok ? revived.held : `refused: ${revived.reason}`;
  const again = codec.show(revived.ok ? revived.held : undefined);
  const station = (name: Station['name'], wanted: unknown, seen: unknown): Station => ({
    name,
    wanted,
    seen,
    fits: same(wanted, seen),
  });
  const stations = [
    station('held', 'held' in row ? fromNotation(row.held) : parsed.held, parsed.held),
    station('sent', 'sent' in row ? fromNotation(row.sent) : sent, sent),
    station('back', parsed.held, back),
    station('again', 'again' in row ? fromNotation(row.again) : codec.show(parsed.held), again),
  ];
  return { passed: row.refused === undefined && stations.every(({ fits }) => fits), stations };
}
