/** Hosts for what is no component of the framework: custom elements and plain-DOM widgets. */
import type { AdapterDescription } from '@poietra/core';
import {
  createElement,
  useCallback,
  useEffect,
  useLayoutEffect,
  useRef,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { choiceProperties } from './choices.js';
import { isHandler, type Choices, type Handler } from './given.js';
import { tracing } from './traces.js';

interface HostProps {
  readonly properties: Readonly<Record<string, unknown>>;
  readonly description: AdapterDescription;
  readonly handle: { current: unknown };
  readonly choices: Choices | undefined;
}

/** A custom element: values go in as properties where it has such a property, as attributes otherwise; events are heard by name. */
export function ElementHost({
  tag,
  properties,
  description,
  handle,
  choices,
}: HostProps & { readonly tag: string }): ReactNode {
  const element = useRef<HTMLElement>(null);
  const latest = useRef(properties);
  const given = useRef<ReadonlySet<string>>(new Set());
  /** What each property was before anything was set. */
  const initial = useRef(new Map<string, unknown>());
  const hasTold = useRef(false);
  /** What it held as it told of it. */
  const heldThen = useRef<unknown>(undefined);
  const later = useRef<ReturnType<typeof setTimeout>>(undefined);
  const placed = useRef<Choices | undefined>(undefined);
  const { choices: use, label } = description;
  const valueName = description.value.property;
  const isOwn = useSyncExternalStore(nobody, isHere, isElsewhere);
  useLayoutEffect(() => {
    latest.current = properties;
    const node = element.current;
    if (!node) return;
    handle.current = node;
    const names = new Set(Object.keys(properties).filter((name) => !isHandler(properties[name])));
    for (const name of names)
      if (!initial.current.has(name)) initial.current.set(name, (node as unknown as Record<string, unknown>)[name]);
    // The value comes last: what it may be often depends on the others.
    for (const name of names) if (name !== valueName) setOn(node, name, properties[name]);
    for (const name of given.current) if (!names.has(name)) setOn(node, name, initial.current.get(name));
    given.current = names;
    if (!names.has(valueName)) return;
    // Elements for choices are seen in the browser's next turn; a value among them means nothing before.
    const isAmong = use !== undefined && 'tag' in use && choices !== undefined;
    if (isAmong && !isOwn) return;
    const isLater = hasTold.current || (isAmong && placed.current !== choices);
    placed.current = choices;
    // What has just told of a change draws it in its own time: set back before that, it would never draw the way back.
    if (!isLater) return setOn(node, valueName, properties[valueName]);
    const isOfTold = hasTold.current;
    hasTold.current = false;
    clearTimeout(later.current);
    later.current = setTimeout(() => {
      const now = (node as unknown as Record<string, unknown>)[valueName];
      // What has gone on since, as somebody types, tells of it in a moment; set back, it would lose that.
      if (!isOfTold || typeof now !== 'string' || now === heldThen.current)
        setOn(node, valueName, latest.current[valueName]);
    });
  });
  useEffect(() => {
    const node = element.current;
    const names = Object.keys(latest.current).filter((name) => isHandler(latest.current[name]));
    const listeners = names.map(
      (name) =>
        [
          name,
          (event: Event) => {
            hasTold.current = true;
            heldThen.current = (node as unknown as Record<string, unknown> | null)?.[valueName];
            (latest.current[name] as Handler)(event);
          },
        ] as const,
    );
    for (const [name, listener] of listeners) node?.addEventListener(name, listener);
    return () => {
      clearTimeout(later.current);
      for (const [name, listener] of listeners) node?.removeEventListener(name, listener);
    };
  }, [valueName]);
  // An element that upgrades before the page is taken over has set attributes of its own by then, and children.
  const its = {
    ref: element,
    suppressHydrationWarning: true,
    // Some insist on their label as soon as they are there, which from a server is long before any script of ours.
    ...(!isOwn && label && typeof properties[label.property] === 'string'
      ? { [label.property]: properties[label.property] }
      : {}),
  };
  // Of an empty text the framework takes no note when it takes the page over; of no children it would.
  // What was put into it on a server it may have moved by then, too, so choices come after that.
  if (!use || !('tag' in use) || !isOwn) return createElement(tag, its, '');
  return createElement(
    tag,
    its,
    choices
      ? choices.map((choice) =>
          createElement(
            use.tag,
            { key: String(choice.value), ...choiceProperties(use, choice), suppressHydrationWarning: true },
            use.text ? undefined : choice.text,
          ),
        )
      : undefined,
  );
}

/** Whether the page is the framework’s own, or still to be taken over from a server. */
const [nobody, isHere, isElsewhere] = [() => () => undefined, () => true, () => false];

function setOn(node: HTMLElement, name: string, value: unknown): void {
  if (name in node && !name.startsWith('aria-')) {
    const holder = node as unknown as Record<string, unknown>;
    const next = value === undefined && typeof holder[name] === 'boolean' ? false : value;
    // Writing the value that is there already would move the caret.
    if (holder[name] !== next) holder[name] = next;
  } else if (value === undefined || value === false) node.removeAttribute(name);
  else node.setAttribute(name, value === true ? '' : String(value));
}

/** A plain-DOM widget: made once on an element of its own, told of later values, taken away at the end. */
export function WidgetHost({
  input,
  description,
  properties,
  shown,
  reported,
  handle,
  choices,
}: HostProps & {
  readonly input: unknown;
  readonly shown: unknown;
  /** What the widget told last, in a holder: it knows that itself. */
  readonly reported: { current: { readonly raw: unknown } | undefined };
}): ReactNode {
  const place = useRef<HTMLDivElement>(null);
  const madeOn = useRef<HTMLElement>(undefined);
  /** What a widget reports of a value while it is told that is no news. */
  const isTelling = useRef(false);
  const latest = useRef(properties);
  useLayoutEffect(() => {
    latest.current = properties;
  });
  const use = description.widget;
  // Another disabled or read-only state is another widget: hardly any takes these later.
  const flags = JSON.stringify(
    [description.disabled, description.readOnly].map((one) => one && properties[one.property] === true),
  );
  const texts = JSON.stringify(choices ?? []);
  const start = useCallback((): (() => void) => {
    const host = place.current;
    if (!host || !use) return () => undefined;
    const node = host.appendChild(document.createElement(use.element));
    madeOn.current = node;
    if (node instanceof HTMLSelectElement)
      for (const { value, text } of JSON.parse(texts) as Choices) node.add(new Option(text, String(value)));
    const first = latest.current[description.value.property];
    const isEmpty = first === undefined || first === null;
    // What helps to fill in a box may read it once, as it is made.
    if (use.startsEmpty && !isEmpty && use.update in node) tell(node, node, use.update, first);
    const options: Record<string, unknown> = {};
    const handlers: [string, Handler][] = [];
    const { report, asks } = description.change;
    const hear = (name: string, args: unknown[]): void => {
      if (isTelling.current) return;
      const living = handle.current;
      // What tells of a change while it is still being made cannot be asked yet.
      if (asks === undefined || name !== report) (latest.current[name] as Handler).apply(living, args);
      else if (living)
        (latest.current[name] as Handler).call(living, callOn(asks in Object(living) ? living : node, asks));
    };
    for (const [name, value] of Object.entries(latest.current)) {
      if (!isHandler(value)) {
        if (!use.startsEmpty || name !== description.value.property) options[name] = value;
      } else handlers.push([name, (...args) => hear(name, args)]);
    }
    if (use.reports === 'options') for (const [name, handler] of handlers) setWithin(options, name, handler);
    if (use.place !== undefined) options[use.place] = node;
    const given = use.place === undefined ? [node, options] : [options];
    const make = (): unknown => {
      const made: unknown =
        use.start === 'new'
          ? new (input as new (...args: unknown[]) => unknown)(...given)
          : (input as Handler)(...given);
      // What gives nothing back leaves the element to work with.
      const one =
        use.handle === undefined ? (made ?? node) : ((node as unknown as Record<string, unknown>)[use.handle] ?? made);
      handle.current = one;
      callOn(one, use.begin);
      return one;
    };
    isTelling.current = true;
    const { made: living, clear } = use.leavesTraces ? tracing(make) : { made: make(), clear: undefined };
    if (use.reports === 'on') for (const [name, handler] of handlers) callOn(living, use.on ?? 'on', name, handler);
    if (use.reports === 'methods') for (const [name, handler] of handlers) tell(living, node, name, handler);
    if (use.reports === 'events') for (const [name, handler] of handlers) node.addEventListener(name, handler);
    if (use.startsEmpty && !isEmpty) tell(living, node, use.update, first);
    isTelling.current = false;
    return () => {
      callOn(living, use.destroy);
      clear?.();
      handle.current = null;
      host.replaceChildren();
    };
    // The flags are read from the latest properties.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [handle, input, use, flags, texts]);
  useEffect(start, [start]);
  const told = useRef(shown);
  useEffect(() => {
    const living = handle.current as Record<string, unknown> | null;
    const known = reported.current ? reported.current.raw : told.current;
    // Whoever makes it anew asks afterwards what it told.
    if (description.change.refused !== 'anew' && description.value.later !== 'anew') reported.current = undefined;
    told.current = shown;
    if (!living || !use || isAlike(known, shown)) return;
    const next = properties[description.value.property] ?? null;
    isTelling.current = true;
    tell(living, madeOn.current, use.update, next);
    isTelling.current = false;
  });
  return <div ref={place} />;
}

function isAlike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  try {
    return JSON.stringify(a) === JSON.stringify(b);
  } catch {
    // What a widget tells may hold the widget itself, which no text can hold.
    return false;
  }
}

/** By the method of that name, or by setting the property: of the element, where what was made on it has none. */
function tell(living: unknown, node: object | undefined, update: string, value: unknown): void {
  const [made, element] = [living, node] as Record<string, unknown>[];
  if (!made) return;
  if (isHandler(made[update])) return void callOn(made, update, value);
  const holder = element && !(update in made) && update in element ? element : made;
  holder[update] = value ?? '';
}

/** An option, or one within another: `events.change`. */
function setWithin(options: Record<string, unknown>, name: string, value: unknown): void {
  const [group, member] = name.split('.');
  if (group === undefined || member === undefined) options[name] = value;
  else options[group] = { ...(options[group] as object | undefined), [member]: value };
}

function callOn(living: unknown, method: string | undefined, ...args: unknown[]): unknown {
  const found = method === undefined ? undefined : (living as Record<string, unknown> | null)?.[method];
  return isHandler(found) ? found.apply(living, args) : found;
}
