/** What an input stands in: providers of its package, each with what it is given. */
import type { Wrapper } from '@poietra/core';
import type { ReactNode } from 'react';
import { SlotText } from '../../parts/slot.js';

interface Props {
  /** Outermost first. */
  readonly wrappers: readonly Wrapper[];
  onChange(wrappers: readonly Wrapper[]): void;
}

const named = /^[^#\s]+#[A-Za-z_$][\w$.]*$/;

export function Around({ wrappers, onChange }: Props): ReactNode {
  const put = (index: number, wrapper: Wrapper | undefined): void =>
    onChange([...wrappers.slice(0, index), ...(wrapper ? [wrapper] : []), ...wrappers.slice(index + 1)]);
  return (
    <div
      className="grid gap-1 text-[13px]"
      title="Some components need a provider. It is bundled from the same project folder."
    >
      {wrappers.map((wrapper, index) => (
        <p key={index}>
          {index === 0 ? 'Stands inside ' : 'and inside '}
          <ComponentSlot
            label={index === 0 ? 'Wrapper' : `Wrapper ${index + 1}`}
            value={wrapper.component}
            onChange={(component) => put(index, component === '' ? undefined : { ...wrapper, component })}
          />
          , with{' '}
          <ObjectSlot
            label={`Properties of ${wrapper.component}`}
            value={wrapper.properties}
            like='{"direction": "rtl"}'
            onChange={({ properties: _, ...rest }, properties) =>
              put(index, { ...rest, ...(properties ? { properties } : {}) })
            }
            of={wrapper}
          />{' '}
          and imported{' '}
          <ObjectSlot
            label={`Imports of ${wrapper.component}`}
            value={wrapper.imports}
            like='{"theme": "package#lightTheme"}'
            onChange={({ imports: _, ...rest }, given) =>
              put(index, { ...rest, ...(given ? { imports: importsIn(given) } : {}) })
            }
            of={wrapper}
          />
          .
        </p>
      ))}
      <p>
        {wrappers.length === 0 ? 'Stands inside ' : 'and inside '}
        <ComponentSlot
          label={wrappers.length === 0 ? 'Wrapper' : 'Another wrapper'}
          value=""
          words={wrappers.length === 0 ? 'nothing' : 'nothing else'}
          onChange={(component) => component !== '' && onChange([...wrappers, { component }])}
        />
        .
      </p>
    </div>
  );
}

function ComponentSlot(props: {
  readonly label: string;
  readonly value: string;
  readonly words?: string;
  onChange(component: string): void;
}): ReactNode {
  const { label, value, words, onChange } = props;
  return (
    <SlotText
      label={label}
      value={value}
      {...(words === undefined ? {} : { words })}
      onChange={(text) => {
        const component = text.trim();
        if (component !== '' && !named.test(component))
          throw new TypeError('Write it as package#Export, like antd#ConfigProvider.');
        onChange(component);
      }}
    />
  );
}

/** An object as JSON; emptied, it is left out. */
function ObjectSlot(props: {
  readonly label: string;
  readonly value: Readonly<Record<string, unknown>> | undefined;
  readonly like: string;
  readonly of: Wrapper;
  onChange(of: Wrapper, value: Readonly<Record<string, unknown>> | undefined): void;
}): ReactNode {
  const { label, value, like, of, onChange } = props;
  return (
    <SlotText
      label={label}
      value={value ? JSON.stringify(value) : ''}
      {...(value ? {} : { words: 'nothing' })}
      onChange={(text) => {
        const read: unknown = JSON.parse(text.trim() === '' ? '{}' : text);
        if (typeof read !== 'object' || read === null || Array.isArray(read))
          throw new TypeError(`This is an object, like ${like}.`);
        onChange(of, Object.keys(read).length > 0 ? (read as Record<string, unknown>) : undefined);
      }}
    />
  );
}

function importsIn(given: Readonly<Record<string, unknown>>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(given).map(([name, id]) => {
      if (typeof id !== 'string' || !named.test(id))
        throw new TypeError(`“${name}” imports an export; write it as package#export.`);
      return [name, id];
    }),
  );
}
