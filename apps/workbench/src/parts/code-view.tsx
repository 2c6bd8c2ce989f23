import { lazy, Suspense, type ReactNode } from 'react';
import type { CodeProps } from './code-props.js';
import { Busy } from './states.js';

const Editor = lazy(() => import('./code-editor.js'));

/** Text with colours; the editor is fetched when it is first needed. */
export function CodeView(props: CodeProps): ReactNode {
  return (
    <Suspense fallback={<Busy>Opening the text …</Busy>}>
      <Editor {...props} />
    </Suspense>
  );
}
