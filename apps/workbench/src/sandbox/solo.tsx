import {
  describeValue,
  fromNotation,
  reportedBy,
  toNotation,
  type AdapterDescription,
  type Gesture,
} from '@poietra/core';
import { useEffect, useImperativeHandle, useMemo, useRef, useState, type ReactNode, type Ref } from 'react';
import { liveInput, perform, record, sampleChoices, type BundledInputs } from '@poietra/stand';
import { tell } from './tell.js';

export interface SoloHandle {
  push(written: unknown): void;
  replay(gesture: Gesture): void;
}

interface SoloProps {
  readonly inputs: BundledInputs;
  readonly input: string;
  readonly adapter: AdapterDescription;
  /** Every callback or event that the input declares. */
  readonly listen: readonly string[];
  readonly recording: boolean;
  readonly handle: Ref<SoloHandle>;
}

/** One input alone. It is given back what it reports, so that it behaves as it would in a form. */
export function Solo({ inputs, adapter, listen, recording, handle }: SoloProps): ReactNode {
  const [shown, setShown] = useState<unknown>(undefined);
  const adapterText = JSON.stringify(adapter);
  // A new description is a new input: nothing of the old one may linger.
  const Live = useMemo(() => liveInput(inputs, JSON.parse(adapterText) as AdapterDescription), [inputs, adapterText]);
  const place = useRef<HTMLDivElement>(null);
  const now = useRef(shown);
  useEffect(() => {
    now.current = shown;
  });
  useImperativeHandle(
    handle,
    () => ({
      push: (written) => setShown(fromNotation(written)),
      replay: (gesture) => {
        const box = place.current?.querySelector('.poietra-box');
        if (!box) return;
        perform(box, gesture).then(
          () => tell({ kind: 'replayed' }),
          (error: unknown) =>
            tell({ kind: 'replayed', trouble: error instanceof Error ? error.message : String(error) }),
        );
      },
    }),
    [],
  );
  useEffect(
    () =>
      recording
        ? record(
            () => place.current?.querySelector('.poietra-box') ?? null,
            (step) => tell({ kind: 'step', step }),
          )
        : undefined,
    [recording],
  );
  useEffect(() => tell({ kind: 'mounted' }), [Live]);
  const extra = useMemo(() => {
    const { change } = JSON.parse(adapterText) as AdapterDescription;
    const hear =
      (name: string) =>
      (...args: unknown[]): void => {
        const isChange = name === change.report;
        // What the form hears of it, where its own values are objects.
        const raw = isChange ? reportedBy(change, args, now.current) : undefined;
        const value = Live?.making ? Live.making.read(raw) : raw;
        tell({
          kind: 'report',
          name,
          args: args.slice(0, 20).map((arg) => describeValue(arg)),
          value: describeValue(value),
          written: isChange ? toNotation(value) : undefined,
          isChange,
        });
      };
    return Object.fromEntries([...new Set([...listen, change.report])].map((name) => [name, hear(name)]));
  }, [adapterText, listen, Live]);
  if (!Live) return <p role="alert">This input is not in the bundle.</p>;
  const label = adapter.title ?? adapter.input;
  return (
    <div className="solo" ref={place}>
      {!Live.draws?.label && (
        <span id="solo-label" className="solo-label">
          {label}
        </span>
      )}
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
          labelledBy: Live.draws?.label ? undefined : 'solo-label',
          label,
          describedBy: undefined,
        }}
        choices={takesChoices(adapter) ? sampleChoices : undefined}
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

/** Lists are given the ports to choose from, so that there is something to try. */
function takesChoices({ choices, widget }: AdapterDescription): boolean {
  return choices !== undefined || widget?.element === 'select';
}
