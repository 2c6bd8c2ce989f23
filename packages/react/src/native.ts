import { boxes, boxInputs } from './box-inputs.js';
import type { AdaptedInput } from './given.js';
import { plainElement, plainInputs } from './plain-inputs.js';

/** What a native adapter stands on: the name of an HTML element, or a box made of several. */
export const nativeElement = (name: string): unknown => boxes[name] ?? plainElement(name);

/** HTML's own inputs, adapted, under the names that plans use: `native:text`, `native:checkbox` … */
export const nativeInputs: Readonly<Record<string, AdaptedInput>> = { ...plainInputs, ...boxInputs };
