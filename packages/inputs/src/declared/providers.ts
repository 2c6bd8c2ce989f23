import type { Wrapper } from '@poietra/core';
import ts from 'typescript';
import type { Declarations } from './declarations.js';
import { exportsOf, meantBy } from './exports.js';

const mostProviders = 4;
/** Of all providers of a package so many are tried, first those that are called after the input: `ComboProvider` around `ComboInput`. */
export function likeliest(providers: readonly Wrapper[], exported = ''): Wrapper[] {
  const isCalledAfter = ({ component }: Wrapper): boolean => {
    const [, stem = ''] = /#(\w+)Provider$/.exec(component) ?? [];
    return stem !== '' && exported.startsWith(stem);
  };
  const own = providers.filter(isCalledAfter);
  return [...own, ...providers.filter((one) => !own.includes(one))].slice(0, mostProviders);
}
const deepestMadeUp = 4;
/** What gives a look, among the properties of a provider and among exports. */
const look = /theme$/i;
/** What a package has ready for all else that a provider has to be given. */
const ready = /^default|(system|config|settings)$/i;
/** Whether a name begins with that of a property: `skyDefault` for `sky`. */
const isNamedAfter = ({ name: property }: ts.Symbol, name: string): boolean =>
  name.startsWith(property) && /^[A-Z]/.test(name.slice(property.length));
/** Of several looks, the one that most people would see first. */
const plain = [/^default/i, /light/i, /^(base|main)/i];

/**
 * Components that may have to stand around others: what is called a provider, a theme or a field, takes children, and needs nothing else
 * that cannot be made up or imported. Those that need least come first.
 */
