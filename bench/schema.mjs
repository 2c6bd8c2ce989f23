/** The schema engine against a function written by hand for the same schema, and against Zod's safeParse. */
import { z } from 'zod';
import { compileSchema } from '../packages/core/dist/index.js';
import { writeValidator } from '../packages/core/dist/handover/index.js';
import { compare, nanoseconds, ratio, table } from './measure.mjs';

const string = (more = {}) => ({ type: 'string', ...more });

const small = {
  name: 'small: a booking of five members',
  schema: {
    type: 'object',
    required: ['number', 'pieces'],
    properties: {
      number: string({ minLength: 3 }),
      pieces: { type: 'integer', minimum: 1 },
      weight: { type: 'number' },
      stackable: { type: 'boolean' },
      port: { enum: ['ALD', 'BRE', 'TOR', 'LSU', 'HAR'] },
    },
  },
  zod: z.object({
    number: z.string().min(3),
    pieces: z.number().int().min(1),
    weight: z.number().optional(),
    stackable: z.boolean().optional(),
    port: z.enum(['ALD', 'BRE', 'TOR', 'LSU', 'HAR']).optional(),
  }),
  hand: (v) => {
    if (typeof v !== 'object' || v === null || Array.isArray(v)) return false;
    if (typeof v.number !== 'string' || v.number.length < 3) return false;
    if (!Number.isInteger(v.pieces) || v.pieces < 1) return false;
    if (v.weight !== undefined && typeof v.weight !== 'number') return false;
    if (v.stackable !== undefined && typeof v.stackable !== 'boolean') return false;
    return v.port === undefined || ports.has(v.port);
  },
  value: { number: 'SK 214', pieces: 12, weight: 812.5, stackable: true, port: 'TOR' },
};
const ports = new Set(['ALD', 'BRE', 'TOR', 'LSU', 'HAR']);

const wideNames = Array.from({ length: 60 }, (_, i) => `member${i}`);
const wide = {
  name: 'wide: sixty texts and numbers, closed',
  schema: {
    type: 'object',
    required: wideNames,
    properties: Object.fromEntries(
      wideNames.map((name, i) => [name, i % 2 ? string({ maxLength: 40 }) : { type: 'number', minimum: 0 }]),
    ),
    additionalProperties: false,
  },
  zod: z.strictObject(
    Object.fromEntries(wideNames.map((name, i) => [name, i % 2 ? z.string().max(40) : z.number().min(0)])),
  ),
  hand: (v) => {
    if (typeof v !== 'object' || v === null || Array.isArray(v)) return false;
    for (let i = 0; i < wideNames.length; i++) {
      const member = v[wideNames[i]];
      if (i % 2 ? typeof member !== 'string' || member.length > 40 : typeof member !== 'number' || member < 0)
        return false;
    }
    let count = 0;
    for (const _ in v) count++;
    return count === wideNames.length;
  },
  value: Object.fromEntries(wideNames.map((name, i) => [name, i % 2 ? `text ${i}` : i])),
};

const levels = 12;
const deepSchema = (level) => ({
  type: 'object',
  required: ['at'],
  properties: { at: string({ minLength: 1 }), ...(level > 0 ? { inside: deepSchema(level - 1) } : {}) },
});
const deepZod = (level) =>
  z.object({ at: z.string().min(1), ...(level > 0 ? { inside: deepZod(level - 1).optional() } : {}) });
const deepValue = (level) => ({ at: `level ${level}`, ...(level > 0 ? { inside: deepValue(level - 1) } : {}) });
const deepHand = (v) =>
  typeof v === 'object' &&
  v !== null &&
  !Array.isArray(v) &&
  typeof v.at === 'string' &&
  v.at.length >= 1 &&
  (v.inside === undefined || deepHand(v.inside));
const deep = {
  name: 'deep: twelve levels',
  schema: deepSchema(levels),
  zod: deepZod(levels),
  hand: deepHand,
  value: deepValue(levels),
};

const record = (i) => ({
  number: `FB-${1000 + i}`,
  kind: ['pallet', 'timber', 'fish'][i % 3],
  pieces: 1 + (i % 50),
  weight: i * 1.5,
  lines: [
    { code: 'a', count: i },
    { code: 'b', count: 1 },
  ],
});
const kinds = new Set(['pallet', 'timber', 'fish']);
const lists = {
  name: 'lists: a thousand bookings with two lines each',
  schema: {
    type: 'array',
    items: {
      type: 'object',
      required: ['number', 'kind', 'pieces'],
      properties: {
        number: string(),
        kind: { enum: [...kinds] },
        pieces: { type: 'integer', minimum: 1, maximum: 500 },
        weight: { type: 'number', minimum: 0 },
        lines: {
          type: 'array',
          items: {
            type: 'object',
            required: ['code'],
            properties: { code: string({ maxLength: 3 }), count: { type: 'integer' } },
          },
        },
      },
    },
  },
  zod: z.array(
    z.object({
      number: z.string(),
      kind: z.enum([...kinds]),
      pieces: z.number().int().min(1).max(500),
      weight: z.number().min(0).optional(),
      lines: z.array(z.object({ code: z.string().max(3), count: z.number().int().optional() })).optional(),
    }),
  ),
  hand: (v) =>
    Array.isArray(v) &&
    v.every((r) => {
      if (typeof r !== 'object' || r === null || Array.isArray(r)) return false;
      if (
        typeof r.number !== 'string' ||
        !kinds.has(r.kind) ||
        !Number.isInteger(r.pieces) ||
        r.pieces < 1 ||
        r.pieces > 500
      )
        return false;
      if (r.weight !== undefined && (typeof r.weight !== 'number' || r.weight < 0)) return false;
      return (
        r.lines === undefined ||
        (Array.isArray(r.lines) &&
          r.lines.every(
            (l) =>
              typeof l === 'object' &&
              l !== null &&
              !Array.isArray(l) &&
              typeof l.code === 'string' &&
              l.code.length <= 3 &&
              (l.count === undefined || Number.isInteger(l.count)),
          ))
      );
    }),
  value: Array.from({ length: 1000 }, (_, i) => record(i)),
};

