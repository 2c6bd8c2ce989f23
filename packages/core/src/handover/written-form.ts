/** A form written out: its schema and its plan as a module that an application opens without compiler and planner. */
import { isObject } from '../json/index.js';
import { plainMakers } from '../codec/index.js';
import { asksExpressions, asksServers } from '../form/index.js';
import {
  expressionsOf,
  makePlan,
  type HintsBeside,
  type Planned,
  type PlanNode,
  type PlanRules,
} from '../plan/index.js';
import { enginePartsOf, fillDefaults, readGraph } from '../schema/index.js';
import { expressionsSource, type ExpressionsSource } from './expression-source.js';
import { comment, listSource, literal, objectSource, quoted } from './source.js';
import { NodeWriter, NotWritable } from './written-nodes.js';
import { PartWriter } from './written-parts.js';

/** Where the schema stands that is fetched later, beside hints and rules. */
export interface FormToWrite {
  readonly schema: unknown;
  readonly hints?: HintsBeside | undefined;
  readonly rules: PlanRules;
  /** The address of the schema's file, as the module imports it. */
  readonly file: string;
  /** The address of the module that checks the form's values, if there is to be one (`FormWritten.checks`). */
  readonly checks?: string;
}

/** A drawing that not every form needs, by its name among the `Drawings` of the React binding. */
type DrawingName = 'List' | 'Chooser' | 'More' | 'Opened' | 'Tabs' | 'Steps' | 'Remote';

/** The boxes that HTML does not have as one element, by the names under which the React binding exports them. */
const inputsOf = {
  radios: 'groupInputs',
  checks: 'groupInputs',
  listbox: 'listInputs',
  list: 'listInputs',
  combobox: 'comboInputs',
  file: 'fileInputs',
} as const;
type InputsName = (typeof inputsOf)[keyof typeof inputsOf];

/** A form as a module, and what it is drawn with. */
export interface FormWritten {
  /** An ES module that exports `written`. */
  readonly text: string;
  readonly drawings: readonly DrawingName[];
  /** The inputs among its drawings that not every form has. */
  readonly inputs: readonly InputsName[];
  /**
   * The module to stand at the address `checks`, which is fetched once the form stands: its schema, and of what checks
   * values the parts that this schema asks for. Absent where none was asked for, or where the schema takes all of them;
   * then the schema is fetched, and after it what it asks for.
   */
  readonly checks?: string;
}

/** Writes a form out; the reason where that cannot be done. */
export function writeForm(form: FormToWrite): FormWritten | { readonly reason: string } {
  try {
    return formWritten(form);
  } catch (error) {
    if (error instanceof NotWritable) return { reason: error.message };
    throw error;
  }
}

