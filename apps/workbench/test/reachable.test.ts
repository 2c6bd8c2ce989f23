/**
 * Whatever the kit's format can say can be changed in the interface: each member of `docs/kit.schema.json` has the page
 * and the control that change it. A new member without a row here fails, and so does a row whose control is gone.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pages } from '../src/pages.js';

type Shape = Readonly<Record<string, unknown>>;
const home = join(__dirname, '../../..');
const published = JSON.parse(readFileSync(join(home, 'docs/kit.schema.json'), 'utf8')) as Shape;

/** Every member by its path; `*` is a name of one's own, or an entry of a list. */
function membersOf(shape: unknown, at = ''): string[] {
  if (typeof shape !== 'object' || shape === null) return [];
  const {
    properties = {},
    additionalProperties,
    items,
    prefixItems = [],
    anyOf = [],
    oneOf = [],
  } = shape as {
    properties?: Shape;
    additionalProperties?: unknown;
    items?: unknown;
    prefixItems?: unknown[];
    anyOf?: unknown[];
    oneOf?: unknown[];
  };
  return [
    ...Object.entries(properties).flatMap(([name, inner]) => [`${at}/${name}`, ...membersOf(inner, `${at}/${name}`)]),
    ...[additionalProperties, items, ...prefixItems].flatMap((inner) => membersOf(inner, `${at}/*`)),
    ...[...anyOf, ...oneOf].flatMap((inner) => membersOf(inner, at)),
  ];
}
const members = [...new Set(membersOf(published))];

/** Members from a path on, the page that changes them, and the words of the control as they stand in its source. */
const controls: readonly (readonly [from: string, page: string, control: string])[] = [
  // Of this program, not of a person: which format it is, what was found of an input, what the contract said.
  ['/poietra', 'kit', 'Export'],
  ['/inputs', 'inputs/:id', 'Draft the adapter'],
  ['/proofs', 'adapters/:name', 'Contract'],
  ['/name', 'kit', 'Name of the kit'],
  ['/standsAlone', 'hand-over', 'On its own'],
  ['/formatTypes', 'hand-over', 'Formats as types'],
  ['/rules', 'forms', 'How fields are chosen'],
  ['/look', 'look', 'Look of the forms'],
  ['/documents', 'documents/:uri', 'Text of ${title}'],
  ['/documents/*/fetched', 'documents/:uri', 'Fetch from'],
  ['/hosts', 'kit', 'Address of a host'],
  ['/hints', 'forms', 'Hints of the kit’s own'],
  ...(
    [
      ['adapters', 'adapters/:name'],
      ['codecs', 'codecs/:name'],
      ['fields', 'fields/:name'],
      ['groups', 'groups/:name'],
      ['forms', 'forms/:name/:record?'],
      ['skins', 'skins/:name'],
    ] as const
  ).map(([kind, page]) => [`/${kind}`, page, 'As text'] as const),
  // What has a control of its own beside the text.
  ['/skins/*/parts', 'skins/:name', 'Left to HTML'],
  ['/skins/*/around', 'skins/:name', 'Around each of them'],
  ['/adapters/*/onServer', 'adapters/:name', 'on a server'],
  ['/adapters/*/constants', 'adapters/:name', 'Always gets'],
  ['/adapters/*/inside', 'adapters/:name', 'Another part in'],
  ['/adapters/*/wrappers', 'adapters/:name', 'Another wrapper'],
  ['/adapters/*/parts', 'inputs/together', 'Put together'],
  ['/codecs/*/options', 'codecs/:name', 'Options'],
  ['/codecs/*/cases', 'codecs/:name', 'Keep as a case'],
  ['/forms/*/send', 'form-settings/:name', 'Sends to'],
  ['/forms/*/tell', 'form-settings/:name', 'Problems are told'],
  ['/forms/*/hidden', 'form-settings/:name', 'Values of fields that are not there'],
  ['/forms/*/accepted', 'form-settings/:name', 'Said once it was accepted'],
  ['/forms/*/language', 'form-settings/:name', 'Language in which it speaks'],
  ['/forms/*/messages', 'form-settings/:name', 'Messages of its own, by language'],
];

const sources = (folder: string): string =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name))
    .map((name) => readFileSync(join(folder, name), 'utf8'))
    .join('\n');
const words = sources(join(home, 'apps/workbench/src')) + sources(join(home, 'packages/core/src/adapter'));

it('the format has many members', () => expect(members.length).toBeGreaterThan(100));

it('each member has a control', () => {
  const has = (member: string): boolean => controls.some(([from]) => member === from || member.startsWith(`${from}/`));
  expect(members.filter((member) => !has(member))).toEqual([]);
});
it.each(controls)('%s: the page %s has “%s”, and the member is one', (from, page, control) => {
  expect(pages.map(({ path }) => path)).toContain(page);
  expect([control, words.includes(control)]).toEqual([control, true]);
  expect(members).toContain(from);
});
