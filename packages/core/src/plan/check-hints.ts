/** What is wrong with the hints of a plan: told to those who write them, with the nearest name that is known. */
import { nativeAdapters } from '../adapter/index.js';
import { builtIn, type CodecDescription } from '../codec/index.js';
import { isObject, lookUp, nearest, ownMember } from '../json/index.js';
import { english } from '../schema/index.js';
import { hintsSchema } from './hints-schema.js';
import type { HintsBeside } from './hints.js';
import type { Plan, PlanNode, PlanTrouble } from './nodes.js';
import { missedKind } from './read-hints.js';
import type { PlanRules } from './rules.js';
import { checkAddresses, isPointer, namesIn } from './check-addresses.js';
import { mostKnown, planAt } from './walk.js';

const known = Object.keys(hintsSchema.properties);

export function checkHints({ root, compiled }: Plan, beside: HintsBeside, rules: PlanRules): PlanTrouble[] {
  const found = new Map<string, PlanTrouble>();
  const tell = (schemaAt: string, says: string): void => void found.set(`${schemaAt}\n${says}`, { schemaAt, says });
  const document = compiled.root.resource.root;
  for (const [at, hints] of Object.entries(beside)) {
    if (!isPointer(at) || lookUp(document, at) === undefined)
      tell(at, `Hints are given for “${at}”, but the schema has nothing there.`);
    else if (!isObject(hints)) tell(at, `Hints have to be an object.`);
  }
  for (const { node, around } of eachKnown(root)) {
    checkNode(node, rules, (says) => tell(node.schemaAt, says));
    checkAddresses(node, { root, around }, (says) => tell(node.schemaAt, says));
    checkLayout(node, node === root, (says) => tell(node.schemaAt, says));
    checkUse(node, node === root, (says) => tell(node.schemaAt, says));
  }
  return [...found.values()];
}

/** The kinds of `read-hints.ts`, in words. */
const kindWords = [
  'a text',
  'a number',
  'true or false',
  'a list of names',
  'a list of rules, each with “holds” and “message”',
  'an object',
];
function checkNode(node: PlanNode, rules: PlanRules, tell: (says: string) => void): void {
  const own = Object.keys(rules.ownHints ?? {});
  for (const [name, value] of Object.entries(node.given)) {
    if (own.includes(name)) continue;
    if (!known.includes(name)) {
      tell(`“${name}” is no hint${nearest(name, [...known, ...own])}`);
      continue;
    }
    const wanted = kindWords[missedKind(name, value)];
    if (wanted !== undefined) {
      tell(`“${name}” has to be ${wanted}. It is left out.`);
      continue;
    }
    const allowed = ownMember(ownMember(hintsSchema.properties, name), 'enum');
    if (Array.isArray(allowed) && !allowed.includes(value))
      tell(`“${name}” cannot be “${String(value)}”${nearest(String(value), allowed.map(String))}`);
  }
  checkNames(node, rules, tell);
}

function checkNames(node: PlanNode, rules: PlanRules, tell: (says: string) => void): void {
  const { given, hints } = node;
  if (hints.input !== undefined && !Object.hasOwn(nativeAdapters, hints.input))
    tell(`There is no input “${hints.input}” of HTML’s own${nearest(hints.input, Object.keys(nativeAdapters))}`);
  else if (hints.input !== undefined && node.kind === 'field' && hints.field === undefined) {
    const drawn = node.use.adapter.slice('native:'.length);
    if (drawn !== hints.input && !(hints.input === 'listbox' && drawn === 'list'))
      tell(`“${hints.input}” cannot take the values that the schema allows here; “${drawn}” is drawn.`);
  } else if (hints.input !== undefined && node.kind !== 'field')
    tell(`“${hints.input}” takes no ${node.kind === 'list' ? 'list' : 'group'}; it is left out.`);
  if (hints.field !== undefined) {
    const field = ownMember(rules.fields, hints.field);
    if (field === undefined)
      tell(`There is no field “${hints.field}”${nearest(hints.field, Object.keys(rules.fields ?? {}))}`);
    const codec = ownMember(field, 'codec');
    if (typeof codec === 'string' && !Object.hasOwn(rules.codecs ?? {}, codec) && !Object.hasOwn(builtIn, codec))
      tell(
        `The field “${hints.field}” uses a codec “${codec}”, which is not there${nearest(codec, [...Object.keys(rules.codecs ?? {}), ...Object.keys(builtIn)])}`,
      );
  }
  if (node.kind === 'field') checkCodec(node.codec, tell);
  checkKeywords(hints, tell);
  if (hints.order && node.kind === 'group') {
    const names = node.children.map(({ name }) => name);
    for (const name of hints.order)
      if (!names.includes(name)) tell(`“order” names “${name}”, which is no member here${nearest(name, names)}`);
  }
  const order = given['order'];
  if (Array.isArray(order) && new Set(order).size < order.length)
    tell('“order” names a member twice; it is drawn once.');
  checkRules(node, tell);
  const isGiven =
    node.facts.default !== undefined || hints.computed !== undefined || (node.kind === 'field' && node.fixed);
  if (hints.hidden === true && node.required && !isGiven)
    tell('It is hidden, but has to have a value: nobody can give it one. Give it a default, or compute it.');
}

