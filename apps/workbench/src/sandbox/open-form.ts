/** A form as its description says, made ready and opened for a frame. */
import {
  asksExpressions,
  compileSchemaInTurns,
  componentsOfSkin,
  isSpoken,
  loadExpressions,
  loadWords,
  makePlan,
  openPlan,
  plainBox,
  type CodecCode,
  type CompiledSchema,
  type Expressions,
  type Form,
  type Kit,
  type Plan,
  type Words,
} from '@poietra/core';
import { suiteSkin, type AdaptedInput, type FetchChoices, type Skin, type SuiteParts } from '@poietra/react';
import { liveInput, type BundledInputs } from '@poietra/stand';
import { useMemo, useRef, type ElementType } from 'react';
import type { FormToOpen } from './messages.js';
import { turns } from './turns.js';

/** The form is opened anew when its description changes; what was typed so far goes over into the new one. */
export function useOpened(
  inputs: BundledInputs,
  codes: Readonly<Record<string, CodecCode>>,
  compiled: CompiledSchema,
  language: Expressions | undefined,
  words: Words | undefined,
  open: FormToOpen,
  ask: FetchChoices,
): { plan: Plan; form: Form; live: Readonly<Record<string, AdaptedInput>> } {
  const { form: description, kit } = open;
  // What the compiled schema does not tell: a change of it opens the form anew, too.
  const { schema: _, ...rest } = description;
  const shape = JSON.stringify([rest, kit, open.disabled]);
  const last = useRef<Form>(undefined);
  return useMemo(() => {
    const plan = makePlan(compiled, description.hints, {
      fields: kit.fields,
      codecs: kit.codecs,
      ...(kit.rules ? { choose: kit.rules } : {}),
      ...(kit.hints ? { ownHints: kit.hints } : {}),
    });
    const messages = description.language === undefined ? undefined : description.messages?.[description.language];
    // Nothing that was typed may be lost, and nothing that was not typed counts as a change.
    const restore = last.current?.changed ? last.current.snapshot() : open.restore;
    const form = openPlan(plan, {
      codes,
      ask,
      ...(open.values === undefined ? {} : { values: open.values }),
      ...(restore ? { restore } : {}),
      ...(language ? { expressions: language } : {}),
      ...(words ? { words } : {}),
      ...(messages ? { messages } : {}),
      ...(open.disabled ? { disabled: true } : {}),
      ...(description.tell ? { tell: description.tell } : {}),
      ...(description.hidden ? { hidden: description.hidden } : {}),
      ...(description.accepted === undefined ? {} : { accepted: description.accepted }),
    });
    last.current = form;
    if (open.allTold) void form.submit(() => Promise.resolve({ kind: 'accepted', answer: undefined }));
    const live: Record<string, AdaptedInput> = {};
    for (const [name, adapter] of Object.entries(kit.adapters)) {
      const input = liveInput(inputs, adapter);
      if (input) live[name] = input;
    }
    return { plan, form, live };
    // Values and what is restored count at the opening only; later ones come as messages of their own.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [inputs, codes, compiled, shape, language, words, ask]);
}

/** What a sheet needs beside its description: the schema made ready, and the language of its expressions. */
export interface Prepared {
  readonly compiled: CompiledSchema;
  readonly language: Expressions | undefined;
  /** The language in which the form speaks; English without. */
  readonly words: Words | undefined;
}

let last: { readonly key: string; readonly compiled: Promise<CompiledSchema> } | undefined;

/**
 * Makes a form ready to be drawn, in turns with whatever else the page does. A schema that did not change is kept; one
 * that is not the latest any more is given up.
 */
export async function prepare({ form, documents }: FormToOpen): Promise<Prepared> {
  const key = JSON.stringify([form.schema, documents]);
  if (last?.key !== key) {
    const turn = turns(() => last?.key === key);
    last = { key, compiled: compileSchemaInTurns(form.schema, turn, { documents, assertFormats: true }) };
  }
  const { compiled } = last;
  // One that failed is no use to the next.
  compiled.catch(() => (last = last?.compiled === compiled ? undefined : last));
  const asks = asksExpressions(key + JSON.stringify(form.hints ?? {}));
  const { language = 'en' } = form;
  return {
    compiled: await compiled,
    language: asks ? await loadExpressions() : undefined,
    words: isSpoken(language) ? await loadWords(language) : undefined,
  };
}

/** The kit's skins, drawn with the bundled components; a skin with a component that is not there is left out. */
export function livingSkins(inputs: BundledInputs, skins: Kit['skins'] = {}): Readonly<Record<string, Skin>> {
  const living = (component: string): ElementType =>
    (Object.hasOwn(inputs, component) ? inputs[component]?.value : undefined) as ElementType;
  return Object.fromEntries(
    Object.entries(skins).flatMap(([name, skin]) => {
      if (!componentsOfSkin(skin).every((component) => Object.hasOwn(inputs, component))) return [];
      const { component, properties = {}, invalid = {}, parts = {}, around = [], ...names } = skin;
      const others = Object.entries(parts).map(([part, told]) => [
        part,
        { ...told, component: living(told.component) },
      ]);
      return [
        [
          name,
          suiteSkin({
            ...names,
            ...(component === undefined ? {} : { box: living(component) }),
            around: around.map((one) => ({
              component: one.component === plainBox ? 'div' : living(one.component),
              properties: {
                ...one.properties,
                ...Object.fromEntries(Object.entries(one.imports ?? {}).map(([to, from]) => [to, living(from)])),
              },
            })),
            properties: (state) => (state.invalid ? { ...properties, ...invalid } : properties),
            parts: Object.fromEntries(others) as NonNullable<SuiteParts['parts']>,
          }),
        ],
      ];
    }),
  );
}
