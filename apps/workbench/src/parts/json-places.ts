/** Where in a JSON text a JSON Pointer stands, and the other way round; read from the editor's own syntax tree. */
import { syntaxTree } from '@codemirror/language';
import type { EditorState } from '@codemirror/state';
import type { SyntaxNode } from '@lezer/common';
import { formatPointer, parsePointer, type Pointer } from '@poietra/core';

const isValue = ({ name }: SyntaxNode): boolean => !/^(Property|PropertyName|[[\]{},:]|⚠)$/.test(name);

function nameOf(state: EditorState, property: SyntaxNode): string | undefined {
  const name = property.getChild('PropertyName');
  if (!name) return undefined;
  try {
    return String(JSON.parse(state.sliceDoc(name.from, name.to)));
  } catch {
    return undefined;
  }
}

function itemsOf(array: SyntaxNode): SyntaxNode[] {
  const found: SyntaxNode[] = [];
  for (let child = array.firstChild; child; child = child.nextSibling) if (isValue(child)) found.push(child);
  return found;
}

/** The pointer of the innermost place around a position. */
export function pointerAt(state: EditorState, position: number): Pointer {
  const tokens: string[] = [];
  for (let node: SyntaxNode | null = syntaxTree(state).resolveInner(position, -1); node; node = node.parent) {
    const { parent } = node;
    if (node.name === 'Property') tokens.unshift(nameOf(state, node) ?? '');
    else if (parent?.name === 'Array' && isValue(node))
      tokens.unshift(String(itemsOf(parent).findIndex(({ from }) => from === node.from)));
  }
  return formatPointer(tokens);
}

/** From where to where a place stands; `undefined` where the text does not have it. */
export function rangeOf(
  state: EditorState,
  pointer: Pointer,
): { readonly from: number; readonly to: number } | undefined {
  let value: SyntaxNode | null | undefined = itemsOf(syntaxTree(state).topNode)[0];
  let whole: SyntaxNode | null | undefined = value;
  for (const token of parsePointer(pointer)) {
    if (!value) return undefined;
    if (value.name === 'Array') value = whole = itemsOf(value)[Number(token)];
    else {
      const property: SyntaxNode | undefined = value
        .getChildren('Property')
        .find((one) => nameOf(state, one) === token);
      whole = property;
      value = property && itemsOf(property)[0];
    }
  }
  return whole ? { from: whole.from, to: whole.to } : undefined;
}
