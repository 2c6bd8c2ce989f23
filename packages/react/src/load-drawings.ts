import { knownNodes, type Plan, type PlanNode } from '@poietra/core';
import type { Drawings } from './drawing.js';
import { plainInputs } from './plain-inputs.js';

/** What a part of a plan asks for. */
function askedBy(node: PlanNode): keyof typeof parts | undefined {
  if (node.kind === 'list' || node.kind === 'chooser') return node.kind;
  if (node.kind === 'group')
    return node.hints.layout === 'tabs' || node.hints.layout === 'steps' ? node.hints.layout : undefined;
  if (node.hints.remote) return 'remote';
  return node.use.adapter.startsWith('native:') && !Object.hasOwn(plainInputs, node.use.adapter) ? 'boxes' : undefined;
}
const parts = {
  list: async () => ({ List: (await import('./planned-list.js')).PlannedList }),
  chooser: async () => ({ Chooser: (await import('./planned-chooser.js')).PlannedChooser }),
  steps: async () => ({ Steps: (await import('./steps.js')).Steps }),
  tabs: async () => ({ Tabs: (await import('./tabs.js')).Tabs }),
  // What a server gives is chosen in a box of several elements.
  remote: async () => ({ Remote: (await import('./remote-field.js')).RemoteField, ...(await parts.boxes()) }),
  boxes: async () => ({ inputs: (await import('./native.js')).boxInputs }),
};

/** Fetches what a plan is drawn with, and nothing else. Where what a person may open cannot be foreseen, that is all. */
export async function loadDrawings({ root }: Plan): Promise<Drawings> {
  const nodes = knownNodes(root);
  if (!nodes) return (await import('./every-drawing.js')).everyDrawing;
  const asked = new Set(nodes.flatMap((node) => askedBy(node) ?? []));
  const [{ plain, compact }, ...loaded] = await Promise.all([
    import('./skin.js'),
    ...[...asked].map(async (name): Promise<Partial<Drawings>> => parts[name]()),
  ]);
  return Object.assign({ inputs: {}, skins: { plain, compact } }, ...loaded) as Drawings;
}
