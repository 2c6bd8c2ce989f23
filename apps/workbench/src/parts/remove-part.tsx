import { removePart, titleOf, usesOfPart, type PartKind } from '@poietra/core';
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
          className="z-10 grid max-h-[60vh] w-80 gap-2 overflow-auto rounded-sm border border-edge bg-sheet p-3"
        >
          <Asked kind={kind} name={name} title={title} {...(onRemoved ? { onRemoved } : {})} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Asked({ kind, name, title, onRemoved }: Props & { readonly title: string }): ReactNode {
  const { kit, edit } = useKit();
  const uses = useMemo(() => usesOfPart(kit, kind, name), [kit, kind, name]);
  return (
    <>
      <h2>
        Delete the {oneOf[kind]} “{title}”?
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
              edit(`Delete the ${oneOf[kind]} ${title}`, removePart(useKit.getState().kit, kind, name));
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
