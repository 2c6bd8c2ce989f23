/** What may be written at a place of a JSON text: names of members, or texts as values. */
export type Offers = (place: readonly string[], isName: boolean) => readonly string[];
/** Something wrong in a JSON text: at a place, or from one position to another. */
export interface Wrong {
  readonly at?: string;
  readonly range?: { readonly from: number; readonly to: number };
  readonly message: string;
}

export interface CodeProps {
  readonly label: string;
  readonly text: string;
  readonly language: 'json' | 'typescript';
  /** Absent: for reading only. */
  readonly onChange?: (text: string) => void;
  /** In JSON: the place that is lit and scrolled to. */
  readonly lit?: string | undefined;
  /** In JSON: the place in which the caret stands. */
  readonly onCaret?: ((at: string) => void) | undefined;
  readonly offers?: Offers | undefined;
  readonly wrong?: readonly Wrong[] | undefined;
}
