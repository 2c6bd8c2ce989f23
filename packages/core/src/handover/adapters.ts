/** Adapters in source: the description, and the call that brings it to life on the input. */
import { componentsBeside, families, sentencesFor, type AdapterDescription, type Family } from '../adapter/index.js';
import type { Kit, KitInput } from '../kit/index.js';
import type { HandoverFile } from './file.js';
import { called, type Called } from './named.js';
import { comment, literal, Names, quoted, typeName } from './source.js';

/** The project's own files are named from its root, which lies `depth` folders above the hand-over. */
function moduleFor(module: string, depth: number): string {
  return module.startsWith('./') ? `${'../'.repeat(depth + 1)}${module.slice(2).replace(/\.tsx?$/, '.js')}` : module;
}

/** How an adapter comes to life in source: what it imports, and the call that makes it of its description. */
interface Living {
  readonly imports: readonly string[];
  /** Statements that come after them. */
  readonly calls: readonly string[];
  call(description: string): string;
}

function living(name: string, adapter: AdapterDescription, input: KitInput, names: Names, depth: number): Living {
  const [imported = 'default', member] = input.export.split('.');
  /** What registers an element and has to be called. */
  const calls: string[] = [];
  const imports = input.css.map((path) => `import ${quoted(path)};`);
  const named = (module: string, exported: string, local: string): string =>
    exported === 'default'
      ? `import ${local} from ${quoted(module)};`
      : `import { ${exported === local ? local : `${isName(exported) ? exported : quoted(exported)} as ${local}`} } from ${quoted(module)};`;
  const memberOf = (way: string | undefined): string =>
    way === undefined ? '' : isName(way) ? `.${way}` : `[${quoted(way)}]`;
  /** What registers an element is loaded with it, and called where it has to be. */
  const laterOf = (tag: string, all: readonly { readonly module: string; readonly registers?: string }[]): string => {
    const loads = all.map(({ module, registers }) => {
      const loaded = `import(${quoted(moduleFor(module, depth))})`;
      return registers === undefined ? loaded : `${loaded}.then((module) => module${memberOf(registers)}())`;
    });
    return `later(() => Promise.all([${loads.join(', ')}]).then(() => ${tag}))`;
  };
  const values: Readonly<Record<(typeof families)[Family]['comes'], () => string>> = {
    'with the page': () => quoted(input.tag ?? 'input'),
    'by tag': () => {
      if (adapter.onServer)
        return laterOf(quoted(input.tag ?? ''), [input, ...(input.item?.module ? [input.item] : [])]);
      for (const { module, registers } of [input, ...(input.item?.module ? [input.item] : [])].reverse()) {
        const path = moduleFor(module, depth);
        if (registers === undefined) imports.unshift(`import ${quoted(path)};`);
        else {
          const local = names.give(registers, '');
          imports.unshift(named(path, registers, local));
          calls.push(`${local}();`);
        }
      }
      return quoted(input.tag ?? '');
    },
    'by export': () => {
      if (adapter.onServer)
        return `later(() => import(${quoted(moduleFor(input.module, depth))}).then((module) => module${memberOf(imported)}${memberOf(member)}))`;
      const local = names.give(imported === 'default' ? typeName(name) : `${typeName(imported)}Input`, '');
      imports.unshift(named(moduleFor(input.module, depth), imported, local));
      return `${local}${memberOf(member)}`;
    },
  };
  const value = values[families[input.family].comes]();
  const componentOf = (component: string): string => {
    const [module = '', exported = ''] = component.split('#');
    const [outer = '', inner] = exported.split('.');
    const local = names.give(typeName(outer), '');
    imports.push(named(moduleFor(module, depth), outer, local));
    return `${local}${memberOf(inner)}`;
  };
  const beside = componentsBeside(adapter).map((id) => `${quoted(id)}: ${componentOf(id)}`);
  const given = beside.length > 0 ? [`{ ${beside.join(', ')} }`] : [];
  return {
    imports,
    calls,
    call: (description) => `adapt(${[value, description, quoted(input.family), ...given].join(', ')})`,
  };
}

const isName = (text: string): boolean => /^[A-Za-z_$][\w$]*$/.test(text);

/** Gesture and samples serve the checks; an application has no use for them. */
function forApplication({
  gesture: _gesture,
  samples: _samples,
  ...description
}: AdapterDescription): Omit<AdapterDescription, 'gesture' | 'samples'> {
  return description;
}

export function adapterFiles(kit: Kit, isOwn: boolean, depth: number): HandoverFile[] {
  const files = [...called(kit, 'adapters')].flatMap(([name, own]) => {
    const adapter = kit.adapters[name];
    return adapter ? adapterFile(name, adapter, kit.inputs, own, isOwn, depth) : [];
  });
  return [...files, ...sheetTypes(kit)];
}

