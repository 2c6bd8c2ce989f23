/** What stands inside a component: its choices, and the parts that it is put together of. */
import { componentOfChoice, plainBox, same, type AdapterDescription, type Inside } from '@poietra/core';
import { createElement, type ComponentType, type ReactNode } from 'react';
import { choiceProperties, itemsFor } from './choices.js';
import type { AdaptedProps, Choices } from './given.js';

/** The components that an adapter stands on beside its input, under their names in the description: `package#export`. */
export type Beside = Readonly<Record<string, unknown>>;

type Choice = Choices[number];

/** The children of the input's component, as the description says; none where it says nothing of them. */
export function drawInside(
  { inside, choices: use, value: { empty, kind } }: AdapterDescription,
  { choices: given = [], state: { shown } }: Pick<AdaptedProps, 'choices' | 'state'>,
  beside: Beside,
): readonly ReactNode[] {
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
    return createElement(
      componentFor(part.component, beside),
      { ...part.properties },
      ...childrenOf(part.inside ?? [], choice),
    );
  };
  /** Where one is drawn by a function, the function stands for all. */
  const childrenOf = (parts: readonly Inside[], choice: Choice | undefined): readonly ReactNode[] => {
    const by = parts.find((part) => 'component' in part && part.given !== undefined);
    if (!by || !('component' in by) || by.given === undefined) return drawAll(parts, choice);
    const { given, properties, component } = by;
    const drawOne = (value: unknown): ReactNode =>
      createElement(
        componentFor(component, beside),
        { ...properties, [given]: value },
        ...childrenOf(by.inside ?? [], choice),
      );
    // The framework's types know no functions among children; what is put together so calls them itself.
    return [drawOne as unknown as ReactNode];
  };
  const drawAll = (parts: readonly Inside[], choice: Choice | undefined): readonly ReactNode[] =>
    parts.map((part) => draw(part, choice));
  const drawChoices = (parts: readonly Inside[] | undefined): readonly ReactNode[] => {
    // HTML's own elements take no children at all, not even none.
    if (!use || ('property' in use && !use.each)) return [];
    const items = 'property' in use ? itemsFor(use, choices) : [];
    // Some inputs know a choice by its key alone, so a text is its own; among other kinds it could be taken for one of them.
    const areTexts = choices.every(({ value }) => typeof value === 'string');
    return choices.map((choice, i) => {
      const key = areTexts ? String(choice.value) : JSON.stringify(choice.value);
      const within = (isShown: boolean): readonly ReactNode[] =>
        parts ? drawAll(parts, choice) : isShown ? [choice.text] : [];
      if ('tag' in use)
        return createElement(use.tag, { key, ...choiceProperties(use, choice) }, use.text ? undefined : choice.text);
      if ('property' in use) {
        const { component = '', property = '' } = use.each ?? {};
        return createElement(componentFor(component, beside), { key, [property]: items[i] }, ...within(true));
      }
      const { component, value, text } = use;
      const given = { key, [value]: choice.value, ...(text === 'children' ? {} : { [text]: choice.text }) };
      return createElement(componentFor(component, beside), given, ...within(text === 'children'));
    });
  };
  return inside && inside.length > 0 ? drawAll(inside, undefined) : drawChoices(undefined);
}

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
