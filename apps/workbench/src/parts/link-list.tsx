import type { ReactNode } from 'react';
import type { FromFrame } from '../sandbox/checked.js';
import { Verdict } from './verdict.js';

export type LinksTold = Extract<FromFrame, { kind: 'links' }>;

/** What the link map found: each break with what to do, and each control with the name and description it has. */
export function LinkList({ told }: { readonly told: LinksTold | undefined }): ReactNode {
  if (!told) return <p className="text-ink-2">The links are being read …</p>;
  const { count, breaks, controls } = told;
  return (
    <section aria-label="Links" className="grid content-start gap-3 text-[13px]">
      <p role="status">
        {breaks.length === 0 ? (
          <Verdict kind="pass">{`${count} links, none broken`}</Verdict>
        ) : (
          <Verdict kind="fail">
            {breaks.length === 1 ? 'One link is broken' : `${breaks.length} of the links are broken`}
          </Verdict>
        )}
      </p>
      <ul className="grid gap-2">
        {breaks.map(({ kind, where, says, advice }, i) => (
          <li key={i} className="border-l-2 border-fail pl-2">
            <b>{kind}</b> <span className="mono text-ink-2">{where}</span>
            <p>{says}</p>
            <p className="text-ink-2">{advice}</p>
          </li>
        ))}
      </ul>
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <caption className="text-left font-semibold">Controls, in the order of the page</caption>
          <thead className="text-ink-2">
            <tr>
              {['role', 'name', 'description'].map((head) => (
                <th key={head} scope="col" className="border-b border-hairline pr-2 font-semibold">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {controls.map(({ role, name, description }, i) => (
              <tr key={i} className="border-b border-hairline align-top">
                <td className="mono pr-2">{role}</td>
                <td className="pr-2">{name === '' ? <span className="text-fail">none</span> : name}</td>
                <td className="text-ink-2">{description}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
