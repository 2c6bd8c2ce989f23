/** What an editor of JSON Schema offers while one types: the keywords, and the hints. What breaks is marked where it stands. */
import {
  autocompletion,
  completionKeymap,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete';
import { jsonParseLinter } from '@codemirror/lang-json';
import { linter } from '@codemirror/lint';
import { keymap } from '@codemirror/view';
import { metaSchema } from '@poietra/core';
import { pointerAt } from './json-places.js';

const hintNames = [
  'label',
  'hint',
  'placeholder',
  'field',
  'input',
  'order',
  'layout',
  'span',
  'fold',
  'prefix',
  'suffix',
  'lines',
  'hidden',
  'skin',
  'words',
  'condition',
  'computed',
  'remote',
  'messages',
];
const dialect = 'https://json-schema.org/draft/2020-12/';
/** The keywords of the present dialect, as its meta-schemas list them, and ours. */
const keywords = [
  ...['core', 'applicator', 'unevaluated', 'validation', 'format-annotation', 'content', 'meta-data'].flatMap(
    (part) => {
      const document = metaSchema(`${dialect}meta/${part}`);
      const members: unknown =
        typeof document === 'object' && document !== null
          ? (document as { properties?: unknown }).properties
          : undefined;
      return typeof members === 'object' && members !== null ? Object.keys(members) : [];
    },
  ),
  'x-poietra',
];
const kinds = ['string', 'number', 'integer', 'boolean', 'object', 'array', 'null'];
const formats = ['date', 'date-time', 'time', 'email', 'uri', 'uuid', 'hostname', 'ipv4', 'json-pointer'];

function complete(context: CompletionContext): CompletionResult | null {
  const word = context.matchBefore(/"[\w$-]*/);
  if (!word) return null;
  const at = pointerAt(context.state, word.from);
  // After a brace or a comma a name is expected, whatever the half-typed text is taken for.
  const before =
    context.state
      .sliceDoc(Math.max(0, word.from - 200), word.from)
      .trimEnd()
      .at(-1) ?? '';
  const isName = before === '{' || before === ',';
  const last = at.split('/').at(-1) ?? '';
  const offered = isName
    ? /\/x-poietra$/.test(at)
      ? hintNames
      : // Members have names of their author's own.
        /\/(properties|\$defs|patternProperties|words|messages)$/.test(at)
        ? []
        : keywords
    : last === 'type'
      ? kinds
      : last === 'format'
        ? formats
        : [];
  return offered.length === 0
    ? null
    : { from: word.from + 1, options: offered.map((label) => ({ label, apply: label })), validFor: /^[\w$-]*$/ };
}

export const jsonHelp = [
  autocompletion({ override: [complete], icons: false }),
  keymap.of(completionKeymap),
  linter(jsonParseLinter()),
];
