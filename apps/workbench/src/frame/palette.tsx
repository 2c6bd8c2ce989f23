import { partsOf, titleOf } from '@poietra/core';
import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { pages } from '../pages.js';
import { oneOf, pathOf } from '../parts/kit-part.js';
import { useKit } from '../store/kit.js';
import { useProject } from '../store/project.js';
import { useView } from '../store/view.js';
import { useWay } from '../store/way.js';
import { wayOf } from './way.js';

interface Entry {
  readonly name: string;
  readonly kind: string;
  readonly keys?: string;
  run(): void;
}

/** Those worked on last in the order of work come first: one looks for a form more often than for an adapter. */
const kinds = pages.flatMap(({ kind }) => kind ?? []).reverse();

/** Everything one can go to or do, by name. */
export default function Palette(): ReactNode {
  const { kit, undo, redo, history, position } = useKit();
  const { inputs } = useProject();
  const { setPalette, theme, setTheme } = useView();
  const navigate = useNavigate();
  const last = history[position - 1];
  const next = history[position];
  const entries: Entry[] = [
    ...(last ? [{ kind: 'Do', name: `Undo: ${last.label}`, keys: 'Ctrl Z', run: undo }] : []),
    ...(next ? [{ kind: 'Do', name: `Redo: ${next.label}`, keys: 'Ctrl Shift Z', run: redo }] : []),
    {
      kind: 'Do',
      name: theme === 'light' ? 'Dark theme' : 'Light theme',
      run: () => setTheme(theme === 'light' ? 'dark' : 'light'),
    },
    ...(wayOf(kit)
      ? [{ kind: 'Do', name: 'Three minutes along one value', run: () => useWay.getState().go('offered') }]
      : []),
    ...pages.flatMap(({ path, name }) =>
      name === undefined ? [] : [{ kind: 'Page', name, run: () => void navigate(`/${path.replace(/\/:.*/, '')}`) }],
    ),
    ...kinds.flatMap((kind) =>
      Object.keys(partsOf(kit, kind)).map((id) => ({
        kind: oneOf[kind].replace(/^./, (letter) => letter.toUpperCase()),
        name: titleOf(kit, kind, id),
        run: () => void navigate(pathOf(kind, id)),
      })),
    ),
    ...inputs.map(({ input: { id } }) => ({
      kind: 'Input',
      name: id,
      run: () => void navigate(`/inputs/${encodeURIComponent(id)}`),
    })),
  ];
  return (
    <Dialog.Root open onOpenChange={setPalette}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-black/30" />
        <Dialog.Content
          className="fixed top-20 left-1/2 z-20 w-[min(560px,92vw)] -translate-x-1/2 rounded-sm border border-edge bg-sheet"
          aria-describedby={undefined}
        >
          <Dialog.Title className="sr-only">Commands</Dialog.Title>
          <Command label="Commands" loop>
            <Command.Input
              autoFocus
              placeholder="Go to or do …"
              className="w-full border-b border-hairline bg-transparent px-4 py-2.5 text-[16px] outline-none placeholder:text-ink-2"
            />
            <Command.List className="max-h-[50vh] overflow-auto p-1">
              <Command.Empty className="p-4 text-ink-2">
                Nothing of that name. Try the name of a form, a field or an input.
              </Command.Empty>
              {entries.map(({ kind, name, keys, run }, i) => (
                <Command.Item
                  key={`${kind} ${name} ${i}`}
                  value={`${kind} ${name} ${i}`}
                  className="flex cursor-pointer items-baseline gap-3 rounded-sm px-3 py-1.5 data-[selected=true]:bg-mark"
                  onSelect={() => {
                    setPalette(false);
                    run();
                  }}
                >
                  <span className="w-16 text-[13px] text-ink-2">{kind}</span>
                  <span className="min-w-0 flex-1 truncate">{name}</span>
                  {keys !== undefined && <kbd className="mono text-ink-2">{keys}</kbd>}
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
