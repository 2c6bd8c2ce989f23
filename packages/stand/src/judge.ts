/**
 * The judge of a full proof. It runs in a world of its own on the input's page: it sees the elements, works them by the
 * driver and reads pixels and the accessibility tree, and none of the input's code can reach it. Only what the input
 * itself has to state (what it reported, what it threw) comes from the page's world, from the agent.
 */
import type { AdapterDescription, CheckId } from '@poietra/core';
import {
  carryWanted,
  channel,
  distant,
  receiveWanted,
  type Asked,
  type Facts,
  type Said,
  type Watched,
} from './carried.js';
import type { Answer, Ground, MountOptions, Standing } from './ground.js';
import { callDriver } from './outside.js';
import { prove } from './prove.js';
import { isPatient } from './settle.js';
import { plainly, type Wanted } from './wanted.js';

export interface ToJudge {
  /** What only agent and judge know. */
  readonly secret: string;
  readonly adapter: AdapterDescription;
  readonly checks: readonly CheckId[];
}

/** Puts the adapter to these checks; each verdict is told to the driver. Ends when all are told. */
export async function judge({ secret, adapter, checks }: ToJudge): Promise<void> {
  const agent = agentBehind(secret);
  const ground = distantGround(agent, adapter);
  const told: Promise<unknown>[] = [];
  await prove(ground, checks, (verdict) => void told.push(callDriver('verdict', verdict)));
  await Promise.all(told);
}

interface Agent {
  /** What is answered before the call returns. */
  now(asked: Asked): unknown;
  later(asked: Asked): Promise<unknown>;
}

function agentBehind(secret: string): Agent {
  const names = channel(secret);
  const waiting = new Map<number, (said: Said) => void>();
  let count = 0;
  document.addEventListener(names.said, (event) => {
    const said = JSON.parse((event as CustomEvent<string>).detail) as Said;
    waiting.get(said.ask)?.(said);
    waiting.delete(said.ask);
  });
  const ask = (asked: Asked, hear: (said: Said) => void): void => {
    const number = count++;
    waiting.set(number, hear);
    const detail = JSON.stringify({ ...asked, ask: number, isPatient: isLong(asked) && isPatient() });
    document.dispatchEvent(new CustomEvent(names.asked, { detail }));
  };
  const answerOf = (said: Said): unknown => {
    if ('failed' in said) throw new Error(said.failed);
    return said.answer;
  };
  return {
    now(asked) {
      let heard: Said | undefined;
      ask(asked, (said) => (heard = said));
      if (!heard) throw new Error('The stand did not start.');
      return answerOf(heard);
    },
    later: (asked) =>
      new Promise((resolve, reject) => {
        ask(asked, (said) => {
          try {
            resolve(answerOf(said));
          } catch (error) {
            reject(error instanceof Error ? error : new Error(String(error)));
          }
        });
      }),
  };
}
const isLong = (asked: Asked): boolean => asked.do === 'mount' || asked.do === 'set';

function distantGround(agent: Agent, given: AdapterDescription): Ground {
  const adapter = agent.now({ do: 'start', adapter: given }) as AdapterDescription;
  return {
    adapter,
    newId: () => String(agent.now({ do: 'new id' })),
    render: async (asked) => (await callDriver('render', asked)) as Answer,
    toldBare: async () => (await callDriver('toldBare')) as string[],
    watch() {
      agent.now({ do: 'watch' });
      const watched = (): Watched => agent.now({ do: 'watched' }) as Watched;
      return {
        get warnings() {
          return watched().warnings;
        },
        get refused() {
          return watched().refused;
        },
        get told() {
          return watched().told;
        },
        listeners: () => watched().listeners,
        stop: () => undefined,
      };
    },
    async mount({ state = {}, ...options }: MountOptions) {
      const id = String(
        await agent.later({ do: 'mount', options: { ...options, state: carryWanted(distant, state) } }),
      );
      return standing(agent, id);
    },
  };
}

function standing(agent: Agent, id: string): Standing {
  const place = document.querySelector<HTMLElement>(`[data-trial="${CSS.escape(id)}"]`);
  if (!place) throw new Error('What was mounted is not in the page.');
  const facts = (): Facts => agent.now({ do: 'facts', id }) as Facts;
  return {
    id,
    place,
    get box() {
      return place.querySelector<HTMLElement>('.poietra-box') ?? place;
    },
    get reports() {
      return facts().reports.map(distant.receive);
    },
    get leaves() {
      return facts().leaves;
    },
    get error() {
      return facts().error;
    },
    get differences() {
      return facts().differences;
    },
    get wanted(): Wanted {
      return { ...plainly, ...receiveWanted(distant, facts().wanted) };
    },
    set: async (wanted) => void (await agent.later({ do: 'set', id, wanted: carryWanted(distant, wanted) })),
    takeFocus: () => void agent.now({ do: 'take focus', id }),
    end: () => void agent.now({ do: 'end', id }),
  };
}
