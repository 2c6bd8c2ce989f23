/** What a stand's frame says to the workbench. The frame runs foreign code, so every message is checked. */
import {
  adapterSchema,
  contract,
  editableRules,
  fromNotation,
  laws,
  skinParts,
  type AdapterDescription,
  type CaseResult,
  type CheckId,
  type Described,
  type Finding,
  type FormEdit,
  type Law,
  type SeenPart,
  type Step,
} from '@poietra/core';
import { z } from 'zod';
import type { LawResult } from '../workers/law-search.js';

/** `undefined` has no place in a text: the member is left out. */
const anything = z.unknown().optional();

const described: z.ZodType<Described> = z.lazy(() =>
  z.object({
    kind: z.enum([
      'undefined',
      'null',
      'boolean',
      'number',
      'text',
      'date',
      'list',
      'object',
      'event',
      'element',
      'file',
      'function',
      'other',
    ]),
    text: z.string().max(400),
    members: z
      .array(z.tuple([z.string().max(100), described]))
      .max(100)
      .optional(),
  }),
) as z.ZodType<Described>;
const problem = z.object({
  at: z.string(),
  keyword: z.string(),
  schemaAt: z.string(),
  params: z.record(z.string(), z.unknown()),
  message: z.string().max(2000),
});
const snapshot = z
  .object({
    value: anything,
    /** In the notation of cases. */
    typed: z.record(z.string(), z.unknown()).transform((typed) => fromNotation(typed) as Record<string, unknown>),
    visited: z.array(z.string()),
    chosen: z.record(z.string(), z.record(z.string(), z.number().int())).default({}),
  })
  .transform(({ value, ...rest }) => ({ ...rest, value }));

const target = z.object({
  role: z.string().max(60),
  name: z.string().max(200).optional(),
  index: z.number().int().min(0).optional(),
});
const step: z.ZodType<Step> = z.discriminatedUnion('do', [
  z.object({ do: z.literal('press'), on: target }),
  z.object({ do: z.literal('type'), on: target, text: z.string().max(1000) }),
  z.object({ do: z.literal('key'), on: target, key: z.string().max(30) }),
  z.object({ do: z.literal('set'), on: target, value: z.string().max(1000) }),
  z.object({ do: z.literal('files'), on: target, names: z.array(z.string().max(200)).max(20) }),
  z.object({ do: z.literal('draw'), on: target }),
]) as z.ZodType<Step>;

const verdict = z.object({
  check: z.enum(contract.map(({ id }) => id) as [CheckId, ...CheckId[]]),
  state: z.enum(['pass', 'fail', 'none', 'open']),
  seen: z.string().transform((text) => text.slice(0, 1000)),
});
const finding = z.object({
  about: z.string().max(40),
  says: z.string().max(1000),
  evidence: z.string().max(2000),
  from: z.literal('observed'),
  certainty: z.number().min(0).max(1),
}) as unknown as z.ZodType<Finding>;

/** A line of the server's proof: a verdict from a page of foreign code, or in the end the browser. */
export const proofLine = z.union([verdict, z.object({ browser: z.string().max(200) })]);

const propertyNames = z.array(z.string().max(200)).max(20);
const given = z.object({ name: z.string().max(200), value: z.union([z.boolean(), z.string().max(200)]) });
/** Of what was asked itself; the reader of kits looks at what is kept. */
const wrapperShape = z.object({
  component: z.string().max(400),
  properties: z.record(z.string(), z.unknown()).optional(),
  imports: z.record(z.string(), z.string().max(400)).optional(),
});
const seenPart = z.object({
  part: z.enum(['box', ...skinParts]),
  component: z.string().max(400),
  failed: z.string().max(4000).optional(),
  around: wrapperShape.optional(),
  inside: z.boolean(),
  words: z.partialRecord(z.enum(['label', 'hint', 'error', 'title', 'inside']), propertyNames),
  invalid: given.extend({ seen: z.string().max(400) }).optional(),
  required: z.string().max(200).optional(),
  open: z.string().max(200).optional(),
  labelFor: z.string().max(200).optional(),
  isLabel: z.boolean().optional(),
  button: z
    .object({
      press: z.string().max(200).optional(),
      type: z.string().max(200).optional(),
      keepsName: z.boolean(),
      sends: given.optional(),
    })
    .optional(),
}) as unknown as z.ZodType<SeenPart>;

