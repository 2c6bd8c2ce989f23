import { knownNodes, type Plan, type PlanNode } from '@poietra/core';
import type { Drawings } from './drawing.js';
import { plainInputs } from './plain-inputs.js';

/** What a part of a plan asks for, and where it is. */
const parts: readonly {
  isAsked(node: PlanNode): boolean;
  load(): Promise<Partial<Drawings>>;
}[] = [
  {
    isAsked: (node) => node.kind === 'list',
    load: async () => ({ List: (await import('./planned-list.js')).PlannedList }),
  },
  {
    isAsked: (node) => node.kind === 'chooser',
    load: async () => ({ Chooser: (await import('./planned-chooser.js')).PlannedChooser }),
  },
  {
    isAsked: (node) => node.kind === 'group' && node.hints.layout === 'tabs',
    load: async () => ({ Tabs: (await import('./tabs.js')).Tabs }),
  },
  {
    isAsked: (node) => node.kind === 'field' && node.hints.remote !== undefined,
    load: async () => ({ Remote: (await import('./remote-field.js')).RemoteField }),
  },
  {
    isAsked: (node) =>
      node.kind === 'field' && node.use.adapter.startsWith('native:') && !Object.hasOwn(plainInputs, node.use.adapter),
    load: async () => ({ inputs: (await import('./native.js')).boxInputs }),
  },
];

/** Fetches what a plan is drawn with, and nothing else. Where what a person may open cannot be foreseen, that is all. */
export async function loadDrawings({ root }: Plan): Promise<Drawings> {
  const nodes = knownNodes(root);
  if (!nodes) return (await import('./every-drawing.js')).everyDrawing;
  const [{ plain, compact }, ...loaded] = await Promise.all([
    import('./skin.js'),
    ...parts.filter(({ isAsked }) => nodes.some(isAsked)).map(async ({ load }) => load()),
  ]);
  return Object.assign({ inputs: {}, skins: { plain, compact } }, ...loaded) as Drawings;
}
