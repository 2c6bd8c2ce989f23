/** The typical form, made ready from its schema as it starts, and drawn. What it fetches is measured. */
import { DrawnForm, prepareForm } from '@poietra/react';
import { createElement } from 'react';
import { createRoot } from 'react-dom/client';
import { begin } from './typical-begin.js';
import { schema } from './typical-schema.js';

void prepareForm({ schema }).then((booking) =>
  createRoot(document.body).render(
    createElement(DrawnForm, {
      form: booking.open({ begin }),
      plan: booking.plan,
      drawings: booking.drawings,
      send: () => Promise.resolve({ kind: 'accepted' }),
    }),
  ),
);
