/** Where in a JSON text, with or without comments, a JSON Pointer stands, and the other way round. */
import type { EditorState, Text } from '@codemirror/state';
import { formatPointer, parsePointer, type Pointer } from '@poietra/core';
import { findNodeAtLocation, getLocation, parseTree, type Node } from 'jsonc-parser';

/** The pointer of the innermost place around a position, and whether a name is to stand there. */
export function placeAt(
  state: EditorState,
  position: number,
): { readonly at: Pointer; readonly names: readonly string[]; readonly isName: boolean } {
  const { path, isAtPropertyKey: isName } = getLocation(state.doc.toString(), position);
  const names = path.map(String);
  return { at: formatPointer(names), names, isName };
}

/** Reading a long text takes its time; it is read once for each state of it. */
const trees = new WeakMap<Text, Node | undefined>();
function treeOf({ doc }: EditorState): Node | undefined {
  if (!trees.has(doc)) trees.set(doc, parseTree(doc.toString()));
  return trees.get(doc);
}

/** From where to where a place stands, its name included; `undefined` where the text does not have it. */
export function rangeOf(
  state: EditorState,
  pointer: Pointer,
): { readonly from: number; readonly to: number } | undefined {
  // A place in another document is not in this text.
  if (pointer !== '' && !pointer.startsWith('/')) return undefined;
  let node = treeOf(state);
  let whole = node;
  for (const token of parsePointer(pointer)) {
    node = node && findNodeAtLocation(node, [node.type === 'array' ? Number(token) : token]);
    whole = node?.parent?.type === 'property' ? node.parent : node;
  }
  return whole && { from: whole.offset, to: whole.offset + whole.length };
}
