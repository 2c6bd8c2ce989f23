/**
 * What runs inside the stand's frame: one input alone, or a whole form, with foreign inputs and the libraries. It has
 * no origin, no storage and no network; all it can do is talk to the workbench.
 */
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '@poietra/react/skin.css';
import '../tokens.css';
import './frame.css';
import './edit.css';
import type { CodecCode, Outcome } from '@poietra/core';
import type { FetchChoices } from '@poietra/react';
import { Catching, consoleText, setStylesAside, type BundledInputs } from '@poietra/stand';
import { createRoot, hydrateRoot } from 'react-dom/client';
import { servedPrefix, type FormToOpen, type ToFrame } from './messages.js';
import { PastedPage } from './pasted-page.js';
import { prepare, type Prepared } from './open-form.js';
import { Sheet, type SheetHandle } from './sheet.js';
import { Solo, type SoloHandle } from './solo.js';
import { tell } from './tell.js';
import { NoLongerWanted } from './turns.js';

export function startFrame(inputs: BundledInputs, codes: Readonly<Record<string, CodecCode>> = {}): void {
  const host = document.getElementById('stand');
  if (!host) return;
  /** After each the form is drawn anew. */
  let failures = 0;
  const onUncaughtError = (error: unknown): void => {
    failures++;
    tell({ kind: 'failed', message: words(error) });
  };
  let root = createRoot(host, { onUncaughtError });
  const waiting = new Map<number, (outcome: Outcome) => void>();
  let next = 0;
  const solo: { current: SoloHandle | null } = { current: null };
  const sheet: { current: SheetHandle | null } = { current: null };
  const send = (sent: unknown): Promise<Outcome> =>
    new Promise((resolve) => {
      const id = next++;
      waiting.set(id, resolve);
      tell({ kind: 'send', id, sent });
    });

  const fetching = new Map<number, { take(answer: unknown): void; fail(error: Error): void }>();
  const fetchChoices: FetchChoices = (address, signal) =>
    new Promise((take, fail) => {
      const id = next++;
      fetching.set(id, { take, fail });
      signal.addEventListener('abort', () => fetching.delete(id));
      tell({ kind: 'fetch', id, address });
    });
  let latest: FormToOpen | undefined;
  const openSheet = async (open: FormToOpen): Promise<void> => {
    latest = open;
    let prepared: Prepared;
    try {
      prepared = await prepare(open);
    } catch (error) {
      if (!(error instanceof NoLongerWanted) && latest === open) tell({ kind: 'failed', message: words(error) });
      return;
    }
    // Meanwhile the form may have been edited again.
    if (latest !== open) return;
    const drawn = (
      <Catching key={failures} tell={onUncaughtError}>
        <Sheet
          inputs={inputs}
          codes={codes}
          {...prepared}
          open={open}
          send={send}
          fetchChoices={fetchChoices}
          handle={sheet}
        />
      </Catching>
    );
    if (open.served === undefined) {
      root.render(drawn);
      return;
    }
    root.unmount();
    // It comes from the server’s own drawing, and the frame’s policy lets no script in it run.
    host.innerHTML = open.served;
    setStylesAside(host);
    root = hydrateRoot(host, drawn, {
      identifierPrefix: servedPrefix,
      onUncaughtError,
      onRecoverableError: (error) => tell({ kind: 'warning', text: words(error).slice(0, 2000) }),
    });
  };

  const hear = (message: ToFrame): void => {
    switch (message.kind) {
      case 'mount':
        root.render(
          <Solo
            key={message.input}
            inputs={inputs}
            input={message.input}
            adapter={message.adapter}
            listen={message.listen}
            recording={message.recording}
            handle={solo}
          />,
        );
        break;
      case 'open':
        void openSheet(message.open);
        break;
      case 'page':
        root.render(<PastedPage key={message.html} html={message.html} />);
        break;
      case 'push':
        solo.current?.push(message.written);
        break;
      case 'replay':
        solo.current?.replay(message.gesture);
        break;
      case 'ping':
        tell({ kind: 'pong' });
        break;
      case 'load':
        sheet.current?.load(message.values);
        break;
      case 'left over':
        sheet.current?.leftOver(message.at, message.keep);
        break;
      case 'restart':
        sheet.current?.restart();
        break;
      case 'light':
        sheet.current?.light(message.schemaAt);
        break;
      case 'focus':
        sheet.current?.focus(message.at);
        break;
      case 'theme':
        document.documentElement.dataset['theme'] = message.theme;
        break;
      case 'fetched':
        if (message.trouble === undefined) fetching.get(message.id)?.take(message.answer);
        else fetching.get(message.id)?.fail(new Error(message.trouble));
        fetching.delete(message.id);
        break;
      case 'answer':
        waiting.get(message.id)?.(message.outcome);
        waiting.delete(message.id);
    }
  };
  window.addEventListener('message', (event: MessageEvent<ToFrame>) => {
    if (event.source === window.parent) hear(event.data);
  });
  window.addEventListener('error', ({ message }) => tell({ kind: 'failed', message }));
  window.addEventListener('unhandledrejection', ({ reason }) => tell({ kind: 'warning', text: words(reason) }));
  for (const level of ['error', 'warn'] as const) {
    const original = console[level].bind(console);
    console[level] = (...args: unknown[]) => {
      original(...args);
      tell({ kind: 'warning', text: consoleText(args).slice(0, 2000) });
    };
  }
  // Shortcuts belong to the workbench, wherever the focus is.
  window.addEventListener('keydown', (event) => {
    if (!(event.ctrlKey || event.metaKey) || !['k', 'z', 'y'].includes(event.key.toLowerCase())) return;
    const isTyping = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
    if (isTyping && event.key.toLowerCase() !== 'k') return;
    event.preventDefault();
    tell({ kind: 'key', key: event.key.toLowerCase(), ctrl: true, shift: event.shiftKey });
  });
  // What a gesture does by itself is not trusted; only a person's own hand is.
  for (const type of ['pointerdown', 'keydown'])
    window.addEventListener(type, ({ isTrusted }) => isTrusted && tell({ kind: 'touched' }), { capture: true });
  new ResizeObserver(() => tell({ kind: 'height', height: Math.ceil(host.getBoundingClientRect().height) })).observe(
    host,
  );
  tell({ kind: 'ready' });
}

function words(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
