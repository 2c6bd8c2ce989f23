import {
  compileSchema,
  kitDocuments,
  makePlan,
  ownHintsOf,
  type HintsBeside,
  type Kit,
  type Plan,
} from '@poietra/core';
import { useEffect, useMemo, useState } from 'react';
import { useKit } from '../store/kit.js';
import { afterDrawing } from './after-drawing.js';

/** Longer texts are not planned for a board. In characters. */
const longest = 200_000;

/** A plan, or why there is none. */
export type Planned = { readonly plan: Plan } | { readonly trouble: string };

/** One plan for all who ask about the same schema in the same kit. */
const known = new WeakMap<object, { readonly of: readonly unknown[]; readonly planned: Planned }>();

/** The plan of a schema of the kit, with documents beside it that the kit has not yet; made when the page has been drawn; `undefined` until then. */
export function usePlanned(schema: unknown, hints?: HintsBeside, beside?: Kit['documents']): Planned | undefined {
  const own = useKit((store) => store.kit);
  const kit = useMemo(() => (beside ? { ...own, documents: { ...own.documents, ...beside } } : own), [own, beside]);
  const [planned, setPlanned] = useState<Planned>();
  useEffect(() => {
    let isOver = false;
    void afterDrawing().then(() => {
      if (!isOver) setPlanned(plannedOf(schema, hints, kit));
    });
    return () => {
      isOver = true;
    };
  }, [schema, hints, kit]);
  return planned;
}

function plannedOf(schema: unknown, hints: HintsBeside | undefined, kit: Kit): Planned {
  const of = [hints, kit.fields, kit.codecs, kit.groups, kit.documents, kit.rules, kit.hints];
  const key = typeof schema === 'object' && schema !== null ? schema : undefined;
  const last = key && known.get(key);
  if (last && last.of.every((one, i) => one === of[i])) return last.planned;
  const planned = plan(schema, hints, kit);
  if (key) known.set(key, { of, planned });
  return planned;
}

function plan(schema: unknown, hints: HintsBeside | undefined, kit: Kit): Planned {
  try {
    if (JSON.stringify(schema).length > longest) return { trouble: 'too large to be looked at here' };
    const compiled = compileSchema(schema, { documents: kitDocuments(kit), assertFormats: true });
    return {
      plan: makePlan(compiled, hints, {
        fields: kit.fields,
        codecs: kit.codecs,
        ...(kit.rules ? { choose: kit.rules } : {}),
        ownHints: ownHintsOf(kit),
      }),
    };
  } catch (error) {
    return { trouble: error instanceof Error ? error.message : String(error) };
  }
}
