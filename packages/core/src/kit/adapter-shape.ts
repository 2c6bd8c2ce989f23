/** The shape of an adapter's description, as a kit file has it, and what other parts of a kit share with it. */
import { z } from 'zod';
import { laterValues, takings, valueKinds, widgetElements, widgetReports } from '../adapter/index.js';

/** What stands around an input, or around what a skin draws. */
export const wrappersShape = z.array(
  z.looseObject({
    component: z.string().min(1),
    properties: z.record(z.string(), z.unknown()).optional(),
    imports: z.record(z.string(), z.string().min(1)).optional(),
  }),
);

const name = z
  .string()
  .regex(
    /^[A-Za-z][A-Za-z0-9._-]{0,63}$/,
    'a name starts with a letter and has only letters, digits, ".", "_" and "-", at most 64',
  );
const exported = z.string().regex(/^[^#]+#[^#]+$/, 'names it as package#export');
const property = z.looseObject({ property: z.string().min(1) });
/** Parts of the kit by their names. */
export const map = <T extends z.ZodType>(value: T): z.ZodRecord<typeof name, T> => z.record(name, value);
const target = z.looseObject({
  role: z.string(),
  name: z.string().optional(),
  index: z.number().int().min(0).optional(),
});
const step = z.discriminatedUnion('do', [
  z.looseObject({ do: z.literal('press'), on: target }),
  z.looseObject({ do: z.literal('type'), on: target, text: z.string().max(1000) }),
  z.looseObject({ do: z.literal('key'), on: target, key: z.string().min(1).max(30) }),
  z.looseObject({ do: z.literal('set'), on: target, value: z.string().max(1000) }),
  z.looseObject({ do: z.literal('files'), on: target, names: z.array(z.string().max(200)).max(20) }),
  z.looseObject({ do: z.literal('draw'), on: target }),
]);

/** What stands inside an input, which may be put together of parts that are so themselves. */
const inside = z.union([
  z.looseObject({
    component: z.string().min(1),
    properties: z.record(z.string(), z.unknown()).optional(),
    at: z.string().min(1).optional(),
    given: z.union([z.string().min(1), z.literal(true)]).optional(),
    get inside() {
      return z.array(inside).max(50).optional();
    },
  }),
  z.looseObject({
    words: z.string().max(1000),
    of: z.enum(['choice', 'chosen']).optional(),
    when: z.enum(['chosen', 'not chosen']).optional(),
    silent: z.literal(true).optional(),
  }),
]);

const singleAdapter = z.looseObject({
  input: z.string().min(1),
  title: z.string().optional(),
  value: z.looseObject({
    property: z.string().min(1),
    start: z.string().optional(),
    empty: z.unknown().optional(),
    kind: z.enum(valueKinds).optional(),
    made: z
      .looseObject({
        by: exported,
        start: z.literal('new').optional(),
        read: z.string().min(1).optional(),
        given: z.array(z.unknown()).max(10).optional(),
      })
      .optional(),
    later: z.enum(laterValues).optional(),
  }),
  change: z.looseObject({
    report: z.string().min(1),
    path: z.string().regex(/^\/\d+(\/.*)?$/, 'starts with the argument’s number, like /0/target/value'),
    asks: z.string().min(1).optional(),
    tells: z.literal('press').optional(),
    refused: z.literal('anew').optional(),
  }),
  leave: z.looseObject({ report: z.string().min(1) }).optional(),
  focus: z.discriminatedUnion('by', [
    z.looseObject({ by: z.literal('element') }),
    z.looseObject({ by: z.literal('handle'), method: z.string().min(1) }),
    z.looseObject({ by: z.literal('inner'), selector: z.string().min(1) }),
  ]),
  invalid: property.extend({ value: z.unknown().optional() }).optional(),
  disabled: property.optional(),
  readOnly: property.optional(),
  required: property.optional(),
  id: property.optional(),
  ownIds: property.optional(),
  onServer: z.literal('nothing').optional(),
  name: property.optional(),
  describedBy: property.optional(),
  labelledBy: property.optional(),
  placeholder: property.optional(),
  label: property.optional(),
  hint: property.optional(),
  message: property.optional(),
  constants: z.record(z.string(), z.unknown()).optional(),
  real: z.looseObject({ selector: z.string().min(1) }).optional(),
  choices: z
    .union([
      z.looseObject({
        property: z.string().min(1),
        value: z.string().min(1),
        text: z.string().min(1),
        takes: z.enum(takings).optional(),
        made: z.looseObject({ by: exported, under: z.string().min(1) }).optional(),
        each: z.looseObject({ component: exported, property: z.string().min(1) }).optional(),
      }),
      z.looseObject({
        tag: z.string().regex(/^[a-z][a-z0-9-]*$/, 'is the name of an element, in small letters'),
        value: z.string().min(1),
        text: z.string().min(1).optional(),
      }),
      z.looseObject({ component: z.string().min(1), value: z.string().min(1), text: z.string().min(1) }),
    ])
    .optional(),
  inside: z.array(inside).max(50).optional(),
  wrappers: wrappersShape.optional(),
  gesture: z.looseObject({ name: z.string(), steps: z.array(step).max(50) }).optional(),
  samples: z.tuple([z.unknown(), z.unknown()]).optional(),
  widget: z
    .looseObject({
      start: z.enum(['new', 'call']),
      place: z.string().min(1).optional(),
      startsEmpty: z.boolean().optional(),
      begin: z.string().min(1).optional(),
      handle: z.string().optional(),
      update: z.string(),
      destroy: z.string().optional(),
      leavesTraces: z.boolean().optional(),
      reports: z.enum(widgetReports),
      on: z.string().min(1).optional(),
      element: z.enum(widgetElements),
    })
    .optional(),
});

/** The shape of an adapter's description. */
export const adapterSchema = singleAdapter.extend({
  parts: z
    .array(z.looseObject({ name, label: z.string().min(1), use: singleAdapter }))
    .min(2)
    .max(12)
    .optional(),
});
