/** What stands inside a component: its choices, and the parts that it is put together of. */
import { componentOfChoice, plainBox, same, type AdapterDescription, type Inside } from '@poietra/core';
import { createElement, Fragment, type ComponentType, type ReactNode } from 'react';
import { choiceProperties, itemsFor } from './choices.js';
import type { AdaptedProps, Choices } from './given.js';

/** The components that an adapter stands on beside its input, under their names in the description: `package#export`. */
export type Beside = Readonly<Record<string, unknown>>;

type Choice = Choices[number];

/** What goes into a component: by its properties, and inside. */
interface Drawn {
  readonly properties: Readonly<Record<string, unknown>>;
  readonly children: readonly ReactNode[];
}
type ComponentPart = Extract<Inside, { component: string }>;

/** What goes into the input's component, as the description says; nothing where it says nothing of it. */
export function drawInside(
  { inside, choices: use, value: { empty, kind } }: AdapterDescription,
  { choices: given = [], state: { shown } }: Pick<AdaptedProps, 'choices' | 'state'>,
  beside: Beside,
): Drawn {
  const forChoice = componentOfChoice(use);
  // HTML's own list shows its first option where none is chosen, so the first stands for none (HTML, “placeholder label option”).
  const isHtml = use && 'tag' in use && use.tag === 'option' && kind !== 'list' && !Array.isArray(empty);
  const choices = isHtml && !given.some(({ value }) => value === '') ? [{ value: '', text: '' }, ...given] : given;
  const isChosen = (choice: Choice | undefined): boolean => (choice ? holds(shown, choice.value) : shown === true);
  const words = (text: string, of: 'choice' | 'chosen' | undefined, choice: Choice | undefined): string => {
    if (of === 'choice') return choice?.text ?? text;
    const chosen = of === 'chosen' ? choices.filter(isChosen).map((one) => one.text) : [];
    return chosen.length > 0 ? chosen.join(', ') : text;
  };
  const draw = (part: Inside, choice: Choice | undefined): ReactNode => {
    if ('words' in part) {
      const said = words(part.words, part.of, choice);
      if (part.when !== undefined && isChosen(choice) !== (part.when === 'chosen')) return null;
      // Whether it is on is told by a state; said once more it would be a part of the name.
      return part.silent || part.when !== undefined ? <span aria-hidden="true">{said}</span> : said;
    }
    if (part.component === forChoice && !choice) return drawChoices(part.inside);
    return drawOne(part, {}, choice);
  };
  const drawOne = (part: ComponentPart, given: object, choice: Choice | undefined): ReactNode => {
    const { properties, children } = within(part.inside ?? [], choice);
    const all = { ...given, ...part.properties, ...properties };
    return createElement(componentFor(part.component, beside), all, ...children);
  };
  /** `told`: what a container tells the parts that it draws by calling a function. */
  const drawAll = (parts: readonly Inside[], choice: Choice | undefined, told?: unknown): ReactNode[] =>
    parts.map((part) =>
      isCalled(part)
        ? drawOne(part, part.given === true ? Object.assign({}, told) : { [part.given]: told }, choice)
        : draw(part, choice),
    );
  /** What stands at one place, drawn together: by a function where one of it is. One alone stays an element, since some give theirs further properties. */
  const asTaken = (parts: readonly Inside[], choice: Choice | undefined): unknown => {
    const together = (told?: unknown): ReactNode => {
      const drawn = drawAll(parts, choice, told);
      return drawn.length === 1 ? drawn[0] : createElement(Fragment, null, ...drawn);
    };
    return parts.some(isCalled) ? together : together();
  };
  const within = (parts: readonly Inside[], choice: Choice | undefined): Drawn => {
    const at = (name: string | undefined): readonly Inside[] => parts.filter((part) => atOf(part) === name);
    const properties: Readonly<Record<string, unknown>> = Object.fromEntries(
      parts.filter(atOf).map((part) => [atOf(part) as string, asTaken(at(atOf(part)), choice)] as const),
    );
    const inner = at(undefined);
    // The framework's types know no functions among children; what is put together so calls them itself.
    const children = inner.some(isCalled) ? [asTaken(inner, choice) as ReactNode] : drawAll(inner, choice);
    return { properties, children };
  };
  const drawChoices = (parts: readonly Inside[] | undefined): readonly ReactNode[] => {
    // HTML's own elements take no children at all, not even none.
    if (!use || ('property' in use && !use.each)) return [];
    const items = 'property' in use ? itemsFor(use, choices) : [];
    // Some inputs know a choice by its key alone, so a text is its own; among other kinds it could be taken for one of them.
    const areTexts = choices.every(({ value }) => typeof value === 'string');
    return choices.map((choice, i) => {
      const key = areTexts ? String(choice.value) : JSON.stringify(choice.value);
      const drawn = (isShown: boolean): Drawn =>
        parts ? within(parts, choice) : { properties: {}, children: isShown ? [choice.text] : [] };
      if ('tag' in use)
        return createElement(use.tag, { key, ...choiceProperties(use, choice) }, use.text ? undefined : choice.text);
      if ('property' in use) {
        const { component = '', property = '' } = use.each ?? {};
        const { properties, children } = drawn(true);
        const given = { key, [property]: items[i], ...properties };
        return createElement(componentFor(component, beside), given, ...children);
      }
      const { component, value, text } = use;
      const { properties, children } = drawn(text === 'children');
      const given = {
        key,
        [value]: choice.value,
        ...(text === 'children' ? {} : { [text]: choice.text }),
        ...properties,
      };
      return createElement(componentFor(component, beside), given, ...children);
    });
  };
  return inside && inside.length > 0 ? within(inside, undefined) : { properties: {}, children: drawChoices(undefined) };
}

const atOf = (part: Inside): string | undefined => ('component' in part ? part.at : undefined);
const isCalled = (part: Inside): part is ComponentPart & Required<Pick<ComponentPart, 'given'>> =>
  'component' in part && part.given !== undefined;

/** Of one choice its value, of several a list. */
function holds(shown: unknown, value: unknown): boolean {
  return Array.isArray(shown) ? shown.some((one) => same(one, value)) : same(shown, value);
}

/** Asked where it is drawn, too, so that what is missing is told by its name and not by the framework's “type is invalid”. */
export function componentFor(name: string, beside: Beside): ComponentType<Record<string, unknown>> | 'div' {
  if (name === plainBox) return 'div';
  const found = beside[name];
  if (found === undefined)
    throw new TypeError(`The adapter needs “${name}” beside its input; give it to adapt() under this name.`);
  return found as ComponentType<Record<string, unknown>>;
}
