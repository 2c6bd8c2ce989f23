import { freeName, inputTitle } from '../../parts/names.js';
import type { ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../../parts/button.js';
import { Busy, Empty, Failed } from '../../parts/states.js';
import { StandFrame } from '../../parts/stand-frame.js';
import { useKit } from '../../store/kit.js';
import { useProject, type Inspected } from '../../store/project.js';
import { PushValues } from './push-values.js';
import { ReportLine } from './report-line.js';
import { useStand } from './use-stand.js';

/** One input alone: what it declares, the living thing, what it reports, and what may be pushed in. */
export function Component(): ReactNode {
  const { id = '' } = useParams();
  const { status, inputs } = useProject();
  const found = inputs.find(({ input }) => input.id === id);
  if (status !== 'ready') return <Busy>Reading the project …</Busy>;
  if (!found) {
    return (
      <Empty title="The project has no such input">
        <p>
          <code>{id}</code> is not among the inputs that were found. Is its package installed in the project folder?
        </p>
      </Empty>
    );
  }
  return <Stand key={id} found={found} />;
}

function Stand({ found: { input, adapter: drafted, findings } }: { readonly found: Inspected }): ReactNode {
  const navigate = useNavigate();
  const { kit, edit } = useKit();
  const own = Object.entries(kit.adapters).find(([, one]) => one.input === input.id);
  const adapter = own?.[1] ?? drafted;
  const stand = useStand(input, adapter);
  const draft = (): void => {
    if (!drafted) return;
    const name = freeName(
      input.tag && input.family === 'element'
        ? input.tag
        : input.export === 'default'
          ? input.package
          : (input.export.split('.')[0] ?? input.export),
      kit.adapters,
    );
    const { family, package: pkg, version, export: exported, module, css, tag } = input;
    edit(`Draft the adapter of ${input.id}`, {
      [`/inputs/${input.id.replaceAll('~', '~0').replaceAll('/', '~1')}`]: {
        family,
        package: pkg,
        version,
        export: exported,
        module,
        css,
        ...(tag ? { tag } : {}),
      },
      [`/adapters/${name}`]: { ...drafted, title: input.export === 'default' ? input.package : input.export },
    });
    void navigate(`/adapters/${name}`);
  };
  return (
    <div className="flex h-full min-h-[600px] flex-col">
      <header className="flex flex-wrap items-baseline gap-3 border-b border-hairline px-4 py-2">
        <h2 className="text-[16px]">{inputTitle(input)}</h2>
        <span className="text-ink-2">
          {input.family} of {input.package} <span className="mono">{input.version}</span>
        </span>
        <span className="ml-auto">
          {own ? (
            <Link
              className="rounded-sm border border-edge bg-sheet px-2.5 py-1 no-underline hover:bg-mark"
              to={`/adapters/${own[0]}`}
            >
              Open its adapter
            </Link>
          ) : (
            <Button look="main" onClick={draft} aria-disabled={!drafted}>
              Draft the adapter
            </Button>
          )}
        </span>
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[220px_minmax(0,1fr)_290px]">
        <Declared found={{ input, findings }} />
        <div className="min-h-0 overflow-auto border-hairline bg-sheet lg:border-x">
          {stand.failed !== undefined && <Failed title="The input failed" message={stand.failed} />}
          <StandFrame
            title={`Stand: ${inputTitle(input)}`}
            inputs={input.family === 'native' ? [] : [input.id]}
            minHeight={200}
            onReady={stand.onReady}
            onMessage={stand.onMessage}
          />
        </div>
        <ReportLine reports={stand.reports} onClear={stand.clear} />
      </div>
      <div className="grid gap-3 border-t border-hairline px-4 py-2 lg:grid-cols-2">
        <PushValues onPush={stand.push} />
        <section aria-label="Findings" className="grid content-start gap-1">
          <h2>Findings</h2>
          <ul className="max-h-32 overflow-auto text-[13px]">
            {findings.map(({ about, says, evidence, certainty }) => (
              <li key={about + says}>
                <details>
                  <summary className="min-h-6 cursor-pointer py-0.5">
                    {says} <span className="mono text-ink-2">{Math.round(certainty * 100)} %</span>
                  </summary>
                  <p className="pl-4 text-ink-2">{evidence}</p>
                </details>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}

function Declared({
  found: { input, findings },
}: {
  readonly found: Pick<Inspected, 'input' | 'findings'>;
}): ReactNode {
  const used = new Set(findings.flatMap(({ says }) => [...says.matchAll(/“([^”]+)”/g)].map((match) => match[1])));
  // What matters for a form comes first.
  const properties = [...input.properties].sort(
    (a, b) =>
      Number(used.has(b.name)) - Number(used.has(a.name)) ||
      Number(a.inherited ?? false) - Number(b.inherited ?? false),
  );
  return (
    <section
      aria-label="Declared"
      className="max-h-64 min-h-0 overflow-auto p-3 text-[13px] lg:max-h-none"
      tabIndex={0}
    >
      <h2>
        Declares <span className="mono font-normal text-ink-2">{properties.length}</span>
      </h2>
      {input.says !== undefined && <p className="mb-2 text-ink-2">{input.says}</p>}
      <dl className="grid gap-1">
        {properties.map(({ name, type, says }) => (
          <div key={name}>
            <dt className={`mono ${used.has(name) ? 'font-semibold text-held' : ''}`}>{name}</dt>
            <dd className="pl-2 wrap-anywhere text-ink-2" title={says}>
              {type}
            </dd>
          </div>
        ))}
        {input.events.map(({ name, says }) => (
          <div key={`event ${name}`}>
            <dt className={`mono ${used.has(name) ? 'font-semibold text-held' : ''}`}>{name}</dt>
            <dd className="pl-2 text-ink-2">event. {says}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