function formWritten({ schema, hints = {}, rules, file, checks: at }: FormToWrite): FormWritten {
  const graph = readGraph(schema, { assertFormats: true });
  const { compiled } = graph;
  const places = new Map<PlanNode, Planned>();
  const { root } = makePlan(compiled, hints, rules, (node, place) => {
    if (!places.has(node)) places.set(node, place);
  });
  const nodes = new NodeWriter(graph);
  const written = nodes.write();
  const parts = new PartWriter(nodes, places);
  const plan = parts.write(root);
  const text = JSON.stringify([compiled.documents, hints, rules.fields]);
  const start = text.includes('"default":') ? fillDefaults(compiled, {}) : undefined;
  const accepts = start === undefined ? undefined : nodes.verdict();
  const makers = makersOf(parts.nodes);
  const placed = asksExpressions(text) ? expressionsOf(root) : undefined;
  const asks = placed && asksSource(placed);
  const isCode = parts.nodes.some((node) => node.kind === 'field' && node.codec.kind === 'code');
  const hasOwnNames = parts.nodes.some((node) => node.kind === 'group' && node.more !== undefined);
  const ground = groundOf(text);
  const { source } = nodes;
  const checks = at === undefined ? undefined : checksSource(schema, compiled.documents, file);
  const helpers = Object.keys(judgements).filter((name) => source.includes(`runtime.${name}`));
  const imports = [
    ...helpers.flatMap((name) => judgements[name] ?? []),
    ...makers.map(([, name]) => name),
    ...ground.map(({ imports: name }) => name),
    ...(isCode ? ['codeMakers'] : []),
    ...(hasOwnNames ? ['ownNames'] : []),
    ...(parts.nodes.some((node) => node.kind === 'chooser' && node.kinds) ? ['kindAmong'] : []),
    ...(asks?.imports ?? []),
    ...(asksServers(text) ? ['checksOf'] : []),
    ...(start === undefined ? [] : ['fillDefaults']),
  ].sort();
  const form = objectSource([
    ['nodes', listSource(written, '  ')],
    ['parts', listSource(plan, '  ')],
    ['start', start === undefined ? undefined : literal(start, '  ')],
    ['accepts', accepts],
    ['fillDefaults', start === undefined ? undefined : 'fillDefaults'],
    ['makers', makers.length === 0 ? undefined : objectSource(makers, '  ')],
    ['ownNames', hasOwnNames ? 'ownNames' : undefined],
    ['codeMakers', isCode ? 'codeMakers' : undefined],
    ['asks', asks?.text],
    ['checksOf', asksServers(text) ? 'checksOf' : undefined],
    [
      'ground',
      ground.length === 0
        ? undefined
        : objectSource(
            ground.map(({ name, is }) => [name, is]),
            '  ',
          ),
    ],
    [
      'checks',
      checks === undefined
        ? `() => fetchChecks(async () => (await import(${quoted(file)}, { with: { type: 'json' } })).default)`
        : `async () => (await import(${quoted(at ?? '')})).checks()`,
    ],
  ]);
  return {
    text: `${comment(`${titleOf(schema)}, written out by Poietra from its JSON Schema and its hints; write it again instead of changing it.`)}${imports.length > 0 ? `import { ${imports.join(', ')} } from '@poietra/core/written';\n` : ''}${checks === undefined ? "import { fetchChecks } from '@poietra/core/written/whole';\n" : ''}${imports.length > 0 || checks === undefined ? '\n' : ''}${
      helpers.length > 0 ? `const runtime = ${objectSource(helpers.map((name) => [name, judgements[name]]))};\n` : ''
    }${source === '' ? '' : `${source}\n\n`}/** The form as it is drawn and filled. What checks its values follows once it stands: from then on problems are told. */
export const written = ${form};
`,
    drawings: drawingsOf(root, parts.nodes),
    inputs: inputsUsed(parts.nodes),
    ...(checks !== undefined && { checks }),
  };
}

const titleOf = (schema: unknown): string =>
  isObject(schema) && typeof schema['title'] === 'string' ? schema['title'] : 'A form';

/** What the functions of a written schema call, by the name that they have for it. */
const judgements: Readonly<Record<string, string>> = {
  equal: 'equalJson',
  canonical: 'canonical',
  isMultiple: 'isMultiple',
  length: 'lengthOf',
  pattern: 'compilePattern',
  formats: 'standardFormats',
};

/** The makers of a form's codecs, each with its name; those that every form has, and those of code, come otherwise. */
function makersOf(nodes: readonly PlanNode[]): (readonly [kind: string, name: string])[] {
  const kinds = new Set(nodes.flatMap((node) => (node.kind === 'field' ? [node.codec.kind] : [])));
  return [...kinds]
    .filter((kind) => kind !== 'code' && !Object.hasOwn(plainMakers, kind))
    .sort()
    .map((kind) => [kind, `${kind.replace(/-(\w)/g, (_, first: string) => first.toUpperCase())}Maker`]);
}

