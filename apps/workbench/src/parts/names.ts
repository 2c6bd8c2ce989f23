import type { FoundInput } from '@poietra/core';

/** What an input is called where it is listed: its tag, or its export, with the package where that says too little. */
export function inputTitle({ family, tag, export: exported, package: pkg }: FoundInput): string {
  if (family === 'element' && tag !== undefined) return `<${tag}>`;
  if (exported === 'default') return pkg;
  return family === 'widget' ? `${pkg}.${exported}` : exported;
}
