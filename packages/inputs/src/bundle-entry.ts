/** The module that a bundle begins with: it imports what was asked for and starts the frame, or the drawing on a server. */
import { families } from '@poietra/core';
import { onDemand } from './bundle-plugins.js';
import type { BundleOptions } from './bundle-options.js';

export function entry(
  start: BundleOptions['start'],
  inputs: BundleOptions['inputs'],
  codes: Readonly<Record<string, string>>,
  handedOver: BundleOptions['handedOver'],
  isBrowser = true,
): string {
  const imports: string[] = [`import { ${start.name} } from ${JSON.stringify(start.module)};`];
  const calls: string[] = [];
  const modules = new Map<string, string>();
  /**
   * By its whole, since what is declared and not exported must not take the rest away: it is there without a value. On a
   * server only when it is asked for, since some need a window as soon as they are loaded.
   */
  const moduleOf = (module: string): string => {
    if (!isBrowser) return `require(${JSON.stringify(`${onDemand}${module}`)}).whole`;
    const known = modules.get(module);
    if (known !== undefined) return known;
    const local = `module${modules.size}`;
    imports.push(`import * as ${local} from ${JSON.stringify(module)};`);
    modules.set(module, local);
    return local;
  };
  const register = ({ module, registers }: { readonly module: string; readonly registers?: string }): void => {
    if (registers === undefined) imports.push(`import ${JSON.stringify(module)};`);
    else calls.push(`${moduleOf(module)}[${JSON.stringify(registers)}]?.();`);
  };
  const entries = inputs.map((input) => {
    for (const css of isBrowser ? input.css : []) imports.push(`import ${JSON.stringify(css)};`);
    const { comes } = families[input.family];
    if (comes === 'with the page') return undefined;
    const given = (value: string): string =>
      `${JSON.stringify(input.id)}: { family: ${JSON.stringify(input.family)}, get value() { return ${value}; } }`;
    if (comes === 'by tag') {
      if (isBrowser) register(input);
      if (isBrowser && input.item?.module) register(input.item);
      return given(JSON.stringify(input.tag ?? ''));
    }
    const [name = 'default', member] = input.export.split('.');
    const value = `${moduleOf(input.module)}${isName(name) ? `.${name}` : `[${JSON.stringify(name)}]`}`;
    return given(member ? `${value}?.[${JSON.stringify(member)}]` : value);
  });
  const codecs = Object.keys(codes).map((name, i) => {
    imports.push(`import * as code${i} from ${JSON.stringify(`poietra-code:${name}`)};`);
    return `${JSON.stringify(name)}: code${i}`;
  });
  if (handedOver) {
    const { module, name } = handedOver;
    imports.push(`import { ${name} as made, ${name}Description as description } from ${JSON.stringify(module)};`);
    // As `live.ts` of the stand asks for it.
    entries.push("[Symbol.for('poietra.handed-over')]: { made, description }");
  }
  return `${imports.join('\n')}\n${calls.join('\n')}\n${start.name}({ ${entries.filter(Boolean).join(', ')} }, { ${codecs.join(', ')} });\n`;
}

const isName = (text: string): boolean => /^[A-Za-z_$][\w$]*$/.test(text);
