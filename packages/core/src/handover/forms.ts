/** Forms in source: schema, types, and a component that opens, draws and sends. */
import { ownHintsOf, kitDocuments, type FormDescription, type Kit } from '../kit/index.js';
import { makePlan, planFields, type PlanRules, type SendDescription } from '../plan/index.js';
import { isSpoken } from '../words/index.js';
import { compileSchema } from '../schema/index.js';
import { standaloneSchema } from './bundle-schema.js';
import type { HandoverFile } from './file.js';
import { called, type Called } from './named.js';
import { comment, literal, quoted } from './source.js';
import { formatsFile, formatType } from './format-types.js';
import { typesFor, type FormatTypes } from './types.js';
import { writeValidator } from './write-validator.js';
import { drawingsSource, writeForm, type FormWritten } from './written-form.js';

export function formFiles(kit: Kit, isOwn: boolean): HandoverFile[] {
  const adapters = called(kit, 'adapters');
  const formats = kit.formatTypes ? { typeOf: formatType, used: new Set<string>() } : undefined;
  const files = [...called(kit, 'forms')].flatMap(([name, own]) => {
    const form = kit.forms[name];
    return form
      ? [...filesOf(form, own, kit, adapters, formats), ...(isOwn ? validatorFiles(form, own, kit) : [])]
      : [];
  });
  return [...files, ...formatsFile(formats?.used ?? new Set())];
}

/** The schema as two functions, which import nothing. */
function validatorFiles({ schema, title }: FormDescription, { file, type }: Called, kit: Kit): HandoverFile[] {
  const text = writeValidator(schema, { documents: kitDocuments(kit), assertFormats: true });
  return [
    { path: `forms/${file}.validate.js`, text },
    {
      path: `forms/${file}.validate.d.ts`,
      text: `import type { ${type} } from ${quoted(`./${file}.types.js`)};

/** One thing that is wrong with a value. */
export interface ${type}Problem {
  /** Where, as a JSON Pointer (RFC 6901). */
  readonly at: string;
  /** The keyword of the schema that says so. */
  readonly keyword: string;
  /** Where the schema says so, as a JSON Pointer into it. */
  readonly schemaAt: string;
  readonly params: Readonly<Record<string, unknown>>;
  readonly message: string;
}

${comment(`Whether a value is one of “${title}”; stops at the first fault.`)}export function accepts(value: unknown): value is ${type};
/** All that is wrong with it. */
export function validate(value: unknown): { readonly valid: boolean; readonly problems: readonly ${type}Problem[] };
`,
    },
  ];
}

