import { compileSchema, prepareSchema } from '../../src/index.js';

const schema = {
  type: 'object',
  properties: { lines: { type: 'array', items: { type: 'object', properties: { 'a/b': { type: 'integer' } } } } },
};

it('a compiled schema is a Standard Schema: the value as it is, or issues with the way to each', async () => {
  for (const compiled of [compileSchema(schema), await prepareSchema(schema)]) {
    const { version, vendor, validate } = compiled['~standard'];
    expect([version, vendor]).toEqual([1, 'poietra']);
    const sound = { lines: [{ 'a/b': 1 }] };
    expect(validate(sound)).toEqual({ value: sound });
    expect(validate({ lines: [{ 'a/b': 'x' }] })).toEqual({
      issues: [{ message: 'Has to be a whole number, but is a text.', path: ['lines', '0', 'a/b'] }],
    });
  }
});
