import { describeValue, readWritten, valueIn, write, type AdapterDescription } from '@poietra/core';
import { useEffect, useImperativeHandle, useMemo, useState, type ReactNode, type Ref } from 'react';
import { liveInput } from './adapted.js';
import { tell, type BundledInputs } from './tell.js';

export interface SoloHandle {
  push(written: unknown): void;
}

interface SoloProps {
  readonly inputs: BundledInputs;
  readonly input: string;
  readonly adapter: AdapterDescription;
  /** Every callback or event that the input declares. */
  readonly listen: readonly string[];
  readonly handle: Ref<SoloHandle>;
}

/** One input alone. It is given back what it reports, so that it behaves as it would in a form. */
export function Solo({ inputs, adapter, listen, handle }: SoloProps): ReactNode {
  const [shown, setShown] = useState<unknown>(undefined);
  const adapterText = JSON.stringify(adapter);
  // A new description is a new input: nothing of the old one may linger.
  const Live = useMemo(() => liveInput(inputs, JSON.parse(adapterText) as AdapterDescription), [inputs, adapterText]);
  useImperativeHandle(handle, () => ({ push: (written) => setShown(readWritten(written)) }), []);
  useEffect(() => tell({ kind: 'mounted' }), [Live]);
  const extra = useMemo(() => {
    const { change } = JSON.parse(adapterText) as AdapterDescription;
    const hear =
      (name: string) =>
      (...args: unknown[]): void => {
        const isChange = name === change.report;
        const value = isChange ? valueIn(args, change.path) : undefined;
        tell({
          kind: 'report',
          name,
          args: args.slice(0, 20).map((arg) => describeValue(arg)),
          value: describeValue(value),
          written: isChange ? write(value) : undefined,
          isChange,
        });
      };
    return Object.fromEntries([...new Set([...listen, change.report])].map((name) => [name, hear(name)]));
  }, [adapterText, listen]);
  if (!Live) return <p role="alert">This input is not in the bundle.</p>;
  return (
    <div className="solo">
      <span id="solo-label" className="solo-label">
        {adapter.title ?? adapter.input}
      </span>
      <Live
        key={adapterText}
        state={{
          shown,
          invalid: false,
          disabled: false,
          readOnly: false,
          required: false,
          id: 'solo-input',
          name: 'solo',
          labelledBy: 'solo-label',
          describedBy: undefined,
        }}
        report={setShown}
        leave={nothing}
        attach={attachNothing}
        extra={extra}
      />
    </div>
  );
}
const nothing = (): void => undefined;
const attachNothing = () => nothing;
