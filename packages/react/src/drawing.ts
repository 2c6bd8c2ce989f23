import type { OwnHintUse, PlanNode, Pointer } from '@poietra/core';
import { createContext, useContext, type ReactNode } from 'react';
import type { AdaptedInput } from './adapt.js';
import type { Skin } from './skin.js';

/** Asks for values to choose from; rejects where they cannot be had. */
export type FetchChoices = (address: string, signal: AbortSignal) => Promise<unknown>;

/** What a hint of one's own does to the drawing of a field. */
export type OwnHint = OwnHintUse;

/** How the parts of a planned form are drawn. */
export interface Drawing {
  readonly inputs: Readonly<Record<string, AdaptedInput>>;
  readonly skins: Readonly<Record<string, Skin>>;
  readonly skin: Skin;
  readonly ownHints: Readonly<Record<string, OwnHint>>;
  readonly fetchChoices: FetchChoices;
  /** Draws a part of the plan; `bare` where what stands around says its label already. */
  draw(node: PlanNode, at: Pointer, how?: { readonly bare?: boolean }): ReactNode;
}
export const DrawingContext = createContext<Drawing | undefined>(undefined);

export function useDrawing(): Drawing {
  const drawing = useContext(DrawingContext);
  if (!drawing) throw new Error('Planned parts have to stand inside <PlannedForm>.');
  return drawing;
}
