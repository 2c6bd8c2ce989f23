import type {
  Form,
  Hints,
  PlanChooser,
  PlanField,
  PlanGroup,
  PlanList,
  PlanNode,
  Pointer,
  Problem,
} from '@poietra/core';
import { createContext, useContext, type FunctionComponent, type ReactNode } from 'react';
import type { AdaptedInput, Choices } from './given.js';
import type { OpenedProps } from './opened.js';
import type { OwnHints } from './own-hints.js';
import type { Skin } from './skin.js';
import type { TabsProps } from './tabs.js';
import type { Turns } from './turns.js';

/** Asks for values to choose from; rejects where they cannot be had. */
export type FetchChoices = (address: string, signal: AbortSignal) => Promise<unknown>;

/** One field of a plan. */
export interface PlannedFieldProps {
  readonly node: PlanField;
  readonly at: Pointer;
  readonly bare: boolean;
  /** Choices that are not the plan's, with what the box has to know of them. */
  readonly remote?:
    | {
        readonly choices: Choices;
        readonly properties: Readonly<Record<string, unknown>>;
        readonly words?: string | undefined;
      }
    | undefined;
}

/** A form of several pages. */
export interface StepsProps {
  readonly node: PlanGroup;
  readonly at: Pointer;
  /** What stands at the end: the button that sends. */
  readonly closing: ReactNode;
  readonly step?: string | undefined;
  readonly onStep?: ((step: string) => void) | undefined;
}

/** What is to be mended, in words. It stands alone, so that what draws it can be fetched without anything else. */
export interface ProblemListProps {
  readonly form: Form;
  readonly says: string;
  /** Each problem with the label of its place, and the address of its input on the page. */
  readonly entries: readonly { readonly problem: Problem; readonly label: string; readonly href: string }[];
}
/** What a person mends by, after an attempt to send. */
export interface Mending {
  readonly ProblemList: FunctionComponent<ProblemListProps>;
  /** Gives the focus to the first place on the page that has one of the problems, as soon as it is drawn; whether there was one. */
  focusFirst(element: HTMLElement | null, form: Form, problems: readonly Problem[], turns?: Turns): Promise<boolean>;
}

/** What not every form is drawn with. `everyDrawing` has all of it, `loadDrawings` what one plan asks for. */
export interface Drawings {
  readonly inputs: Readonly<Record<string, AdaptedInput>>;
  readonly skins: { readonly plain: Skin; readonly compact: Skin };
  readonly List?: FunctionComponent<{ readonly node: PlanList; readonly at: Pointer }>;
  readonly Chooser?: FunctionComponent<{
    readonly node: PlanChooser;
    readonly at: Pointer;
    readonly bare: boolean;
  }>;
  /** Members with names of one's own. */
  readonly More?: FunctionComponent<{ readonly node: PlanGroup; readonly at: Pointer }>;
  /** A group that a person opens. */
  readonly Opened?: FunctionComponent<OpenedProps>;
  readonly Tabs?: FunctionComponent<TabsProps>;
  readonly Steps?: FunctionComponent<StepsProps>;
  /** A field whose choices come from a server. */
  readonly Remote?: FunctionComponent<PlannedFieldProps>;
  /** Fetched once the form stands, where it is not given. */
  readonly mending?: Mending;
}

/** How the parts of a planned form are drawn. */
export interface Drawing {
  readonly drawings: Drawings;
  readonly inputs: Readonly<Record<string, AdaptedInput>>;
  readonly skins: Readonly<Record<string, Skin>>;
  readonly skin: Skin;
  readonly ownHints: ((hints: Hints) => OwnHints) | undefined;
  readonly fetchChoices: FetchChoices | undefined;
  /** Draws a part of the plan; `bare` where what stands around says its label already. */
  draw(node: PlanNode, at: Pointer, how?: { readonly bare?: boolean }): ReactNode;
}
export const DrawingContext = createContext<Drawing | undefined>(undefined);

export function useDrawing(): Drawing {
  const drawing = useContext(DrawingContext);
  if (!drawing) throw new Error('Planned parts have to stand inside <PlannedForm>.');
  return drawing;
}

/** One of the drawings, for a plan that asks for it. @throws {Error} where it was loaded for another plan. */
export function drawingFor<Name extends Exclude<keyof Drawings, 'inputs' | 'skins' | 'mending'>>(
  drawings: Drawings,
  name: Name,
): NonNullable<Drawings[Name]> {
  const found = drawings[name];
  if (!found) throw new Error(`The drawings were loaded for another plan: “${name}” is not among them.`);
  return found;
}
