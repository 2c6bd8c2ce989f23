import { codecsOf, compileSchema, makePlan, nativeAdapters, openForm, planAt } from '../src/index.js';
import { places, texts } from './entered.js';

const inputs = Object.keys(nativeAdapters);

/** What an input reports when it is used, as far as it can take the place's values. */
function entered(adapter: string, format: string | undefined, schema: { enum?: unknown[]; type?: string }): unknown {
  switch (adapter) {
    case 'date':
      return '2026-11-23';
    case 'time':
      return '10:15';
    case 'datetime-local':
      return '2026-11-23T10:15';
    case 'checkbox':
      return true;
    case 'color':
      return '#112233';
    case 'file':
      return 'data:text/plain;base64,U2tlcnJ5';
    case 'select':
    case 'radios':
    case 'list':
    case 'combobox':
      return schema.enum?.[0];
    case 'checks':
    case 'listbox':
      return ['ALD'];
    case 'number':
    case 'range':
      return '4';
  }
  return schema.type === 'string' ? (texts[format ?? ''] ?? 'Hareby') : '4';
}

/** The problems that are left when a person has used the input that is drawn. */
function left(
  schema: Record<string, unknown>,
  input: string | undefined,
): { drawn: string; problems: string[]; told: number } {
  const whole = {
    type: 'object',
    properties: { here: input === undefined ? schema : { ...schema, 'x-poietra': { input } } },
  };
  const compiled = compileSchema(whole, { assertFormats: true });
  const plan = makePlan(compiled);
  const node = planAt(plan.root, '/here');
  if (node?.kind !== 'field') return { drawn: node?.kind ?? 'nothing', problems: [], told: plan.troubles.length };
  const drawn = node.use.adapter.replace('native:', '');
  const form = openForm({ schema: whole, compiled, codecs: codecsOf(plan.root) });
  form.field('/here').report(entered(drawn, schema['format'] as string | undefined, schema));
  return {
    drawn,
    problems: [
      ...form.problems().map(({ message }) => message),
      ...(form.field('/here').sent === undefined ? ['Nothing is sent.'] : []),
    ],
    told: plan.troubles.length,
  };
}

describe.each(places)('%s', (_, schema) => {
  it('can be entered validly with the input that the plan chooses', () =>
    expect(left(schema, undefined).problems).toEqual([]));
  it.each(inputs.filter((input) => input !== 'list'))(
    'can be entered validly where a hint names %s, or the hint is told',
    (input) => {
      const { drawn, problems, told } = left(schema, input);
      expect(problems).toEqual([]);
      if (drawn !== input && !(input === 'listbox' && drawn === 'list')) expect(told).toBe(1);
    },
  );
});
