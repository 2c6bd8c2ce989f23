import { componentsBeside, componentsToTry, type AdapterDescription, type FoundInput } from '@poietra/core';
import type { ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { ProverFrame } from '../../parts/frames.js';
import { Busy, Failed } from '../../parts/states.js';
import { useTyping } from '../../parts/use-typing.js';
import { useTried } from '../../store/tried.js';

/** Under which the outcome of a trial is kept: another version or other constants are another trial. */
export function trialKey(
  { id, version }: FoundInput,
  { constants, wrappers, inside }: Pick<Partial<AdapterDescription>, 'constants' | 'wrappers' | 'inside'>,
): string {
  return `${id}@${version} ${JSON.stringify([constants, wrappers, inside])}`;
}

interface Props {
  readonly input: FoundInput;
  /** The declared draft that is tried; without one there is nothing to try. */
  readonly start: AdapterDescription | undefined;
  /** The trial's key. */
  readonly of: string;
  /** A person works on the stand; trying takes the focus, so it waits. */
  readonly isWaiting: boolean;
}

/** The input is tried by itself, beside the stand: values, gestures, focus, states. */
export function Trying({ input, start, of, isWaiting }: Props): ReactNode {
  const tried = useTried(({ byKey }) => byKey[of]);
  const { keep, forget } = useTried();
  const isTyping = useTyping();
  if (tried?.failed !== undefined)
    return (
      <Failed title="It could not be tried" message={`${tried.failed}${advice(tried.failed)}`}>
        <span>
          <Button onClick={() => forget(of)}>Try it again</Button>
        </span>
      </Failed>
    );
  if (tried || !start) return null;
  if (isWaiting || isTyping)
    return <p className="text-ink-2">It will be tried when you are done: trying needs the focus.</p>;
  return (
    <>
      <Busy>It is being tried: values, gestures, focus, states …</Busy>
      <ProverFrame
        key={of}
        title="The input is being tried"
        inputs={input.family === 'native' ? [] : [input.id]}
        wrappers={[...new Set([...componentsBeside(start), ...componentsToTry(input)])]}
        task={{ kind: 'observe', input, adapter: start }}
        onMessage={(message) => {
          if (message.kind === 'observed') keep(of, message);
          if (message.kind === 'prover failed') keep(of, { adapter: start, findings: [], failed: message.message });
        }}
        onLost={(reason) => keep(of, { adapter: start, findings: [], failed: reason })}
      />
    </>
  );
}

/** What to do about the usual reasons for which an input cannot be drawn alone. */
function advice(message: string): string {
  if (/context|provider|must be used|within|wrapped/i.test(message))
    return '\n\nIt asks for something around it. If that is a provider, name it at the right as a wrapper (package#Export) and try again; if it is a part of another component, adapt that one.';
  if (/is not (a function|defined)|undefined|null|required/i.test(message))
    return '\n\nIt asks for a property. Give it among what it declares, and try again.';
  return '';
}
