import type { FoundInput } from '@poietra/core';

/** A free name for a new thing of the kit, from words: `DayPicker` becomes `day-picker`, or `day-picker-2`. */
export function freeName(words: string, taken: object): string {
  const base =
    words
      .replace(/([a-z\d])([A-Z])/g, '$1-$2')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .replace(/^(?=\d)/, 'the-') || 'new';
  let name = base;
  for (let i = 2; Object.hasOwn(taken, name); i++) name = `${base}-${i}`;
  return name;
}

/** What an input is called where it is listed: its tag, or its export, with the package where that says too little. */
export function inputTitle({ family, tag, export: exported, package: pkg }: FoundInput): string {
  if (family === 'element' && tag !== undefined) return `<${tag}>`;
  if (exported === 'default') return pkg;
  return family === 'widget' ? `${pkg}.${exported}` : exported;
}