/** A sheet that a package offers under a word has no ending by which the compiler would know it for one. */
function sheetTypes({ adapters, inputs }: Kit): HandoverFile[] {
  const sheets = Object.values(adapters).flatMap(({ input }) => inputs[input]?.css ?? []);
  const unknown = [...new Set(sheets)].filter((path) => !path.endsWith('.css')).sort();
  const text = unknown.map((path) => `declare module ${quoted(path)};\n`).join('');
  return text === '' ? [] : [{ path: 'sheets.d.ts', text }];
}

/** One adapter as it will be handed over, in TypeScript against the libraries; empty where the kit has none of that name. */
export function adapterSource(kit: Kit, name: string): string {
  const own = called(kit, 'adapters').get(name);
  const adapter = own && kit.adapters[name];
  return adapter ? (adapterFile(name, adapter, kit.inputs, own, false, 1)[0]?.text ?? '') : '';
}

function adapterFile(
  name: string,
  adapter: AdapterDescription,
  inputs: Kit['inputs'],
  own: Called,
  isOwn: boolean,
  depth: number,
): HandoverFile[] {
  const names = new Names([
    ...(isOwn ? [own.type, 'asComponent'] : []),
    'adapt',
    'adaptTogether',
    'later',
    'AdapterDescription',
    own.value,
    `${own.value}Description`,
  ]);
  const says = sentencesFor(adapter)
    .filter(({ about }) => about === 'value' || about === 'change' || about === 'focus')
    .map(({ parts }) => parts.map((part) => (typeof part === 'string' ? part : (part.words ?? part.value))).join(''));
  const doc = comment(says.join(' '));
  const plain = `\n/** The same as a plain component: value in, changes out, for any state. */\nexport const ${own.type} = asComponent(${own.value});\n`;
  const file = (imports: readonly string[], body: string): HandoverFile[] => [
    {
      path: `adapters/${own.file}.ts`,
      text: `${[...new Set([...imports, ...(isOwn ? ["import { asComponent } from '@poietra/own';"] : [])])].join('\n')}\n\n${body}\n${isOwn ? plain : ''}`,
    },
  ];
  if (adapter.parts) {
    const parts = adapter.parts.flatMap(({ name: part, use }) => {
      const input = inputs[use.input] ?? nativeInput(use.input);
      const local = names.give(`${own.value}${typeName(part)}`);
      return input ? [{ part, local, use, made: living(local, use, input, names, depth) }] : [];
    });
    const { parts: described, ...rest } = forApplication(adapter);
    const list = (described ?? []).flatMap(({ name: part, label }) => {
      const local = parts.find((one) => one.part === part)?.local;
      return local ? [`{ name: ${quoted(part)}, label: ${quoted(label)}, use: ${local} }`] : [];
    });
    return file(
      [
        "import type { AdapterDescription } from '@poietra/core';",
        `import { adapt, adaptTogether${adapter.parts.some(({ use }) => use.onServer) ? ', later' : ''} } from '@poietra/react/written';`,
        ...parts.flatMap(({ made }) => made.imports),
      ],
      `${registered(parts.flatMap(({ made }) => made.calls))}${parts.map(({ local, use }) => `const ${local} = ${literal(forApplication(use))} satisfies AdapterDescription;`).join('\n')}

export const ${own.value}Description = { ...${literal(rest)}, parts: [${list.join(', ')}] } satisfies AdapterDescription;

${doc}export const ${own.value} = adaptTogether(${own.value}Description, [${parts.map(({ local, made }) => made.call(local)).join(', ')}]);`,
    );
  }
  const input = inputs[adapter.input] ?? nativeInput(adapter.input);
  if (!input) return [];
  const made = living(name, adapter, input, names, depth);
  return file(
    [
      "import type { AdapterDescription } from '@poietra/core';",
      `import { adapt${adapter.onServer ? ', later' : ''} } from '@poietra/react/written';`,
      ...made.imports,
    ],
    `${registered(made.calls)}export const ${own.value}Description = ${literal(forApplication(adapter))} satisfies AdapterDescription;

${doc}export const ${own.value} = ${made.call(`${own.value}Description`)};`,
  );
}

const registered = (calls: readonly string[]): string => (calls.length > 0 ? `${calls.join('\n')}\n\n` : '');

/** HTML's own inputs need not be listed in a kit. */
function nativeInput(id: string): KitInput | undefined {
  if (!id.startsWith('native#')) return undefined;
  const name = id.slice('native#'.length);
  const tag = name === 'textarea' || name === 'select' ? name : 'input';
  return { family: 'native', package: 'HTML', version: '', export: name, module: '', css: [], tag };
}
