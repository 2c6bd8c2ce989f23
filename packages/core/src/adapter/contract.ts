import type { FoundInput } from './face.js';

/** The contract as data: what every adapter has to fulfil, and what to try where it does not. How it is checked needs a browser. */

export interface Check {
  readonly id: string;
  /** Nothing is pressed, typed or focused in it. */
  readonly quiet?: true;
  readonly title: string;
  /** What has to be so. */
  readonly expects: string;
  /** What to try where it fails. */
  readonly advice: string;
}

/** The checks that an adapter is put to. */
export const contract = [
  {
    id: 'mounts',
    quiet: true,
    title: 'Mounts',
    expects: 'The input is drawn without an error, and there is something to be seen of it.',
    advice: 'Read the message; a missing constant property or a wrapper (a provider) is the usual reason.',
  },
  {
    id: 'held',
    quiet: true,
    title: 'Shows a held value',
    expects: 'Mounted with a value it looks other than empty, and other than with another value.',
    advice: 'Name another value property, or another kind of sample.',
  },
  {
    id: 'late',
    quiet: true,
    title: 'Shows a late value',
    expects: 'A value that arrives after mounting looks as if it had been there from the start.',
    advice: 'The value property may be one that counts at mounting only; look for the one that is followed.',
  },
  {
    id: 'default',
    title: 'Shows the default',
    expects: 'A default that is there when the form opens is shown, and can be changed.',
    advice: 'See “Shows a held value”; a property for the first value may help.',
  },
  {
    id: 'empties',
    quiet: true,
    title: 'Takes empty values',
    expects:
      'undefined, null, an empty text, 0 and false are taken without an error, a warning or a flip to uncontrolled.',
    advice: 'Say what the input takes for “no value”.',
  },
  {
    id: 'reports',
    title: 'Reports a change once',
    expects: 'The gesture leads to a report with a value, told once.',
    advice: 'Choose another report, or show the gesture on the stand.',
  },
  {
    id: 'right',
    title: 'Reports the right value',
    expects: 'Given back what it reported, the input looks as it did after the gesture.',
    advice: 'Choose another path into the report’s arguments.',
  },
  {
    id: 'refused',
    title: 'Shows that a change is refused',
    expects: 'When the form keeps the old value, the input shows the old value.',
    advice: 'The input may keep a value of its own; say what it takes for “no value”, so that it stays controlled.',
  },
  {
    id: 'clears',
    quiet: true,
    title: 'Clears',
    expects: 'Emptied by the form, it looks as it did when it was mounted empty.',
    advice: 'Say what the input takes for “no value”: null, an empty text or an empty list.',
  },
  {
    id: 'leaves',
    title: 'Tells of leaving',
    expects: 'The focus going in and out is told as leaving, once.',
    advice: 'Leave the report of leaving empty: then the focus going out of the box counts.',
  },
  {
    id: 'focus',
    title: 'Takes the focus',
    expects: 'Asked for the focus, an element inside that a person works with has it.',
    advice: 'Give the focus by a method of its handle, or to an element inside.',
  },
  {
    id: 'label',
    title: 'A click on the label reaches it',
    expects: 'After a click on the label’s words the focus is inside, or the check mark has changed.',
    advice: 'Say which element inside is the real one, or where the id goes.',
  },
  {
    id: 'name',
    quiet: true,
    title: 'Has its name',
    expects: 'The real element, or the group around it, is named by the label, and is there for a screen reader.',
    advice: 'Say which element inside is the real one, or where the id goes.',
  },
  {
    id: 'description',
    quiet: true,
    title: 'Has its description',
    expects: 'Hint and message describe the real element or the group around it.',
    advice: 'Say where descriptions go, or which element inside is the real one.',
  },
  {
    id: 'invalid',
    quiet: true,
    title: 'Shows that it is invalid',
    expects: 'Invalid is to be seen, and the real element or its group says so in ARIA.',
    advice: 'Name the property that tells it, with its value.',
  },
  {
    id: 'required',
    quiet: true,
    title: 'Says that it is required',
    expects: 'The real element, or the group’s words, say that it is required.',
    advice: 'Name the property that tells it, or the real element.',
  },
  {
    id: 'disabled',
    title: 'Can be disabled',
    expects: 'Disabled, it looks so, the gesture changes nothing, and nothing inside can be reached.',
    advice: 'Name another property, or none: then the box is made inert.',
  },
  {
    id: 'readOnly',
    title: 'Can be read only',
    expects: 'Read only, the gesture changes nothing that is shown or held.',
    advice: 'Name another property, or none: then changes are refused.',
  },
  {
    id: 'reset',
    title: 'Goes back',
    expects: 'After a change and a restart of the form it looks as it did before.',
    advice: 'See “Shows a late value” and “Clears”.',
  },
  {
    id: 'twice',
    title: 'Stands twice on a page',
    expects: 'Two copies share no id, and a change in one leaves the other alone.',
    advice: 'Look for a constant id or name among the constant properties.',
  },
  {
    id: 'again',
    title: 'Leaves nothing behind',
    expects: 'Mounted, taken away and mounted again, nothing is left in the page and it still works.',
    advice: 'For a widget, name the method that takes it away.',
  },
  {
    id: 'strict',
    title: 'Bears strict mode',
    expects: 'With effects run twice it shows and reports as before.',
    advice: 'For a widget, name the method that takes it away.',
  },
  {
    id: 'server',
    quiet: true,
    title: 'Renders on the server',
    expects: 'Rendered to HTML and taken over by the browser, there is no difference and no warning.',
    advice: 'An input that makes its ids from a counter or reads the window differs; render it in the browser only.',
  },
  {
    id: 'native',
    quiet: true,
    title: 'Is submitted natively',
    expects: 'The form’s own data has the field’s name once, with the sent value.',
    advice: 'Take the name away from the input where it submits something else.',
  },
  {
    id: 'typed',
    title: 'Keeps what cannot be parsed',
    expects: 'When the codec refuses what was entered, the input still shows it.',
    advice: 'The input corrects what is typed by itself; look for a property that stops it.',
  },
  {
    id: 'silent',
    title: 'Causes no warnings',
    expects:
      'Nothing is warned of in the console during all checks, but for what the framework will not have for ever, what the input’s own parts hand on to HTML without having been given it, and, where another page can be had, what it tells of wherever it stands, given nothing.',
    advice: 'Read the warning: it mostly names the property.',
  },
] as const satisfies readonly Check[];

