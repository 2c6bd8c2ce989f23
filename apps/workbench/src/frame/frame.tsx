import {
  ArrowUUpLeftIcon,
  ArrowUUpRightIcon,
  MagnifyingGlassIcon,
  MoonIcon,
  PackageIcon,
  SunIcon,
} from '@phosphor-icons/react';
import { lazy, Suspense, useEffect, type ReactNode } from 'react';
import { Link, Outlet, useNavigation } from 'react-router';
import { Button } from '../parts/button.js';
import { HostQuestion } from '../parts/host-question.js';
import { Busy, Failed } from '../parts/states.js';
import { useKit } from '../store/kit.js';
import { useKitFile } from '../store/kit-file.js';
import { useView } from '../store/view.js';
import { OrderOfWork } from './order-of-work.js';
import { WayBar } from './way-bar.js';

const Palette = lazy(() => import('./palette.js'));

/** The top line and the page below it. */
export function Frame(): ReactNode {
  const { status, trouble } = useKit();
  const { paletteOpen, notice, setPalette } = useView();
  const navigation = useNavigation();
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey)) return;
      const key = event.key.toLowerCase();
      const target = event.target as HTMLElement | null;
      // In a text, undo belongs to the text.
      const isTyping = target?.matches('input, textarea, [contenteditable="true"]') ?? false;
      if (key === 'k') setPalette(true);
      else if (isTyping) return;
      else if (key === 'y' || (key === 'z' && event.shiftKey)) useKit.getState().redo();
      else if (key === 'z') useKit.getState().undo();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [setPalette]);
  return (
    <div className="flex h-full flex-col">
      <a href="#page" className="sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-sheet focus:p-2">
        To the page
      </a>
      <header className="flex min-h-11 flex-wrap items-center gap-x-4 border-b sm:gap-y-1 border-hairline bg-sheet px-3">
        <Link to="/" className="flex items-center gap-2 font-semibold no-underline">
          <img src="/mark.svg" alt="" width={20} height={20} />
          Poietra
        </Link>
        <OrderOfWork />
        <Tools />
      </header>
      {trouble !== undefined && status === 'ready' && (
        <p role="alert" className="border-b border-fail bg-sheet px-4 py-1.5 text-fail">
          {trouble}
        </p>
      )}
      <HostQuestion />
      {status === 'ready' && <WayBar />}
      <main id="page" tabIndex={-1} className="min-h-0 flex-1 overflow-auto" aria-busy={navigation.state !== 'idle'}>
        {status === 'loading' && <Busy>Opening the kit …</Busy>}
        {status === 'failed' && (
          <Failed title="The kit cannot be opened" message={trouble ?? ''}>
            <Button onClick={() => location.reload()}>Try again</Button>
          </Failed>
        )}
        {status === 'ready' && <Outlet />}
      </main>
      <p role="status" className={notice === '' ? 'sr-only' : 'border-t border-hairline bg-sheet px-4 py-1 text-ink-2'}>
        {notice}
      </p>
      {paletteOpen && (
        <Suspense>
          <Palette />
        </Suspense>
      )}
    </div>
  );
}

function Tools(): ReactNode {
  const { history, position, undo, redo, kit, saved } = useKit();
  const { theme, setTheme, setPalette } = useView();
  const file = useKitFile(({ state }) => state.is);
  const last = history[position - 1];
  const next = history[position];
  return (
    <div className="ml-auto flex flex-wrap items-center gap-1 max-sm:gap-0">
      <Button
        look="quiet"
        aria-disabled={!last}
        onClick={undo}
        title={last ? `Undo: ${last.label} (Ctrl Z)` : 'Nothing to undo'}
        aria-label={last ? `Undo: ${last.label}` : 'Undo: nothing'}
      >
        <ArrowUUpLeftIcon size={16} aria-hidden="true" />
      </Button>
      <Button
        look="quiet"
        aria-disabled={!next}
        onClick={redo}
        title={next ? `Redo: ${next.label} (Ctrl Shift Z)` : 'Nothing to redo'}
        aria-label={next ? `Redo: ${next.label}` : 'Redo: nothing'}
      >
        <ArrowUUpRightIcon size={16} aria-hidden="true" />
      </Button>
      <Button look="quiet" onClick={() => setPalette(true)}>
        <MagnifyingGlassIcon size={16} aria-hidden="true" />
        <span className="max-sm:sr-only">Commands</span> <kbd className="mono hidden text-ink-2 sm:inline">Ctrl K</kbd>
      </Button>
      <Button
        look="quiet"
        onClick={() => setTheme(theme === 'light' ? 'dark' : 'light')}
        aria-label={theme === 'light' ? 'Dark theme' : 'Light theme'}
      >
        {theme === 'light' ? <MoonIcon size={16} aria-hidden="true" /> : <SunIcon size={16} aria-hidden="true" />}
      </Button>
      <Link
        to="/kit"
        data-saved={saved}
        title={saved ? 'Every change is stored in this browser' : 'Being stored …'}
        className="inline-flex min-h-7 items-center gap-1.5 rounded-sm px-2.5 no-underline hover:bg-mark"
      >
        <PackageIcon size={16} aria-hidden="true" />
        {kit.name === '' ? 'Kit' : kit.name}
        {file === 'ahead' && <span className="text-warn">file differs</span>}
        {file === 'trouble' && <span className="text-fail">not in step</span>}
      </Link>
    </div>
  );
}
