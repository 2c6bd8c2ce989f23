import { lookUp } from '../json/index.js';
import type { PlacedCheck } from '../form/index.js';
import { eachNode } from './each.js';
import type { HintCheck } from './hints.js';
import type { PlanNode } from './nodes.js';
import { filledIn, templateVariables, variableOf, type Asked } from './remote.js';

/** Asks a server: gives its answer as JSON. Rejects where it cannot be had. */
export type Ask = (address: string, signal: Parameters<PlacedCheck['ask']>[1]['signal']) => Promise<unknown>;

/** Asks with the platform's own `fetch`. */
export const askServer: Ask = async (address, signal) => {
  const { fetch } = globalThis as unknown as { fetch(address: string, how: object): Promise<Answered> };
  const answer = await fetch(address, { signal, headers: { Accept: 'application/json' } });
  if (!answer.ok) throw new Error(`The server answered with ${answer.status}.`);
  return answer.json();
};
interface Answered {
  readonly ok: boolean;
  readonly status: number;
  json(): Promise<unknown>;
}

/** What hints say that a server is to be asked, for `openForm`. */
export function checksOf(root: PlanNode, ask: Ask = askServer): readonly PlacedCheck[] {
  const checks = new Map<string, PlacedCheck>();
  eachNode(root, '', 12, ({ hints }, at) => {
    if (hints.check) checks.set(at, placed(at, hints.check, ask));
  });
  return [...checks.values()];
}

function placed(at: string, check: HintCheck, ask: Ask): PlacedCheck {
  const { from, variables, good = '', reason, message = 'Is not accepted.', failing } = check;
  const others = templateVariables(from).filter((name) => name !== 'value');
  return {
    at,
    ...(failing ? { failing } : {}),
    ...(others.length > 0
      ? { with: (asked: Asked) => others.map((name) => variableOf(name, variables, asked) ?? null) }
      : {}),
    async ask(value, { signal, ...asked }) {
      const address = filledIn(from, variables, asked, { value });
      // What it depends on is not there yet; the schema says whether it has to be.
      if (address === undefined) return undefined;
      const answer = await ask(address, signal);
      const isGood: unknown = lookUp(answer, good);
      if (isGood === true) return undefined;
      if (isGood !== false) throw new Error(`The answer has neither true nor false at “${good}”.`);
      const words: unknown = reason === undefined ? undefined : lookUp(answer, reason);
      return typeof words === 'string' && words !== '' ? words : message;
    },
  };
}
