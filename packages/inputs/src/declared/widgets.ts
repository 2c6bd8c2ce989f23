/** Plain-DOM widgets: what is made on an element, and can be told of later values. */
import type { DeclaredProperty, FoundInput, WidgetUse } from '@poietra/core';
import ts from 'typescript';
import { aboutOf } from './about.js';
import { eventsInMain } from './script-events.js';
import type { Declarations } from './declarations.js';
import { exportedAs } from './exports.js';
import { shownFile } from './program.js';
import { noInputs, placeNames, telling } from './names.js';

/** A way in which an export makes something on an element. */
interface Making {
  readonly start: WidgetUse['start'];
  readonly signature: ts.Signature;
  /** The export's member that makes it. */
  readonly member?: string;
}
/** Where in what is given the element goes, and what else is given. */
interface Placed {
  /** The type of what takes the element, as text. */
  readonly element: string;
  /** The option that takes it; otherwise it comes first. */
  readonly place?: string;
  readonly options: ts.Type | undefined;
}

/** Members of an export that make something: `Editor.create`. */
const makes = /^(default|create(Picker|Input|Editor|Select|Slider)?|make|init|attach|mount|render|build)$/;
const updates = /^(set|select)(Value|Date|Choice|Selected|Colou?r|Number|Text|Select)?s?$/;
/** Alone it says of no value that it is set. */
const choosesOnly = /^select$/;
const aValue =
  '(Raw|Current|Selected|Semantic|Editor|Element|Field|Input)?(Values?|Dates?|Time|Colou?r|Numbers?|Text|Data|Selection|Rating|Range|Tags|Html|HTML|Contents?|Code|Markdown)';
/** Where somebody writes, beside what is written. */
const aSelection = /Selection$/;
const writesValue = new RegExp(`^(set|update)${aValue}$`);
const readsValue = new RegExp(
  `^get${aValue}$|^get(Formatted|Unformatted)?(Number|Value)?(String)?$|^(val|value|rawValue)$`,
);
const loadsValue = /^(load|assign|write)(\w+Values?|Values?)$/;
/** Words for inputs, in the name of a package whose scripts say nothing more of themselves. */
const helps =
  /select|rating|stars?(?![a-z])|picker|date|time|colou?r|slider|range|input|complete|tags?(?![a-z])|edit|mask|toggle|switch|upload|combo|choice|otp|phone|list-?box/i;
/** What is called so does something else than to make one: it looks for one, keeps others, or stands for an element. */
const doesElse =
  /^(find|get|is|has|to|parse|format|destroy|register|unregister|remove|query|set|on|off|add|clone|debounce|throttle|extend|merge)(?=[A-Z]|$)|[a-z]Adapt[A-Z]|Element$|Store$|^prototype$/;
/** Methods that subscribe to an event, the likeliest first. */
const subscribing = ['on', 'addEventListener', 'addListener', 'subscribe', 'listen'];
const reportNames = /^on(Change|Select|Update|Input)$/i;
/** Options that hold the reports, and which of them tell of a change. */
const reportGroups = /^(events|callbacks|hooks|on)$/;
const groupedReports = /^(on|after)?(Change|Select|Update|Input)d?$/i;

const primitive =
  ts.TypeFlags.StringLike | ts.TypeFlags.NumberLike | ts.TypeFlags.BooleanLike | ts.TypeFlags.BigIntLike;

/** Whether a type is whatever it is given. */
const isOpen = (type: ts.Type | undefined): boolean =>
  (type?.isIntersection() ? type.types : [type]).some((one) => one !== undefined && one.isTypeParameter());

const isBoth = (flags: ts.SymbolFlags): boolean =>
  (flags & ts.SymbolFlags.GetAccessor) !== 0 && (flags & ts.SymbolFlags.SetAccessor) !== 0;

export class Widgets {
  constructor(
    private readonly read: Declarations,
    private readonly anElement: ts.Type | undefined,
  ) {}

