/** What the measured applications have in common: a form that is ready, drawn. `DrawnForm` comes from the door that each uses. */
import { createElement } from 'react';
import { createRoot } from 'react-dom/client';

export function draw(DrawnForm, { open, plan, drawings }, begin) {
  createRoot(document.body).render(
    createElement(DrawnForm, {
      form: open({ begin }),
      plan,
      drawings,
      send: () => Promise.resolve({ kind: 'accepted' }),
    }),
  );
}
