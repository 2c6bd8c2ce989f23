/**
 * Proving in full is judged in a world of its own: the same page and the same elements, but none of the page's code. What
 * can only be asked in the page's world (mounting, what was reported) is asked of this agent, by events that pass between
 * the worlds as texts. It states facts and judges nothing.
 */
import {
  carryWanted,
  channel,
  keeper,
  receiveWanted,
  type Asking,
  type Facts,
  type Said,
  type Watched,
} from './carried.js';
import { asHandedOver, liveInput, type BundledInputs } from './live.js';
import { sampleChoices } from './sample-choices.js';
import { patiently } from './settle.js';
import { newId, Trial } from './trial.js';
import { watch, type Watch } from './watch.js';

const page = globalThis as { poietraSecret?: string };
/** Read and taken away before any foreign module runs: the stand is imported first. */
const secret = page.poietraSecret;
delete page.poietraSecret;
/** As they are before foreign modules may change them. */
const { parse, stringify } = JSON;

/** The agent listens where somebody has come to judge. */
export function answerJudge(inputs: BundledInputs): void {
  if (secret === undefined) return;
  const { asked, said } = channel(secret);
  const answer = agentFor(inputs);
  const say = (what: Said): void => void document.dispatchEvent(new CustomEvent(said, { detail: stringify(what) }));
  document.addEventListener(asked, (event) => {
    const asking = parse((event as CustomEvent<string>).detail) as Asking;
    const { ask } = asking;
    const failed = (error: unknown): void =>
      say({ ask, failed: error instanceof Error ? error.message : String(error) });
    try {
      const given = asking.isPatient ? patiently(() => Promise.resolve(answer(asking))) : answer(asking);
      if (given instanceof Promise) given.then((done) => say({ ask, answer: done }), failed);
      else say({ ask, answer: given });
    } catch (error) {
      failed(error);
    }
  });
}

function agentFor(inputs: BundledInputs): (asking: Asking) => unknown {
  const carrier = keeper();
  const trials = new Map<string, Trial>();
  let adapter: Parameters<typeof liveInput>[1];
  let watching: Watch | undefined;
  const known = (id: string): Trial => {
    const trial = trials.get(id);
    if (!trial) throw new Error(`There is no copy “${id}”.`);
    return trial;
  };
  return (asking) => {
    switch (asking.do) {
      case 'start':
        adapter = asHandedOver(inputs, asking.adapter);
        if (!liveInput(inputs, adapter)) throw new Error(`The input “${adapter.input}” is not in the bundle.`);
        return adapter;
      case 'mount': {
        const { state = {}, ...options } = asking.options;
        const input = liveInput(inputs, adapter);
        if (!input) throw new Error(`The input “${adapter.input}” is not in the bundle.`);
        const given = { input, adapter, choices: sampleChoices, ...options, state: receiveWanted(carrier, state) };
        return Trial.mount(given).then((trial) => {
          trials.set(trial.id, trial);
          return trial.id;
        });
      }
      case 'set':
        return known(asking.id)
          .set(receiveWanted(carrier, asking.wanted))
          .then(() => true);
      case 'take focus':
        known(asking.id).takeFocus();
        return true;
      case 'end':
        known(asking.id).end();
        return true;
      case 'facts': {
        const { reports, leaves, error, differences, wanted } = known(asking.id);
        return {
          reports: reports.map(carrier.carry),
          leaves,
          error,
          differences,
          wanted: carryWanted(carrier, wanted),
        } satisfies Facts;
      }
      case 'new id':
        return newId();
      case 'watch':
        watching?.stop();
        watching = watch();
        return true;
      case 'watched':
        return {
          warnings: watching?.warnings ?? [],
          refused: watching?.refused ?? [],
          told: watching?.told ?? 0,
          listeners: watching?.listeners() ?? 0,
        } satisfies Watched;
    }
  };
}
