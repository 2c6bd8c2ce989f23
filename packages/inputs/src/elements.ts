import { choiceTags, type DeclaredProperty, type FoundInput } from '@poietra/core';
import { readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { noInputTags } from './declared/names.js';
import { Manifest, manifestPath, type ManifestElement, type Module } from './manifest.js';
import {
  exists,
  isTrial,
  moduleByTag,
  namedAs,
  registeringBeside,
  registeringCalled,
  type Registering,
} from './modules.js';
import type { ProjectPackage } from './project.js';
import { styleSheets } from './sheets.js';

/** All elements that a package declares in its custom-elements manifest, inputs or not. */
export function everyElementOf(pkg: ProjectPackage): FoundInput[] {
  const path = manifestPath(pkg);
  return path === undefined
    ? []
    : withUsualEvents(
        new Manifest(pkg).elements
          .filter(({ module }) => !isTrial(module.path ?? ''))
          .map((one) => element(pkg, one, dirname(path))),
      );
}

/** So many elements with events of their own say that a package names them where there are any. */
const fewSaying = 3;

/**
 * What has a value and can be put out of use is a control; where nothing says what it tells, that may be the platform's
 * two, of which trying it shows whether it is. Of all else one that says nothing tells nothing; but where no event at all
 * is declared (`byTypes`: types are often without), any may tell them.
 */
export function withUsualEvents(found: readonly FoundInput[], byTypes = false): FoundInput[] {
  const saysNone = byTypes && found.filter(({ events }) => events.length > 0).length < fewSaying;
  const has = ({ properties }: FoundInput, names: RegExp): boolean => properties.some(({ name }) => names.test(name));
  const isControl = (one: FoundInput): boolean =>
    has(one, /^(disabled|required|readonly)$/i) && has(one, /^(value|checked)$/);
  const usual = [{ name: 'input' }, { name: 'change' }];
  return found.map((one) =>
    one.events.length === 0 && (saysNone || isControl(one)) ? { ...one, events: usual } : one,
  );
}

/** Those of a package's elements that are inputs, each with the element that stands inside it for a choice. */
export function inputsAmong(found: readonly FoundInput[]): FoundInput[] {
  const tags = new Set(found.map(({ tag }) => tag));
  return found
    .filter(({ tag = '' }) => !noInputTags.test(tag) && !tags.has(groupOf(tag)))
    .map((input) => {
      const item = itemOf(input, found);
      if (item?.tag === undefined) return input;
      // What stands in a list is shown as its text; a button with words beside it, and what is called an item, may take them by a property.
      const text =
        input.tag?.endsWith('-group') || item.tag.endsWith('-item')
          ? item.properties.find(
              ({ name, type }) => /^(label|text|labelText|heading|textLabel)$/.test(name) && /\bstring\b/.test(type),
            )
          : undefined;
      return { ...input, item: { ...itemIn(item.tag, item), ...(text ? { text: text.name } : {}) } };
    });
}

/** The group that is named in the name of one of its things: of `xy-radio-group-radio`, `xy-radio-group`. */
const groupOf = (tag: string): string | undefined =>
  /^(.+-group)-(radio|checkbox|toggle|button|item|option)$/.exec(tag)?.[1];

/** Whether what is said of an element has an example in which another stands inside it, with a value of its own. */
const isShownInside = (inner: string, outer: string, says = ''): boolean =>
  says.includes(`<${inner} `) &&
  new RegExp(`<${outer}[\\s>][^]*?<${inner}\\s[^>]*\\bvalue=[^]*?</${outer}>`).test(says);

/** A group of things holds the things; a list to choose from holds options: by their tags, and only where they carry a value. */
function itemOf({ tag = '', says }: FoundInput, all: readonly FoundInput[]): FoundInput | undefined {
  const stem = tag.slice(0, tag.indexOf('-'));
  const isChoice = choiceTags.test(tag);
  // Of `xy-wide-list` and `xy-list` the choices are the same.
  const kin = tag
    .split('-')
    .slice(1)
    .map((_, i, words) => [stem, ...words.slice(i)].join('-'));
  const fits = (one: string): boolean =>
    (tag.endsWith('-group') &&
      ([tag.slice(0, -'-group'.length), tag.replace(/group$/, 'button')].includes(one) || groupOf(one) === tag)) ||
    (isChoice && one.startsWith(`${stem}-`) && one.endsWith('-option')) ||
    ((isChoice || tag.endsWith('-control')) && kin.some((own) => one === `${own}-item`));
  const valued = all.filter((one) => one.tag !== tag && one.properties.some(({ name }) => name === 'value'));
  const items = valued.filter((one) => fits(one.tag ?? ''));
  if (items.length === 0) return valued.find((one) => isShownInside(one.tag ?? '', tag, says));
  // One that bears the whole name of what it stands in is its own.
  const rank = (one: string): number => one.length - ([`${tag}-item`, `${tag}-option`].includes(one) ? 1000 : 0);
  return items.sort((a, b) => rank(a.tag ?? '') - rank(b.tag ?? ''))[0];
}

function element(pkg: ProjectPackage, { tag, declaration, module }: ManifestElement, base: string): FoundInput {
  const { members = [], events = [], cssParts = [] } = declaration;
  const properties: DeclaredProperty[] = members
    .filter(
      ({ kind, privacy, static: isStatic, name, readonly: fixed }) =>
        kind === 'field' && (privacy ?? 'public') === 'public' && !isStatic && !fixed && name !== undefined,
    )
    .map(({ name = '', type, description }) => {
      const text = type?.text ?? 'unknown';
      const choices = [...text.matchAll(/'([^']*)'/g)].map((match) => match[1] ?? '');
      return {
        name,
        type: text,
        ...(description ? { says: description } : {}),
        ...(choices.length > 0 ? { choices } : {}),
      };
    });
  const methods = members
    .filter(({ kind, privacy }) => kind === 'method' && (privacy ?? 'public') === 'public')
    .flatMap(({ name }) => name ?? []);
  const says = declaration.summary ?? declaration.description;
  return {
    id: `${pkg.name}#${tag}`,
    family: 'element',
    package: pkg.name,
    version: pkg.version,
    export: declaration.name ?? tag,
    ...registering(pkg, tag, module, base, declaration.name ?? tag),
    tag,
    ...(says ? { says } : {}),
    properties,
    methods,
    events: events.flatMap(({ name, description, type }) =>
      name ? [{ name, ...(type?.text ? { type: type.text } : {}), ...(description ? { says: description } : {}) }] : [],
    ),
    ...(cssParts.length > 0
      ? {
          parts: cssParts.flatMap(({ name, description }) =>
            name ? [{ name, ...(description ? { says: description } : {}) }] : [],
          ),
        }
      : {}),
    css: styleSheets(pkg),
  };
}

/** The module that registers the element: the manifest's path, where it is there; else the one beside the manifest, or of its name. */
function registering(pkg: ProjectPackage, tag: string, module: Module, base: string, className: string): Registering {
  const path = module.path ?? '';
  const files = [
    path,
    join(base, path),
    path.replace(/\.ts$/, '.js'),
    join(base, path.replace(/\.ts$/, '.js')),
    join('dist', path),
    ...builtFrom(pkg, path),
  ]
    // A folder stands for its index.
    .flatMap((one) => [one, join(one, 'index.js')])
    .filter((one) => exists(pkg, one));
  const [asked] = files.flatMap((one) => registeringCalled(pkg, one, className) ?? []);
  if (asked) return asked;
  const [named] = files.map((one) => registeringBeside(pkg, one) ?? one).flatMap((one) => namedAs(pkg, one) ?? []);
  // What cannot be asked for alone comes with the whole package.
  return named === undefined ? (moduleByTag(pkg, tag) ?? { module: pkg.name }) : { module: named };
}

/** Where what lies in `src` was built to: in another folder, under the same path. */
function builtFrom({ folder }: ProjectPackage, path: string): string[] {
  const below = /^(?:\.\/)?src\/(.+)\.ts$/.exec(path)?.[1];
  return below === undefined
    ? []
    : readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
        entry.isDirectory() && entry.name !== 'node_modules'
          ? [below, below.replace(/^lib\//, '')].map((one) => join(entry.name, `${one}.js`))
          : [],
      );
}

/** An element that stands inside another, with what registers it. */
export const itemIn = (tag: string, { module, registers }: Registering): NonNullable<FoundInput['item']> => ({
  tag,
  module,
  ...(registers === undefined ? {} : { registers }),
});
