import { removePart, titleOf, usesOfPart, type Kit, type KitEdits, type KitUse, type PartKind } from '@poietra/core';
import { TrashIcon } from '@phosphor-icons/react';
import { Popover } from 'radix-ui';
import { useMemo, type ReactNode } from 'react';
import { useKit } from '../store/kit.js';
import { useView } from '../store/view.js';
import { Button } from './button.js';
import { oneOf } from './kit-part.js';
import { UseList } from './use-list.js';

interface Props {
  readonly kind: PartKind;
  readonly name: string;
  onRemoved?(): void;
}

/** Takes a part out of the kit, after showing what uses it. It is one step, and can be undone. */
export function RemovePart({ kind, name, onRemoved }: Props): ReactNode {
  const title = useKit(({ kit }) => titleOf(kit, kind, name));
  return (
    <Remove
      what={oneOf[kind]}
      title={title}
      usesOf={(kit) => usesOfPart(kit, kind, name)}
      editsOf={(kit) => removePart(kit, kind, name)}
      {...(onRemoved ? { onRemoved } : {})}
    />
  );
}

interface RemoveProps {
  /** In a word: `form`. */
  readonly what: string;
  readonly title: string;
  usesOf(kit: Kit): readonly KitUse[];
  editsOf(kit: Kit): KitEdits;
  onRemoved?(): void;
}

/** The same for whatever has uses. */
export function Remove(props: RemoveProps): ReactNode {
  const { title } = props;
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`Delete ${title}`}
        title="Delete"
        className="inline-flex min-h-7 items-center rounded-sm px-2 hover:bg-mark"
      >
        <TrashIcon size={16} aria-hidden="true" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          aria-label={`Delete ${title}?`}
          className="z-10 grid max-h-[60vh] w-80 gap-2 overflow-auto rounded-sm border border-edge bg-sheet p-3 wrap-anywhere"
        >
          <Asked {...props} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Asked({ what, title, usesOf, editsOf, onRemoved }: RemoveProps): ReactNode {
  const { kit, edit } = useKit();
  // Asked once for each opening: what uses it does not change while one reads.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const uses = useMemo(() => usesOf(kit), [kit]);
  return (
    <>
      <h2>
        Delete the {what} “{title}”?
      </h2>
      {uses.length === 0 ? (
        <p className="text-ink-2">Nothing uses it.</p>
      ) : (
        <>
          <p>It is used here, and will be missing there:</p>
          <UseList uses={uses} />
        </>
      )}
      <div className="flex justify-end gap-2">
        <Popover.Close asChild>
          <Button>Keep it</Button>
        </Popover.Close>
        <Popover.Close asChild>
          <Button
            look="main"
            onClick={() => {
              edit(`Delete the ${what} ${title}`, editsOf(useKit.getState().kit));
              useView.getState().say(`“${title}” is deleted. Undo brings it back.`);
              onRemoved?.();
            }}
          >
            Delete
          </Button>
        </Popover.Close>
      </div>
    </>
  );
}
