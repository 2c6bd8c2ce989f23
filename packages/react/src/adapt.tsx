import {
  componentsBeside,
  fromNotation,
  hasNotation,
  same,
  type AdapterDescription,
  type Family,
  type InputState,
} from '@poietra/core';
import {
  createElement,
  Fragment,
  useEffect,
  useLayoutEffect,
  useMemo,
  useReducer,
  useRef,
  type ComponentType,
  type FocusEvent,
  type ReactNode,
} from 'react';
import { adaptNative } from './adapt-native.js';
import { itemsAsValues } from './choices.js';
import { hiddenValue, isHandler, joined, type AdaptedInput, type AdaptedProps, type Reached } from './given.js';
import { ElementHost, WidgetHost } from './hosts.js';
import { componentFor, drawInside, type Beside } from './inside.js';
import { useThere } from './later.js';
import { focusReal, linkReal, pressReal, realElement } from './link-real.js';
import { makingOf } from './made.js';
import { putFiles } from './put-files.js';
import { reach, workingElements } from './reach.js';
import { takesReference } from './reference.js';

/**
 * The input with the adapter around it: a component (or the name of an HTML element) of the framework, a custom
 * element's tag, or the constructor or function of a plain-DOM widget, as the description's family says.
 */
export function adapt(
  input: unknown,
  description: AdapterDescription,
  family: Family = 'component',
  /** What the description names beside the input: components around and inside it, what their properties import, what makes its values. */
  beside: Beside = {},
): AdaptedInput {
  for (const name of componentsBeside(description)) componentFor(name, beside);
  const { made, kind, ...value } = description.value;
  const { choices: use } = description;
  const ofItems = use && 'property' in use && use.takes ? use : undefined;
  const ofTexts = made && makingOf(made, beside[made.by], kind);
  // The kind is that of what the field shows; what is made of it is an object.
  const asMade = ofTexts || ofItems ? { ...description, value } : description;
  const isInBrowserAlone = description.onServer === 'nothing';
  if (family === 'native' && !isInBrowserAlone && carriesAll(description)) return adaptNative(input, description);
  const isGroup = description.id === undefined && description.real === undefined;
  const Adapted: AdaptedInput = (props) => {
    const box = useRef<HTMLDivElement>(null);
    const handle = useRef<unknown>(null);
    const reported = useRef<{ readonly raw: unknown }>(undefined);
    const isLeft = useRef(true);
    const [, again] = useReducer((count: number) => count + 1, 0);
    const there = useThere(input, isInBrowserAlone);
    const { state, attach, leave, choices } = props;
    const making = useMemo(() => (ofItems ? itemsAsValues(ofItems, choices, kind) : ofTexts), [choices]);
    // The same object as long as the same is shown: many an input takes another for a change.
    const own = useMemo(() => making?.make(state.shown) ?? making?.make(value.empty), [state.shown, making]);
    const given = making ? { ...state, shown: own } : state;
    useEffect(() => attach(reachOf(description, box, handle, state.id)), [attach, state.id]);
    useLinks(box, description, state, family);
    const isPutting = useRef(false);
    useEffect(() => {
      isPutting.current = true;
      if (value.later === 'files') putFiles(box.current, state.shown);
      isPutting.current = false;
    });
    const news = useNews(state.shown);
    const report = (told: unknown): void => {
      if (isPutting.current) return;
      const raw = making ? making.read(told) : told;
      reported.current = { raw };
      if (!news(raw)) return family === 'native' ? undefined : again();
      // Where the input has no way to be read only, what it reports is not taken.
      if (!(state.readOnly && !description.readOnly)) props.report(raw);
      // A change that is refused alters no state, so nobody else would tell the input to go back.
      if (family !== 'native' || state.readOnly) again();
    };
    const copy = useAnew(description, reported, state.shown);
    const properties = joined(asMade, { ...props, state: given, report }, fromNotation, beside);
    const outside = {
      ref: box,
      className: 'poietra-box',
      'data-invalid': (state.invalid && description.invalid === undefined) || undefined,
      ...(isGroup
        ? {
            id: state.id,
            role: 'group',
            'aria-labelledby': state.labelledBy,
            'aria-label': description.label && state.label,
            'aria-description': ownDescription(description, state),
            'aria-describedby': state.describedBy,
            'aria-invalid': state.invalid || undefined,
            'aria-disabled': state.disabled || undefined,
          }
        : {}),
      ...(description.leave
        ? {}
        : {
            onFocusCapture: () => (isLeft.current = false),
            // Some tell of their own blur once more, after the browser did.
            onBlur: (event: FocusEvent<HTMLElement>) => {
              if (isLeft.current || event.currentTarget.contains(event.relatedTarget)) return;
              isLeft.current = true;
              leave();
            },
          }),
    };
    const drawn =
      there !== undefined &&
      (description.wrappers ?? []).reduceRight<ReactNode>(
        (inner, { component, properties: given, imports = {} }) => {
          const imported = Object.entries(imports).map(([property, name]): [string, unknown] => [
            property,
            beside[name],
          ]);
          return createElement(componentFor(component, beside), { ...given, ...Object.fromEntries(imported) }, inner);
        },
        inside(there, family, description, properties, props, handle, reported, beside),
      );
    const hidden = hiddenValue(asMade, given, there !== undefined);
    return (
      <div {...outside}>
        <Fragment key={copy}>{drawn}</Fragment>
        {hidden !== undefined && <input type="hidden" name={state.name} value={hidden} />}
      </div>
    );
  };
  Adapted.displayName = `Adapted(${description.input})`;
  Adapted.takesLabel = description.id !== undefined;
  const { label, hint, message, required } = description;
  // A group has no state for it: its name has to say so.
  const alone = ofTexts ?? (ofItems && itemsAsValues(ofItems, [], kind));
  if (alone) Adapted.making = alone;
  Adapted.draws = { label: !!label, hint: !!hint, message: !!message, required: !!required && !isGroup };
  return Adapted;
}