  /** A function or class that takes an element and options, or an object with a `create` that does. */
  widgetOf(symbol: ts.Symbol, target: ts.Symbol, type: ts.Type): FoundInput | undefined {
    // A function of the framework's is called by components alone.
    if (/^use[A-Z]/.test(exportedAs(symbol)) || doesElse.test(exportedAs(symbol)) || noInputs.test(exportedAs(symbol)))
      return undefined;
    for (const making of this.#makings(type)) {
      const placed = this.#placed(making.signature);
      const found = placed && this.#found(exportedAs(symbol), making, placed);
      if (found)
        return {
          ...aboutOf(this.read, symbol, target),
          ...(making.member ? { export: `${exportedAs(symbol)}.${making.member}` } : {}),
          family: 'widget',
          ...found,
        };
    }
    return undefined;
  }

  /** Widgets that one object gathers, each under a name of its own: `default.dropdown`. */
  membersOf(symbol: ts.Symbol, type: ts.Type): FoundInput[] {
    if (exportedAs(symbol) !== 'default' || type.getCallSignatures().length > 0) return [];
    return this.read.checker.getPropertiesOfType(type).flatMap((member) => {
      const called = member.name.replace(/^[a-z]/, (letter) => letter.toUpperCase());
      const input =
        noInputs.test(called) || doesElse.test(member.name)
          ? undefined
          : this.widgetOf(member, member, this.#typeOf(member));
      const exported = `default.${member.name}`;
      return input ? [{ ...input, id: `${this.read.pkg.name}#${exported}`, export: exported }] : [];
    });
  }

  #makings(type: ts.Type): Making[] {
    return [
      ...type.getConstructSignatures().map((signature) => ({ start: 'new' as const, signature })),
      ...type.getCallSignatures().map((signature) => ({ start: 'call' as const, signature })),
      ...this.read.checker
        .getPropertiesOfType(type)
        .filter(({ name }) => makes.test(name) && name !== 'default')
        .flatMap((member) =>
          this.#typeOf(member)
            .getCallSignatures()
            .map((signature) => ({ start: 'call' as const, signature, member: member.name })),
        ),
    ];
  }

