/** Codecs in source: a description each, its code where it is code, and its cases as tests. */
import type { CodecDescription } from '../codec/index.js';
import type { Kit } from '../kit/index.js';
import type { HandoverFile } from './file.js';
import { called, type Called } from './named.js';
import { comment, literal, quoted } from './source.js';

const sourceOf = ({ kind, options }: CodecDescription): string | undefined =>
  kind === 'code' && typeof options?.['source'] === 'string' ? options['source'] : undefined;

export function codecFiles(kit: Kit): HandoverFile[] {
  const all = called(kit, 'codecs');
  return [
    ...[...all].flatMap(([name, own]) => {
      const codec = kit.codecs[name];
      return codec ? [...codecFile(name, codec, own), ...caseFile(name, codec, own)] : [];
    }),
    codesFile(kit, all),
  ];
}

function codecFile(name: string, codec: CodecDescription, { file, value }: Called): HandoverFile[] {
  const source = sourceOf(codec);
  const { kind, options, title } = codec;
  const description =
    source === undefined ? { kind, ...(options ? { options } : {}) } : { kind, options: { code: name } };
  return [
    ...(source === undefined ? [] : [{ path: `codecs/${file}.code.ts`, text: source }]),
    {
      path: `codecs/${file}.ts`,
      text: `import type { CodecDescription } from '@poietra/core';

${comment(title ?? name)}export const ${value} = ${literal(description)} satisfies CodecDescription;
`,
    },
  ];
}

/** The codecs that are code, by name. */
function codesFile(kit: Kit, all: ReadonlyMap<string, Called>): HandoverFile {
  const written = [...all].filter(([name]) => kit.codecs[name]?.kind === 'code');
  const imports = written.map(
    ([, { file, value }]) => `import * as ${value} from ${quoted(`./codecs/${file}.code.js`)};\n`,
  );
  const entries = written.map(([name, { value }]) => `\n  ${quoted(name)}: ${value},`);
  return {
    path: 'codes.ts',
    text: `import type { CodecCode } from '@poietra/core';
${imports.join('')}
/** The modules of the codecs that are code, by the name under which fields know them. */
export const codes: Readonly<Record<string, CodecCode>> = {${entries.join('')}${entries.length > 0 ? '\n' : ''}};
`,
  };
}

function caseFile(name: string, codec: CodecDescription, { file, value }: Called): HandoverFile[] {
  const { cases } = codec;
  if (!cases || cases.length === 0) return [];
  const isCode = sourceOf(codec) !== undefined;
  return [
    {
      path: `codecs/${file}.test.ts`,
      text: `import { deepEqual } from 'node:assert/strict';
import { test } from 'node:test';
import { makeCodec, runCase, type Case } from '@poietra/core';
${isCode ? "import { codes } from '../codes.js';\n" : ''}import { ${value} } from ${quoted(`./${file}.js`)};

const cases: readonly Case[] = ${literal(cases)};

for (const row of cases) {
  test(${quoted(`${name}: `)} + JSON.stringify(row.shown), () => {
    const result = runCase(makeCodec(${value}${isCode ? ', codes' : ''}), row);
    deepEqual({ passed: result.passed, stations: result.stations.filter(({ fits }) => !fits) }, { passed: true, stations: [] });
  });
}
`,
    },
  ];
}

export function fieldsFile(kit: Kit): HandoverFile {
  const all = [...called(kit, 'codecs')];
  const imports = all.map(([, { file, value }]) => `import { ${value} } from ${quoted(`./codecs/${file}.js`)};\n`);
  const codecs = all.map(([name, { value }]) => `\n    ${quoted(name)}: ${value},`);
  return {
    path: 'fields.ts',
    text: `import type { PlanRules } from '@poietra/core';
${imports.join('')}
${comment(`The fields of the kit “${kit.name}”: which adapter and which codec stand behind a name in a form's hints.`)}export const rules = {
  fields: ${literal(kit.fields, '  ')},
  codecs: {${codecs.join('')}${codecs.length > 0 ? '\n  ' : ''}},
${kit.rules ? `  choose: ${literal(kit.rules, '  ')},\n` : ''}} satisfies PlanRules;
`,
  };
}