function filesOf(
  form: FormDescription,
  { file, type }: Called,
  kit: Kit,
  adapters: ReadonlyMap<string, Called>,
  formats: FormatTypes | undefined,
): HandoverFile[] {
  const schema = standaloneSchema(form.schema, kit.groups, kit.documents);
  const used = usedAdapters(form, kit).flatMap((name) => {
    const own = adapters.get(name);
    return own ? [{ name, ...own }] : [];
  });
  const imports = used.map((own) => `import { ${own.value} } from ${quoted(`../adapters/${own.file}.js`)};\n`);
  const text = JSON.stringify([schema, form.hints]);
  const messages = form.language === undefined ? undefined : form.messages?.[form.language];
  const speaks = form.language !== undefined && isSpoken(form.language) && !/^en\b/i.test(form.language);
  const ownHints = Object.fromEntries(
    Object.entries(ownHintsOf(kit)).filter(([hint]) => text.includes(`${JSON.stringify(hint)}:`)),
  );
  const hasOwnHints = Object.keys(ownHints).length > 0;
  const { send } = form;
  const typed = typesFor(schema, type, formats);
  // A schema that says nothing takes any value: that is the form's type when none is named.
  const of = typed.includes(`export type ${type} = unknown;`) ? '' : `<${type}>`;
  const skin = skinOf(form, kit, text);
  const written = writeForm({
    schema,
    hints: form.hints,
    rules: rulesOf(kit),
    file: `./${file}.schema.json`,
    checks: `./${file}.checks.js`,
  });
  const ready =
    'text' in written ? readyAtOnce(file, written, form, speaks) : preparedAtStart(file, form, speaks, written);
  const types = [
    ...[...ready.typesOfCore, 'Form', 'Outcome'],
    ...(hasOwnHints ? ['OwnHintUse'] : []),
    ...(send ? ['SendDescription', 'SendOptions'] : []),
  ];
  const fromCore = [...ready.fromCore, ...(send ? ['sendTo'] : [])].sort();
  const fromReact = [
    ...(skin.isCompact ? ['compact'] : []),
    ...['DrawnForm', ...(hasOwnHints ? ['drawOwnHints'] : []), ...ready.fromReact],
  ];
  const settings = [
    form.tell && `tell: ${quoted(form.tell)}`,
    form.hidden && `hidden: ${quoted(form.hidden)}`,
    form.accepted && `accepted: ${quoted(form.accepted)}`,
    speaks && 'words',
    messages && 'messages',
  ].filter(Boolean);
  return [
    { path: `forms/${file}.schema.json`, text: `${JSON.stringify(schema, undefined, 2)}\n` },
    { path: `forms/${file}.types.ts`, text: `${typed}\n` },
    ...ready.files,
    {
      path: `forms/${file}.tsx`,
      text: `import type { ${types.join(', ')} } from '@poietra/core';
${fromCore.length > 0 ? `import { ${fromCore.join(', ')} } from '@poietra/core/written';\n` : ''}import { ${fromReact.join(', ')} } from '@poietra/react/written';
import { useState, type ReactNode } from 'react';
${ready.imports}${imports.join('')}import { codes } from '../codes.js';
import { rules } from '../fields.js';
${skin.hasOwn ? "import { skins } from '../skins.js';\n" : ''}import type { ${type} } from ${quoted(`./${file}.types.js`)};

const inputs = {${used.map(({ name, value }) => ` ${quoted(name)}: ${value}`).join(',')}${used.length > 0 ? ' ' : ''}};
${messages ? `${comment(`What is said instead, by keyword, in the language “${form.language ?? ''}”.`)}const messages = ${literal(messages)};\n` : ''}${hasOwnHints ? `const ownHints: Readonly<Record<string, OwnHintUse>> = ${literal(ownHints)};\nconst ownWords = drawOwnHints(ownHints);\n` : ''}${ready.source(hasOwnHints)}
/** Opens the form on values that were saved before, or empty. The options go before what the kit says: words, a draft to go on with. */
export function open${type}(values?: ${type}, options?: Parameters<typeof prepared.open>[0]): Form${of} {
  return prepared.open${of}({ values${settings.length > 0 ? `, ${settings.join(', ')}` : ''}, ...options });
}

${send ? sending(type, send, ready.drawn) : ''}export interface ${type}FormProps {
  readonly values?: ${type};
  /** One that was opened elsewhere, by \`open${type}\`; it has its values. */
  readonly form?: Form${of};
  /** Sends the value; what it answers comes back onto the fields.${send ? ` By default \`send${type}\`.` : ''} */
  readonly send${send ? '?' : ''}: (value: ${type}) => Promise<Outcome>;
}

${comment(form.title)}export function ${type}Form({ values, form: opened, send${send ? ` = send${type}` : ''} }: ${type}FormProps): ReactNode {
  const [own] = useState(() => opened ?? open${type}(values));
  const form = opened ?? own;
${of === '' ? '' : '  // The form sends nothing that its schema does not accept, so what arrives here is of this type.\n'}  return <DrawnForm form={form} plan={prepared.plan} drawings={prepared.drawings} inputs={inputs}${skin.hasOwn ? ' skins={skins}' : ''}${skin.use}${hasOwnHints ? ' ownHints={ownWords}' : ''} send={${of === '' ? 'send' : `(sent) => send(sent as ${type})`}} />;
}
`,
    },
  ];
}

/** How a form's module comes to `prepared`: its plan, its drawings and a way to open it. */
interface Ready {
  readonly files: readonly HandoverFile[];
  readonly typesOfCore: readonly string[];
  /** Of the doors for what was written out. */
  readonly fromCore: readonly string[];
  readonly fromReact: readonly string[];
  /** Other imports, as lines. */
  readonly imports: string;
  /** What the form says in its language, as an expression; absent where it speaks English. */
  readonly drawn?: string | undefined;
  source(hasOwnHints: boolean): string;
}

/** The form is written out: it is there with its module. */
function readyAtOnce(file: string, written: FormWritten, { language }: FormDescription, speaks: boolean): Ready {
  const { text, drawings, inputs, checks } = written;
  const given = drawingsSource(written);
  const words = /^de\b/i.test(language ?? '') ? 'de' : 'nb';
  return {
    files: [
      { path: `forms/${file}.plan.js`, text },
      ...(checks === undefined ? [] : [{ path: `forms/${file}.checks.js`, text: checks }]),
      {
        path: `forms/${file}.plan.d.ts`,
        text: `import type { WrittenForm } from '@poietra/react/written';\n\n/** The form as it is drawn and filled. */\nexport declare const written: WrittenForm;\n`,
      },
    ],
    typesOfCore: [],
    fromCore: speaks ? [words, 'wordsAs'] : [],
    fromReact: [...drawings, ...inputs, 'writtenForm'],
    imports: `import { written } from ${quoted(`./${file}.plan.js`)};
`,
    drawn: speaks ? 'words.drawn' : undefined,
    source:
      () => `${speaks ? `${spoken}const words = wordsAs(${words}, ${quoted(language ?? '')});\n` : ''}/** The form as it was written out: there is nothing to wait for. */
const prepared = writtenForm(written, { rules, codes${given === '' ? '' : `, drawings: ${given}`} });
`,
  };
}
const spoken = '/** The language in which it speaks; `form.speak` goes on in another one. */\n';

/** The form cannot be written out: what its schema asks for is fetched when its module starts. */
function preparedAtStart(
  file: string,
  { hints, language }: FormDescription,
  speaks: boolean,
  { reason }: { readonly reason: string },
): Ready {
  return {
    files: [],
    typesOfCore: ['HintsBeside'],
    fromCore: [],
    fromReact: [],
    imports: `${speaks ? "import { loadWords } from '@poietra/core';\n" : ''}import { prepareForm } from '@poietra/react';
import schema from ${quoted(`./${file}.schema.json`)} with { type: 'json' };\n`,
    // Its words are fetched, and may be none.
    drawn: speaks ? 'words?.drawn' : undefined,
    source: (
      hasOwnHints,
    ) => `${speaks ? `${spoken}const words = await loadWords(${quoted(language ?? '')});\n` : ''}const hints: HintsBeside = ${literal(hints ?? {})};
${comment(`Made ready when the module starts, since it cannot be written out: ${reason}`)}const prepared = await prepareForm({ schema, hints, rules${hasOwnHints ? ': { ...rules, ownHints }' : ''}, codes });
`,
  };
}

/** A client of the form's address. */
function sending(type: string, send: SendDescription, drawn: string | undefined): string {
  return `const address: SendDescription = ${literal(send)};
${comment(`Sends a new one to ${send.path}, or replaces the \`record\` that is named. Nothing is thrown: what the server refuses comes back with its fields, and what failed with its reason.`)}export function send${type}(value: ${type}, options?: SendOptions): Promise<Outcome> {
  return sendTo(address, value, ${drawn ? `{ words: ${drawn}, ...options }` : 'options'});
}

`;
}

/** How the form is drawn: with one of the kit's skins, or with another than the usual of the libraries. */
function skinOf(
  { skin }: FormDescription,
  { skins = {} }: Kit,
  text: string,
): { readonly hasOwn: boolean; readonly isCompact: boolean; readonly use: string } {
  const isOwn = skin !== undefined && Object.hasOwn(skins, skin);
  const hasOwn = isOwn || (text.includes('"skin":') && Object.keys(skins).length > 0);
  const isCompact = skin === 'compact' && !isOwn;
  const use = isOwn ? ` skin={skins[${quoted(skin)}]}` : isCompact ? ' skin={compact}' : '';
  return { hasOwn, isCompact, use };
}

const rulesOf = ({ fields, codecs, rules }: Kit): PlanRules => ({
  fields,
  codecs,
  ...(rules ? { choose: rules } : {}),
});

/** The kit's adapters that a form draws with. */
export function usedAdapters(form: FormDescription, kit: Kit): string[] {
  const compiled = compileSchema(form.schema, { documents: kitDocuments(kit) });
  const { root } = makePlan(compiled, form.hints, rulesOf(kit));
  const names = new Set(planFields(root).map(({ field }) => field.use.adapter));
  return [...names].filter((name) => Object.hasOwn(kit.adapters, name));
}
