/** The typical form as a hand-over writes it out, and an application that draws it. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { drawingsSource, writeForm } from '../../packages/core/dist/handover/index.js';
import { schema } from './typical-schema.js';

/** @returns the path of the application's entry. */
export function typicalWritten(home) {
  // Inside the repository, so that our packages are found from there.
  const folder = join(home, '.cache/size');
  // Not every bundler reads JSON by itself; here the schema is a module.
  const asModule = JSON.stringify(join(home, 'scripts/size/typical-schema.js'));
  const written = writeForm({
    schema,
    rules: {},
    file: './typical-schema.js',
    checks: './typical.checks.js',
  });
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, 'typical.plan.js'), written.text);
  writeFileSync(
    join(folder, 'typical.checks.js'),
    written.checks.replace(/^import schema from .*$/m, `import { schema } from ${asModule};`),
  );
  const entry = join(folder, 'typical-written.js');
  writeFileSync(
    entry,
    `import { DrawnForm, ${[...written.drawings, ...written.inputs, 'writtenForm'].join(', ')} } from '@poietra/react/written';
import { createElement } from 'react';
import { createRoot } from 'react-dom/client';
import { begin } from ${JSON.stringify(join(home, 'scripts/size/typical-begin.js'))};
import { written } from './typical.plan.js';

const booking = writtenForm(written, { drawings: ${drawingsSource(written)} });
createRoot(document.body).render(
  createElement(DrawnForm, {
    form: booking.open({ begin }),
    plan: booking.plan,
    drawings: booking.drawings,
    send: () => Promise.resolve({ kind: 'accepted' }),
  }),
);
`,
  );
  return entry;
}
