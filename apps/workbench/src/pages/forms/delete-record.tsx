import { AlertDialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from '../../parts/button.js';

/** Takes a record away for good, so it is asked once more. */
export function DeleteRecord({ record, onDelete }: { readonly record: string; onDelete(): Promise<void> }): ReactNode {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>
        <Button look="quiet">Delete</Button>
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 bg-ink/30" />
        <AlertDialog.Content className="fixed top-1/3 left-1/2 grid w-96 max-w-[90vw] -translate-x-1/2 gap-3 rounded-sm border border-edge bg-sheet p-4">
          <AlertDialog.Title className="font-semibold">Delete {record}?</AlertDialog.Title>
          <AlertDialog.Description className="text-ink-2">
            The server forgets it. This cannot be undone.
          </AlertDialog.Description>
          <div className="flex justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button>Keep it</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button look="main" onClick={() => void onDelete()}>
                Delete
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
