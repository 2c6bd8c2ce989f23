import { useState, type ReactNode } from 'react';
import type { FromFrame } from '../sandbox/checked.js';
import { CopyButton } from './copy-button.js';
import { Verdict } from './verdict.js';

export type LinksTold = Extract<FromFrame, { kind: 'links' }>;
type Control = LinksTold['controls'][number];

/** What the link map found: each break with what to do, the ids in a sentence, and each control with all that links it. */
export function LinkList({ told }: { readonly told: LinksTold | undefined }): ReactNode {
  if (!told) return <p className="text-ink-2">The links stand here as soon as they are drawn.</p>;
  const { count, breaks, controls } = told;
  return (
    <section aria-label="Links" className="grid min-w-0 content-start gap-3 text-[13px]">
      <p role="status" className="flex flex-wrap gap-x-4">
        {breaks.length === 0 ? (
          <Verdict kind="pass">{`${count} links, none broken`}</Verdict>
        ) : (
          <Verdict kind="fail">
            {breaks.length === 1 ? 'One link is broken' : `${breaks.length} of the links are broken`}
          </Verdict>
        )}
        <span>{idsInWords(told)}</span>
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
      <Controls controls={controls} />
    </section>
  );
}

/** “117 ids, the same on both sides, two bases, all safe as selectors.” */
function idsInWords({ ids: { count, bases, escaped, compared }, breaks }: LinksTold): string {
  const anew = breaks.filter(({ kind }) => kind === 'id invented anew').length;
  return `${[
    `${count} ids`,
    ...(compared
      ? [anew === 0 ? 'the same on both sides' : `${anew} of them others in the browser than from the server`]
      : []),
    ...(bases > 0 ? [bases === 1 ? 'one base' : `${bases} bases`] : []),
    escaped.length === 0
      ? 'all safe as selectors'
      : `to be escaped in selectors: ${escaped.map((id) => `“${id}”`).join(', ')}`,
  ].join(', ')}.`;
}

const heads = ['copy', 'group', 'label', 'element', 'role', 'name', 'description'] as const;
const textOf = ({ copy, groups, label, id, role, name, description }: Control): string[] => [
  copy === 0 ? '' : String(copy),
  groups,
  label,
  id === '' ? '' : `#${id}`,
  role,
  name,
  description,
];

/** In the order of the page; the parts of one widget are folded into its first. */
function Controls({ controls }: { readonly controls: readonly Control[] }): ReactNode {
  const [open, setOpen] = useState<ReadonlySet<number>>(new Set());
  const partsOf = (at: number): number => controls.filter(({ part }) => part === at).length;
  const fold = (at: number): void =>
    setOpen((before) => new Set(before.has(at) ? [...before].filter((one) => one !== at) : [...before, at]));
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left">
        <caption className="text-left font-semibold">
          <span className="flex items-center gap-3">
            Controls, in the order of the page
            <CopyButton
              what="the table, for a sheet"
              text={[heads, ...controls.map(textOf)].map((cells) => cells.join('\t')).join('\n')}
            />
          </span>
        </caption>
        <thead className="text-ink-2">
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col" className="border-b border-hairline pr-3 font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {controls.map((control, i) => {
            const { part, name, label } = control;
            if (part >= 0 && !open.has(part)) return null;
            const parts = part < 0 ? partsOf(i) : 0;
            const [copy, groups, , element, role, , description] = textOf(control);
            return (
              <tr key={i} className="border-b border-hairline align-top">
                <td className="pr-3 text-ink-2">{copy}</td>
                <td className="pr-3 text-ink-2">{groups}</td>
                <td className="pr-3">
                  {label}
                  {parts > 0 && (
                    <button
                      type="button"
                      className="min-h-6 rounded-sm px-1 underline hover:bg-mark"
                      aria-expanded={open.has(i)}
                      onClick={() => fold(i)}
                    >
                      {open.has(i) ? 'fold its parts' : parts === 1 ? 'and one more part' : `and ${parts} more parts`}
                    </button>
                  )}
                </td>
                <td className="mono pr-3 wrap-anywhere">{element}</td>
                <td className="mono pr-3">{role}</td>
                <td className="pr-3">
                  {name === '' ? (
                    <span className="text-fail">none</span>
                  ) : name === label ? (
                    <span className="text-ink-2">as the label</span>
                  ) : (
                    name
                  )}
                </td>
                <td className="text-ink-2">{description}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
