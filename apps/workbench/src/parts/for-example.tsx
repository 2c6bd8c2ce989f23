/** What a board would list, alive: where there is none of it yet, one tries it before one makes it. */
import type { CodecDescription, FormDescription } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { LiveForm } from './live-form.js';
import { lineFor } from './line-for.js';
import { ValueLine } from './value-line.js';

const weight: CodecDescription = { kind: 'quantity', options: { units: { kg: 1, t: 1000 } } };
const pieces = {
  title: 'Pieces',
  description: 'Whole pieces, at least one.',
  type: 'integer',
  minimum: 1,
};
const field: FormDescription = {
  title: 'A field',
  schema: { type: 'object', required: ['pieces'], properties: { pieces } },
};
const party = {
  type: 'object',
  required: ['name'],
  properties: { name: { title: 'Name', type: 'string' }, email: { title: 'E-mail', type: 'string', format: 'email' } },
};
const group: FormDescription = {
  title: 'A group in two places',
  schema: {
    type: 'object',
    properties: {
      consignor: { title: 'Consignor', $ref: '#/$defs/party' },
      consignee: { title: 'Consignee', $ref: '#/$defs/party' },
    },
    $defs: { party },
  },
};
const text = `{
  "required": ["description"],
  "properties": {
    "description": { "title": "Description", "type": "string" },
    "pieces": { "title": "Pieces", "type": "integer" },
    "port": { "title": "Port", "enum": ["ALD", "BRE", "TOR"] },
    "hazardous": { "title": "Hazardous", "type": "boolean" }
  }
}`;
const form: FormDescription = { title: 'A form', schema: JSON.parse(text) as unknown };

const examples = {
  codec: { says: 'Type a weight as people write it; what cannot be read is kept as it was typed.', draw: Codec },
  field: {
    says: 'Go in and out again: its message appears, linked to the input as its hint is.',
    draw: () => <LiveForm form={field} />,
  },
  group: { says: 'One description, drawn in two places.', draw: () => <LiveForm form={group} /> },
  form: { says: 'This schema, and nothing else:', draw: Form },
} as const satisfies Record<string, { readonly says: string; readonly draw: () => ReactNode }>;

export default function ForExample({ of }: { readonly of: keyof typeof examples }): ReactNode {
  const { says, draw: Draw } = examples[of];
  return (
    <figure className="mt-2 grid gap-3 border border-hairline bg-sheet p-4" data-testid="for-example">
      <figcaption className="text-[13px] text-ink-2">For example. {says}</figcaption>
      <Draw />
    </figure>
  );
}

function Codec(): ReactNode {
  const [typed, setTyped] = useState('1.2 t');
  const line = lineFor(typed, weight);
  return (
    <>
      <label className="flex items-center gap-2 text-ink">
        Weight
        <input
          className="mono w-40 rounded-sm border border-edge bg-sheet px-2 py-1"
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
        />
        <span className="text-[13px] text-fail">{line.broken}</span>
      </label>
      <ValueLine value={line} />
    </>
  );
}

function Form(): ReactNode {
  return (
    <>
      <pre className="mono overflow-auto text-[13px] leading-5 text-ink" tabIndex={0} aria-label="Its schema">
        {text}
      </pre>
      <LiveForm form={form} />
    </>
  );
}
