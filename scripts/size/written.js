/** What an application has at hand for a form that was written out, beside the form itself. */
export { DrawnForm, writtenForm } from '@poietra/react/written';
