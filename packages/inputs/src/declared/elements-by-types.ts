import { choiceTags, type FoundInput } from '@poietra/core';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { inputsAmong, itemIn, withUsualEvents } from '../elements.js';
import { exists, importedAs, moduleByTag, type Registering } from '../modules.js';
import type { ProjectPackage } from '../project.js';
import { eventsInScripts, scriptOf } from './script-events.js';
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
  const isOfAll = isUsual(read);
  // Who draws it may hear a press on anything; that it changes it says of itself.
  const isItsOwn = (event: string): boolean => !isOfAll(event) || /^(change|input)$/.test(event);
  const eventsOf = (entry: ts.Symbol, members: readonly ts.Symbol[]): string[] => {
    const type = checker.getTypeOfSymbolAtLocation(entry, where);
    const declared = [...heardEvents(read, type, isOfAll), ...drawnEvents(read, entry).filter(isItsOwn)];
    if (declared.length > 0) return [...new Set(declared)];
    const told = eventsInScripts(members).filter(isItsOwn);
    // What a base that lies elsewhere tells is not seen so; the platform's own may come from inside.
    return told.length > 0 ? [...new Set([...told, 'input', 'change'])] : [];
  };
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
        events: eventsOf(entry, members).map((name) => ({ name })),
        ...(exists(pkg, script) ? itemsNamedIn(join(pkg.folder, script), tag, registering) : {}),
        css: styleSheets(pkg),
      },
    ];
  });
  return inputsAmong(withUsualEvents(found, true));
}

/** The element that a list finds inside itself for a choice, where the script that registers it has one of its name. */
function itemsNamedIn(script: string, tag: string, registering: Registering): Pick<FoundInput, 'item'> {
  if (!choiceTags.test(tag)) return {};
  const text = scriptOf(script);
  const item = [`${tag}-option`, `${tag}-item`].find((one) => text.includes(`"${one}"`) || text.includes(`'${one}'`));
  return item === undefined ? {} : { item: itemIn(item, registering) };
}

/** What cannot be set is told to whoever asks: the options that a list finds inside itself. */
const isOnlyRead = ({ declarations = [] }: ts.Symbol): boolean =>
  declarations.length > 0 && declarations.every(ts.isGetAccessorDeclaration);

/** Whether an event is one that every element of the platform tells. */
function isUsual({ checker, where }: Declarations): (event: string) => boolean {
  const platform = checker
    .getSymbolsInScope(where, ts.SymbolFlags.Interface)
    .find(({ name }) => name === 'HTMLElementEventMap');
  const usual = platform && checker.getDeclaredTypeOfSymbol(platform);
  return (event) =>
    (usual && checker.getPropertyOfType(usual, event.toLowerCase()) !== undefined) ||
    /^(DOMContentLoaded|pointerlock|visibilitychange|readystatechange)/.test(event);
}

/** The events that its own `addEventListener` names: of a list that has the platform's, those that are not; of its own all, `change` too. */
function heardEvents({ checker, where }: Declarations, type: ts.Type, isOfAll: (event: string) => boolean): string[] {
  const listen = checker.getPropertyOfType(type, 'addEventListener');
  return (listen ? checker.getTypeOfSymbolAtLocation(listen, where).getCallSignatures() : []).flatMap((signature) => {
    const [heard] = signature.getTypeParameters() ?? [];
    const keys = heard && checker.getBaseConstraintOfType(heard);
    const names = (keys?.isUnion() ? keys.types : keys ? [keys] : []).flatMap((one) =>
      one.isStringLiteral() ? [one.value] : [],
    );
    return names.includes('pointerdown') ? names.filter((name) => !isOfAll(name)) : names;
  });
}

/** The events that its tag takes listeners for where it is drawn, as the module that registers it declares: `onXyChange` hears `xyChange`. */
function drawnEvents({ checker, pkg, where }: Declarations, { name: tag, declarations = [] }: ts.Symbol): string[] {
  return declarations.flatMap((declaration) => {
    const module = checker.getSymbolAtLocation(declaration.getSourceFile());
    const drawn = module?.exports?.get(ts.escapeLeadingUnderscores('JSX'));
    const space = drawn && drawn.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(drawn) : drawn;
    const elements = space?.exports?.get(ts.escapeLeadingUnderscores('IntrinsicElements'));
    const taken = elements && checker.getPropertyOfType(checker.getDeclaredTypeOfSymbol(elements), tag);
    return (taken ? checker.getPropertiesOfType(checker.getTypeOfSymbolAtLocation(taken, where)) : []).flatMap((one) =>
      /^on[A-Z]/.test(one.name) && one.declarations?.some((own) => isOfMaker(pkg, own.getSourceFile().fileName))
        ? [one.name.charAt(2).toLowerCase() + one.name.slice(3)]
        : [],
    );
  });
}
