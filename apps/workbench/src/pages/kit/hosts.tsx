import { joinPointer } from '@poietra/core';
import type { ReactNode } from 'react';
import { AddressBox } from '../../parts/address-box.js';
import { Button } from '../../parts/button.js';
import { allowHost, originOf } from '../../store/hosts.js';
import { useKit } from '../../store/kit.js';

/** Whom the kit's forms may ask for values and checks, beside the demo company. */
export function Hosts(): ReactNode {
  const hosts = useKit(({ kit }) => kit.hosts);
  const edit = useKit((kit) => kit.edit);
  return (
    <section className="grid gap-2" aria-label="Hosts that may be asked">
      <h2>Hosts that may be asked</h2>
      <p className="text-[13px] text-ink-2">
        Choices and checks may come from a server of yours. The workbench asks it through its own server, without
        cookies; each host has to be allowed once. What is handed over asks from the browser.
      </p>
      <ul className="border-t border-hairline empty:hidden">
        {Object.entries(hosts ?? {}).map(([origin, { allowed }]) => (
          <li key={origin} className="flex flex-wrap items-center gap-x-3 border-b border-hairline py-1">
            <span className="mono break-all">{origin}</span>
            <span className="text-[13px] text-ink-2">
              {allowed === undefined ? 'by hand' : `since ${new Date(allowed).toLocaleString()}`}
            </span>
            <span className="ml-auto">
              <Button
                look="quiet"
                aria-label={`No longer ask ${origin}`}
                onClick={() => edit(`No longer ask ${origin}`, { [joinPointer('/hosts', origin)]: undefined })}
              >
                Take away
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <AddressBox
        label="Address of a host"
        act={{ none: 'Allow a host', of: (host) => `Allow ${host}` }}
        onFetch={(address) => {
          const origin = originOf(address.trim());
          if (origin === undefined)
            throw new TypeError('It has to be an address of another host, with https:// or http://.');
          allowHost(origin);
          return Promise.resolve();
        }}
      />
    </section>
  );
}