/** What the input draws of hint and message is inside the group, and no id leads to it. */
function ownDescription({ hint, message }: AdapterDescription, state: InputState): string | undefined {
  const words = [hint && state.hint, message && state.message].filter(Boolean).join(' ');
  return words === '' ? undefined : words;
}

/** Whether properties alone carry the line, as those of HTML's own inputs do. */
function carriesAll(description: AdapterDescription): boolean {
  const { value, change, id, name, invalid, disabled, required, describedBy, leave } = description;
  if (value.later !== undefined || change.refused !== undefined) return false;
  return [id, name, invalid, disabled, required, describedBy, leave].every((one) => one !== undefined);
}

/**
 * Whether a report says something that is not known. Some inputs tell of every key although their value is the same, some
 * tell of one change twice; between two drawings what was told last counts, afterwards what the form holds. A list or
 * object that is the very one that is known may have been changed within, so it is news.
 */
function useNews(shown: unknown): (raw: unknown) => boolean {
  const told = useRef<{ readonly raw: unknown }>(undefined);
  useEffect(() => {
    told.current = undefined;
  });
  return (raw) => {
    const known = told.current ? told.current.raw : shown;
    told.current = { raw };
    if (typeof raw !== 'object' || raw === null) return !Object.is(raw, known);
    return raw === known || !(hasNotation(raw) && hasNotation(known) && same(raw, known));
  };
}

/**
 * A number that grows when the input has to be made anew: it knows its value from the beginning only, or keeps a change
 * that the form did not take, one that was taken and is taken back, and what it was given before the form was emptied.
 */
function useAnew(
  { value, change }: AdapterDescription,
  reported: { current: { readonly raw: unknown } | undefined },
  shown: unknown,
): number {
  const [copy, make] = useReducer((count: number) => count + 1, 0);
  const before = useRef(shown);
  const isItsOwn = useRef(false);
  /** What it told last since it was made: that it shows. */
  const last = useRef(reported.current);
  useEffect(() => {
    const [was, own] = [before.current, reported.current];
    before.current = shown;
    const isKept = change.refused === 'anew';
    if (!isKept && value.later !== 'anew') return;
    reported.current = undefined;
    last.current = own ?? last.current;
    const isLater = value.later === 'anew' && !same(was, shown) && !(last.current && same(last.current.raw, shown));
    const keeps = own
      ? !same(own.raw, shown)
      : (isItsOwn.current && !same(was, shown)) || (isNothing(shown) && !isNothing(was));
    if (own) isItsOwn.current = true;
    if (!isLater && !(isKept && keeps)) return;
    isItsOwn.current = false;
    last.current = undefined;
    make();
  });
  return copy;
}

