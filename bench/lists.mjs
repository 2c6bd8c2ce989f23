/** Lists: what each change costs where there are a hundred entries and where there are ten thousand, all of them asked for. */
import { compileSchema, openForm } from '../packages/core/dist/index.js';
import { median, table } from './measure.mjs';

const schema = compileSchema({
  type: 'object',
  properties: {
    lines: {
      type: 'array',
      items: {
        type: 'object',
        required: ['kind', 'pieces'],
        properties: {
          kind: { type: 'string', minLength: 2 },
          pieces: { type: 'integer', minimum: 1 },
          remark: { type: 'string' },
        },
      },
    },
  },
});
const line = (i) => ({ kind: 'salt', pieces: i + 1, remark: `to Hareby, no. ${i}` });
const names = Object.keys(line(0));

/** As a drawn form asks for them. */
function opened(count) {
  const form = openForm({ schema, values: { lines: Array.from({ length: count }, (_, i) => line(i)) } });
  for (let i = 0; i < count; i++) for (const name of names) void form.field(`/lines/${i}/${name}`).shown;
  return form;
}

const changes = {
  'type into one': (list, form, i) => form.field(`/lines/${list.length >> 1}/kind`).report(`salt ${i}`),
  'add at the end': (list) => list.add(line(7)),
  'take the last away': (list) => list.remove(list.length - 1),
  'two neighbours change places': (list) => list.move(5, 6),
  'add at the beginning': (list) => list.add(line(7), 0),
  'take the first away': (list) => list.remove(0),
  'from the beginning to the end': (list) => list.move(0, list.length - 1),
};

const rounds = 15;
/** In milliseconds, the median of some rounds. */
function measured(form) {
  const list = form.list('/lines');
  return Object.values(changes).map((change) =>
    median(
      Array.from({ length: rounds }, (_, i) => {
        const start = performance.now();
        change(list, form, i);
        return performance.now() - start;
      }),
    ),
  );
}
// Once without counting, so that both find the code as it is in the long run.
measured(opened(100));
const [few, many] = [100, 10_000].map((count) => measured(opened(count)));
console.log(
  table(
    ['change', 'of 100', 'of 10,000', 'a hundred times as many'],
    Object.keys(changes).map((name, i) => [
      name,
      `${few[i].toFixed(2)} ms`,
      `${many[i].toFixed(2)} ms`,
      `${(many[i] / few[i]).toFixed(1)}×`,
    ]),
  ),
);
