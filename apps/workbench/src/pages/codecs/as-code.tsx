import { joinPointer, type CodecDescription } from '@poietra/core';
import { codecAsCode, type OwnSources } from '@poietra/core/handover';
import { useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { ask } from '../../store/ask.js';
import { useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';

/** Goes on from a built-in codec with code of one's own: the library's source of it, to be changed. It is one step, and can be undone. */
export function AsCode({ name, codec }: { readonly name: string; readonly codec: CodecDescription }): ReactNode {
  const edit = useKit((store) => store.edit);
  const say = useView((view) => view.say);
  const [isBusy, setBusy] = useState(false);
  const write = async (): Promise<void> => {
    setBusy(true);
    try {
      const sources = (await ask('/api/own-sources')) as OwnSources;
      edit(`Write ${name} as code`, { [joinPointer('/codecs', name)]: codecAsCode(codec, sources) });
      say('It is code now, and does what it did. Undo brings the built-in one back.');
    } catch (error) {
      say(error instanceof Error ? error.message : String(error));
    }
    setBusy(false);
  };
  return (
    <Button look="quiet" className="ml-2" aria-disabled={isBusy} onClick={() => isBusy || void write()}>
      Write it as code
    </Button>
  );
}
