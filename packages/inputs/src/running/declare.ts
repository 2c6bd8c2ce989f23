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

function anExport({ name, is, properties, methods, byOptions }: ShownExport, index: number): string {
  const place = byOptions ? properties.find((one) => placeNames.test(one.name))?.name : undefined;
  const given = `{ ${properties.map((one) => (one.name === place ? `${place}: HTMLElement | string;` : property(one))).join(' ')} }`;
  const takes = place === undefined ? `element: HTMLElement | string, options?: ${given}` : `options: ${given}`;
  const local = `Shown${index}`;
  const made = methods.map((method) => `${method}(${isSetter.test(method) ? 'next: any' : '...given: any[]'}): any;`);
  const declaration =
    is === 'component'
      ? `declare function ${local}(props: ${given}): React.ReactElement;`
      : `declare class ${local} { constructor(${takes}); ${made.join(' ')} }`;
  return `${declaration}\nexport { ${local} as ${name} };`;
}
const isSetter = /^set|^value$/;

function property({ name, kinds, choices, required }: ShownProperty): string {
  return `${name}${required ? '' : '?'}: ${choices ? choices.map((choice) => JSON.stringify(choice)).join(' | ') : typeText(name, kinds)};`;
}

function typeText(name: string, kinds: readonly Kind[]): string {
  if (kinds.length > 0) return kinds.map((kind) => `(${typeOf[kind]})`).join(' | ');
  if (/^on[A-Z]/.test(name)) return typeOf.function;
  return isState.test(name) ? 'boolean' : 'any';
}

function element({ properties, methods }: ShownElement, index: number): string {
  const members = properties.map((name) => `${name}: ${isState.test(name) ? 'boolean' : 'any'};`);
  return `declare class Element${index} extends HTMLElement { ${[...members, ...methods.map((name) => `${name}(...given: any[]): any;`)].join(' ')} }`;
}
