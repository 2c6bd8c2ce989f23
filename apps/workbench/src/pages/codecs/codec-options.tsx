import { builtIn, joinPointer, makeCodec, type CodecDescription } from '@poietra/core';
import { useMemo, useState, type ReactNode } from 'react';
import { SettingsForm } from '../../parts/settings-form.js';
import { useKit } from '../../store/kit.js';

/** The options of a codec, as a form that comes from their own schema. */
export function CodecOptions({ name, codec }: { readonly name: string; readonly codec: CodecDescription }): ReactNode {
  const edit = useKit((store) => store.edit);
  const [trouble, setTrouble] = useState<string>();
  const known = builtIn[codec.kind]?.options;
  const schema = useMemo(() => ({ type: 'object', properties: known ?? {} }), [known]);
  if (!known || codec.kind === 'code') return null;
  return (
    <section aria-label="Options" className="max-w-3xl">
      <SettingsForm
        key={codec.kind}
        schema={schema}
        value={codec.options ?? {}}
        onChange={(value) => {
          const options = value as Record<string, unknown>;
          try {
            // What the codec cannot be made with is said here, before it is kept.
            makeCodec({ kind: codec.kind, options });
          } catch (error) {
            setTrouble(error instanceof Error ? error.message : String(error));
            return;
          }
          setTrouble(undefined);
          edit(
            `Options of ${name}`,
            { [`${joinPointer('/codecs', name)}/options`]: Object.keys(options).length > 0 ? options : undefined },
            `options of ${name}`,
          );
        }}
      />
      {trouble !== undefined && (
        <p role="alert" className="text-fail">
          {trouble} The options that it had stand.
        </p>
      )}
    </section>
  );
}
