/** A typical form: a list, a choice, a date, a computed value, choices from a server. */
export const schema = {
  title: 'Freight booking',
  type: 'object',
  required: ['consignor', 'terms'],
  properties: {
    consignor: { title: 'Consignor', type: 'string', minLength: 2 },
    terms: { title: 'Freight terms', enum: ['prepaid', 'collect'] },
    collection: { title: 'Collection', type: 'string', format: 'date' },
    port: {
      title: 'Port',
      type: 'string',
      'x-poietra': { remote: { from: '/ports{?q}', list: '/ports', key: '/code', text: '/name', search: 'q' } },
    },
    cargo: {
      title: 'Cargo',
      type: 'array',
      minItems: 1,
      items: {
        type: 'object',
        properties: { what: { title: 'What', type: 'string' }, mass: { title: 'Mass', type: 'number' } },
      },
    },
    mass: { title: 'Mass in all', type: 'number', 'x-poietra': { computed: 'form.cargo.map(c, c.mass).sum()' } },
  },
};