/** A module that the frame stands on failed as it was loaded. */
const notLoaded = z.object({ kind: z.literal('not loaded'), message: z.string().max(4000) });

/** What a frame that proves says: it runs foreign code, too. */
export const fromProver = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('prover ready') }),
  notLoaded,
  z.object({
    kind: z.literal('observed'),
    adapter: adapterSchema as unknown as z.ZodType<AdapterDescription>,
    findings: z.array(finding).max(200),
    failed: z.string().max(4000).optional(),
  }),
  z.object({ kind: z.literal('verdict'), verdict }),
  z.object({
    kind: z.literal('render'),
    ask: z.number().int(),
    adapter: adapterSchema as unknown as z.ZodType<AdapterDescription>,
    shown: anything,
    id: z.string().regex(/^trial-\d+$/),
  }),
  z.object({ kind: z.literal('proved') }),
  z.object({ kind: z.literal('skin part'), seen: seenPart }),
  z.object({ kind: z.literal('skin tried') }),
  z.object({
    kind: z.literal('pushed'),
    row: z.object({
      value: described,
      shows: z.string().max(400),
      isEmpty: z.boolean(),
      warns: z.string().max(1000).optional(),
      fails: z.string().max(4000).optional(),
      flips: z.boolean(),
      moves: z.boolean().optional(),
    }),
  }),
  z.object({ kind: z.literal('all pushed') }),
  z.object({ kind: z.literal('prover failed'), message: z.string().max(4000) }),
]);
export type FromProver = z.infer<typeof fromProver>;

const edit: z.ZodType<FormEdit> = z.discriminatedUnion('do', [
  z.object({ do: z.enum(['label', 'hint', 'condition', 'computed']), text: z.string().max(2000) }),
  z.object({
    do: z.literal('choice'),
    value: z.union([z.string().max(2000), z.number(), z.boolean(), z.null()]),
    text: z.string().max(2000),
  }),
  z.object({ do: z.literal('required'), is: z.boolean() }),
  z.object({
    do: z.literal('rule'),
    keyword: z.enum([...new Set(Object.values(editableRules).flat())] as [string, ...string[]]),
    value: z.union([z.string().max(500), z.number()]).optional(),
  }),
  z.object({
    do: z.literal('span'),
    span: z.number().int().min(1).max(12).optional(),
    width: z.enum(['narrow', 'medium', 'wide']).optional(),
  }),
  z.object({ do: z.literal('into'), group: z.string().max(2000) }),
  z.object({ do: z.literal('layout'), layout: z.string().max(20).optional() }),
  z.object({ do: z.literal('hints'), hints: z.record(z.string().max(64), z.unknown()) }),
  z.object({ do: z.literal('move'), by: z.union([z.literal(-1), z.literal(1)]) }),
  z.object({ do: z.literal('place'), before: z.string().max(200) }),
  z.object({ do: z.literal('remove') }),
  z.object({ do: z.literal('add'), name: z.string().max(64), schema: z.looseObject({}) }),
]) as unknown as z.ZodType<FormEdit>;

/** What a codec's code answers. */
const station = z.object({
  name: z.enum(['held', 'sent', 'back', 'again']),
  wanted: anything,
  seen: anything,
  fits: z.boolean(),
});
export const codeAnswer = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('ready') }),
  z.object({
    kind: z.literal('case'),
    id: z.number().int(),
    index: z.number().int().min(0).max(10_000),
    result: z.object({
      passed: z.boolean(),
      stations: z.array(station).max(8),
      refused: z.string().max(2000).optional(),
    }) as unknown as z.ZodType<CaseResult>,
  }),
  z.object({
    kind: z.literal('law'),
    id: z.number().int(),
    result: z.object({
      law: z.enum(laws.map(({ id }) => id) as [Law['id'], ...Law['id'][]]),
      tried: z.number().int().min(0),
      counterexample: z.object({ shown: anything, says: z.string().max(2000) }).optional(),
    }) as unknown as z.ZodType<LawResult>,
  }),
  z.object({ kind: z.literal('done'), id: z.number().int() }),
  z.object({ kind: z.literal('failed'), id: z.number().int(), message: z.string().max(4000) }),
]);

