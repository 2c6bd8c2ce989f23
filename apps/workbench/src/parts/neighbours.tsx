import { CaretDownIcon } from '@phosphor-icons/react';
import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';

export interface Neighbour {
  readonly id: string;
  readonly title: string;
  readonly to: string;
  /** Behind the title. */
  readonly note?: ReactNode;
}
interface Props {
  /** What the button says: `Another codec`. */
  readonly what: string;
  readonly current: string | undefined;
  readonly things: readonly Neighbour[];
}

const mostShown = 200;

/** The way from one thing to another of its kind: typed, or with the arrow keys. Nothing is docked at a page's side. */
export function Neighbours({ what, current, things }: Props): ReactNode {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const matching = things.filter(({ id, title }) =>
    words.every((word) => `${title} ${id}`.toLowerCase().includes(word)),
  );
  return (
    <Popover.Root
      open={open}
      onOpenChange={(is) => {
        setOpen(is);
        setTyped('');
      }}
    >
      <Popover.Trigger className="inline-flex min-h-7 items-center gap-1 rounded-sm border border-edge bg-sheet px-2 hover:bg-mark">
        {what}
        <CaretDownIcon size={12} aria-hidden="true" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          aria-label={what}
          className="z-10 w-80 max-w-[92vw] rounded-sm border border-edge bg-sheet"
        >
          <Command label={what} shouldFilter={false} loop>
            <Command.Input
              autoFocus
              value={typed}
              onValueChange={setTyped}
              placeholder="Type a part of its name"
              className="w-full border-b border-hairline bg-transparent px-3 py-1.5 outline-none placeholder:text-ink-2"
            />
            <Command.List className="max-h-[50vh] overflow-auto p-1">
              <Command.Empty className="p-3 text-ink-2">Nothing of that name.</Command.Empty>
              {matching.slice(0, mostShown).map(({ id, title, to, note }) => (
                <Command.Item
                  key={id}
                  value={id}
                  className="flex cursor-pointer items-baseline gap-2 rounded-sm px-2 py-1 data-[selected=true]:bg-mark"
                  onSelect={() => {
                    setOpen(false);
                    void navigate(to);
                  }}
                >
                  <span className={`min-w-0 truncate ${id === current ? 'font-semibold' : ''}`}>{title}</span>
                  {title !== id && <span className="mono ml-auto truncate text-ink-2">{id}</span>}
                  {note}
                </Command.Item>
              ))}
              {matching.length > mostShown && (
                <p className="px-2 py-1 text-[13px] text-ink-2">
                  {matching.length - mostShown} more; type to find them.
                </p>
              )}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
