import { lazy, Suspense, type ReactNode } from 'react';
import { Busy } from './states.js';

export interface CodeProps {
  readonly label: string;
  readonly text: string;
  readonly language: 'json' | 'typescript';
  /** Absent: for reading only. */
  readonly onChange?: (text: string) => void;
}
const Editor = lazy(() => import('./code-editor.js'));

/** Text with colours; the editor is fetched when it is first needed. */
export function CodeView(props: CodeProps): ReactNode {
  return (
    <Suspense fallback={<Busy>Opening the text …</Busy>}>
      <Editor {...props} />
    </Suspense>
  );
}
