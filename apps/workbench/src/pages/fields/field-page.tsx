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
import { Toggle } from '../../parts/toggle.js';
import { PartHead } from '../../parts/part-head.js';
import { NoSuch } from '../../parts/no-such.js';
import { FormFrame } from '../../parts/form-frame.js';
import { SettingsForm } from '../../parts/settings-form.js';
import { ValueLine, type LineValue } from '../../parts/value-line.js';
import { useKit } from '../../store/kit.js';
import { fieldSample } from './field-sample.js';

/** A field drawn twice, with its settings, and where it is used. */
export function Component(): ReactNode {
  const { name = '' } = useParams();
  const field = useKit(({ kit }) => ownMember(kit.fields, name) as FieldDescription | undefined);
  if (!field) {
    return <NoSuch what="field" name={name} board="/fields" />;
  }
  return <FieldView key={name} name={name} field={field} />;
}

/** The states in which a field has to be looked at. */
const states = {
  empty: {},
  required: { required: true },
  invalid: { required: true, allTold: true },
  disabled: {},
  'read only': { readOnly: true },
  'long text': {
    title:
      'The port at which the goods are taken over from the consignor, or from the carrier who brings them on the consignor’s behalf',
  },
  'right to left': { rightToLeft: true },
} as const satisfies Record<string, object>;
type StateName = keyof typeof states;

function FieldView({ name, field }: { readonly name: string; readonly field: FieldDescription }): ReactNode {
  const { kit, edit } = useKit();
  const [line, setLine] = useState<LineValue>();
  const names = JSON.stringify([Object.keys(kit.adapters), Object.keys(kit.codecs)]);
  const schema = useMemo(() => settingsSchema(JSON.parse(names) as [string[], string[]]), [names]);
  const [skin, setSkin] = useState('plain');
  const [state, setState] = useState<StateName>('empty');
  const form = useMemo((): FormDescription => {
    const {
      allTold: _told,
      rightToLeft: _direction,
      ...more
    } = { allTold: false, rightToLeft: false, ...states[state] };
    // Words of the field win over a title; for long text they step aside.
    const { label: _label, ...unnamed } = field;
    const kept = 'title' in more ? { ...kit, fields: { ...kit.fields, [name]: unnamed } } : kit;
    return { title: field.title ?? name, schema: fieldSample(name, field, kept, more) };
  }, [name, field, kit, state]);
  const options = useMemo(
    () => ({
      notes: false,
      copies: 2,
      submitLabel: '',
      width: 420,
      skin,
      rightToLeft: state === 'right to left',
      allTold: state === 'invalid',
      disabled: state === 'disabled',
    }),
    [skin, state],
  );
  return (
    <div>
      <PartHead kind="fields" name={name} />
      <div className="grid gap-4 p-4 lg:grid-cols-[280px_minmax(0,1fr)]">
        <section aria-label="Settings" className="grid content-start gap-3">
          <SettingsForm
            schema={schema}
            value={field}
            onChange={(value) => edit(`Field ${name}`, membersAt(joinPointer('/fields', name), value), `field ${name}`)}
          />
          <p className="text-[13px] text-ink-2">
            A form takes it in by a hint: <code>{`"x-poietra": { "field": "${name}" }`}</code>, or on its sheet, where
            fields are added.
          </p>
        </section>
        <section aria-label="Drawn twice" className="grid content-start gap-3">
          <div className="flex flex-wrap gap-x-6 gap-y-1">
            <Choice
              name="Skin"
              value={skin}
              values={['plain', 'compact', ...Object.keys(kit.skins ?? {})]}
              onChange={setSkin}
            />
            <Choice
              name="State"
              value={state}
              values={Object.keys(states)}
              onChange={(next) => setState(next as StateName)}
            />
          </div>
          <p className="text-ink-2">
            Twice on one page: each copy has its own ids, its own value and its own message.{' '}
            <Link to="/links">Look at the links.</Link>
          </p>
          <div className="border border-hairline">
            <FormFrame
              key={`${skin} ${state}`}
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
    </div>
  );
}

function Choice({
  name,
  value,
  values,
  onChange,
}: {
  readonly name: string;
  readonly value: string;
  readonly values: readonly string[];
  onChange(value: string): void;
}): ReactNode {
  return (
    <div role="group" aria-label={name} className="flex flex-wrap items-center gap-1">
      <span className="text-[13px] text-ink-2">{name}</span>
      {values.map((one) => (
        <Toggle key={one} isOn={one === value} onChange={() => onChange(one)}>
          {one}
        </Toggle>
      ))}
    </div>
  );
}

/** The settings are members of the field among others, which stay as they are. */
function membersAt(at: string, value: unknown): Record<string, unknown> {
  return Object.fromEntries(
    ['label', 'hint', 'placeholder', 'adapter', 'codec', 'prefix', 'suffix', 'normal', 'required'].map((member) => [
      `${at}/${member}`,
      ownMember(value, member),
    ]),
  );
}

function settingsSchema([adapters, codecs]: [string[], string[]]): unknown {
  const text = (title: string): unknown => ({ title, type: 'string' });
  return {
    type: 'object',
    required: ['adapter', 'codec'],
    properties: {
      label: text('Label'),
      hint: text('Hint'),
      placeholder: text('Placeholder'),
      adapter: {
        title: 'Adapter',
        'x-poietra': { input: 'select' },
        enum: [...adapters, ...Object.keys(nativeAdapters).map((native) => `native:${native}`)],
      },
      codec: {
        title: 'Codec',
        'x-poietra': { input: 'select' },
        enum: [...codecs, ...Object.keys(builtIn).filter((kind) => !codecs.includes(kind))],
      },
      prefix: text('Before the input'),
      suffix: text('Behind the input'),
      normal: {
        title: 'The normal form is shown',
        oneOf: [
          { const: 'leaving', title: 'when the input is left' },
          { const: 'typing', title: 'while it is typed' },
        ],
      },
      required: { title: 'Required', type: 'boolean' },
    },
  };
}
