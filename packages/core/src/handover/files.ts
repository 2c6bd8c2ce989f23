/** What leaves Poietra for the developer's own application: typed source, schemas, the kit. */
import type { AdapterDescription } from '../adapter/index.js';
import { sentencesFor } from '../adapter/index.js';
import type { CodecDescription } from '../codec/index.js';
import { isObject } from '../json/index.js';
import { ownHintsOf, writeKit, kitDocuments, type FormDescription, type Kit, type KitInput } from '../kit/index.js';
import { makePlan, planFields } from '../plan/index.js';
import { compileSchema } from '../schema/index.js';
import { standaloneSchema } from './bundle-schema.js';
import { typeName, typesFor, valueName } from './types.js';

/** One file to be: its path below the folder that the developer chooses, and its text. */
export interface HandoverFile {
  readonly path: string;
  readonly text: string;
}

/** Every file of a kit, in a fixed order. The source compiles under `strict` against `@poietra/core` and `@poietra/react`. */
export function handOver(kit: Kit): HandoverFile[] {
  return [
    ...Object.entries(kit.adapters).flatMap(([name, adapter]) => adapterFile(name, adapter, kit.inputs)),
    ...Object.entries(kit.codecs).flatMap(([name, codec]) => [...codecFile(name, codec), ...codecTest(name, codec)]),
    codesFile(kit),
    fieldsFile(kit),
    ...Object.entries(kit.forms).flatMap(([name, form]) => formFiles(name, form, kit)),
    { path: 'kit.json', text: writeKit(kit) },
  ];
}

const json = (value: unknown): string => JSON.stringify(value, undefined, 2);

/** The project's own files are named from its root, below which the files of the hand-over have a folder of their own. */
function moduleFor(module: string): string {
  return module.startsWith('./') ? `../../${module.slice(2).replace(/\.tsx?$/, '.js')}` : module;
}

/** How an adapter comes to life in source: what it imports, and the call that makes it of its description. */
interface Living {
  readonly imports: readonly string[];
  call(description: string): string;
}

function living(name: string, { wrappers = [] }: AdapterDescription, input: KitInput): Living {
  const [imported = 'default', member] = input.export.split('.');
  const local = typeName(input.tag ?? (imported === 'default' ? name : imported));
  const imports = input.css.map((path) => `import ${JSON.stringify(path)};`);
  const module = moduleFor(input.module);
  let value: string;
  if (input.family === 'element') {
    imports.unshift(
      ...[input.module, ...(input.item ? [input.item.module] : [])].map((path) => `import ${JSON.stringify(path)};`),
    );
    value = JSON.stringify(input.tag);
  } else if (input.family === 'native') value = JSON.stringify(input.tag ?? 'input');
  else {
    imports.unshift(
      imported === 'default'
        ? `import ${local} from ${JSON.stringify(module)};`
        : `import { ${imported} as ${local}Input } from ${JSON.stringify(module)};`,
    );
    value = imported === 'default' ? local : `${local}Input${member ? `.${member}` : ''}`;
  }
  const around = wrappers.map(({ component, properties }, i) => {
    const [module = '', exported = ''] = component.split('#');
    const [outer = '', inner] = exported.split('.');
    imports.push(`import { ${outer} as Around${i + 1} } from ${JSON.stringify(module)};`);
    return `{ component: Around${i + 1}${inner ? `.${inner}` : ''}${properties ? `, properties: ${json(properties)}` : ''} }`;
  });
  return {
    imports,
    call: (description) =>
      `adapt(${value}, ${description}, ${JSON.stringify(input.family)}${around.length > 0 ? `, [${around.join(', ')}]` : ''})`,
  };
}

/** Gesture and samples serve the checks; an application has no use for them. */
function forApplication({
  gesture: _gesture,
  samples: _samples,
  wrappers: _wrappers,
  ...description
}: AdapterDescription): Omit<AdapterDescription, 'gesture' | 'samples' | 'wrappers'> {
  return description;
}