const isNothing = (shown: unknown): boolean => shown === undefined || shown === null || shown === '';

/** Keeps the real element linked, also when the input draws it later or anew. */
function useLinks(
  box: { readonly current: HTMLElement | null },
  description: AdapterDescription,
  state: InputState,
  family: Family,
): void {
  const isNeeded = family !== 'native' && (description.real !== undefined || description.id !== undefined);
  const latest = useRef(state);
  useLayoutEffect(() => {
    latest.current = state;
    // What cannot be disabled by a property is taken out of reach as a whole.
    if (!description.disabled && box.current)
      for (const child of box.current.children) child.toggleAttribute('inert', state.disabled);
    const real = isNeeded ? realElement(description, box.current, state.id) : undefined;
    if (real) linkReal(real, description, state);
  });
  useEffect(() => {
    const place = box.current;
    if (!isNeeded || !place) return undefined;
    let due: ReturnType<typeof setTimeout> | undefined;
    // Also where it names the real element anew; one that insists on a name of its own is not argued with for ever.
    let most = 20;
    const observer = new MutationObserver((all) => {
      if (all.some(({ type }) => type === 'childList')) wait();
      else if (most-- > 0) link();
    });
    const watch = (where: Node): void =>
      observer.observe(where, { childList: true, subtree: true, attributeFilter: ['aria-labelledby'] });
    const link = (): boolean => {
      const real = realElement(description, place, latest.current.id);
      if (!real) return false;
      linkReal(real, description, latest.current);
      const root = real.getRootNode();
      if (root instanceof ShadowRoot) watch(root);
      return true;
    };
    // An element upgrades and draws its shadow tree in its own time, and nothing outside is told: one that is fetched
    // first may take seconds.
    const wait = (pause = 10): void => {
      clearTimeout(due);
      if (!link() && pause < 5000) due = setTimeout(wait, pause, pause * 1.5);
    };
    watch(place);
    wait();
    return () => {
      clearTimeout(due);
      observer.disconnect();
    };
  }, [box, description, isNeeded]);
}

function inside(
  input: unknown,
  family: Family,
  description: AdapterDescription,
  properties: Record<string, unknown>,
  props: AdaptedProps,
  handle: { current: unknown },
  reported: { current: { readonly raw: unknown } | undefined },
  beside: Beside,
): ReactNode {
  const host = { properties, description, handle, choices: props.choices };
  const component = (needsRef: boolean): ReactNode => {
    const drawn = drawInside(description, props, beside);
    return createElement(
      input as ComponentType<Record<string, unknown>>,
      { ...properties, ...drawn.properties, ...(needsRef && takesReference(input) ? { ref: handle } : {}) },
      ...drawn.children,
    );
  };
  const hosts: Readonly<Record<Family, () => ReactNode>> = {
    native: () => component(true),
    component: () => component(description.focus.by === 'handle'),
    element: () => <ElementHost {...host} tag={String(input)} />,
    widget: () => <WidgetHost {...host} input={input} shown={props.state.shown} reported={reported} />,
  };
  return hosts[family]();
}

function reachOf(
  description: AdapterDescription,
  box: { readonly current: HTMLElement | null },
  handle: { readonly current: unknown },
  id: string,
): Reached {
  const focus = (): void => focusOn(description, box.current, handle.current, id);
  return {
    focus,
    press: () => {
      const real = realElement(description, box.current, id);
      if (real) pressReal(real);
      else focus();
    },
  };
}

function focusOn(description: AdapterDescription, box: HTMLElement | null, handle: unknown, id: string): void {
  if (!box) return;
  const { focus } = description;
  if (focus.by === 'handle' && typeof handle === 'object' && handle !== null) {
    const method = (handle as Record<string, unknown>)[focus.method];
    if (isHandler(method)) method.call(handle);
    return;
  }
  const found =
    focus.by === 'inner'
      ? reach(box, focus.selector)
      : (realElement(description, box, id) ?? (handle instanceof HTMLElement ? handle : workingElements(box)[0]));
  if (found) {
    focusReal(found);
    return;
  }
  // Nothing inside takes it; then the box does, so that a person is at least led to the place.
  box.tabIndex = -1;
  box.focus();
}
