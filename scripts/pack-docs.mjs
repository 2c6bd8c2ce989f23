/** Before `@poietra/react` is packed: the guide, the reference and the pages that they lead to go into its tarball. */
import { cpSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';

const docs = join(import.meta.dirname, '../docs');
const target = join(import.meta.dirname, '../packages/react/docs');
rmSync(target, { recursive: true, force: true });
mkdirSync(target);
for (const name of [
  'guide',
  'reference.md',
  'forms.md',
  'formats.md',
  'schema.md',
  'architecture.md',
  'performance.md',
  'kit.schema.json',
])
  cpSync(join(docs, name), join(target, name), { recursive: true });
