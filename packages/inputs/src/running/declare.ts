/** Type declarations for a package that has none, from what it shows when it runs; read like any others. */
import { placeNames } from '../declared/names.js';
import type { Kind, Shown, ShownElement, ShownExport, ShownProperty } from './shown.js';

const typeOf: Readonly<Record<Kind, string>> = {
  string: 'string',
  number: 'number',
  boolean: 'boolean',
  function: '(next: any) => void',
  array: 'any[]',
  object: 'object',
};
/** What is named so is a state in HTML, and in most that is built on it. */
const isState = /^(is[A-Z]\w*|checked|disabled|required|read-?only|invalid|multiple)$/i;

/** The declarations as the text of a module. */
export function declared({ exports, elements }: Shown): string {
  return [
    "import type * as React from 'react';",
    ...exports.map(anExport),
    ...elements.map(element),
    elements.length > 0
      ? `declare global { interface HTMLElementTagNameMap { ${elements.map(({ tag }, i) => `'${tag}': Element${i};`).join(' ')} } }`
      : '',
    'export {};',
  ].join('\n');
}

function anExport(shown: ShownExport, index: number): string {
  const local = `Shown${index}`;
  return `${declaration(shown, local)}\nexport { ${local} as ${shown.name} };`;
}

function declaration(shown: ShownExport, local: string): string {
  const { is, properties, methods, byOptions, members = [] } = shown;
  if (is === 'group')
    return [
      ...members.map((member, i) => declaration(member, `${local}_${i}`)),
      `declare const ${local}: { ${members.map(({ name }, i) => `${name}: typeof ${local}_${i};`).join(' ')} };`,
    ].join('\n');
  const place = byOptions ? (shown.place ?? properties.find((one) => placeNames.test(one.name))?.name) : undefined;
  const given = `{ ${properties.map((one) => (one.name === place ? `${place}: HTMLElement | string;` : property(one))).join(' ')} }`;
  const takes = place === undefined ? `element: HTMLElement | string, options?: ${given}` : `options: ${given}`;
  const made = methods
    .map((method) => `${method}(${isSetter.test(method) ? 'next: any' : '...given: any[]'}): any;`)
    .join(' ');
  if (is === 'component') return `declare function ${local}(props: ${given}): React.ReactElement;`;
  return is === 'class'
    ? `declare class ${local} { constructor(${takes}); ${made} }`
    : `declare function ${local}(${takes}): { ${made} };`;
}
const isSetter = /^set|^value$/;

function property({ name, kinds, choices, required }: ShownProperty): string {
  return `${name}${required ? '' : '?'}: ${choices ? choices.map((choice) => JSON.stringify(choice)).join(' | ') : typeText(name, kinds)};`;
}

function typeText(name: string, kinds: readonly Kind[]): string {
  if (kinds.length > 0) return kinds.map((kind) => `(${typeOf[kind]})`).join(' | ');
  if (/^on[A-Z]|Callback$/.test(name)) return typeOf.function;
  return isState.test(name) ? 'boolean' : 'any';
}

function element({ properties, methods }: ShownElement, index: number): string {
  const members = properties.map((name) => `${name}: ${isState.test(name) ? 'boolean' : 'any'};`);
  return `declare class Element${index} extends HTMLElement { ${[...members, ...methods.map((name) => `${name}(...given: any[]): any;`)].join(' ')} }`;
}
