import { create } from 'zustand';

/** An edit of a group that was looked at and not made yet. It reaches every form that uses the group, so it waits. */
export interface GroupDraft {
  readonly schema: unknown;
  readonly written: string | undefined;
  /** The schema that it was begun from: one that has changed meanwhile makes it worthless. */
  readonly of: unknown;
}
interface GroupDrafts {
  readonly drafts: Readonly<Record<string, GroupDraft | undefined>>;
  keep(name: string, draft: GroupDraft | undefined): void;
}

/** Kept while one looks at other pages: leaving a page is no decision. */
export const useGroupDrafts = create<GroupDrafts>()((set) => ({
  drafts: {},
  keep: (name, draft) => set(({ drafts }) => ({ drafts: { ...drafts, [name]: draft } })),
}));
