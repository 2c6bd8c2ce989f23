import {
  builtIn,
  joinPointer,
  nativeAdapters,
  ownMember,
  type FieldDescription,
  type FormDescription,
} from '@poietra/core';
import { useMemo, useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { NoSuch } from '../../parts/no-such.js';
import { FormFrame } from '../../parts/form-frame.js';
import { SettingsForm } from '../../parts/settings-form.js';
import { ValueLine, type LineValue } from '../../parts/value-line.js';
import { useKit } from '../../store/kit.js';
import { fieldSample, usesOfField } from './field-uses.js';

/** A field drawn twice, with its settings, and where it is used. */
export function Component(): ReactNode {
  const { name = '' } = useParams();
  const field = useKit(({ kit }) => ownMember(kit.fields, name) as FieldDescription | undefined);
  if (!field) {
    return <NoSuch what="field" name={name} />;
  }
  return <FieldView key={name} name={name} field={field} />;
}

const options = { notes: false, copies: 2, submitLabel: '', width: 420 } as const;

function FieldView({ name, field }: { readonly name: string; readonly field: FieldDescription }): ReactNode {
  const { kit, edit } = useKit();
  const [line, setLine] = useState<LineValue>();
  const names = JSON.stringify([Object.keys(kit.adapters), Object.keys(kit.codecs)]);
  const schema = useMemo(() => settingsSchema(JSON.parse(names) as [string[], string[]]), [names]);
  const form = useMemo(
    (): FormDescription => ({ title: field.title ?? name, schema: fieldSample(name, field, kit) }),
    [name, field, kit],
  );
  const uses = usesOfField(name, kit);
  return (
    <div className="grid gap-4 p-4 lg:grid-cols-[280px_minmax(0,1fr)]">
      <section aria-label="Settings" className="grid content-start gap-3">
        <h1>{field.title ?? name}</h1>
        <SettingsForm
          schema={schema}
          value={field}
          onChange={(value) => edit(`Field ${name}`, { [joinPointer('/fields', name)]: value }, `field ${name}`)}
        />
        <div>
          <h2>Used in</h2>
          {uses.length === 0 && (
            <p className="text-ink-2">
              No form uses it yet. A hint takes it in: {`"x-poietra": { "field": "${name}" }`}.
            </p>
          )}
          <ul>
            {uses.map(({ to, text }) => (
              <li key={to + text}>
                <Link to={to}>{text}</Link>
              </li>
            ))}
          </ul>
        </div>
      </section>
      <section aria-label="Drawn twice" className="grid content-start gap-3">
        <p className="text-ink-2">Twice on one page: each copy has its own ids, its own value and its own message.</p>
        <div className="border border-hairline">
          <FormFrame
            title={`Field: ${field.title ?? name}`}
            form={form}
            options={options}
            onMessage={(message) => {
              if (message.kind === 'line')
                setLine({
                  shown: message.shown,
                  held: message.held,
                  sent: message.sent,
                  broken: message.problems.find(({ keyword }) => keyword === 'parse')?.message,
                });
            }}
          />
        </div>
        {line ? (
          <ValueLine value={line} />
        ) : (
          <p className="text-ink-2">Use the field, and its value line appears here.</p>
        )}
        <p className="text-[13px]">
          Adapter:{' '}
          {field.adapter.startsWith('native:') ? (
            field.adapter
          ) : (
            <Link to={`/adapters/${field.adapter}`}>{field.adapter}</Link>
          )}{' '}
          · Codec: {kit.codecs[field.codec] ? <Link to={`/codecs/${field.codec}`}>{field.codec}</Link> : field.codec}
        </p>
      </section>
    </div>
  );
}

function settingsSchema([adapters, codecs]: [string[], string[]]): unknown {
  const text = (title: string): unknown => ({ title, type: 'string' });
  return {
    type: 'object',
    required: ['adapter', 'codec'],
    properties: {
      title: text('Title in the kit'),
      label: text('Label'),
      hint: text('Hint'),
      placeholder: text('Placeholder'),
      adapter: {
        title: 'Adapter',
        enum: [...adapters, ...Object.keys(nativeAdapters).map((native) => `native:${native}`)],
      },
      codec: { title: 'Codec', enum: [...codecs, ...Object.keys(builtIn).filter((kind) => !codecs.includes(kind))] },
      prefix: text('Before the input'),
      suffix: text('Behind the input'),
      required: { title: 'Required', type: 'boolean' },
    },
  };
}
