/** An application that draws a form which a hand-over has written out; the typical form as one of them. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { drawingsSource, writeForm } from '../../packages/core/dist/handover/index.js';
import { schema } from './typical-schema.js';

/** @returns the path of the application's entry. */
export function typicalWritten(home) {
  const asModule = join(home, 'scripts/size/typical-schema.js');
  const begin = join(home, 'scripts/size/typical-begin.js');
  return writtenApplication(home, { name: 'typical', schema, asModule, begin });
}

/** `asModule`: a module that exports the schema, since not every bundler reads JSON by itself; `begin`: one that exports what the form begins with. */
export function writtenApplication(home, { name, schema, hints, asModule, begin }) {
  // Inside the repository, so that our packages are found from there.
  const folder = join(home, '.cache/size');
  const written = writeForm({
    schema,
    ...(hints ? { hints } : {}),
    rules: {},
    file: `./${name}-schema.js`,
    checks: `./${name}.checks.js`,
  });
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, `${name}.plan.js`), written.text);
  writeFileSync(
    join(folder, `${name}.checks.js`),
    written.checks.replace(/^import schema from .*$/m, `import { schema } from ${JSON.stringify(asModule)};`),
  );
  const entry = join(folder, `${name}-written.js`);
  writeFileSync(
    entry,
    `import { DrawnForm, ${[...written.drawings, ...written.inputs, 'writtenForm'].join(', ')} } from '@poietra/react/written';
import { draw } from ${JSON.stringify(join(home, 'scripts/size/draw.js'))};
import { begin } from ${JSON.stringify(begin)};
import { written } from './${name}.plan.js';

draw(DrawnForm, writtenForm(written, { drawings: ${drawingsSource(written)} }), begin);
`,
  );
  return entry;
}
