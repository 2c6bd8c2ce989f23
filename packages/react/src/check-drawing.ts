import { knownNodes, nearest, type Form, type Plan, type PlanTree, type PlanTrouble } from '@poietra/core';

/** What is wrong with what a plan is drawn with: inputs and skins that it names and nobody gave, a form of another schema. */
export function drawingTroubles(
  { root, compiled }: PlanTree & Partial<Pick<Plan, 'compiled'>>,
  form: Pick<Form, 'schema'>,
  { inputs, skins }: { readonly inputs: object; readonly skins: object },
): readonly PlanTrouble[] {
  const found: PlanTrouble[] = [];
  if (compiled !== undefined && compiled !== form.schema)
    found.push({ schemaAt: '', says: 'The form is drawn by a plan of another compiled schema.' });
  for (const { hints, schemaAt, ...node } of knownNodes(root) ?? []) {
    const { skin } = hints;
    if (skin !== undefined && !Object.hasOwn(skins, skin))
      found.push({ schemaAt, says: `There is no skin “${skin}”${nearest(skin, Object.keys(skins))}` });
    if (node.kind === 'field' && !Object.hasOwn(inputs, node.use.adapter)) {
      const { adapter } = node.use;
      found.push({
        schemaAt,
        says: `There is no input “${adapter}”${nearest(adapter, Object.keys(inputs))} A plain text box is drawn.`,
      });
    }
  }
  return found;
}
