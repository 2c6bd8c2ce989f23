import { useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { hostOf, textBehind } from '../../parts/fetch-documents.js';

/** A text by its address: the server asks for it, since a page may not. */
export function FromAddress({ onHave }: { onHave(text: string, address: string): void }): ReactNode {
  const [address, setAddress] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const [isBusy, setBusy] = useState(false);
  const host = hostOf(address.trim());
  const get = async (): Promise<void> => {
    if (isBusy) return;
    setTrouble(host === undefined ? 'Write an address that begins with https:// or http://.' : undefined);
    if (host === undefined) return;
    setBusy(true);
    try {
      onHave(await textBehind(address.trim(), 'address'), address.trim());
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error));
    }
    setBusy(false);
  };
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void get();
      }}
    >
      <input
        aria-label="Address to begin with"
        aria-invalid={trouble !== undefined}
        placeholder="https://…"
        className="mono min-w-0 flex-1 rounded-sm border border-edge bg-sheet px-2 py-0.5"
        value={address}
        onChange={({ target }) => {
          setAddress(target.value);
          setTrouble(undefined);
        }}
      />
      <Button aria-disabled={isBusy} onClick={() => void get()}>
        {host === undefined ? 'Fetch an address' : `Fetch from ${host}`}
      </Button>
      {trouble !== undefined && (
        <span role="alert" className="w-full text-fail">
          {trouble}
        </span>
      )}
    </form>
  );
}
