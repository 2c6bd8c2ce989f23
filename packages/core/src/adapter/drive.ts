import { parsePointer } from '../json/index.js';
import type { AdapterDescription, InputState, ValueKind } from './description.js';

/** Written values in a description are read by the caller's reader, since the adapter knows no codec. */
export type FromNotation = (written: unknown) => unknown;

/** What a state and a description call by the same names. */
export const told = [
  'disabled',
  'readOnly',
  'required',
  'id',
  'name',
  'describedBy',
  'labelledBy',
  'placeholder',
  'label',
  'hint',
  'message',
] as const;

/** The input's properties for a state: constants first, then what the adapter needs. */
export function propertiesFor(
  adapter: AdapterDescription,
  state: InputState,
  read: FromNotation = (written) => written,
): Record<string, unknown> {
  const properties: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(adapter.constants ?? {})) properties[name] = read(value);
  const { kind, later } = adapter.value;
  const shown = kind === 'number' ? asNumber(state.shown) : kind === 'set' ? asSet(state.shown) : state.shown;
  // What an emptied box is told as by some is no number to be shown.
  const isNothing = shown === undefined || shown === null || Number.isNaN(shown);
  const isEmpty = isNothing || !isOfKind(shown, kind) || later === 'files';
  if (!isEmpty && adapter.value.start !== undefined) properties[adapter.value.start] = shown;
  if (!isEmpty) properties[adapter.value.property] = shown;
  else if ('empty' in adapter.value) properties[adapter.value.property] = read(adapter.value.empty);
  if (state.invalid && adapter.invalid)
    properties[adapter.invalid.property] = 'value' in adapter.invalid ? read(adapter.invalid.value) : true;
  if (adapter.ownIds) properties[adapter.ownIds.property] = ownIdsOf(state.id);
  for (const name of told) {
    const value = state[name];
    const place = adapter[name];
    if (!place || value === undefined || value === false) continue;
    // One property may take both: what is to be mended goes before the hint, and takes nothing away.
    const isShared = name === 'message' && place.property === adapter.hint?.property && state.hint !== undefined;
    properties[place.property] = isShared ? `${value} ${state.hint}` : value;
  }
  return properties;
}

/** What an input makes its own ids of, by the id of the field. */
export const ownIdsOf = (id: string): string => `${id}-own`;

/** Codecs show numbers as they are typed; an input that takes numbers would take the text for no value. */
function asNumber(shown: unknown): unknown {
  return typeof shown === 'string' && /^-?\d+(\.\d+)?$/.test(shown) ? Number(shown) : shown;
}

/** What is held of several that are chosen is a list; JSON knows no sets. */
const asSet = (shown: unknown): unknown => (Array.isArray(shown) ? new Set(shown) : shown);
const asList = (told: unknown): unknown => (told instanceof Set ? [...(told as ReadonlySet<unknown>)] : told);

/** Whether an input that bears values of this kind only bears this one. */
export const isOfKind = (value: unknown, kind: ValueKind | undefined): boolean =>
  kind === undefined ||
  valueKind(value) === kind ||
  (kind === 'set' && Array.isArray(value)) ||
  (kind === 'filled text' && typeof value === 'string' && value !== '');

/** In the words of `value.kind`. */
export function valueKind(value: unknown): ValueKind | undefined {
  if (Array.isArray(value)) return 'list';
  if (value instanceof Set) return 'set';
  const kinds = { string: 'text', number: 'number', boolean: 'boolean', object: 'object' } as const;
  const kind = typeof value;
  return value !== null && kind in kinds ? kinds[kind as keyof typeof kinds] : undefined;
}

/** The value in the arguments of a report. Getters and inherited members count: events and elements have both. */
export function valueIn(args: readonly unknown[], path: string): unknown {
  const [first, ...rest] = parsePointer(path);
  let value: unknown = first === undefined ? undefined : args[Number(first)];
  for (const name of rest) {
    if (value === null || value === undefined) return undefined;
    value = (value as Record<string, unknown>)[name];
  }
  return value;
}

/** The value that a report leads to, a set as a list of its items; `shown` is what stood there before it. */
export function reportedBy(
  { path, tells }: AdapterDescription['change'],
  args: readonly unknown[],
  shown: unknown,
): unknown {
  return tells === 'press' ? shown !== true : asList(valueIn(args, path));
}

/** Properties that the adapter sets itself; a caller's property of such a name would break the line. */
export function ownProperties(adapter: AdapterDescription): ReadonlySet<string> {
  const known = owned.get(adapter);
  if (known) return known;
  const places = [
    adapter.value,
    adapter.disabled,
    adapter.readOnly,
    adapter.required,
    adapter.id,
    adapter.ownIds,
    adapter.name,
    adapter.invalid,
  ];
  const own = new Set(places.flatMap((place) => (place ? [place.property] : [])));
  owned.set(adapter, own);
  return own;
}
/** Asked at each drawing of a field, and always the same. */
const owned = new WeakMap<AdapterDescription, ReadonlySet<string>>();

/** The way to a value in a list of arguments, for people: "first argument, target, value". */
export function pathWords(path: string): string {
  const [first = '0', ...rest] = parsePointer(path);
  const ordinal = ['first', 'second', 'third', 'fourth', 'fifth'][Number(first)] ?? `${Number(first) + 1}th`;
  return [`${ordinal} argument`, ...rest].join(' → ');
}
