import type { FormDescription } from '@poietra/core';
import type { ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { plainPage } from '../../parts/plain-page.js';
import { useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';

/** Opens the form as the server draws it, in a page of its own where no script runs. It is sent to the echo. */
export function WithoutScript({ form }: { readonly form: FormDescription }): ReactNode {
  const say = useView((view) => view.say);
  const open = async (): Promise<void> => {
    // Opened by the press itself; a browser takes a page that opens by itself later for an intruder.
    const tab = window.open('about:blank', '_blank');
    try {
      const page = await plainPage(form, useKit.getState().kit);
      if (tab) tab.location.href = page;
      else say('The browser did not let a new page open.');
    } catch (error) {
      tab?.close();
      say(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Button
      look="quiet"
      title="As the server draws it. The browser sends it by itself, to the demo company’s echo."
      onClick={() => void open()}
    >
      Try without script
    </Button>
  );
}
