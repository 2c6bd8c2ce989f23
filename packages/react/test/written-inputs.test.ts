/** What a hand-over imports from the door for forms that were written out is there. */
import { boxAdapters } from '@poietra/core';
import { writeForm } from '@poietra/core/handover';
import * as door from '../src/written.js';

it.each(Object.keys(boxAdapters))('a form that was written out brings %s along where it has one', (name) => {
  const fields = { own: { adapter: `native:${name}`, codec: 'plain' } };
  const written = writeForm({
    schema: { type: 'object', properties: { a: { 'x-poietra': { field: 'own' } } } },
    rules: { fields, codecs: { plain: { kind: 'same' } } },
    file: './own.schema.json',
  });
  const inputs = 'inputs' in written ? written.inputs : [];
  expect(inputs.flatMap((one) => Object.keys(door[one]))).toContain(`native:${name}`);
});
