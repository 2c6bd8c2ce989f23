import { useState, type ReactNode } from 'react';
import { Button } from './button.js';
import { hostOf } from './fetch-documents.js';
import { useAttempt } from './use-attempt.js';

interface Props {
  readonly label: string;
  /** What the button says while no host is named, and of one that is. */
  readonly act?: { readonly none: string; of(host: string): string };
  /** What is done with an address of the web: the server is asked, since a page may not. What it throws is shown. */
  onFetch(address: string): Promise<void>;
  /** What else can be done with what was typed. */
  readonly other?: { readonly words: string; does(address: string): void };
}

const fetching = { none: 'Fetch an address', of: (host: string): string => `Fetch from ${host}` };

/** An address and a button that names the host which would be asked: pressing it is the permission. */
export function AddressBox({ label, act = fetching, onFetch, other }: Props): ReactNode {
  const [typed, setTyped] = useState('');
  const { isBusy, trouble, attempt, forget } = useAttempt();
  const address = typed.trim();
  const host = hostOf(address);
  const fetchIt = (): void =>
    attempt(() => {
      if (host === undefined) throw new TypeError('Write an address that begins with https:// or http://.');
      return onFetch(address);
    });
  return (
    <form
      className="flex min-w-0 flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        fetchIt();
      }}
    >
      <input
        aria-label={label}
        aria-invalid={trouble !== undefined}
        placeholder="https://…"
        className="mono w-72 max-w-full min-w-0 flex-1 rounded-sm border border-edge bg-sheet px-2 py-0.5"
        value={typed}
        onChange={({ target }) => {
          setTyped(target.value);
          forget();
        }}
      />
      <Button aria-disabled={isBusy} onClick={() => fetchIt()}>
        {host === undefined ? act.none : act.of(host)}
      </Button>
      {other && (
        <Button aria-disabled={isBusy} onClick={() => attempt(() => other.does(address))}>
          {other.words}
        </Button>
      )}
      {trouble !== undefined && (
        <span role="alert" className="w-full text-fail">
          {trouble}
        </span>
      )}
    </form>
  );
}
