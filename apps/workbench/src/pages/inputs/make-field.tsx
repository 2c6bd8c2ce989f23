import {
  freeName,
  freeNameFor,
  joinPointer,
  type AdapterDescription,
  type CodecDescription,
  type Kit,
} from '@poietra/core';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../parts/button.js';
import { pathOf } from '../../parts/kit-part.js';
import { useKit } from '../../store/kit.js';

/** A field of an adapter: the next step in the order of work. */
export function MakeField({ adapter: name }: { readonly adapter: string }): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const adapter = kit.adapters[name];
  if (!adapter) return null;
  return (
    <Button
      onClick={() => {
        const field = freeName(name, kit.fields);
        edit(`Make a field of ${name}`, {
          ...fieldOf(name, adapter, field, kit),
        });
        void navigate(pathOf('fields', field));
      }}
    >
      Make a field of it
    </Button>
  );
}

/** The field, and the codec that it needs and the kit does not have. */
function fieldOf(name: string, adapter: AdapterDescription, field: string, kit: Kit): Record<string, unknown> {
  const own = adapter.parts ? partsCodec(adapter.parts.map((part) => part.name)) : undefined;
  const codec = own
    ? freeNameFor(kit, 'codecs', field)
    : adapter.value.kind === undefined
      ? 'same'
      : codecs[adapter.value.kind];
  return {
    ...(own ? { [joinPointer('/codecs', codec)]: own } : {}),
    [joinPointer('/fields', field)]: { title: adapter.title ?? name, adapter: name, codec },
  };
}

/** An input that gives anything but texts and marks gives it as it is. */
const codecs = {
  text: 'text',
  'filled text': 'text',
  boolean: 'boolean',
  number: 'same',
  list: 'same',
  set: 'same',
  object: 'same',
} as const;

function partsCodec(names: readonly string[]): CodecDescription {
  return { kind: 'parts', options: { names }, cases: [] };
}