/** What looks after a form's values beside its schema, as `prepareForm` looks for it. */
function groundOf(text: string): { readonly name: string; readonly imports: string; readonly is: string }[] {
  const made = (name: string, imports: string, given: string) => ({
    name,
    imports,
    is: `(${given}) => new ${imports}(${given})`,
  });
  return [
    ...(/"(array|items|prefixItems|oneOf|anyOf)"|"type":\[/.test(text) ? [made('moves', 'Moves', 'form')] : []),
    ...(asksExpressions(text) ? [made('express', 'FormExpressions', '...given')] : []),
    ...(/"(rules|check)":/.test(text) ? [{ name: 'attend', imports: 'attend', is: 'attend' }] : []),
    ...(text.includes('"normal":') ? [{ name: 'normal', imports: 'normalWhileTyping', is: 'normalWhileTyping' }] : []),
  ];
}

function asksSource(placed: ReturnType<typeof expressionsOf>): ExpressionsSource {
  const given = Object.entries(placed).filter(([, list]) => list.length > 0);
  const texts = given.flatMap(([, list]) => list.map((one) => ('text' in one ? one.text : one.holds)));
  // One that has to be left to the language brings it along for all.
  const expressions = expressionsSource(texts, '    ') ?? { text: 'celExpressions()', imports: ['celExpressions'] };
  const lists = given.map(([name, list]) => [name, literal(list, '    ')] as const);
  return { text: objectSource([['expressions', expressions.text], ...lists], '  '), imports: expressions.imports };
}

/** The module that checks the form's values; `undefined` where all of the engine has to be there. */
export function checksSource(schema: unknown, documents: readonly unknown[], file: string): string | undefined {
  const parts = enginePartsOf(documents);
  if (!parts) return undefined;
  const { keywords, formats, isFar, isOlder } = parts;
  const families = [
    ...keywords,
    ...(formats.length > 0 ? [`format({ ${formats.map((name) => `...${name}`).join(', ')} })`] : []),
  ];
  const beyond = [...(isFar ? ['far'] : []), ...(isOlder ? ['older'] : [])];
  const given = [
    'schema',
    listSource(families),
    ...(beyond.length > 0 ? [`{ ${beyond.map((name) => `...${name}`).join(', ')} }`] : []),
  ];
  const imports = [...keywords, ...formats, ...beyond, 'checkedBy', ...(formats.length > 0 ? ['format'] : [])].sort();
  return `${comment(`What checks the values of ${titleOf(schema)}; written by Poietra, and fetched once the form stands.`)}import { ${imports.join(', ')} } from '@poietra/core/written/checks';
import schema from ${quoted(file)} with { type: 'json' };

export const checks = () => checkedBy(${given.join(', ')});
`;
}

function inputsUsed(nodes: readonly PlanNode[]): InputsName[] {
  const used = new Set(nodes.flatMap((node) => (node.kind === 'field' ? [node.use.adapter] : [])));
  const names = Object.entries(inputsOf).flatMap(([box, name]) => (used.has(`native:${box}`) ? [name] : []));
  return [...new Set(names)].sort();
}

/** The drawings of a written form as the member `drawings` of what it is opened with; empty where it needs none. */
export function drawingsSource({ drawings, inputs }: Pick<FormWritten, 'drawings' | 'inputs'>): string {
  const boxes = inputs.length > 1 ? `{ ${inputs.map((name) => `...${name}`).join(', ')} }` : inputs[0];
  const given = [...(boxes === undefined ? [] : [`inputs: ${boxes}`]), ...drawings];
  return given.length > 0 ? `{ ${given.join(', ')} }` : '';
}

function drawingsOf(root: PlanNode, nodes: readonly PlanNode[]): DrawingName[] {
  const has: Readonly<Record<DrawingName, (node: PlanNode) => boolean>> = {
    List: ({ kind }) => kind === 'list',
    Chooser: ({ kind }) => kind === 'chooser',
    More: (node) => node.kind === 'group' && node.more !== undefined,
    Opened: (node) => (node.kind === 'group' || node.kind === 'chooser') && (node.again || node.onDemand),
    Tabs: ({ kind, hints }) => (kind === 'group' || kind === 'list') && hints.layout === 'tabs',
    Steps: (node) => node === root && node.hints.layout === 'steps',
    Remote: ({ kind, hints }) => kind === 'field' && hints.remote !== undefined,
  };
  return (Object.keys(has) as DrawingName[]).filter((name) => nodes.some(has[name]));
}
