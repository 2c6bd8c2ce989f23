/** What the skin in force draws in place of HTML's own, around fields. */
import { createElement, useContext, type ComponentProps, type ElementType, type ReactNode } from 'react';
import { DrawingContext } from './drawing.js';
import type { SkinParts } from './skin.js';

/** A part of the skin in force; none where it leaves that to HTML. */
export const usePart = (name: keyof SkinParts): ElementType | undefined =>
  useContext(DrawingContext)?.skin.parts?.[name];

/** A button of the form: HTML's own, or the skin's. */
export function Button(props: ComponentProps<'button'>): ReactNode {
  const button = usePart('button') ?? 'button';
  return createElement((usePart(props.type === 'submit' ? 'submit' : 'button') ?? button) as 'button', props);
}
