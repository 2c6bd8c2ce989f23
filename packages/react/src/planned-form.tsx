import type { ReactNode } from 'react';
import { DrawnForm, type DrawnFormProps } from './drawn-form.js';
import { everyDrawing } from './every-drawing.js';

/** As for `DrawnForm`, with every drawing at hand. */
export type PlannedFormProps = Omit<DrawnFormProps, 'drawings'>;

/** A whole form from a plan, with everything that any plan may ask for. `DrawnForm` takes what one plan asks for. */
export function PlannedForm(props: PlannedFormProps): ReactNode {
  return <DrawnForm {...props} drawings={everyDrawing} />;
}
