/** Skins in source: the components of a suite, and under which names they take what a form draws. */
import { plainBox } from '../adapter/index.js';
import { componentsOfSkin, type Kit, type SkinDescription } from '../kit/index.js';
import type { HandoverFile } from './file.js';
import { literal, memberOf, Names, quoted, typeName } from './source.js';

export function skinsFile({ skins = {} }: Kit): HandoverFile[] {
  const all = Object.entries(skins);
  if (all.length === 0) return [];
  const names = new Names(['suiteSkin', 'Skin', 'skins', 'Readonly', 'Record']);
  const imported = new Imported(names);
  const entries = all.map(
    ([name, skin]) => `  ${memberOf(name)}: suiteSkin({ ${membersOf(name, skin, imported).join(', ')} }),`,
  );
  return [
    {
      path: 'skins.ts',
      text: `import { suiteSkin, type Skin } from '@poietra/react/written';
${imported.lines.join('\n')}

/** How forms are drawn with the parts of a suite, by the names that they use. */
export const skins = {
${entries.join('\n')}
} satisfies Readonly<Record<string, Skin>>;
`,
    },
  ];
}

/** What a skin's components are imported from: each is `package#Export`, `package#Export.Member`, or `package#a-tag`. */
export const packagesOf = (skin: SkinDescription): string[] => componentsOfSkin(skin).map(packageOf);
const packageOf = (component: string): string => component.split('#')[0] ?? '';

/** Components under names of the file, each imported once. */
class Imported {
  readonly lines: string[] = [];
  readonly #known = new Map<string, string>();

  constructor(private readonly names: Names) {}

  use(component: string, wanted: string): string {
    const [exported = 'default', ...members] = (component.split('#')[1] ?? '').split('.');
    const key = `${packageOf(component)}#${exported}`;
    let local = this.#known.get(key);
    if (local === undefined && exported.includes('-')) {
      // An element is had by its tag, once its module has registered it.
      local = quoted(exported);
      this.#known.set(key, local);
      this.lines.push(`import ${quoted(packageOf(component))};`);
    } else if (local === undefined) {
      local = this.names.give(typeName(wanted), '');
      this.#known.set(key, local);
      const from = `from ${quoted(packageOf(component))};`;
      this.lines.push(
        exported === 'default' ? `import ${local} ${from}` : `import { ${exported} as ${local} } ${from}`,
      );
    }
    return [local, ...members].join('.');
  }
}

function membersOf(
  name: string,
  {
    component,
    label,
    labelFor,
    hint,
    error,
    required,
    properties = {},
    invalid,
    parts = {},
    around = [],
  }: SkinDescription,
  imported: Imported,
): string[] {
  const names = Object.entries({ label, labelFor, hint, error, required }).flatMap(([part, own]) =>
    own === undefined ? [] : [`${part}: ${quoted(own)}`],
  );
  const usual = literal(properties);
  const state = invalid
    ? `({ invalid }) => (invalid ? ${literal({ ...properties, ...invalid })} : ${usual})`
    : `() => (${usual})`;
  const others = Object.entries(parts).map(([part, { component: of, ...rest }]) => {
    const told = Object.entries(rest).map(([member, value]) => `${member}: ${literal(value)}`);
    return `${part}: { ${[`component: ${imported.use(of, `${name} ${part}`)}`, ...told].join(', ')} }`;
  });
  const outer = around.map(({ component: of, properties: given = {}, imports = {} }) => {
    const members = [
      ...Object.entries(given).map(([member, value]) => `${memberOf(member)}: ${literal(value)}`),
      ...Object.entries(imports).map(([to, from]) => `${memberOf(to)}: ${imported.use(from, `${name} ${to}`)}`),
    ];
    const told = members.length > 0 ? `, properties: { ${members.join(', ')} }` : '';
    const box = of === plainBox ? quoted('div') : imported.use(of, `${name} around`);
    return `{ component: ${box}${told} }`;
  });
  return [
    ...(component === undefined ? [] : [`box: ${imported.use(component, `${name} box`)}`]),
    ...names,
    ...(Object.keys(properties).length > 0 || invalid ? [`properties: ${state}`] : []),
    ...(outer.length > 0 ? [`around: [${outer.join(', ')}]`] : []),
    ...(others.length > 0 ? [`parts: { ${others.join(', ')} }`] : []),
  ];
}