/** The name of a check of the contract. */
export type CheckId = (typeof contract)[number]['id'];

/** The checks that can run beside others on one page. */
export const quietChecks: ReadonlySet<string> = new Set(
  contract.filter((check: Check) => check.quiet).map(({ id }) => id),
);

/**
 * The verdict of one check. `none` is “not applicable”, and `seen` then gives the reason. `open` is “not decided”: it ran
 * out of time, which says nothing of the input, and `seen` tells what was waited for.
 */
export interface CheckVerdict {
  readonly check: CheckId;
  readonly state: 'pass' | 'fail' | 'none' | 'open';
  readonly seen: string;
}

/**
 * How the contract was proved. Quick: in a frame of the workbench, by events of a script and by what elements say. Full: in
 * a browser that is driven from outside, by the browser's own pointer and keys, by pixels, and by what it tells a screen
 * reader.
 */
export type Depth = 'quick' | 'full';

/** A whole run: for which adapter, of which version, when. */
export interface ScoreSheet {
  /** Of the input's package. */
  readonly version: string;
  /** ISO 8601. */
  readonly time: string;
  /** Absent: quick. */
  readonly depth?: Depth;
  /** The browser that it was proved in, with its version, where that is known. */
  readonly browser?: string;
  /** What was checked, as `fingerprint` gives it. */
  readonly adapter: string;
  /** What the input declared then, as `faceOf` gives it: name to type. */
  readonly face?: Readonly<Record<string, string>>;
  readonly verdicts: readonly CheckVerdict[];
}

/** A check of the contract by its name. */
export function checkOf(id: string): Check | undefined {
  return contract.find((check) => check.id === id);
}

/** Whether something is to be done about a verdict: it failed, or was not decided. */
export const fallsShort = ({ state }: Pick<CheckVerdict, 'state'>): boolean => state === 'fail' || state === 'open';

/** What to do about a verdict that falls short, in a sentence. */
export function toTry({ check, state }: CheckVerdict): string {
  return state === 'open'
    ? 'Prove it again when the machine has less to do. Where it stays so, the input waits for ever.'
    : (checkOf(check)?.advice ?? '');
}

/** How many checks have each verdict. */
export function tally(verdicts: readonly CheckVerdict[]): Record<CheckVerdict['state'], number> {
  const count = { pass: 0, fail: 0, none: 0, open: 0 };
  for (const { state } of verdicts) count[state]++;
  return count;
}

/** Whether the whole contract is kept: every check that applies was decided, and passed. */
export function isKept(verdicts: readonly CheckVerdict[]): boolean {
  const { fail, open, pass } = tally(verdicts);
  return fail === 0 && open === 0 && pass > 0;
}

/** A short text that changes with what the adapter says, so that a sheet can be told to be out of date. */
export function fingerprint(adapter: unknown): string {
  const text = JSON.stringify(adapter);
  let hash = 2166136261;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 16777619);
  return (hash >>> 0).toString(16).padStart(8, '0');
}

/** Why a sheet no longer speaks for its adapter; `undefined` where it does. */
export function staleness(sheet: ScoreSheet, adapter: unknown, version: string | undefined): string | undefined {
  if (version !== undefined && version !== sheet.version)
    return `The package is at ${version}; the contract was checked with ${sheet.version}.`;
  return sheet.adapter === fingerprint(adapter) ? undefined : 'The adapter was changed since.';
}

/** What two runs say differently. */
export function sheetChanges(
  before: ScoreSheet,
  after: ScoreSheet,
): {
  readonly check: CheckId;
  readonly before: CheckVerdict['state'] | undefined;
  readonly after: CheckVerdict['state'];
}[] {
  const earlier = new Map(before.verdicts.map(({ check, state }) => [check, state]));
  return after.verdicts.flatMap(({ check, state }) =>
    earlier.get(check) === state ? [] : [{ check, before: earlier.get(check), after: state }],
  );
}

/** What an input declares, in short: its own properties and events with their types. */
export function faceOf({ properties, events }: FoundInput): Record<string, string> {
  const own = properties.filter(({ inherited }) => !inherited).map(({ name, type }) => [name, type] as const);
  return Object.fromEntries([...own, ...events.map(({ name, type }) => [name, type ?? 'event'] as const)]);
}

/** What came, went or has another type, each as one line. */
export function faceChanges(
  before: Readonly<Record<string, string>>,
  after: Readonly<Record<string, string>>,
): string[] {
  const names = [...new Set([...Object.keys(before), ...Object.keys(after)])].sort();
  return names.flatMap((name) => {
    const [was, is] = [before[name], after[name]];
    if (was === is) return [];
    if (was === undefined) return [`${name} is new: ${is ?? ''}`];
    return [is === undefined ? `${name} is gone; it was ${was}` : `${name} was ${was}, is ${is}`];
  });
}