function adapterFile(name: string, adapter: AdapterDescription, inputs: Kit['inputs']): HandoverFile[] {
  const says = sentencesFor(adapter)
    .filter(({ about }) => about === 'value' || about === 'change' || about === 'focus')
    .map(({ parts }) => parts.map((part) => (typeof part === 'string' ? part : (part.words ?? part.value))).join(''));
  const file = (imports: readonly string[], body: string): HandoverFile[] => [
    { path: `adapters/${name}.ts`, text: `${[...new Set(imports)].join('\n')}\n\n${body}\n` },
  ];
  const doc = `/** ${says.join(' ')} */`;
  const constant = valueName(name);
  if (adapter.parts) {
    const parts = adapter.parts.flatMap(({ name: part, use }) => {
      const input = inputs[use.input] ?? nativeInput(use.input);
      const local = `${constant}${typeName(part)}`;
      return input ? [{ part, local, use, made: living(local, use, input) }] : [];
    });
    const { parts: described, ...rest } = forApplication(adapter);
    const list = (described ?? [])
      .map(
        ({ name: part, label }) =>
          `{ name: ${JSON.stringify(part)}, label: ${JSON.stringify(label)}, use: ${constant}${typeName(part)} }`,
      )
      .join(', ');
    return file(
      [
        "import type { AdapterDescription } from '@poietra/core';",
        "import { adapt, adaptTogether } from '@poietra/react';",
        ...parts.flatMap(({ made }) => made.imports),
      ],
      `${parts.map(({ local, use }) => `const ${local} = ${json(forApplication(use))} satisfies AdapterDescription;`).join('\n')}

export const ${constant}Description = { ...${json(rest)}, parts: [${list}] } satisfies AdapterDescription;

${doc}
export const ${constant} = adaptTogether(${constant}Description, [${parts.map(({ local, made }) => made.call(local)).join(', ')}]);`,
    );
  }
  const input = inputs[adapter.input];
  if (!input) return [];
  const made = living(name, adapter, input);
  return file(
    [
      "import type { AdapterDescription } from '@poietra/core';",
      "import { adapt } from '@poietra/react';",
      ...made.imports,
    ],
    `export const ${constant}Description = ${json(forApplication(adapter))} satisfies AdapterDescription;

${doc}
export const ${constant} = ${made.call(`${constant}Description`)};`,
  );
}

/** HTML's own inputs need not be listed in a kit. */
function nativeInput(id: string): KitInput | undefined {
  if (!id.startsWith('native#')) return undefined;
  const name = id.slice('native#'.length);
  const tag = name === 'textarea' || name === 'select' ? name : 'input';
  return { family: 'native', package: 'HTML', version: '', export: name, module: '', css: [], tag };
}

function codecFile(name: string, { kind, options, title }: CodecDescription): HandoverFile[] {
  const source = options?.['source'];
  if (kind === 'code' && typeof source === 'string')
    return [
      { path: `codecs/${name}.code.ts`, text: source },
      {
        path: `codecs/${name}.ts`,
        text: `import { codecFromCode } from '@poietra/core';
import * as code from './${name}.code.js';

/** ${title ?? name} */
export const ${valueName(name)} = codecFromCode(code);
`,
      },
    ];
  return [
    {
      path: `codecs/${name}.ts`,
      text: `import { makeCodec } from '@poietra/core';

/** ${title ?? name} */
export const ${valueName(name)} = makeCodec(${json(options ? { kind, options } : { kind })});
`,
    },
  ];
}

/** The codecs that are code, by name. */
function codesFile(kit: Kit): HandoverFile {
  const names = Object.keys(kit.codecs).filter((name) => kit.codecs[name]?.kind === 'code');
  const imports = names.map((name) => `import * as ${valueName(name)} from './codecs/${name}.code.js';`);
  return {
    path: 'codes.ts',
    text: `import type { CodecCode } from '@poietra/core';
${imports.join('\n')}${imports.length > 0 ? '\n' : ''}
/** The modules of the codecs that are code, by the name under which fields know them. */
export const codes: Readonly<Record<string, CodecCode>> = {${names.length > 0 ? ` ${names.map((name) => `${JSON.stringify(name)}: ${valueName(name)}`).join(', ')} ` : ''}};
`,
  };
}

function codecTest(name: string, { cases }: CodecDescription): HandoverFile[] {
  if (!cases || cases.length === 0) return [];
  return [
    {
      path: `codecs/${name}.test.ts`,
      text: `import { deepEqual } from 'node:assert/strict';
import { test } from 'node:test';
import { runCase, type Case } from '@poietra/core';
import { ${valueName(name)} } from './${name}.js';

const cases: readonly Case[] = ${json(cases)};

for (const row of cases) {
  test(\`${name}: \${JSON.stringify(row.shown)}\`, () => {
    const result = runCase(${valueName(name)}, row);
    deepEqual({ passed: result.passed, stations: result.stations.filter(({ fits }) => !fits) }, { passed: true, stations: [] });
  });
}
`,
    },
  ];
}

function fieldsFile(kit: Kit): HandoverFile {
  const codecs = Object.fromEntries(
    Object.entries(kit.codecs).map(([name, { kind, options }]) => [
      name,
      kind === 'code' ? { kind, options: { code: name } } : options ? { kind, options } : { kind },
    ]),
  );
  return {
    path: 'fields.ts',
    text: `import type { PlanRules } from '@poietra/core';

/** The fields of the kit “${kit.name}”: which adapter and which codec stand behind a name in a form's hints. */
export const rules = ${json({ fields: kit.fields, codecs, ...(kit.rules ? { choose: kit.rules } : {}) })} satisfies PlanRules;
`,
  };
}

