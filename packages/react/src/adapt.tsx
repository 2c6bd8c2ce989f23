import {
  ownProperties,
  propertiesFor,
  readWritten,
  valueIn,
  type AdapterDescription,
  type InputState,
} from '@poietra/core';
import {
  createElement,
  useCallback,
  useEffect,
  useLayoutEffect,
  useRef,
  type ComponentType,
  type FocusEvent,
  type FunctionComponent,
  type ReactNode,
} from 'react';

/** What a field gives its input. */
export interface AdaptedProps {
  readonly state: InputState;
  /** The values to choose from, for inputs that take them. */
  readonly choices?: readonly { readonly value: unknown; readonly text: string }[] | undefined;
  report(raw: unknown): void;
  leave(): void;
  attach(input: { focus(): void }): () => void;
  /** Further properties from the place of use. They win, but for those that carry the line; handlers of both are called. */
  readonly extra?: Readonly<Record<string, unknown>> | undefined;
}
/** An input that a field can use; `takesLabel` says whether a `<label for>` reaches it. */
export type AdaptedInput = FunctionComponent<AdaptedProps> & { takesLabel?: boolean };

type Handler = (...args: unknown[]) => unknown;
const isHandler = (value: unknown): value is Handler => typeof value === 'function';

/**
 * The input with the adapter around it: a component (or the name of an HTML element) of the framework, a custom
 * element's tag, or the constructor or function of a plain-DOM widget, as the description's family says.
 */
export function adapt(
  input: unknown,
  description: AdapterDescription,
  family: 'native' | 'component' | 'element' | 'widget' = 'component',
): AdaptedInput {
  const Adapted: AdaptedInput = (props) => {
    const box = useRef<HTMLDivElement>(null);
    const handle = useRef<unknown>(null);
    const { state, attach, leave } = props;
    useEffect(
      () => attach({ focus: () => focusOn(description, box.current, handle.current, state.id) }),
      [attach, state.id],
    );
    const properties = joined(description, props);
    const groupsItself = description.id === undefined;
    const outside = {
      ref: box,
      className: 'poietra-box',
      ...(groupsItself
        ? {
            id: state.id,
            role: 'group',
            'aria-labelledby': state.labelledBy,
            'aria-describedby': state.describedBy,
            ...(description.invalid || !state.invalid ? {} : { 'data-invalid': true }),
          }
        : {}),
      ...(description.leave
        ? {}
        : {
            onBlur: (event: FocusEvent<HTMLElement>) => {
              if (!event.currentTarget.contains(event.relatedTarget)) leave();
            },
          }),
    };
    return <div {...outside}>{inside(input, family, description, properties, props, handle)}</div>;
  };
  Adapted.displayName = `Adapted(${description.input})`;
  Adapted.takesLabel = description.id !== undefined;
  return Adapted;
}

/** Properties from the adapter and the place of use, with the handlers of both. */
function joined(
  description: AdapterDescription,
  { state, extra = {}, report, leave }: AdaptedProps,
): Record<string, unknown> {
  const properties = propertiesFor(description, state, readWritten);
  const own = ownProperties(description);
  for (const [name, value] of Object.entries(extra)) if (!own.has(name)) properties[name] = value;
  const on = (name: string, handler: Handler): void => {
    const theirs = properties[name];
    properties[name] = (...args: unknown[]) => {
      handler(...args);
      if (isHandler(theirs)) theirs(...args);
    };
  };
  on(description.change.report, (...args) => report(valueIn(args, description.change.path)));
  if (description.leave) on(description.leave.report, () => leave());
  return properties;
}

function inside(
  input: unknown,
  family: string,
  description: AdapterDescription,
  properties: Record<string, unknown>,
  props: AdaptedProps,
  handle: { current: unknown },
): ReactNode {
  if (family === 'widget')
    return (
      <WidgetHost
        input={input}
        description={description}
        properties={properties}
        shown={props.state.shown}
        handle={handle}
      />
    );
  if (family === 'element')
    return (
      <ElementHost
        tag={String(input)}
        properties={properties}
        description={description}
        labelledBy={props.state.labelledBy}
        handle={handle}
      />
    );
  const takesChoices = props.choices !== undefined && typeof input !== 'string';
  const needsRef = family === 'native' || description.focus.by === 'handle';
  return createElement(input as ComponentType<Record<string, unknown>>, {
    ...properties,
    ...(takesChoices && family === 'native' ? { choices: props.choices } : {}),
    ...(needsRef ? { ref: handle } : {}),
  });
}

