/**
 * What runs in a frame that proves: it is told which input to try or which adapter to check, and tells what it saw.
 * Messages go to the parent; a page of its own is its own parent.
 */
import { giveBackTheConsole } from './unprofiled.js';
import '@poietra/react/skin.css';
import type {
  AdapterDescription,
  CheckId,
  CheckVerdict,
  Finding,
  FoundInput,
  SeenPart,
  SkinTask,
  Wrapper,
} from '@poietra/core';
import { answerJudge } from './agent.js';
import { toldBare } from './bare.js';
import { say } from './say.js';
import type { Answer, Ground, RenderInput } from './ground.js';
import { hurryAnimations } from './hurry.js';
import { asHandedOver, liveInput, type BundledInputs } from './live.js';
import { pushMatrix, type PushedRow } from './matrix.js';
import { observe, prepare } from './observe/index.js';
import { prove } from './prove.js';
import { trySkinPart } from './skin-trial.js';
import { takeNoStacks } from './unstacked.js';
import { groundHere } from './ground-here.js';

export type ToProver =
  | { readonly kind: 'observe'; readonly input: FoundInput; readonly adapter: AdapterDescription }
  /** Finds what the checks need and the adapter does not have: a gesture and samples. */
  | { readonly kind: 'prepare'; readonly adapter: AdapterDescription }
  | { readonly kind: 'prove'; readonly adapter: AdapterDescription; readonly checks: readonly CheckId[] }
  | { readonly kind: 'try values'; readonly adapter: AdapterDescription; readonly values: readonly unknown[] }
  /** Tells what it warns of, given nothing by its adapter; on a fresh page only. */
  | { readonly kind: 'stand bare'; readonly adapter: AdapterDescription }
  /** What came of drawing on the server. */
  | { readonly kind: 'rendered'; readonly ask: number; readonly html?: string; readonly failed?: string }
  /** Tries components of a suite as parts of a skin, one after the other. */
  | { readonly kind: 'try skin'; readonly tasks: readonly SkinTask[]; readonly around: readonly Wrapper[] }
  | { readonly kind: 'stop' };

export type FromProver =
  | { readonly kind: 'prover ready' }
  /** Said for it by `say.ts`: a module that it stands on failed as it was loaded. */
  | { readonly kind: 'not loaded'; readonly message: string }
  | {
      readonly kind: 'observed';
      readonly adapter: AdapterDescription;
      readonly findings: readonly Finding[];
      readonly failed?: string;
    }
  | { readonly kind: 'verdict'; readonly verdict: CheckVerdict }
  /** It asks to be drawn on the server. */
  | ({ readonly kind: 'render'; readonly ask: number } & RenderInput)
  | { readonly kind: 'proved' }
  | { readonly kind: 'stood bare'; readonly told: readonly string[] }
  | { readonly kind: 'pushed'; readonly row: PushedRow }
  | { readonly kind: 'all pushed' }
  | { readonly kind: 'skin part'; readonly seen: SeenPart }
  | { readonly kind: 'skin tried' }
  | { readonly kind: 'prover failed'; readonly message: string };

export function startProving(inputs: BundledInputs): void {
  let isStopped = false;
  const waiting = new Map<number, (answer: Answer) => void>();
  const tell = (message: FromProver): void => say(message);
  const render: Ground['render'] = (asked) =>
    new Promise((resolve) => {
      const ask = waiting.size;
      waiting.set(ask, resolve);
      tell({ kind: 'render', ask, ...asked });
    });
  const hear = async (message: ToProver): Promise<void> => {
    switch (message.kind) {
      case 'observe':
        tell({
          kind: 'observed',
          ...(await observe(message.input, message.adapter, (adapter) => liveInput(inputs, adapter), render)),
        });
        break;
      case 'prepare':
        tell({
          kind: 'observed',
          adapter: await prepare(message.adapter, (adapter) => liveInput(inputs, adapter)),
          findings: [],
        });
        break;
      case 'prove': {
        isStopped = false;
        const verdict = (one: CheckVerdict): void => tell({ kind: 'verdict', verdict: one });
        const ground = await groundHere(
          (adapter) => liveInput(inputs, adapter),
          asHandedOver(inputs, message.adapter),
          render,
        );
        await prove(ground, message.checks, verdict, () => isStopped);
        tell({ kind: 'proved' });
        break;
      }
      case 'stand bare':
        tell({ kind: 'stood bare', told: await toldBare((adapter) => liveInput(inputs, adapter), message.adapter) });
        break;
      case 'try values': {
        const adapter = await prepare(message.adapter, (one) => liveInput(inputs, one));
        const input = liveInput(inputs, adapter);
        if (!input) throw new Error(`The input “${message.adapter.input}” is not in the bundle.`);
        await pushMatrix(input, adapter, message.values, (row) => tell({ kind: 'pushed', row }));
        tell({ kind: 'all pushed' });
        break;
      }
      case 'rendered':
        waiting.get(message.ask)?.(
          message.html === undefined ? { failed: message.failed ?? 'No answer.' } : { html: message.html },
        );
        break;
      case 'try skin':
        for (const task of message.tasks) {
          tell({ kind: 'skin part', seen: await trySkinPart(task, message.around, inputs) });
        }
        tell({ kind: 'skin tried' });
        break;
      case 'stop':
        isStopped = true;
    }
  };
  window.addEventListener('message', (event: MessageEvent<ToProver>) => {
    if (event.source !== window.parent) return;
    hear(event.data).catch((error: unknown) =>
      tell({ kind: 'prover failed', message: error instanceof Error ? error.message : String(error) }),
    );
  });
  giveBackTheConsole();
  takeNoStacks();
  hurryAnimations();
  answerJudge(inputs);
  tell({ kind: 'prover ready' });
}
