/** Codecs in source: a description each, its code where it is code, and its cases as tests. */
import type { CodecDescription } from '../codec/index.js';
import type { Kit } from '../kit/index.js';
import type { HandoverFile } from './file.js';
import { called, type Called } from './named.js';
import { comment, literal, memberOf, quoted } from './source.js';

const sourceOf = ({ kind, options }: CodecDescription): string | undefined =>
  kind === 'code' && typeof options?.['source'] === 'string' ? options['source'] : undefined;

export function codecFiles(kit: Kit, isOwn: boolean): HandoverFile[] {
  const all = called(kit, 'codecs');
  return [
    ...[...all].flatMap(([name, own]) => {
      const codec = kit.codecs[name];
      return codec ? [...codecFile(name, codec, own, isOwn), ...caseFile(name, codec, own, isOwn)] : [];
    }),
    codesFile(kit, all),
  ];
}

function codecFile(name: string, codec: CodecDescription, { file, value }: Called, isOwn: boolean): HandoverFile[] {
  const source = sourceOf(codec);
  const { kind, options, title } = codec;
  const { source: _source, ...others } = options ?? {};
  const description =
    source === undefined ? { kind, ...(options ? { options } : {}) } : { kind, options: { ...others, code: name } };
  const described = descriptionOf(value, isOwn);
  const lives = isOwn && living(codec, file);
  return [
    ...(source === undefined ? [] : [{ path: `codecs/${file}.code.ts`, text: source }]),
    {
      path: `codecs/${file}.ts`,
      text: `import type { CodecDescription } from '@poietra/core';
${lives ? `${lives.imports.join('\n')}\n` : ''}
${comment(title ?? name)}export const ${described} = ${literal(description)} satisfies CodecDescription;
${lives ? `\n${comment('The same as plain functions: parse, show, serialise, revive.')}export const ${value} = codecBy({ ${lives.maker} }, ${described});\n` : ''}`,
    },
  ];
}

/** Where the libraries are there, a codec is its description; where it stands on its own, the description is beside it. */
const descriptionOf = (value: string, isOwn: boolean): string => (isOwn ? `${value}Description` : value);

/** In which file of `codec/` a kind is made, and by what. */
export const makerOf: Readonly<Record<string, readonly [file: string, name: string]>> = {
  text: ['plain', 'text'],
  boolean: ['plain', 'boolean'],
  same: ['plain', 'asIs'],
  trimmed: ['texts', 'trimmed'],
  slug: ['texts', 'slug'],
  json: ['texts', 'json'],
  number: ['numbers', 'number'],
  integer: ['numbers', 'integer'],
  money: ['numbers', 'money'],
  quantity: ['numbers', 'quantity'],
  date: ['dates', 'date'],
  'date-time': ['dates', 'dateTime'],
  time: ['dates', 'time'],
  epoch: ['dates', 'epoch'],
  list: ['compound', 'list'],
  parts: ['compound', 'parts'],
  choice: ['compound', 'choice'],
  chosen: ['compound', 'chosen'],
  file: ['compound', 'file'],
  steps: ['steps', 'steps'],
};

/** What brings a codec to life where no library is: imports, and the maker of its kind. */
function living({ kind }: CodecDescription, file: string): { imports: string[]; maker: string } | undefined {
  const codecBy = "import { codecBy } from '@poietra/core/codec/plain.js';";
  if (kind === 'code')
    return {
      imports: [
        "import { codecFromCode } from '@poietra/core';",
        codecBy,
        `import * as code from ${quoted(`./${file}.code.js`)};`,
      ],
      maker: 'code: () => codecFromCode(code)',
    };
  const made = Object.hasOwn(makerOf, kind) ? makerOf[kind] : undefined;
  if (!made) return undefined;
  // Under a name of its own: the codec may be called as its kind is.
  return {
    imports: [`import { ${made[1]} as maker } from '@poietra/core/codec/${made[0]}.js';`, codecBy],
    maker: `${memberOf(kind)}: maker`,
  };
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

function caseFile(name: string, codec: CodecDescription, { file, value }: Called, isOwn: boolean): HandoverFile[] {
  const { cases } = codec;
  if (!cases || cases.length === 0) return [];
  const isCode = sourceOf(codec) !== undefined;
  return [
    {
      path: `codecs/${file}.test.ts`,
      text: `import { deepEqual } from 'node:assert/strict';
import { test } from 'node:test';
import { ${isOwn ? '' : 'makeCodec, '}runCase, type Case } from '@poietra/core';
${isCode && !isOwn ? "import { codes } from '../codes.js';\n" : ''}import { ${value} } from ${quoted(`./${file}.js`)};

const cases: readonly Case[] = ${literal(cases)};

for (const row of cases) {
  void test(${quoted(`${name}: `)} + JSON.stringify(row.shown), () => {
    const result = runCase(${isOwn ? value : `makeCodec(${value}${isCode ? ', codes' : ''})`}, row);
    deepEqual({ passed: result.passed, stations: result.stations.filter(({ fits }) => !fits) }, { passed: true, stations: [] });
  });
}
`,
    },
  ];
}

export function fieldsFile(kit: Kit, isOwn: boolean): HandoverFile {
  const all = [...called(kit, 'codecs')];
  const imports = all.map(
    ([, { file, value }]) => `import { ${descriptionOf(value, isOwn)} } from ${quoted(`./codecs/${file}.js`)};\n`,
  );
  const codecs = all.map(([name, { value }]) => `\n    ${quoted(name)}: ${descriptionOf(value, isOwn)},`);
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
