/** What makes a folder of the files: a door, and a page that says what this is, how it came, and what it needs. */
import { componentsBeside, families } from '../adapter/index.js';
import { lookCss, type Kit } from '../kit/index.js';
import type { HandoverFile } from './file.js';
import { called } from './named.js';
import { packagesOf as suitesOf } from './skins.js';
import { Names, quoted } from './source.js';

export function indexFile(kit: Kit, isOwn: boolean): HandoverFile {
  const forms = [...called(kit, 'forms')].map(
    ([name, { file, type }]) =>
      `export { open${type}, ${kit.forms[name]?.send ? `send${type}, ` : ''}${type}Form, type ${type}FormProps } from ${quoted(`./forms/${file}.js`)};\nexport type { ${type} } from ${quoted(`./forms/${file}.types.js`)};\n`,
  );
  // Adapters, codecs and forms may be called alike in the kit; here they meet.
  const names = new Names([
    ...['rules', 'codes'],
    ...[...called(kit, 'forms').values()].flatMap(({ type }) => [
      type,
      `open${type}`,
      `send${type}`,
      `${type}Form`,
      `${type}FormProps`,
    ]),
  ]);
  const plainly = (name: string, suffix: string, path: string): string => {
    const given = names.give(name, suffix);
    return `export { ${given === name ? name : `${name} as ${given}`} } from ${quoted(path)};\n`;
  };
  const plain = isOwn
    ? [
        ...[...called(kit, 'adapters').values()].map(({ file, type }) =>
          plainly(type, 'Input', `./adapters/${file}.js`),
        ),
        ...[...called(kit, 'codecs').values()].map(({ file, value }) => plainly(value, 'Codec', `./codecs/${file}.js`)),
      ]
    : [];
  return {
    path: 'index.ts',
    text: `${forms.join('')}${plain.join('')}export { rules } from './fields.js';\nexport { codes } from './codes.js';\n`,
  };
}

const moduleOf = (id: string): string => id.split('#')[0] ?? '';

/** Packages of the inputs that the adapters stand on, with the versions that they were proved with, and of what stands beside them. */
function packagesOf(kit: Kit): string[] {
  const used = new Map<string, string>();
  for (const { package: name, version, family, module } of Object.values(kit.inputs))
    if (families[family].comes !== 'with the page' && !module.startsWith('./')) used.set(name, version);
  const beside = Object.values(kit.adapters).flatMap(componentsBeside);
  for (const module of [...beside.map(moduleOf), ...Object.values(kit.skins ?? {}).flatMap(suitesOf)]) {
    const [name] = /^(?:@[^/]+\/)?[^/]+/.exec(module) ?? [''];
    if (name !== '' && !name.startsWith('.') && !used.has(name)) used.set(name, '');
  }
  return [...used].map(([name, version]) => (version === '' ? name : `${name}@^${version}`)).sort();
}

/** `own`: the packages that the source needs which came along, where the folder stands on its own. */
export function readmeFile(kit: Kit, own?: readonly string[]): HandoverFile {
  const forms = [...called(kit, 'forms')].map(
    ([name, { file, type }]) => `- \`${type}Form\` in \`forms/${file}.tsx\`: ${line(kit.forms[name]?.title ?? name)}`,
  );
  const packages = [...(own ?? ['@poietra/core', '@poietra/react']), 'react', 'react-dom', ...packagesOf(kit)];
  return {
    path: 'README.md',
    text: `# ${line(kit.name)}

Adapters, codecs, fields and forms of a Poietra kit, as source. Written from \`kit.json\`; write it again after the kit has changed:

    npx poietra generate kit.json --out .${own ? ' --own' : ''}

What was changed by hand stays: it is merged three ways with what is new, and where both changed the same lines, the marks that git leaves say so. A file whose first line is \`// by hand\` is never written again.

It needs

    npm install ${packages.map(line).join(' ')}

${Object.keys(kit.adapters).length > 0 ? proving : ''}${own ? standing : ''}${lookCss(kit.look ?? {}) === '' ? '' : looking}${forms.length > 0 ? `Forms:\n\n${forms.join('\n')}\n` : 'The kit has no forms yet.\n'}`,
  };
}

const proving = `Each adapter can be put to its contract in a real browser, as it stands in this folder, by the tests of the application:

    npm install --save-dev @playwright/test @poietra/cli
    npx playwright test --config contract/playwright.config.mjs

`;
const looking = `Import \`look.css\` once, beside \`skin.css\`: it has the colours, type and spacing that the kit sets.\n\n`;
const standing = `It stands on its own: no package of Poietra is imported, but by the browser tests in \`contract/\`. Each file of \`adapters/\` exports a plain component (\`value\`, \`change\`, \`leave\`, \`id\`, \`labelledBy\`, \`describedBy\`, \`invalid\`, \`disabled\`, \`readOnly\`, \`required\`; \`label\`, \`hint\` and \`message\` as words, where the input draws them itself, as its \`draws\` says; a ref gives \`focus\`), each of \`codecs/\` an object of four functions, each \`forms/*.validate.js\` the functions \`accepts\` and \`validate\`. What the forms need of the libraries lies in \`own/\` as source, and is yours; import \`own/skin.css\` once, or write a style sheet of your own.

`;

/** A text of the kit within a line of Markdown. */
const line = (text: string): string =>
  text
    .replace(/\s+/g, ' ')
    .replace(/[`<>[\]]/g, '')
    .trim();