export const fromFrame = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('ready') }),
  notLoaded,
  z.object({ kind: z.literal('pong') }),
  z.object({ kind: z.literal('touched') }),
  /** A person pressed something in it. */
  z.object({ kind: z.literal('pressed') }),
  /** All that it said before it was asked is here by now. */
  z.object({ kind: z.literal('answered'), number: z.number().int() }),
  z.object({ kind: z.literal('flooded'), name: z.string().max(200) }),
  z.object({ kind: z.literal('step'), step }),
  z.object({
    kind: z.literal('links'),
    count: z.number().int().min(0),
    breaks: z
      .array(
        z.object({
          kind: z.string().max(60),
          where: z.string().max(200),
          says: z.string().max(400),
          advice: z.string().max(400),
        }),
      )
      .max(200),
    controls: z
      .array(
        z.object({
          role: z.string().max(60),
          name: z.string().max(200),
          description: z.string().max(400),
          copy: z.number().int().min(0),
          groups: z.string().max(400),
          label: z.string().max(200),
          id: z.string().max(200),
          /** Of which control before it in the list it is a part; -1 where it stands for itself. */
          part: z.number().int().min(-1),
        }),
      )
      .max(500),
    ids: z.object({
      count: z.number().int().min(0),
      bases: z.number().int().min(0),
      escaped: z.array(z.string().max(200)).max(20),
      /** What the server drew was compared with it. */
      compared: z.boolean(),
    }),
  }),
  z.object({ kind: z.literal('replayed'), trouble: z.string().max(1000).optional() }),
  z.object({ kind: z.literal('mounted') }),
  /** Another page of a form of several pages is shown: the place of its first member. */
  z.object({ kind: z.literal('page'), page: z.string().max(2000) }),
  z.object({ kind: z.literal('height'), height: z.number().min(0).max(200_000) }),
  z.object({
    kind: z.literal('report'),
    name: z.string().max(200),
    args: z.array(described).max(20),
    value: described,
    written: anything,
    isChange: z.boolean(),
  }),
  z.object({ kind: z.literal('warning'), text: z.string().max(2000) }),
  z.object({ kind: z.literal('failed'), message: z.string().max(4000) }),
  z.object({
    kind: z.literal('line'),
    at: z.string(),
    label: z.string(),
    codec: z.looseObject({ kind: z.string(), options: z.record(z.string(), z.unknown()).optional() }).optional(),
    schemaAt: z.string().max(2000).default(''),
    /** The kit's field that stands there. */
    field: z.string().optional(),
    written: z.unknown().optional(),
    shown: described,
    held: described,
    sent: described,
    problems: z.array(problem),
  }),
  z.object({
    kind: z.literal('state'),
    snapshot,
    /** What would be sent; secrets are left out of it. */
    sent: anything,
    /** How often what this form holds was accepted. */
    accepted: z.number().int(),
    /** Values that no schema speaks of, and what is wrong with the description. */
    /** Values of places that are out of force, by place; no secrets. */
    aside: z.record(z.string().max(2000), z.unknown()),
    leftOver: z.array(z.object({ at: z.string().max(2000), isAllowed: z.boolean() })).max(100),
    troubles: z.array(z.object({ at: z.string().max(2000), says: z.string().max(2000) })).max(100),
    changed: z.boolean(),
    problems: z.number().int(),
    status: z.string(),
  }),
  /** A place of the schema is to be looked at as text. */
  z.object({ kind: z.literal('text'), schemaAt: z.string().max(2000) }),
  /** Something was edited on the sheet. */
  z.object({ kind: z.literal('edit'), schemaAt: z.string().max(2000), label: z.string().max(200), edit }),
  /** Values to choose from are wanted; only addresses of the server's own company are asked. */
  z.object({ kind: z.literal('fetch'), id: z.number().int(), address: z.string().max(2000) }),
  z.object({ kind: z.literal('send'), id: z.number().int(), sent: anything }),
  z.object({ kind: z.literal('key'), key: z.string().max(30), ctrl: z.boolean(), shift: z.boolean() }),
]);
export type FromFrame = z.infer<typeof fromFrame>;