  /** The element comes first and the options second, or the element is one of the options. */
  #placed({ parameters }: ts.Signature): Placed | undefined {
    const [first, second] = parameters;
    if (!first || parameters.length > 3) return undefined;
    // With nothing beside it, what may be anything is meant less often.
    if (this.#takesElement(first) && (second || /Element\b|Node\b/.test(this.#text(first))))
      return { element: this.#text(first), options: second && this.#bare(parameters[parameters.length - 1] ?? second) };
    const options = this.#bare(first);
    if (parameters.length > 1 || !(options.flags & ts.TypeFlags.Object)) return undefined;
    const taking = this.read.checker.getPropertiesOfType(options).filter((property) => this.#takesElement(property));
    const place =
      taking.find(({ name }) => placeNames.test(name)) ??
      // Under another name, where it can be made of nothing else.
      taking.find(({ flags }) => !(flags & ts.SymbolFlags.Optional));
    return place && { element: this.#text(place), place: place.name, options };
  }

  #found(
    exported: string,
    { start, signature }: Making,
    { element, place, options }: Placed,
  ): Pick<FoundInput, 'events' | 'methods' | 'properties' | 'widget'> | undefined {
    const made = signature.getReturnType();
    const single = made.isUnion() ? (made.types.find((one) => one.getProperty('destroy')) ?? made) : made;
    // What selects elements is made of as many as there are; a text or a number is no living thing.
    if (single.getNumberIndexType() || single.flags & primitive) return undefined;
    const methods = this.read.checker
      .getPropertiesOfType(single)
      .filter((one) => this.#typeOf(one).getCallSignatures().length > 0)
      .map((one) => one.name);
    const declared = options ? this.read.properties(options).filter(({ name }) => name !== place) : [];
    const valued = declared.find(({ name }) => telling.test(name));
    const hasValue = valued !== undefined;
    const isSeen = signature.declaration?.getSourceFile().fileName === shownFile(this.read.pkg);
    const isOnInput = /Input/.test(element) || /^(field|input)$/.test(place ?? '');
    const destroy = methods.find((name) => /^(destroy|destroyAndRemove|dispose|remove)$/.test(name));
    const reading = methods.filter((name) => readsValue.test(name) || name === 'toString');
    const writing = methods
      .filter((name) => writesValue.test(name))
      .sort((a, b) => Number(aSelection.test(a)) - Number(aSelection.test(b)));
    // What is called like an input and made on an element may help to fill in a box of HTML's own.
    const isHelp = isSeen && helps.test(this.read.pkg.name) && makes.test(exported);
    const update =
      // Beside it, what sets the value may take whole items.
      methods.find((name) => /^(set|select)\w*ByValue$/.test(name)) ??
      methods.find((name) => /^set(Value|Date|Choice|Selected)$/.test(name)) ??
      methods.find((name) => name.toLowerCase() === `set${valued?.name.toLowerCase() ?? ''}`) ??
      methods.find(
        (name) => (hasValue ? /^set([A-Z]|$)/ : updates).test(name) && !(isHelp && choosesOnly.test(name)),
      ) ??
      // Under a name of its own, where the same is to be read.
      writing.find((name) => methods.includes(name.replace(/^(set|update)/, 'get'))) ??
      methods.find((name) => loadsValue.test(name)) ??
      // One name to read and to write: with an argument it sets.
      methods.find((name) => telling.test(name) && this.#takesOne(single, name)) ??
      // It is set like any property of what was made: told by `on`, where options of which nothing is known nobody can make up;
      // or of an accessor's own making.
      (methods.includes('on') && !isOpen(options)
        ? this.read.checker
            .getPropertiesOfType(single)
            .find((one) => telling.test(one.name) && !methods.includes(one.name))?.name
        : this.#written(single)) ??
      // What helps to fill in a box of HTML’s own leaves the value there.
      (/HTMLInputElement/.test(element) && destroy !== undefined ? 'value' : undefined) ??
      // Where the value can be read alone, and under another name be given.
      (reading.length > 0 ? writing[0] : undefined) ??
      // What takes no later value may be made anew with it.
      (declared.some(({ name, args }) => args && reportNames.test(name)) ? valued?.name : undefined) ??
      (isHelp ? 'value' : undefined);
    if (update === undefined) return undefined;
    const own = options ? declared.map((property) => this.#withHookArgs(options, property)) : [];
    const properties = [
      ...own,
      ...(options ? this.#grouped(options) : []),
      ...(hasValue ? [] : [this.#laterValue(single, update)]),
    ];
    const byOption = properties.some(
      ({ args, name, type: text }) =>
        name.includes('.') || (reportNames.test(name) && (args !== undefined || /Hook|=>|Function/.test(text))),
    );
    // One that hears nothing by itself leaves it to its element; what can be written and read alone is worth a trial.
    const isHeld = isOnInput || methods.some((name) => readsValue.test(name) || loadsValue.test(name));
    const on = subscribing.find((name) => methods.includes(name) && !this.#isOfElements(single, name));
    const reports = byOption
      ? 'options'
      : on !== undefined
        ? 'on'
        : methods.some((name) => reportNames.test(name) && this.#takesListener(single, name))
          ? 'methods'
          : hasValue
            ? 'on'
            : isHeld || update === 'value'
              ? 'events'
              : undefined;
    if (!reports) return undefined;
    return {
      events: reports === 'on' ? this.#eventsOf(single, on) : [],
      methods,
      properties,
      widget: {
        start,
        update,
        reports,
        ...(reports === 'on' && on !== undefined && on !== 'on' ? { on } : {}),
        element:
          place === 'select' || /SelectElement/.test(element)
            ? 'select'
            : isOnInput || byOption || reports === 'events'
              ? 'input'
              : 'div',
        ...(destroy ? { destroy } : {}),
        ...(place === undefined ? {} : { place }),
        ...(hasValue ? {} : { startsEmpty: true }),
      },
    };
  }

  /** A value that what was made lets be read and written (`get value` and `set value` of a class). */
  #written(made: ts.Type): string | undefined {
    return this.read.checker.getPropertiesOfType(made).find((one) => telling.test(one.name) && isBoth(one.flags))?.name;
  }

  /** What listens to any element that it is given says nothing of the widget. */
  #isOfElements(made: ts.Type, name: string): boolean {
    const method = this.read.checker.getPropertyOfType(made, name);
    const [first] = (method && this.#typeOf(method).getCallSignatures()[0]?.parameters) ?? [];
    return first !== undefined && /Element\b|Node\b/.test(this.#text(first));
  }

  #takesListener(made: ts.Type, name: string): boolean {
    const method = this.read.checker.getPropertyOfType(made, name);
    const [call] = method ? this.#typeOf(method).getCallSignatures() : [];
    const [listener] = call?.parameters ?? [];
    return listener !== undefined && this.#bare(listener).getCallSignatures().length > 0;
  }

  #takesOne(made: ts.Type, name: string): boolean {
    const method = this.read.checker.getPropertyOfType(made, name);
    return (
      method !== undefined &&
      this.#typeOf(method)
        .getCallSignatures()
        .some(({ parameters }) => parameters.length > 0)
    );
  }

  /** The value of a widget that has no option for it: what its method takes, or its property is. */
  #laterValue(made: ts.Type, update: string): DeclaredProperty {
    const method = this.read.checker.getPropertyOfType(made, update);
    const [call] = method ? this.#typeOf(method).getCallSignatures() : [];
    const taken = call ? call.parameters[0] : method;
    return { name: 'value', type: taken ? this.#text(taken) : 'unknown' };
  }

  /** Reports that stand together in one option, each under the option's name and its own. */
  #grouped(options: ts.Type): DeclaredProperty[] {
    return this.read.checker.getPropertiesOfType(options).flatMap((group) => {
      if (!reportGroups.test(group.name)) return [];
      return this.read
        .properties(this.#bare(group))
        .filter(({ name, args }) => args && groupedReports.test(name))
        .map((property) => ({ ...property, name: `${group.name}.${property.name}` }));
    });
  }

  /** The events that the method that subscribes names, where its type lists them; otherwise those that its package's script tells. */
  #eventsOf(made: ts.Type, method = 'on'): { name: string }[] {
    const on = this.read.checker.getPropertyOfType(made, method);
    const names = (on ? this.#typeOf(on).getCallSignatures() : []).flatMap((signature) => {
      const [name] = signature.parameters;
      const type = name && this.#bare(name);
      return (type?.isUnion() ? type.types : type ? [type] : []).flatMap((one) =>
        one.isStringLiteral() ? [one.value] : [],
      );
    });
    const told = names.length > 0 ? names : eventsInMain(this.read.pkg);
    return [...new Set(told)].map((name) => ({ name }));
  }

  #takesElement(taking: ts.Symbol): boolean {
    const type = this.#bare(taking);
    const saysAnything =
      (type.flags & (ts.TypeFlags.Any | ts.TypeFlags.Unknown)) !== 0 || this.read.checker.typeToString(type) === '{}';
    // What may be anything and is called an element is one, where somebody wrote that down; a script says nothing of types.
    if (saysAnything)
      return (
        placeNames.test(taking.name) &&
        taking.declarations?.some((one) => one.getSourceFile().isDeclarationFile) === true
      );
    if (!this.anElement) return false;
    // Of a type parameter, what it has to be at least.
    const least = type.isUnion() ? type.types.map((one) => this.#least(one)) : [this.#least(type)];
    return least.some((one) => one && this.anElement && this.read.checker.isTypeAssignableTo(this.anElement, one));
  }
  #least(type: ts.Type): ts.Type | undefined {
    return type.flags & ts.TypeFlags.TypeParameter ? this.read.checker.getBaseConstraintOfType(type) : type;
  }

  /** A report may be declared as one function or a list of them. */
  #withHookArgs(options: ts.Type, property: DeclaredProperty): DeclaredProperty {
    if (!/^on[A-Z]/.test(property.name) || property.args) return property;
    const symbol = this.read.checker.getPropertyOfType(options, property.name);
    const type = symbol && this.#bare(symbol);
    for (const member of type?.isUnion() ? type.types : type ? [type] : []) {
      const element = this.read.checker.getIndexTypeOfType(member, ts.IndexKind.Number);
      const signature = (element ?? member).getCallSignatures()[0];
      if (signature)
        return {
          ...property,
          args: signature.parameters.map((one) => ({ name: one.name, type: this.read.text(this.#typeOf(one)) })),
        };
    }
    return { ...property, args: [] };
  }

  #typeOf(symbol: ts.Symbol): ts.Type {
    return this.read.checker.getTypeOfSymbolAtLocation(symbol, this.read.where);
  }
  #bare(symbol: ts.Symbol): ts.Type {
    return this.read.checker.getNonNullableType(this.#typeOf(symbol));
  }
  #text(symbol: ts.Symbol): string {
    return this.read.checker.typeToString(this.#typeOf(symbol));
  }
}
