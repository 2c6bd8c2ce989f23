/** What an application writes that draws a form of a schema; `npm test` measures what its bundler makes of it. */
export { DrawnForm, prepareForm } from '@poietra/react';
