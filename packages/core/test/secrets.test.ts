import { compileSchema, makePlan, secretsOf, withoutSecretPlaces, withoutSecrets } from '../src/index.js';

const { root } = makePlan(
  compileSchema({
    type: 'object',
    properties: {
      name: { type: 'string' },
      phrase: { type: 'string', writeOnly: true },
      crew: {
        type: 'array',
        items: {
          type: 'object',
          properties: { pin: { type: 'string', 'x-poietra': { input: 'password' } }, name: { type: 'string' } },
        },
      },
    },
  }),
);
const secrets = secretsOf(root);

it('secrets are what can only be written and what is typed unseen, also in entries', () =>
  expect(secrets).toEqual(['/phrase', '/crew/*/pin']));

it('a value is copied without them, in their places nothing is left', () => {
  const value = { name: 'a', phrase: 'b', crew: [{ pin: '1', name: 'c' }, { name: 'd' }] };
  expect(withoutSecrets(value, secrets)).toEqual({ name: 'a', crew: [{ name: 'c' }, { name: 'd' }] });
  expect(withoutSecrets(value, [])).toBe(value);
});

it('so are texts that are kept by place', () =>
  expect(withoutSecretPlaces({ '/name': 'x', '/phrase': 'y', '/crew/3/pin': 'z' }, secrets)).toEqual({ '/name': 'x' }));
