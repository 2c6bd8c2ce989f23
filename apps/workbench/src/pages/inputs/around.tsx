/** What an input stands in: providers of its package, each with what it is given. */
import { plainBox, type Wrapper } from '@poietra/core';
import type { ReactNode } from 'react';
import { ComponentSlot, isNamed, ObjectSlot } from './component-slot.js';

interface Props {
  /** Outermost first. */
  readonly wrappers: readonly Wrapper[];
  onChange(wrappers: readonly Wrapper[]): void;
}

export function Around({ wrappers, onChange }: Props): ReactNode {
  const put = (index: number, wrapper: Wrapper | undefined): void =>
    onChange([...wrappers.slice(0, index), ...(wrapper ? [wrapper] : []), ...wrappers.slice(index + 1)]);
  return (
    <div
      className="grid gap-1 text-[13px]"
      title={`Some components need a provider; it is bundled from the same project folder. ${plainBox} is a box of HTML’s own, for marks that a style sheet reads.`}
    >
      {wrappers.map((wrapper, index) => (
        <p key={index}>
          {index === 0 ? 'Stands inside ' : 'and inside '}
          <ComponentSlot
            label={index === 0 ? 'Wrapper' : `Wrapper ${index + 1}`}
            value={wrapper.component}
            takesBox
            onChange={(component) => put(index, component === '' ? undefined : { ...wrapper, component })}
          />
          , with{' '}
          <ObjectSlot
            label={`Properties of ${wrapper.component}`}
            value={wrapper.properties}
            like={wrapper.component === plainBox ? '{"data-theme": "light"}' : '{"direction": "rtl"}'}
            onChange={(properties) => {
              const { properties: _, ...rest } = wrapper;
              put(index, { ...rest, ...(properties ? { properties } : {}) });
            }}
          />{' '}
          and imported{' '}
          <ObjectSlot
            label={`Imports of ${wrapper.component}`}
            value={wrapper.imports}
            like='{"theme": "package#lightTheme"}'
            onChange={(given) => {
              const { imports: _, ...rest } = wrapper;
              put(index, { ...rest, ...(given ? { imports: importsIn(given) } : {}) });
            }}
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
          takesBox
          onChange={(component) => component !== '' && onChange([...wrappers, { component }])}
        />
        .
      </p>
    </div>
  );
}

function importsIn(given: Readonly<Record<string, unknown>>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(given).map(([name, id]) => {
      if (typeof id !== 'string' || !isNamed(id))
        throw new TypeError(`“${name}” imports an export; write it as package#export.`);
      return [name, id];
    }),
  );
}
