/** What makes a folder of the files: a door, and a page that says what this is, how it came, and what it needs. */
import { families } from '../adapter/index.js';
import type { Kit } from '../kit/index.js';
import type { HandoverFile } from './file.js';
import { called } from './named.js';
import { quoted } from './source.js';

export function indexFile(kit: Kit): HandoverFile {
  const forms = [...called(kit, 'forms').values()].map(
    ({ file, type }) =>
      `export { open${type}, ${type}Form, type ${type}FormProps } from ${quoted(`./forms/${file}.js`)};\nexport type { ${type} } from ${quoted(`./forms/${file}.types.js`)};\n`,
  );
  return {
    path: 'index.ts',
    text: `${forms.join('')}export { rules } from './fields.js';\nexport { codes } from './codes.js';\n`,
  };
}

/** Packages of the inputs that the adapters stand on, with the versions that they were proved with. */
function packagesOf(kit: Kit): string[] {
  const used = new Map<string, string>();
  for (const { package: name, version, family, module } of Object.values(kit.inputs))
    if (families[family].comes !== 'with the page' && !module.startsWith('./')) used.set(name, version);
  return [...used].map(([name, version]) => (version === '' ? name : `${name}@^${version}`)).sort();
}

export function readmeFile(kit: Kit): HandoverFile {
  const forms = [...called(kit, 'forms')].map(
    ([name, { file, type }]) => `- \`${type}Form\` in \`forms/${file}.tsx\`: ${line(kit.forms[name]?.title ?? name)}`,
  );
  const packages = ['@poietra/core', '@poietra/react', 'react', 'react-dom', ...packagesOf(kit)];
  return {
    path: 'README.md',
    text: `# ${line(kit.name)}

Adapters, codecs, fields and forms of a Poietra kit, as source. Written from \`kit.json\`; write it again after the kit has changed:

    npx poietra generate kit.json --out .

What was changed by hand stays: it is merged three ways with what is new, and where both changed the same lines, the marks that git leaves say so. A file whose first line is \`// by hand\` is never written again.

It needs

    npm install ${packages.map(line).join(' ')}

${forms.length > 0 ? `Forms:\n\n${forms.join('\n')}\n` : 'The kit has no forms yet.\n'}`,
  };
}

/** A text of the kit within a line of Markdown. */
const line = (text: string): string =>
  text
    .replace(/\s+/g, ' ')
    .replace(/[`<>[\]]/g, '')
    .trim();
