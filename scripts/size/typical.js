/** A typical form, drawn: a list, a choice, a date, a computed value, choices from a server. What it fetches is measured. */
import { DrawnForm, prepareForm } from '@poietra/react';
import { createElement } from 'react';
import { createRoot } from 'react-dom/client';

const schema = {
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
const booking = await prepareForm({ schema });
const form = booking.open({
  begin: {
    cargo: [
      { what: 'Timber', mass: 2.5 },
      { what: 'Nails', mass: 4 },
    ],
  },
});
createRoot(document.body).render(
  createElement(DrawnForm, {
    form,
    plan: booking.plan,
    drawings: booking.drawings,
    send: () => Promise.resolve({ kind: 'accepted' }),
  }),
);
