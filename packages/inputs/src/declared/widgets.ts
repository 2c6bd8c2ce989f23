/** Plain-DOM widgets: what takes an element and options, and gives something that can be told of later values. */
import type { FoundInput, WidgetUse } from '@poietra/core';
import ts from 'typescript';
import { aboutOf } from './about.js';
import type { Declarations } from './declarations.js';
import { telling } from './names.js';

export class Widgets {
  constructor(
    private readonly read: Declarations,
    private readonly anElement: ts.Type | undefined,
  ) {}

  /** A function or class that takes an element first and options second, or an object with a `create` that does. */
  widgetOf(symbol: ts.Symbol, target: ts.Symbol, type: ts.Type): FoundInput | undefined {
    const create = type.getProperty('create');
    const candidates: { start: WidgetUse['start']; signature: ts.Signature; handle?: string; member?: string }[] = [
      ...type.getConstructSignatures().map((signature) => ({ start: 'new' as const, signature })),
      ...type.getCallSignatures().map((signature) => ({ start: 'call' as const, signature })),
      ...(create
        ? this.read.checker
            .getTypeOfSymbolAtLocation(create, this.read.where)
            .getCallSignatures()
            .map((signature) => ({ start: 'call' as const, signature, member: 'create' }))
        : []),
    ];
    for (const { start, signature, member } of candidates) {
      const [element, options] = signature.parameters;
      if (!element || !options || signature.parameters.length > 3) continue;
      if (!this.#takesElement(element)) continue;
      const first = this.read.checker.typeToString(
        this.read.checker.getTypeOfSymbolAtLocation(element, this.read.where),
      );
      const taken = this.read.checker.getNonNullableType(
        this.read.checker.getTypeOfSymbolAtLocation(options, this.read.where),
      );
      const properties = this.read.properties(taken);
      if (!properties.some(({ name }) => telling.test(name))) continue;
      const made = signature.getReturnType();
      const single = made.isUnion() ? (made.types.find((one) => one.getProperty('destroy')) ?? made) : made;
      const methods = this.read.checker
        .getPropertiesOfType(single)
        .filter(
          (one) => this.read.checker.getTypeOfSymbolAtLocation(one, this.read.where).getCallSignatures().length > 0,
        )
        .map((one) => one.name);
      const update =
        methods.find((name) => /^set(Value|Date|Data|Choice)$/.test(name)) ??
        methods.find((name) => /^set([A-Z]|$)/.test(name));
      if (update === undefined) continue;
      const reportsByOption = properties.some(
        ({ args, name, type: text }) =>
          /^on(Change|Select|Update)$/.test(name) && (args !== undefined || /Hook|=>|Function/.test(text)),
      );
      const destroy = methods.find((name) => /^(destroy|dispose|remove)$/.test(name));
      return {
        ...aboutOf(this.read, symbol, target),
        ...(member ? { export: `${symbol.name}.${member}` } : {}),
        family: 'widget',
        events: [],
        methods,
        properties: properties.map((property) =>
          /^on[A-Z]/.test(property.name) && !property.args
            ? { ...property, args: this.#hookArgs(taken, property.name) }
            : property,
        ),
        widget: {
          start,
          update,
          reports: reportsByOption ? 'options' : 'on',
          element: /Input/.test(first) || reportsByOption ? 'input' : 'div',
          ...(destroy ? { destroy } : {}),
        },
      };
    }
    return undefined;
  }

  #takesElement(parameter: ts.Symbol): boolean {
    const type = this.read.checker.getTypeOfSymbolAtLocation(parameter, this.read.where);
    const saysAnything =
      (type.flags & (ts.TypeFlags.Any | ts.TypeFlags.Unknown | ts.TypeFlags.TypeParameter)) !== 0 ||
      this.read.checker.typeToString(type) === '{}';
    return !saysAnything && this.anElement !== undefined && this.read.checker.isTypeAssignableTo(this.anElement, type);
  }

  /** A report may be declared as one function or a list of them. */
  #hookArgs(options: ts.Type, name: string): { name: string; type: string }[] {
    const property = this.read.checker.getPropertyOfType(options, name);
    if (!property) return [];
    const type = this.read.checker.getNonNullableType(
      this.read.checker.getTypeOfSymbolAtLocation(property, this.read.where),
    );
    for (const member of type.isUnion() ? type.types : [type]) {
      const element = this.read.checker.getIndexTypeOfType(member, ts.IndexKind.Number);
      const signature = (element ?? member).getCallSignatures()[0];
      if (signature)
        return signature.parameters.map((one) => ({
          name: one.name,
          type: this.read.text(this.read.checker.getTypeOfSymbolAtLocation(one, this.read.where)),
        }));
    }
    return [];
  }
}
