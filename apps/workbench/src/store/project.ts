import type { AdapterDescription, Finding, FoundInput } from '@poietra/core';
import { create } from 'zustand';
import { ask } from './ask.js';

export interface Inspected {
  readonly input: FoundInput;
  readonly findings: readonly Finding[];
  readonly adapter?: AdapterDescription;
}
/** What has something of an input and was taken for none: a person may say otherwise. */
export interface PassedOver extends Inspected {
  readonly reason: string;
}
interface ProjectStore {
  readonly status: 'loading' | 'reading' | 'ready' | 'failed';
  readonly name: string;
  readonly folder: string;
  readonly doing: string;
  readonly trouble: string | undefined;
  readonly inputs: readonly Inspected[];
  readonly passed: readonly PassedOver[];
  readonly missing: readonly string[];
  /** Packages and files that could not be read, with why, a sentence each. */
  readonly unread: readonly string[];
  /** Packages in which there is nothing of an input. */
  readonly without: readonly string[];
}

/** The opened project folder, as the server has read it. */
export const useProject = create<ProjectStore>()(() => ({
  status: 'loading',
  name: '',
  folder: '',
  doing: '',
  trouble: undefined,
  inputs: [],
  passed: [],
  missing: [],
  unread: [],
  without: [],
}));

type Answer =
  | {
      readonly status: 'ready';
      readonly name: string;
      readonly folder: string;
      readonly inputs: readonly Inspected[];
      readonly passed: readonly PassedOver[];
      readonly missing: readonly string[];
      readonly unread: readonly string[];
      readonly without: readonly string[];
    }
  | { readonly status: 'reading'; readonly progress?: { readonly doing: string } }
  | { readonly status: 'failed'; readonly message: string };

export async function openProject(): Promise<void> {
  for (;;) {
    let answer: Answer;
    try {
      answer = (await ask('/api/project')) as Answer;
    } catch (error) {
      useProject.setState({ status: 'failed', trouble: error instanceof Error ? error.message : String(error) });
      return;
    }
    if (answer.status === 'ready') {
      useProject.setState({
        status: 'ready',
        name: answer.name,
        folder: answer.folder,
        inputs: answer.inputs,
        passed: answer.passed,
        missing: answer.missing,
        unread: answer.unread,
        without: answer.without,
        trouble: undefined,
      });
      return;
    }
    if (answer.status === 'failed') {
      useProject.setState({ status: 'failed', trouble: answer.message });
      return;
    }
    useProject.setState({ status: 'reading', doing: answer.progress?.doing ?? '' });
    await new Promise((resolve) => setTimeout(resolve, 400));
  }
}

/** Opens another folder, or the same one anew. @throws {AskError} where it is none; the present one then stays open. */
export async function chooseProject(folder: string, again = false, opened = (): void => undefined): Promise<void> {
  await ask('/api/project', { method: 'POST', json: { folder, again } });
  opened();
  useProject.setState({ status: 'reading', inputs: [], passed: [], doing: '' });
  await openProject();
}

/** An input of the project by its id, taken for one or not. */
export const inspectedIn = (
  { inputs, passed }: Pick<ProjectStore, 'inputs' | 'passed'>,
  id: string,
): Inspected | PassedOver | undefined => [...inputs, ...passed].find(({ input }) => input.id === id);
