import { Busy } from './states.js';
import { late } from './late.js';

/** Text with colours; the editor is fetched when it is first needed, and never before what stands around it is drawn. */
export const CodeView = late(
  async () => (await import('./code-editor.js')).CodeEditor,
  <Busy>Opening the text …</Busy>,
);
