import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { useKit } from '../store/kit.js';
import { useProject } from '../store/project.js';
import { useView } from '../store/view.js';

interface Entry {
  readonly name: string;
  readonly kind: string;
  readonly keys?: string;
  run(): void;
}

/** Everything one can go to or do, by name. */
export default function Palette(): ReactNode {
  const { kit, undo, redo, history, position } = useKit();
  const { inputs } = useProject();
  const { setPalette, theme, setTheme } = useView();
  const navigate = useNavigate();
  const go = (kind: string, path: string, names: readonly (readonly [string, string])[]): Entry[] =>
    names.map(([id, title]) => ({ kind, name: title, run: () => void navigate(`${path}/${encodeURIComponent(id)}`) }));
  const titled = (part: Readonly<Record<string, { readonly title?: string | undefined }>>): [string, string][] =>
    Object.entries(part).map(([id, { title }]) => [id, title ?? id]);
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
    { kind: 'Do', name: 'Import or export the kit', run: () => void navigate('/kit') },
    ...['inputs', 'codecs', 'fields', 'groups', 'forms', 'shelf', 'links', 'hand-over'].map((page) => ({
      kind: 'Page',
      name: page.charAt(0).toUpperCase() + page.slice(1),
      run: () => void navigate(`/${page}`),
    })),
    ...go('Form', '/forms', titled(kit.forms)),
    ...go('Group', '/groups', titled(kit.groups)),
    ...go('Field', '/fields', titled(kit.fields)),
    ...go('Codec', '/codecs', titled(kit.codecs)),
    ...go('Adapter', '/adapters', titled(kit.adapters)),
    ...go(
      'Input',
      '/inputs',
      inputs.map(({ input }) => [input.id, input.id]),
    ),
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
              {entries.map(({ kind, name, keys, run }) => (
                <Command.Item
                  key={`${kind} ${name}`}
                  value={`${kind} ${name}`}
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
