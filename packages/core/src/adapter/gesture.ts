/** What a person does at an input, in steps on roles and names, so that it can be read, kept and done again. */

/** Which element: by its role, its accessible name where that tells it apart, and its number among those. */
export interface Target {
  readonly role: string;
  readonly name?: string;
  /** From 0; absent: the first. */
  readonly index?: number;
}

/** One step of a gesture. */
export type Step =
  | { readonly do: 'press'; readonly on: Target }
  /** Takes away what stands there and types the text. */
  | { readonly do: 'type'; readonly on: Target; readonly text: string }
  | { readonly do: 'key'; readonly on: Target; readonly key: string }
  /** Sets the value of a control that has no keys or buttons in the page: a native slider, colour or date box. */
  | { readonly do: 'set'; readonly on: Target; readonly value: string }
  /** Hands over a small text file. */
  | { readonly do: 'files'; readonly on: Target; readonly names: readonly string[] }
  /** A stroke of the pointer across the element. */
  | { readonly do: 'draw'; readonly on: Target };

/** What a person does to change the value of an input, step by step. */
export interface Gesture {
  readonly name: string;
  readonly steps: readonly Step[];
}

const ordinals = ['', 'second ', 'third ', 'fourth ', 'fifth '];
function targetWords({ role, name, index = 0 }: Target): string {
  const which = ordinals[index] ?? `${index + 1}th `;
  return `the ${which}${role === '' ? 'place' : role}${name === undefined ? '' : ` “${name}”`}`;
}

/** A step of a gesture in words. */
export function stepWords(step: Step): string {
  const on = targetWords(step.on);
  switch (step.do) {
    case 'press':
      return `press ${on}`;
    case 'type':
      return step.text === '' ? `empty ${on}` : `type “${step.text}” into ${on}`;
    case 'key':
      return `press ${step.key} on ${on}`;
    case 'set':
      return `set ${on} to “${step.value}”`;
    case 'files':
      return `give ${on} the ${step.names.length === 1 ? 'file' : 'files'} ${step.names.join(', ')}`;
    case 'draw':
      return `draw a stroke on ${on}`;
  }
}

/** The gesture as one sentence. */
export function gestureWords({ steps }: Gesture): string {
  const words = steps.map(stepWords).join(', then ');
  return words === '' ? 'nothing' : words;
}

/** One more step of a recording: typing goes on in the same step, and a step that says the same again is left out. */
export function addStep(steps: readonly Step[], step: Step): readonly Step[] {
  const last = steps.at(-1);
  const isSamePlace = last !== undefined && JSON.stringify(last.on) === JSON.stringify(step.on);
  if (last && isSamePlace && (step.do === 'type' || step.do === 'set') && last.do === step.do)
    return [...steps.slice(0, -1), step];
  // Pressing a box in order to type into it is part of typing.
  if (last && isSamePlace && step.do === 'type' && last.do === 'press') return [...steps.slice(0, -1), step];
  return [...steps, step];
}
