import { calledAs, type FoundInput } from '@poietra/core';

/** What an input is called where it is listed: its tag, or its export, with the package where that says too little. */
export function inputTitle(input: FoundInput): string {
  const { family, tag, export: exported, package: pkg } = input;
  if (family === 'element' && tag !== undefined) return `<${tag}>`;
  if (/^default\b/.test(exported)) return calledAs(input);
  return family === 'widget' ? `${pkg}.${exported}` : exported;
}
