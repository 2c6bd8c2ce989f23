/** What leaves Poietra for the developer's own application: typed source, schemas, the kit. */
import type { AdapterDescription } from '../adapter/index.js';
import { sentencesFor } from '../adapter/index.js';
import type { CodecDescription } from '../codec/index.js';
import { isObject } from '../json/index.js';
import { writeKit, kitDocuments, type FormDescription, type Kit, type KitInput } from '../kit/index.js';
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
    ...Object.entries(kit.adapters).flatMap(([name, adapter]) => adapterFile(name, adapter, kit.inputs[adapter.input])),
    ...Object.entries(kit.codecs).flatMap(([name, codec]) => [codecFile(name, codec), ...codecTest(name, codec)]),
    fieldsFile(kit),
    ...Object.entries(kit.forms).flatMap(([name, form]) => formFiles(name, form, kit)),
    { path: 'kit.json', text: writeKit(kit) },
  ];
}

const json = (value: unknown): string => JSON.stringify(value, undefined, 2);

function adapterFile(name: string, adapter: AdapterDescription, input: KitInput | undefined): HandoverFile[] {
  if (!input) return [];
  const says = sentencesFor(adapter)
    .filter(({ about }) => about === 'value' || about === 'change' || about === 'focus')
    .map(({ parts }) => parts.map((part) => (typeof part === 'string' ? part : (part.words ?? part.value))).join(''));
  const [imported = 'default', member] = input.export.split('.');
  const local = typeName(input.tag ?? (imported === 'default' ? name : imported));
  const imports = input.css.map((path) => `import ${JSON.stringify(path)};`);
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
        ? `import ${local} from ${JSON.stringify(input.module)};`
        : `import { ${imported} as ${local}Input } from ${JSON.stringify(input.module)};`,
    );
    value = imported === 'default' ? local : `${local}Input${member ? `.${member}` : ''}`;
  }
  // Gesture and samples serve the checks; an application has no use for them.
  const { gesture: _gesture, samples: _samples, wrappers = [], ...description } = adapter;
  const around = wrappers.map(({ component, properties }, i) => {
    const [module = '', exported = ''] = component.split('#');
    const [outer = '', inner] = exported.split('.');
    imports.push(`import { ${outer} as Around${i + 1} } from ${JSON.stringify(module)};`);
    return `{ component: Around${i + 1}${inner ? `.${inner}` : ''}${properties ? `, properties: ${json(properties)}` : ''} }`;
  });
  return [
    {
      path: `adapters/${name}.ts`,
      text: `import type { AdapterDescription } from '@poietra/core';
import { adapt } from '@poietra/react';
${imports.join('\n')}

export const ${valueName(name)}Description = ${json(description)} satisfies AdapterDescription;

/** ${says.join(' ')} */
export const ${valueName(name)} = adapt(${value}, ${valueName(name)}Description, ${JSON.stringify(input.family)}${around.length > 0 ? `, [${around.join(', ')}]` : ''});
`,
    },
  ];
}

function codecFile(name: string, { kind, options, title }: CodecDescription): HandoverFile {
  return {
    path: `codecs/${name}.ts`,
    text: `import { makeCodec } from '@poietra/core';

/** ${title ?? name} */
export const ${valueName(name)} = makeCodec(${json(options ? { kind, options } : { kind })});
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
    Object.entries(kit.codecs).map(([name, { kind, options }]) => [name, options ? { kind, options } : { kind }]),
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
  const settings = [
    form.tell && `tell: ${JSON.stringify(form.tell)}`,
    form.hidden && `hidden: ${JSON.stringify(form.hidden)}`,
  ].filter(Boolean);
  return [
    { path: `forms/${name}.schema.json`, text: `${json(schema)}\n` },
    { path: `forms/${name}.types.ts`, text: `${typesFor(schema, type)}\n` },
    {
      path: `forms/${name}.tsx`,
      text: `import { codecsOf, compileSchema, makePlan, openForm, type Form, type HintsBeside, type Outcome } from '@poietra/core';
import { PlannedForm } from '@poietra/react';
import { useState, type ReactNode } from 'react';
${imports.join('\n')}
import { rules } from '../fields.js';
import schema from './${name}.schema.json' with { type: 'json' };
import type { ${type} } from './${name}.types.js';

const hints: HintsBeside = ${json(form.hints ?? {})};
const inputs = ${used.length === 0 ? '{}' : `{ ${used.map((adapter) => `${JSON.stringify(adapter)}: ${valueName(adapter)}`).join(', ')} }`};
const compiled = compileSchema(schema, { assertFormats: true });
const plan = makePlan(compiled, hints, rules);

/** Opens the form on values that were saved before, or empty. */
export function open${type}(values?: ${type}): Form<${type}> {
  return openForm<${type}>({ schema, compiled, codecs: codecsOf(plan.root), values${settings.length > 0 ? `, ${settings.join(', ')}` : ''} });
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
  return <PlannedForm form={form} plan={plan} inputs={inputs} send={(sent) => send(sent as ${type})} />;
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
