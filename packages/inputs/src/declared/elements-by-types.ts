import type { FoundInput } from '@poietra/core';
import { relative } from 'node:path';
import ts from 'typescript';
import { inputsAmong, withUsualEvents } from '../elements.js';
import { exists, importedAs, moduleByTag } from '../modules.js';
import type { ProjectPackage } from '../project.js';
import { styleSheets } from '../sheets.js';
import type { Declarations } from './declarations.js';
import { telling } from './names.js';

const isWithin = (folder: string, file: string): boolean => {
  const way = relative(folder, file);
  return !way.startsWith('..') && !way.includes('node_modules');
};

/** Of the package, or of another of its maker's that it builds on. */
function isOfMaker({ name, folder }: ProjectPackage, file: string): boolean {
  const [scope = ''] = /^@[^/]+\//.exec(name) ?? [];
  return isWithin(folder, file) || (scope !== '' && file.includes(`/node_modules/${scope}`));
}

/**
 * Custom elements that a package without a manifest registers: it declares their tags with their classes in the
 * platform's own map. What its class declares itself counts, not what every element has.
 */
export function elementsByTypes(read: Declarations): FoundInput[] {
  const { checker, pkg, where } = read;
  const map = checker
    .getSymbolsInScope(where, ts.SymbolFlags.Interface)
    .find(({ name }) => name === 'HTMLElementTagNameMap');
  if (!map) return [];
  const found = checker.getPropertiesOfType(checker.getDeclaredTypeOfSymbol(map)).flatMap((entry): FoundInput[] => {
    const file = entry.declarations?.[0]?.getSourceFile().fileName ?? '';
    const tag = entry.name;
    if (!tag.includes('-') || !isWithin(pkg.folder, file)) return [];
    const type = checker.getTypeOfSymbolAtLocation(entry, where);
    const members = checker
      .getPropertiesOfType(type)
      .filter((member) => member.declarations?.some((one) => isOfMaker(pkg, one.getSourceFile().fileName)));
    const isMethod = (member: ts.Symbol): boolean =>
      checker.getTypeOfSymbolAtLocation(member, where).getCallSignatures().length > 0;
    const properties = members
      .filter((member) => !isMethod(member) && !isOnlyRead(member) && !/^[_#]/.test(member.name))
      .map((member) => {
        // Its class gives each of its own a value: none has to be given.
        const { required: _, sample: __, ...property } = read.property(member);
        return property;
      });
    if (!properties.some(({ name }) => telling.test(name))) return [];
    const script = relative(pkg.folder, file).replace(/\.d\.ts$/, '.js');
    const registering = exists(pkg, script)
      ? { module: importedAs(pkg, script) }
      : (moduleByTag(pkg, tag) ?? { module: pkg.name });
    return [
      {
        id: `${pkg.name}#${tag}`,
        family: 'element' as const,
        package: pkg.name,
        version: pkg.version,
        // A class made by mixing others in has no name of its own.
        export: (type.getSymbol() ?? type.aliasSymbol)?.name ?? tag,
        ...registering,
        tag,
        properties,
        methods: members.filter(isMethod).map(({ name }) => name),
        events: eventsOf(read, type).map((name) => ({ name })),
        css: styleSheets(pkg),
      },
    ];
  });
  return inputsAmong(withUsualEvents(found, true));
}

/** What cannot be set is told to whoever asks: the options that a list finds inside itself. */
const isOnlyRead = ({ declarations = [] }: ts.Symbol): boolean =>
  declarations.length > 0 && declarations.every(ts.isGetAccessorDeclaration);

/** The events that its own `addEventListener` names beside the platform's. */
function eventsOf({ checker, where }: Declarations, type: ts.Type): string[] {
  const listen = checker.getPropertyOfType(type, 'addEventListener');
  const platform = checker
    .getSymbolsInScope(where, ts.SymbolFlags.Interface)
    .find(({ name }) => name === 'HTMLElementEventMap');
  const usual = platform && checker.getDeclaredTypeOfSymbol(platform);
  const names = (listen ? checker.getTypeOfSymbolAtLocation(listen, where).getCallSignatures() : []).flatMap(
    (signature) => {
      const [heard] = signature.getTypeParameters() ?? [];
      const keys = heard && checker.getBaseConstraintOfType(heard);
      return (keys?.isUnion() ? keys.types : keys ? [keys] : []).flatMap((one) =>
        one.isStringLiteral() && !(usual && checker.getPropertyOfType(usual, one.value)) ? [one.value] : [],
      );
    },
  );
  return [...new Set(names)].filter(
    (name) => !/^(DOMContentLoaded|pointerlock|visibilitychange|readystatechange)/.test(name),
  );
}
