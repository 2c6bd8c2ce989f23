import { compileSchema, kitDocuments, SchemaError } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { useKit } from '../store/kit.js';
import { CodeView } from './code-view.js';

interface Props {
  readonly label: string;
  readonly value: unknown;
  /** Whether the text has to be a JSON Schema, or any JSON. */
  readonly is?: 'schema' | 'json';
  onChange(value: unknown): void;
  readonly lit?: string | undefined;
  readonly onCaret?: ((at: string) => void) | undefined;
}

/**
 * JSON as text. What can be read and holds is taken at once; while it cannot, the last good state stands and the text
 * says where it breaks.
 */
export function JsonText({ label, value, is = 'schema', onChange, lit, onCaret }: Props): ReactNode {
  const good = JSON.stringify(value, undefined, 2);
  const [draft, setDraft] = useState<{ readonly text: string; readonly of: string; readonly trouble?: string }>();
  // The text as typed stays as long as it means the value that stands; an undo or another tab brings a new text.
  const isCurrent = draft !== undefined && draft.of === good;
  const change = (text: string): void => {
    const read = readText(text, is);
    if (!read.ok) {
      setDraft({ text, of: good, trouble: read.trouble });
      return;
    }
    setDraft({ text, of: JSON.stringify(read.value, undefined, 2) });
    onChange(read.value);
  };
  return (
    <div className="flex h-full min-h-0 flex-col gap-1">
      <div className="min-h-40 flex-1 border border-hairline">
        <CodeView
          label={label}
          text={isCurrent ? draft.text : good}
          language="json"
          onChange={change}
          lit={lit}
          onCaret={onCaret}
        />
      </div>
      <p role="status" className="min-h-5 text-[13px] whitespace-pre-wrap text-fail">
        {isCurrent ? draft.trouble : ''}
      </p>
    </div>
  );
}

function readText(
  text: string,
  is: 'schema' | 'json',
): { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly trouble: string } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return {
      ok: false,
      trouble: `No JSON yet: ${error instanceof Error ? error.message : String(error)}. The last good state stands.`,
    };
  }
  if (is === 'json') return { ok: true, value };
  try {
    compileSchema(value, { documents: kitDocuments(useKit.getState().kit) });
    return { ok: true, value };
  } catch (error) {
    return {
      ok: false,
      trouble: error instanceof SchemaError ? `${error.message}\nThe last good state stands.` : String(error),
    };
  }
}
