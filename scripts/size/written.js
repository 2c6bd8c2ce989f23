/** What an application has at hand for a form that was written out, beside the form itself. */
export { DrawnForm } from '@poietra/react';
export { writtenForm } from '@poietra/react/written';
