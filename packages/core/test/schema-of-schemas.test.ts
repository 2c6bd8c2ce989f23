import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  compileSchema,
  eachNode,
  hintsSchema,
  hintsSchemaWith,
  isObject,
  makePlan,
  openForm,
  planAt,
  schemaOfSchemas,
  type Kit,
} from '../src/index.js';

const kit = JSON.parse(readFileSync(join(import.meta.dirname, '../../../demo/kit.json'), 'utf8')) as Kit;
const compiled = compileSchema(schemaOfSchemas);

describe('the schema of schemas', () => {
  it('accepts every schema of the demo kit', () => {
    for (const [name, { schema }] of [...Object.entries(kit.forms), ...Object.entries(kit.groups)])
      expect({ name, problems: compiled.validate(schema).problems }).toEqual({ name, problems: [] });
  });
  it('asks for a pattern of texts only, and for members of groups only', () => {
    const form = openForm({ schema: schemaOfSchemas, compiled, hidden: 'keep' });
    const { root } = makePlan(compiled);
    const isAsked = (at: string): boolean =>
      planAt(root, at)?.when.some((conditions) => form.holds(at, conditions)) ?? false;
    expect(isAsked('/pattern')).toBe(false);
    form.field('/type').write('string');
    expect([isAsked('/pattern'), isAsked('/properties')]).toEqual([true, false]);
    form.field('/type').write(['object', 'null']);
    expect([isAsked('/pattern'), isAsked('/properties')]).toEqual([false, true]);
  });
  it('is drawn one level at a time: what contains itself is opened on demand', () => {
    const { root } = makePlan(compiled);
    expect(planAt(root, '/if')).toMatchObject({ kind: 'group', onDemand: true });
    let count = 0;
    eachNode(root, '', 3, () => count++);
    expect(count).toBeLessThan(400);
  });
  it('keeps what it does not name', () => {
    const schema = { type: 'string', 'x-harbour': { tide: 'low' }, contentEncoding: 'base64' };
    const form = openForm({ schema: schemaOfSchemas, compiled, values: schema, hidden: 'keep' });
    form.field('/title').write('Berth');
    expect(form.sent()).toEqual({ ...schema, title: 'Berth' });
  });
});

describe('the schema of hints', () => {
  it('accepts every hint of the demo kit', () => {
    const hints = compileSchema(hintsSchemaWith(kit.hints));
    const met: unknown[] = [];
    const walk = (value: unknown): void => {
      if (Array.isArray(value)) value.forEach(walk);
      else if (isObject(value)) {
        if (isObject(value['x-poietra'])) met.push(value['x-poietra']);
        Object.values(value).forEach(walk);
      }
    };
    walk([Object.values(kit.forms), Object.values(kit.groups)]);
    for (const { hints: beside = {} } of Object.values(kit.forms)) met.push(...Object.values(beside));
    expect(met.length).toBeGreaterThan(20);
    for (const one of met) expect(hints.validate(one).problems).toEqual([]);
  });
  it('refuses a layout that is none, and checks hints of the kit’s own by their schemas', () => {
    expect(compileSchema(hintsSchema).validate({ layout: 'pile' }).problems[0]).toMatchObject({ at: '/layout' });
    expect(compileSchema(hintsSchemaWith(kit.hints)).accepts({ tide: 3 })).toBe(false);
  });
});
