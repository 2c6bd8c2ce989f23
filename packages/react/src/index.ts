/** @poietra/react: forms of the core drawn with React. */
export { adapt, type AdaptedInput, type AdaptedProps, type Around, type Reached } from './adapt.js';
export { Field, type FieldProps } from './field.js';
export { useFollowed } from './follow.js';
export { baseIdFrom, partId, type FieldPart } from './ids.js';
export { realElement } from './link-real.js';
export { everyElement, focused, reach, workingElements } from './reach.js';
export { nativeElement, nativeInputs } from './native.js';
export { PlannedForm, type NativeSubmission, type PlannedFormProps } from './planned-form.js';
export { labelAt } from './summary.js';
export { reveal } from './reveal.js';
export type { FetchChoices, OwnHint } from './drawing.js';
export { adaptTogether } from './together.js';
export { FormScope, useForm, useScope } from './scope.js';
export { compact, plain, suiteSkin, Told, type Skin, type SkinProps, type SuiteParts } from './skin.js';
export { useField, type FieldView } from './use-field.js';
