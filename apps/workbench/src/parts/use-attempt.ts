import { useState } from 'react';

/** One piece of work at a time that may fail: whether it is under way, and in words why the last one failed. */
export interface Attempt {
  readonly isBusy: boolean;
  readonly trouble: string | undefined;
  /** Does nothing while another one is under way. */
  attempt(work: () => Promise<void> | void): void;
  /** What was wrong is no matter any more. */
  forget(): void;
}

export function useAttempt(): Attempt {
  const [isBusy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const run = async (work: () => Promise<void> | void): Promise<void> => {
    setBusy(true);
    setTrouble(undefined);
    try {
      await work();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error));
    }
    setBusy(false);
  };
  return {
    isBusy,
    trouble,
    attempt: (work) => {
      if (!isBusy) void run(work);
    },
    forget: () => setTrouble(undefined),
  };
}