export function providersOf(
  read: Declarations,
  module: ts.Symbol,
  moduleNamed: (name: string) => ts.Symbol | undefined,
): Wrapper[] {
  const { checker, pkg, where } = read;
  const exported = exportsOf(checker, module);
  const typeOf = (symbol: ts.Symbol): ts.Type => checker.getTypeOfSymbolAtLocation(meantBy(checker, symbol), where);
  const id = (symbol: ts.Symbol): string => `${pkg.module ?? pkg.name}#${symbol.name}`;
  const found = exported.flatMap((symbol) => {
    if (!/^(?:(?:[A-Z]\w*)?Provider|Theme|Field|FormField)$/.test(symbol.name)) return [];
    const props = propsOf(typeOf(symbol));
    if (!props || !checker.getPropertyOfType(props, 'children')) return [];
    const imports: Record<string, string> = {};
    const properties = localPlace(props);
    let needed = 0;
    for (const property of checker.getPropertiesOfType(props)) {
      const isNeeded = !(property.flags & ts.SymbolFlags.Optional) && property.name !== 'children';
      const theme = look.test(property.name)
        ? themeFor(property, look)
        : isNeeded
          ? (themeFor(property, ready) ?? themeFor(property, undefined))
          : undefined;
      const choice = isNeeded ? (choiceFor(property) ?? languageFor(property)) : undefined;
      const served = servedFor(property) ?? (isNeeded ? hookFor(property) : undefined);
      const made = isNeeded ? madeUp(property) : undefined;
      if (served !== undefined) imports[property.name] = served;
      else if (theme) imports[property.name] = id(theme);
      else if (choice !== undefined) properties[property.name] = choice;
      else if (isNeeded && mayBeEmpty(property)) properties[property.name] = {};
      else if (made !== undefined) properties[property.name] = made;
      else if (isNeeded) needed++;
    }
    // One for a whole application or theme is asked for more often than one for a single widget.
    const last = /Field$/.test(symbol.name) ? 3 : 0;
    const rank = last + (/^(Theme|Config|App|Ui|UI)?Provider$|Theme|Config/.test(symbol.name) ? 0 : 1) + 2 * needed;
    const hasImports = Object.keys(imports).length > 0;
    const hasGiven = Object.keys(properties).length > 0;
    const wrapper: Wrapper = {
      component: id(symbol),
      ...(hasGiven ? { properties } : {}),
      ...(hasImports ? { imports } : {}),
    };
    return [{ wrapper, rank: hasImports ? -1 : rank, length: symbol.name.length }];
  });
  return found.sort((a, b) => a.rank - b.rank || a.length - b.length).map(({ wrapper }) => wrapper);

  /** Whether its marks go on the whole page or on what is inside: of the page there is one, and of inputs many. */
  function localPlace(props: ts.Type): Record<string, unknown> {
    const said = new Map<string, Set<string>>();
    // What only one of several ways to use it takes is none of the properties of them all.
    for (const way of props.isUnion() ? props.types : [props])
      for (const property of checker.getPropertiesOfType(way)) {
        const texts = said.get(property.name) ?? new Set();
        for (const text of textsOf(property)) texts.add(text);
        if (texts.size > 0) said.set(property.name, texts);
      }
    for (const [name, texts] of said) {
      const own = ['scope', 'local', 'element', 'self', 'child'].find((one) => texts.has(one));
      const isOfPage = ['root', 'global', 'document', 'body', 'page'].some((one) => texts.has(one));
      if (own !== undefined && isOfPage) return { [name]: own };
    }
    return {};
  }

  /** Of a function or a class of the framework. */
  function propsOf(type: ts.Type): ts.Type | undefined {
    const props =
      type.getCallSignatures()[0]?.parameters[0] ??
      type.getConstructSignatures()[0]?.getReturnType().getProperty('props');
    return props && checker.getTypeOfSymbolAtLocation(props, where);
  }

  /** A class that the package keeps apart for a library of the project's, where a class is taken that is called so. */
  function servedFor(property: ts.Symbol): string | undefined {
    const taken = checker.getNonNullableType(checker.getTypeOfSymbolAtLocation(property, where));
    const [word = ''] = /[A-Z]?[a-z]+$/.exec(property.name) ?? [];
    if (taken.getConstructSignatures().length === 0 || word === '') return undefined;
    for (const name of pkg.serves ?? []) {
      const apart = moduleNamed(name);
      const made = (apart ? exportsOf(checker, apart) : []).find(
        (one) => one.name.toLowerCase().includes(word.toLowerCase()) && typeOf(one).getConstructSignatures().length > 0,
      );
      if (made) return `${name}#${made.name}`;
    }
    return undefined;
  }

  /** A hook of the framework's own that has to be given under its very name. */
  function hookFor(property: ts.Symbol): string | undefined {
    if (!/^use[A-Z]/.test(property.name)) return undefined;
    const framework = moduleNamed('react');
    const isThere = framework && exportsOf(checker, framework).some(({ name }) => name === property.name);
    return isThere ? `react#${property.name}` : undefined;
  }

  /** Whether an object with nothing in it is one: words in another language, settings that all have a default. */
  function mayBeEmpty(property: ts.Symbol): boolean {
    const taken = checker.getNonNullableType(checker.getTypeOfSymbolAtLocation(property, where));
    return (taken.isUnion() ? taken.types : [taken]).some(
      (one) =>
        (one.flags & ts.TypeFlags.Object) !== 0 &&
        !checker.isArrayLikeType(one) &&
        one.getCallSignatures().length + one.getConstructSignatures().length === 0 &&
        checker.getPropertiesOfType(one).every((inner) => inner.flags & ts.SymbolFlags.Optional),
    );
  }

  /** An object of data, where there is nothing better. */
  function madeUp(property: ts.Symbol): unknown {
    const made = read.sample(checker.getTypeOfSymbolAtLocation(property, where), property.name, deepestMadeUp);
    return typeof made === 'object' ? made : undefined;
  }

  /** Of texts to choose from, the plainest; where any text will do besides, those that are named are meant. */
  function choiceFor(property: ts.Symbol): string | undefined {
    const texts = textsOf(property);
    return plain.map((like) => texts.find((one) => like.test(one))).find(Boolean) ?? texts[0];
  }

  function textsOf(property: ts.Symbol): string[] {
    const taken = checker.getNonNullableType(checker.getTypeOfSymbolAtLocation(property, where));
    return (taken.isUnion() ? taken.types : [taken]).flatMap((one) => (one.isStringLiteral() ? [one.value] : []));
  }

  /** A language that has to be named: the one in which everything else here is said (BCP 47). */
  function languageFor(property: ts.Symbol): string | undefined {
    const taken = checker.getNonNullableType(checker.getTypeOfSymbolAtLocation(property, where));
    return /^(locale|lang|language)$/.test(property.name) && taken.flags & ts.TypeFlags.StringLike ? 'en' : undefined;
  }

  /**
   * An export that is such a look, or what else has to be given: by its name, which without `called` begins with the
   * property's, and of a type that the property takes.
   */
  function themeFor(property: ts.Symbol, called: RegExp | undefined): ts.Symbol | undefined {
    const taken = checker.getNonNullableType(checker.getTypeOfSymbolAtLocation(property, where));
    if (!(taken.flags & (ts.TypeFlags.Object | ts.TypeFlags.Intersection))) return undefined;
    // What anything would fit says nothing about what is meant.
    if (called !== look && checker.getPropertiesOfType(taken).every((one) => one.flags & ts.SymbolFlags.Optional))
      return undefined;
    const fitting = exported.filter((one) => {
      if (
        !(called?.test(one.name) ?? isNamedAfter(property, one.name)) ||
        !(meantBy(checker, one).flags & ts.SymbolFlags.Variable)
      )
        return false;
      const type = typeOf(one);
      return (
        (type.flags & (ts.TypeFlags.Object | ts.TypeFlags.Intersection)) !== 0 &&
        type.getCallSignatures().length === 0 &&
        checker.isTypeAssignableTo(type, taken)
      );
    });
    const bare = (name: string): string => (isNamedAfter(property, name) ? name.slice(property.name.length) : name);
    return (
      fitting.find(({ name }) => name === property.name) ??
      plain.map((name) => fitting.find((one) => name.test(bare(one.name)))).find(Boolean) ??
      fitting[0]
    );
  }
}
