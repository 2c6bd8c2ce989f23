/** Skins in source: the component of a suite, and under which names it takes what a field draws. */
import type { Kit, SkinDescription } from '../kit/index.js';
import type { HandoverFile } from './file.js';
import { literal, memberOf, Names, quoted, typeName } from './source.js';

export function skinsFile({ skins = {} }: Kit): HandoverFile[] {
  const all = Object.entries(skins);
  if (all.length === 0) return [];
  const names = new Names(['suiteSkin', 'Skin', 'skins', 'Readonly', 'Record']);
  const made = all.map(([name, skin]) => ({ name, skin, ...boxOf(name, skin, names) }));
  const entries = made.map(
    ({ name, skin, box }) => `  ${memberOf(name)}: suiteSkin({ ${[`box: ${box}`, ...partsOf(skin)].join(', ')} }),`,
  );
  return [
    {
      path: 'skins.ts',
      text: `import { suiteSkin, type Skin } from '@poietra/react/written';
${made.map((one) => one.imported).join('\n')}

/** How fields are drawn with the parts of a suite, by the names that forms use. */
export const skins = {
${entries.join('\n')}
} satisfies Readonly<Record<string, Skin>>;
`,
    },
  ];
}

/** What a skin's component is imported from: `package#Export` or `package#Export.Member`. */
export const packageOf = ({ component }: SkinDescription): string => component.split('#')[0] ?? '';

function boxOf(name: string, skin: SkinDescription, names: Names): { readonly imported: string; readonly box: string } {
  const [exported = 'default', ...members] = (skin.component.split('#')[1] ?? '').split('.');
  const local = names.give(`${typeName(name)}Box`, '');
  const module = quoted(packageOf(skin));
  return {
    imported:
      exported === 'default' ? `import ${local} from ${module};` : `import { ${exported} as ${local} } from ${module};`,
    box: [local, ...members].join('.'),
  };
}

function partsOf({ label, hint, error, required, properties = {}, invalid }: SkinDescription): string[] {
  const names = Object.entries({ label, hint, error, required }).flatMap(([part, name]) =>
    name === undefined ? [] : [`${part}: ${quoted(name)}`],
  );
  const usual = literal(properties);
  const state = invalid
    ? `({ invalid }) => (invalid ? ${literal({ ...properties, ...invalid })} : ${usual})`
    : `() => (${usual})`;
  return [...names, ...(Object.keys(properties).length > 0 || invalid ? [`properties: ${state}`] : [])];
}