/** Looks at each member and item and asks nothing of it: the floor for whoever does not know the names in advance. */
function readEach(value) {
  let seen = 1;
  if (Array.isArray(value)) for (const item of value) seen += readEach(item);
  else if (typeof value === 'object' && value !== null) for (const name in value) seen += readEach(value[name]);
  return seen;
}

const rows = [];
for (const { name, schema, zod, hand, value } of [small, wide, deep, lists]) {
  const compiled = compileSchema(schema);
  const written = await import(`data:text/javascript,${encodeURIComponent(writeValidator(schema))}`);
  if (!compiled.accepts(value) || !written.accepts(value) || !hand(value) || !zod.safeParse(value).success)
    throw new Error(`${name}: the rivals do not agree.`);
  const times = compare({
    accepts: () => compiled.accepts(value),
    validate: () => compiled.validate(value).valid,
    written: () => written.accepts(value),
    hand: () => hand(value),
    zod: () => zod.safeParse(value).success,
    reading: () => readEach(value) > 0,
  });
  rows.push([
    name,
    nanoseconds(times.accepts),
    ratio(times.accepts, times.hand),
    ratio(times.written, times.hand),
    ratio(times.reading, times.hand),
    ratio(times.accepts, times.zod),
    ratio(times.validate, times.accepts),
  ]);
}
console.log(
  table(
    [
      'schema',
      'accepts',
      'accepts : by hand',
      'written out : by hand',
      'only reading : by hand',
      'accepts : Zod',
      'validate : accepts',
    ],
    rows,
  ),
);

const many = Array.from({ length: 10_000 }, (_, i) => record(i));
const compiled = compileSchema(lists.schema);
compiled.recheck(many, '');
let turn = 0;
const again = compare({
  full: () => compiled.validate(many).valid,
  inPlace: () => {
    many[5000].pieces = 1 + (turn++ % 400);
    return compiled.recheck(many, '/5000/pieces').valid;
  },
});
const shared = compileSchema(lists.schema);
let copy = many;
shared.recheck(copy, '');
const onCopies = compare({
  copy: () => {
    copy = copy.with ? copy.slice() : copy.slice();
    copy[5000] = { ...copy[5000], pieces: 1 + (turn++ % 400) };
    return true;
  },
  recheck: () => {
    copy = copy.slice();
    copy[5000] = { ...copy[5000], pieces: 1 + (turn++ % 400) };
    return shared.recheck(copy, '/5000/pieces').valid;
  },
});
console.log(
  `\nrecheck of one leaf in 10,000 records: in place ${nanoseconds(again.inPlace)} (full run ${nanoseconds(again.full)}, 1/${Math.round(again.full / again.inPlace)}), on a copy that shares ${nanoseconds(onCopies.recheck - onCopies.copy)} (1/${Math.round(again.full / (onCopies.recheck - onCopies.copy))})`,
);

console.log('');
const sizes = [];
for (const count of [500, 2000, 8000]) {
  const definitions = Object.fromEntries(
    Array.from({ length: count }, (_, i) => [
      `part${i}`,
      {
        type: 'object',
        title: `Part number ${i}`,
        description: 'A part of a very large schema, as generators write them.',
        required: ['code'],
        properties: { code: string({ minLength: 1, maxLength: 20 }), next: { $ref: `#/$defs/part${(i + 1) % count}` } },
      },
    ]),
  );
  const schema = { $ref: '#/$defs/part0', $defs: definitions };
  const bytes = JSON.stringify(schema).length;
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  const start = performance.now();
  const large = compileSchema(schema);
  const took = performance.now() - start;
  large.accepts({ code: 'x', next: { code: 'y' } });
  const memory = process.memoryUsage().heapUsed - before;
  sizes.push([
    `${(bytes / 1e6).toFixed(2)} MB`,
    `${count} definitions`,
    `${took.toFixed(0)} ms`,
    `${((took / bytes) * 1e6).toFixed(0)} ms a MB`,
    `${(memory / 1e6).toFixed(0)} MB`,
  ]);
}
console.log(table(['schema', 'of', 'compile', 'a MB', 'memory'], sizes));
