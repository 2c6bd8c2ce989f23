import { useSyncExternalStore } from 'react';

const entry = 'input, textarea, select, [contenteditable="true"], [role="combobox"]';

function isTyping(): boolean {
  return document.activeElement?.matches(entry) ?? false;
}

function subscribe(tell: () => void): () => void {
  document.addEventListener('focusin', tell);
  document.addEventListener('focusout', tell);
  return () => {
    document.removeEventListener('focusin', tell);
    document.removeEventListener('focusout', tell);
  };
}

/** Whether a person is at a text or a choice of the workbench: then trying an input, which takes the focus, waits. */
export function useTyping(): boolean {
  return useSyncExternalStore(subscribe, isTyping, () => false);
}
