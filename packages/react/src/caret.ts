/** Remembers where the caret stands; what is given back puts it there again, counted from the end, once another text is shown. */
export function keepCaret(): (() => void) | undefined {
  let node = document.activeElement as HTMLInputElement | null;
  while (node?.shadowRoot) node = node.shadowRoot.activeElement as HTMLInputElement | null;
  // Not every input has a caret that can be set.
  if (typeof node?.selectionEnd !== 'number') return undefined;
  const { value } = node;
  const behind = value.length - node.selectionEnd;
  return () => {
    const at = Math.max(0, node.value.length - behind);
    if (node.value !== value) node.setSelectionRange(at, at);
  };
}
