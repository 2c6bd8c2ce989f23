/** What the skin in force draws in place of HTML's own, around fields. */
import { createContext, createElement, useContext, type ComponentProps, type ElementType, type ReactNode } from 'react';
import type { SkinParts } from './skin.js';

export const PartsContext = createContext<SkinParts | undefined>(undefined);

/** A part of the skin in force; none where it leaves that to HTML. */
export const usePart = (name: keyof SkinParts): ElementType | undefined => useContext(PartsContext)?.[name];

/** A button of the form: HTML's own, or the skin's. */
export function Button(props: ComponentProps<'button'>): ReactNode {
  const [button, submit] = [usePart('button'), usePart('submit')];
  const drawn = (props.type === 'submit' ? submit : undefined) ?? button ?? 'button';
  return createElement(drawn as 'button', props);
}
