import { create } from 'zustand';

/** An edit of a group that was looked at and not made yet. It reaches every form that uses the group, so it waits. */
export interface GroupEdit {
  readonly schema: unknown;
  readonly written: string | undefined;
  /** The schema that it was begun from: one that has changed meanwhile makes it worthless. */
  readonly of: unknown;
}
interface GroupEdits {
  readonly edits: Readonly<Record<string, GroupEdit | undefined>>;
  keep(name: string, draft: GroupEdit | undefined): void;
}

/** Kept while one looks at other pages: leaving a page is no decision. */
export const useGroupEdits = create<GroupEdits>()((set) => ({
  edits: {},
  keep: (name, draft) => set(({ edits }) => ({ edits: { ...edits, [name]: draft } })),
}));