function focusOn(description: AdapterDescription, box: HTMLElement | null, handle: unknown, id: string): void {
  const { focus } = description;
  if (focus.by === 'handle' && typeof handle === 'object' && handle !== null) {
    const method = (handle as Record<string, unknown>)[focus.method];
    if (isHandler(method)) method.call(handle);
    return;
  }
  const found =
    focus.by === 'inner'
      ? box?.querySelector<HTMLElement>(focus.selector)
      : (box?.querySelector<HTMLElement>(`[id="${id}"]`) ??
        (handle instanceof HTMLElement ? handle : box?.querySelector<HTMLElement>('*')));
  found?.focus();
}

interface HostProps {
  readonly properties: Readonly<Record<string, unknown>>;
  readonly description: AdapterDescription;
  readonly handle: { current: unknown };
}

/** A custom element: values go in as properties where it has such a property, as attributes otherwise; events are heard by name. */
function ElementHost({
  tag,
  properties,
  description,
  handle,
  labelledBy,
}: HostProps & { readonly tag: string; readonly labelledBy: string | undefined }): ReactNode {
  const element = useRef<HTMLElement>(null);
  const latest = useRef(properties);
  const given = useRef<ReadonlySet<string>>(new Set());
  useLayoutEffect(() => {
    latest.current = properties;
    const node = element.current;
    if (!node) return;
    handle.current = node;
    const names = new Set(Object.keys(properties).filter((name) => !isHandler(properties[name])));
    for (const name of names) setOn(node, name, properties[name]);
    for (const name of given.current)
      if (!names.has(name)) setOn(node, name, name === description.value.property ? '' : undefined);
    given.current = names;
  });
  useEffect(() => {
    const node = element.current;
    const names = Object.keys(latest.current).filter((name) => isHandler(latest.current[name]));
    const listeners = names.map((name) => [name, (event: Event) => (latest.current[name] as Handler)(event)] as const);
    for (const [name, listener] of listeners) node?.addEventListener(name, listener);
    return () => {
      for (const [name, listener] of listeners) node?.removeEventListener(name, listener);
    };
  }, []);
  return createElement(tag, { ref: element, 'aria-labelledby': labelledBy });
}

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
function WidgetHost({
  input,
  description,
  properties,
  shown,
  handle,
}: HostProps & { readonly input: unknown; readonly shown: unknown }): ReactNode {
  const place = useRef<HTMLDivElement>(null);
  const latest = useRef(properties);
  useLayoutEffect(() => {
    latest.current = properties;
  });
  const use = description.widget;
  const start = useCallback((): (() => void) => {
    const host = place.current;
    if (!host || !use) return () => undefined;
    const node = host.appendChild(document.createElement(use.element));
    const options: Record<string, unknown> = {};
    const handlers: [string, Handler][] = [];
    for (const [name, value] of Object.entries(latest.current)) {
      if (!isHandler(value)) options[name] = value;
      else handlers.push([name, (...args) => (latest.current[name] as Handler)(...args)]);
    }
    if (use.reports === 'options') for (const [name, handler] of handlers) options[name] = handler;
    const made: unknown =
      use.start === 'new'
        ? new (input as new (...args: unknown[]) => unknown)(node, options)
        : (input as Handler)(node, options);
    const living = use.handle === undefined ? made : ((node as unknown as Record<string, unknown>)[use.handle] ?? made);
    handle.current = living;
    const call = (method: string | undefined, ...args: unknown[]): void => {
      const found = method === undefined ? undefined : (living as Record<string, unknown>)[method];
      if (isHandler(found)) found.apply(living, args);
    };
    if (use.reports === 'on') for (const [name, handler] of handlers) call('on', name, handler);
    return () => {
      call(use.destroy);
      handle.current = null;
      host.replaceChildren();
    };
  }, [handle, input, use]);
  useEffect(start, [start]);
  const told = useRef(shown);
  useEffect(() => {
    const living = handle.current as Record<string, unknown> | null;
    const update = use && living?.[use.update];
    if (isHandler(update) && JSON.stringify(told.current) !== JSON.stringify(shown)) update.call(living, shown ?? null);
    told.current = shown;
  }, [handle, shown, use]);
  return <div ref={place} />;
}