/** Layouts are of members, or of entries; pages are of the whole. */
function checkLayout({ kind, hints: { layout } }: PlanNode, isWhole: boolean, tell: (says: string) => void): void {
  const taken =
    kind === 'list'
      ? ['stack', 'table', 'tabs']
      : kind === 'group'
        ? ['stack', 'row', 'grid', 'tabs', ...(isWhole ? ['steps'] : [])]
        : [];
  if (layout === undefined || taken.includes(layout) || !layouts.includes(layout)) return;
  tell(
    taken.length === 0
      ? `“layout” is for members and for entries; this has neither.`
      : `The layout “${layout}” is not for ${kind === 'list' ? 'entries' : 'members here'}: ${taken.join(', ')} are.`,
  );
}
const layouts: readonly string[] = hintsSchema.properties.layout.enum;

/** What only some places have a use for. What stands at a chooser is for the option that is taken. */
function checkUse(node: PlanNode, isWhole: boolean, tell: (says: string) => void): void {
  const { kind, hints } = node;
  if (kind === 'chooser') return;
  const isSaid = (name: string): boolean => hints[name] !== undefined;
  const what = kind === 'field' ? 'one input' : `a ${kind}`;
  if (kind !== 'field')
    for (const name of forInputs.filter(isSaid)) tell(`“${name}” is for one input; this is ${what}. It does nothing.`);
  if (kind !== 'group' && isSaid('order')) tell(`“order” is for members; this is ${what}. It does nothing.`);
  if (isSaid('fold') && (kind === 'field' || isWhole))
    tell(`“fold” is for a section of a form; this is ${isWhole ? 'all of it' : what}. It does nothing.`);
  if (kind !== 'field') return;
  const { adapter } = node.use;
  if (isSaid('lines') && adapter.startsWith('native:') && adapter !== 'native:textarea')
    tell(`“lines” is for a text box of several lines; “${adapter.slice('native:'.length)}” has none.`);
  const values = node.choices?.map(({ value }) => String(value)) ?? [];
  for (const name of Object.keys(hints.words ?? {}))
    if (!values.includes(name))
      tell(
        values.length === 0
          ? '“words” are for values to choose from; the schema has none here.'
          : `“words” has words for “${name}”, which is none of the choices${nearest(name, values)}`,
      );
}
const forInputs = ['placeholder', 'prefix', 'suffix', 'lines', 'words', 'normal', 'remote'];

/** Words and orders are given by keyword; one that no problem ever has does nothing. */
function checkKeywords({ messages = {}, tells = [] }: PlanNode['hints'], tell: (says: string) => void): void {
  for (const [hint, names] of [
    ['messages', Object.keys(messages)],
    ['tells', tells],
  ] as const)
    for (const name of names)
      if (!keywords.includes(name))
        tell(`“${hint}” names the keyword “${name}”, which no problem has${nearest(name, keywords)}`);
}
const keywords = [...Object.keys(english), 'parse', 'rule', 'check', 'server'];

/** Options that a built-in codec does not know do nothing. */
function checkCodec({ kind, options = {} }: CodecDescription, tell: (says: string) => void): void {
  const known = ownMember(builtIn, kind);
  if (!isObject(known) || !isObject(known['options'])) return;
  const names = Object.keys(known['options']);
  for (const name of Object.keys(options))
    if (!names.includes(name) && name !== 'empty')
      tell(`The codec “${kind}” has no option “${name}”${nearest(name, names)}`);
}

function checkRules(node: PlanNode, tell: (says: string) => void): void {
  for (const { tells = [] } of node.hints.rules ?? [])
    for (const below of tells) {
      if (!isPointer(below)) tell(`A rule is told at “${below}”, which is no pointer: it has to begin with “/”.`);
      else if (node.kind !== 'field' && !planAt(node, below))
        tell(`A rule is told at “${below}”, but there is nothing below this place of that name.`);
    }
}

interface Known {
  readonly node: PlanNode;
  /** The names of the members that stand beside it. */
  readonly around: readonly string[];
}
/** As many parts of a plan as can be looked through in advance. */
function eachKnown(root: PlanNode): Known[] {
  const found: Known[] = [];
  const look = (node: PlanNode, around: readonly string[], members = namesIn(node)): void => {
    if (found.push({ node, around }) > mostKnown || node.kind === 'field') return;
    if (node.kind === 'list') look(node.item, []);
    else if (node.again) return;
    else if (node.kind === 'group') for (const child of node.children) look(child, members);
    // What stands in another option is beside it, too.
    else for (const option of node.options) look(option.node, around, members);
  };
  look(root, []);
  return found;
}
