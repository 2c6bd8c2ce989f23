import { freeNameFor, type CodecDescription } from '@poietra/core';
import type { ReactNode } from 'react';
import { partOf } from './part-of.js';
import { useNavigate } from 'react-router';
import { useKit } from '../store/kit.js';
import { Button } from './button.js';

interface Props {
  /** The kit's name of the codec; absent for a built-in one that the kit has not taken up yet. */
  readonly name: string | undefined;
  readonly codec: CodecDescription;
  readonly written: unknown;
}

/** Takes a real value to the page of its codec, where it can be kept as a case. */
export function SendToCodec({ name, codec: { kind, options }, written }: Props): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const open = (): void => {
    const known = name !== undefined && partOf(kit.codecs, name) ? name : undefined;
    // Never the name of a built-in one: fields that use that would from then on use this.
    const target = known ?? freeNameFor(kit, 'codecs', `${kind}-tried`);
    if (known === undefined)
      edit(`Take up the codec ${target}`, { [`/codecs/${target}`]: { kind, ...(options ? { options } : {}) } });
    void navigate(`/codecs/${target}`, { state: { shown: written } });
  };
  return (
    <Button look="quiet" onClick={open}>
      Try it on the codec’s page
    </Button>
  );
}
