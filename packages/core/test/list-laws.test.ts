/** Whatever is done to a list, it stands as if its entries had been written so: values, problems, and what was typed. */
import fc from 'fast-check';
import { openForm } from '../src/index.js';

const schema = {
  type: 'object',
  properties: {
    lines: {
      type: 'array',
      minItems: 2,
      uniqueItems: true,
      prefixItems: [{ $ref: '#/$defs/line', required: ['pieces'] }],
      items: { $ref: '#/$defs/line' },
    },
  },
  $defs: {
    line: {
      type: 'object',
      properties: { kind: { enum: ['salt', 'oil'] }, pieces: { type: 'integer', minimum: 1 } },
      if: { properties: { kind: { const: 'oil' } }, required: ['kind'] },
      then: { required: ['class'], properties: { class: { type: 'string', minLength: 2 } } },
    },
  },
};
interface Entry {
  /** Left out where it was never typed. */
  typed?: string;
  kind?: string;
  class?: string;
}
const index = fc.nat({ max: 30 });
const acts = fc.oneof(
  fc.record({ do: fc.constant('add' as const), at: index, kind: fc.constantFrom('salt', 'oil', 'fish') }),
  fc.record({ do: fc.constantFrom('remove', 'remove and put back', 'duplicate', 'to the end'), at: index }),
  fc.record({ do: fc.constant('move' as const), at: index, to: index }),
  fc.record({ do: fc.constant('type' as const), at: index, text: fc.constantFrom('', '0', '7', 'seven') }),
  fc.record({ do: fc.constant('class' as const), at: index, text: fc.constantFrom('3', '33') }),
);
type Act = typeof acts extends fc.Arbitrary<infer A> ? A : never;

const sentOf = ({ typed, kind, class: own }: Entry): object => ({
  ...(kind === undefined ? {} : { kind }),
  ...(/^\d+$/.test(typed ?? '') ? { pieces: Number(typed) } : {}),
  ...(kind === 'oil' && own !== undefined ? { class: own } : {}),
});

function run(form: ReturnType<typeof openForm>, model: Entry[], act: Act): void {
  const list = form.list('/lines');
  if (act.do === 'add') {
    const at = act.at % (model.length + 1);
    list.add({ kind: act.kind }, at);
    model.splice(at, 0, { kind: act.kind });
    return;
  }
  if (model.length === 0) return;
  const at = act.at % model.length;
  const entry = model[at] as Entry;
  switch (act.do) {
    case 'remove':
      list.remove(at);
      model.splice(at, 1);
      break;
    case 'remove and put back':
      list.remove(at)();
      break;
    case 'duplicate':
      list.duplicate(at);
      // What could not be parsed is no part of the value.
      model.splice(at + 1, 0, { ...entry, typed: /^\d*$/.test(entry.typed ?? '') ? entry.typed : undefined } as Entry);
      break;
    case 'to the end':
    case 'move': {
      const to = act.do === 'move' ? act.to % model.length : model.length - 1;
      list.move(at, to);
      model.splice(to, 0, ...model.splice(at, 1));
      break;
    }
    case 'type':
      form.field(`/lines/${at}/pieces`).report(act.text);
      entry.typed = act.text;
      break;
    case 'class':
      if (entry.kind !== 'oil') return;
      form.field(`/lines/${at}/class`).report(act.text);
      entry.class = act.text;
  }
}

it.each([3, 40])('law: a list that began with %i entries stands as if written so', (begun) => {
  fc.assert(
    fc.property(fc.array(acts, { maxLength: 25 }), (all) => {
      const model: Entry[] = Array.from({ length: begun }, (_, i) => ({
        kind: i % 2 ? 'oil' : 'salt',
        typed: String(i),
      }));
      const form = openForm({ schema, values: { lines: model.map(sentOf) } });
      const keys = new Set(form.list('/lines').keys);
      for (const act of all) run(form, model, act);
      const sent = { lines: model.map(sentOf) };
      expect(form.sent()).toEqual(sent);
      expect(form.list('/lines').keys.length).toBe(model.length);
      expect(new Set([...keys, ...form.list('/lines').keys]).size).toBeGreaterThanOrEqual(keys.size);
      // Of what could not be parsed it is told why, and not that it is missing.
      const unread = model.flatMap(({ typed }, i) => (typed === 'seven' ? [`/lines/${i}/pieces`] : []));
      const told = (one: typeof form): string[] =>
        one
          .problems()
          .filter(({ at }) => !unread.includes(at))
          .map(({ at, keyword }) => `${at} ${keyword}`)
          .sort();
      const fresh = openForm({ schema, values: sent });
      expect(told(form)).toEqual(told(fresh));
      const shown = model.map((_, i) => form.field(`/lines/${i}/pieces`).shown ?? '');
      expect(shown.map(String)).toEqual(model.map(({ typed = '' }) => typed));
    }),
    { numRuns: begun > 10 ? 60 : 300 },
  );
});
