/** Parts of the kit as the workbench speaks of them and goes to them. */
import type { PartKind } from '@poietra/core';

/** One of a kind, in a word. */
export const oneOf: Readonly<Record<PartKind | 'rules', string>> = {
  adapters: 'adapter',
  codecs: 'codec',
  fields: 'field',
  groups: 'group',
  forms: 'form',
  skins: 'skin',
  hints: 'hint',
  rules: 'rule',
};

/** The address of a part's own page; hints and rules stand on the board of forms. */
export function pathOf(kind: PartKind | 'rules', name: string): string {
  return kind === 'hints' || kind === 'rules' ? '/forms' : `/${kind}/${encodeURIComponent(name)}`;
}
