import { CopyIcon } from '@phosphor-icons/react';
import type { ReactNode } from 'react';
import { useView } from '../store/view.js';
import { Button } from './button.js';

export function CopyButton({ text, what }: { readonly text: string; readonly what: string }): ReactNode {
  const say = useView((view) => view.say);
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(text);
      say(`Copied: ${what}.`);
    } catch {
      say('The browser does not allow copying here. Select the text and press Ctrl C.');
    }
  };
  return (
    <Button look="quiet" onClick={() => void copy()} aria-label={`Copy ${what}`}>
      <CopyIcon size={16} aria-hidden="true" />
      Copy
    </Button>
  );
}