function formFiles(name: string, form: FormDescription, kit: Kit): HandoverFile[] {
  const schema = standaloneSchema(form.schema, kit.groups);
  const type = typeName(name);
  const used = usedAdapters(form, kit);
  const imports = used.map((adapter) => `import { ${valueName(adapter)} } from '../adapters/${adapter}.js';`);
  const text = JSON.stringify([schema, form.hints]);
  const messages = form.language === undefined ? undefined : form.messages?.[form.language];
  const saysOwn = text.includes('"messages":');
  const ownHints = Object.fromEntries(
    Object.entries(ownHintsOf(kit)).filter(([hint]) => text.includes(`${JSON.stringify(hint)}:`)),
  );
  const hasOwnHints = Object.keys(ownHints).length > 0;
  const fromCore = [
    ...(saysOwn ? ['planAt'] : []),
    'type Form',
    'type HintsBeside',
    'type Outcome',
    ...(hasOwnHints ? ['type OwnHintUse'] : []),
  ];
  const settings = [
    form.tell && `tell: ${JSON.stringify(form.tell)}`,
    form.hidden && `hidden: ${JSON.stringify(form.hidden)}`,
    messages && 'messages',
    saysOwn && 'messagesAt: (at) => planAt(prepared.plan.root, at)?.hints.messages',
  ].filter(Boolean);
  return [
    { path: `forms/${name}.schema.json`, text: `${json(schema)}\n` },
    { path: `forms/${name}.types.ts`, text: `${typesFor(schema, type)}\n` },
    {
      path: `forms/${name}.tsx`,
      text: `import { ${fromCore.join(', ')} } from '@poietra/core';
import { DrawnForm, prepareForm } from '@poietra/react';
import { useState, type ReactNode } from 'react';
${imports.join('\n')}
import { codes } from '../codes.js';
import { rules } from '../fields.js';
import schema from './${name}.schema.json' with { type: 'json' };
import type { ${type} } from './${name}.types.js';

const hints: HintsBeside = ${json(form.hints ?? {})};
const inputs = ${used.length === 0 ? '{}' : `{ ${used.map((adapter) => `${JSON.stringify(adapter)}: ${valueName(adapter)}`).join(', ')} }`};
${messages ? `/** What is said instead, by keyword, in the language “${form.language ?? ''}”. */\nconst messages = ${json(messages)};\n` : ''}${hasOwnHints ? `const ownHints: Readonly<Record<string, OwnHintUse>> = ${json(ownHints)};\n` : ''}/** What this form’s schema asks for, fetched with the module. */
const prepared = await prepareForm({ schema, hints, rules, codes });

/** Opens the form on values that were saved before, or empty. */
export function open${type}(values?: ${type}): Form<${type}> {
  return prepared.open<${type}>({ values${settings.length > 0 ? `, ${settings.join(', ')}` : ''} });
}

export interface ${type}FormProps {
  readonly values?: ${type};
  /** Sends the value; what it answers comes back onto the fields. */
  send(this: void, value: ${type}): Promise<Outcome>;
}

/** ${form.title} */
export function ${type}Form({ values, send }: ${type}FormProps): ReactNode {
  const [form] = useState(() => open${type}(values));
  // The form sends nothing that its schema does not accept, so what arrives here is of this type.
  return <DrawnForm form={form} plan={prepared.plan} drawings={prepared.drawings} inputs={inputs}${hasOwnHints ? ' ownHints={ownHints}' : ''} send={(sent) => send(sent as ${type})} />;
}
`,
    },
  ];
}

/** The kit's adapters that a form draws with. */
export function usedAdapters(form: FormDescription, kit: Kit): string[] {
  const compiled = compileSchema(form.schema, { documents: kitDocuments(kit) });
  const { root } = makePlan(compiled, form.hints, {
    fields: kit.fields,
    codecs: kit.codecs,
    ...(kit.rules ? { choose: kit.rules } : {}),
  });
  const names = new Set(planFields(root).map(({ field }) => field.use.adapter));
  return [...names].filter((name) => Object.hasOwn(kit.adapters, name));
}

/** Every group that a schema refers to, by name; for "where is it used". */
export function usedGroups(schema: unknown): string[] {
  const found = new Set<string>();
  const walk = (value: unknown): void => {
    if (Array.isArray(value)) value.forEach(walk);
    else if (isObject(value)) {
      const reference = value['$ref'];
      const name = typeof reference === 'string' ? /^urn:poietra:group:(.+)$/.exec(reference)?.[1] : undefined;
      if (name !== undefined) found.add(name);
      Object.values(value).forEach(walk);
    }
  };
  walk(schema);
  return [...found];
}
